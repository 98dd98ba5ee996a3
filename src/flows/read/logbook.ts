import { LIBRARY, type Family } from '@/core/design'
import { meanRejectRate } from '@/core/batch'
import { outcomes, type OutcomeCount } from '@/data/repositories/history'
import { listRuns, unitsOfRun, type RunSummary } from '@/data/repositories/runs'
import type { RunUnitRow } from '@/data/tables'
import type { FlowContext } from '../flow-context'
import { readLessons } from '../lessons'

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
  readonly grades: readonly OutcomeCount[]
  readonly reasons: readonly OutcomeCount[]
  readonly families: readonly FamilyLesson[]
  readonly paces: readonly PaceLesson[]
}

/** Everything logged, and what the next estimate makes of it. */
export async function readLogbook(context: FlowContext): Promise<LogbookView> {
  const { db } = context
  const history = await readLessons(context)
  const families = [...new Set(LIBRARY.map((design) => design.family))]
  return {
    runs: await listRuns(db, RUNS_SHOWN),
    grades: await outcomes(db, 'folded', null),
    reasons: await outcomes(db, 'spoiled', null),
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

/** One unit of a run as it came out. */
export interface UnitView {
  readonly ordinal: number
  readonly status: RunUnitRow['status']
  readonly grade: string
  readonly reason: string | null
  readonly activeMs: number
  readonly lastTapAtMs: number | null
}

export interface RunLog {
  readonly units: readonly UnitView[]
}

/** The units of one run. */
export const readRunLog = async ({ db }: FlowContext, runId: string): Promise<RunLog> => ({
  units: (await unitsOfRun(db, runId)).map((row) => ({
    ordinal: row.ordinal,
    status: row.status,
    grade: row.grade,
    reason: row.reason,
    activeMs: row.active_ms,
    lastTapAtMs: row.last_tap_at_ms,
  })),
})

export interface ProjectLog {
  readonly grades: readonly OutcomeCount[]
  readonly reasons: readonly OutcomeCount[]
}

/** How the units of one project came out. */
export const readProjectLog = async ({ db }: FlowContext, projectId: string): Promise<ProjectLog> => ({
  grades: await outcomes(db, 'folded', projectId),
  reasons: await outcomes(db, 'spoiled', projectId),
})
