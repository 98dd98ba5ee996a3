import { LIBRARY, type Family } from '@/core/design'
import { meanRejectRate } from '@/core/batch'
import {
  foldedByGrade,
  spoiledByReason,
  type GradeCount,
  type ReasonCount,
} from '@/data/repositories/history'
import { listRuns, unitsOfProject, unitsOfRun, type RunSummary } from '@/data/repositories/runs'
import type { RunUnitRow } from '@/data/tables'
import type { FlowContext } from '../flow-context'
import { readHistory } from './history'

const RUNS_SHOWN = 100

export interface FamilyLesson {
  readonly family: Family
  readonly usable: number
  readonly spoiled: number
  /** The share of rejects the next estimate counts with. */
  readonly expectedRejects: number
}

export interface PaceLesson {
  readonly designName: string
  readonly usualMinutes: number
  readonly secondsPerPiece: number
  readonly loggedPieces: number
}

export interface LogbookView {
  readonly runs: readonly RunSummary[]
  readonly grades: readonly GradeCount[]
  readonly reasons: readonly ReasonCount[]
  readonly families: readonly FamilyLesson[]
  readonly paces: readonly PaceLesson[]
}

/** Everything logged, and what the next estimate makes of it. */
export async function readLogbook(context: FlowContext): Promise<LogbookView> {
  const { db } = context
  const history = await readHistory(context)
  const families = [...new Set(LIBRARY.map((design) => design.family))]
  return {
    runs: await listRuns(db, RUNS_SHOWN),
    grades: await foldedByGrade(db, null),
    reasons: await spoiledByReason(db, null),
    families: families.map((family) => ({
      family,
      ...history.counts(family),
      expectedRejects: meanRejectRate(history.rejectRate(family)),
    })),
    paces: LIBRARY.map((design) => ({
      designName: design.name,
      usualMinutes: design.usualMinutes,
      ...history.pace(design),
    })),
  }
}

export interface RunLog {
  readonly units: readonly RunUnitRow[]
}

/** The pieces of one run. */
export const readRunLog = async ({ db }: FlowContext, runId: string): Promise<RunLog> => ({
  units: await unitsOfRun(db, runId),
})

export interface ProjectLog {
  readonly units: readonly RunUnitRow[]
  readonly grades: readonly GradeCount[]
  readonly reasons: readonly ReasonCount[]
}

/** What one project took, piece by piece. */
export const readProjectLog = async ({ db }: FlowContext, projectId: string): Promise<ProjectLog> => ({
  units: await unitsOfProject(db, projectId),
  grades: await foldedByGrade(db, projectId),
  reasons: await spoiledByReason(db, projectId),
})
