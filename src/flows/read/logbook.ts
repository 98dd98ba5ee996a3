import { LIBRARY, type Family } from '@/core/design'
import { meanRejectRate } from '@/core/batch'
import { outcomes, type OutcomeCount } from '@/data/repositories/history'
import { countUnits, listRuns, paceOfRun, unitsOfRun, type RunSummary } from '@/data/repositories/runs'
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

/** Units on a page of a run's log, and points of its chart at most. */
const UNITS_ON_A_PAGE = 200
const MOST_POINTS = 120

export interface RunLog {
  readonly units: readonly UnitView[]
  readonly page: number
  readonly pages: number
  /** Minutes a unit, of so many units together each. */
  readonly pace: readonly { readonly piece: number; readonly minutes: number }[]
  readonly perPoint: number
}

/** A page of the units of one run, and its pace. */
export async function readRunLog({ db }: FlowContext, runId: string, asked = 1): Promise<RunLog> {
  const count = await countUnits(db, runId)
  const pages = Math.max(1, Math.ceil(count / UNITS_ON_A_PAGE))
  const page = Number.isInteger(asked) ? Math.min(Math.max(asked, 1), pages) : 1
  const perPoint = Math.max(1, Math.ceil(count / MOST_POINTS))
  const rows = await unitsOfRun(db, runId, { from: (page - 1) * UNITS_ON_A_PAGE, most: UNITS_ON_A_PAGE })
  return {
    page,
    pages,
    perPoint,
    pace: (await paceOfRun(db, runId, perPoint)).map(({ first, activeMs }) => ({
      piece: first,
      minutes: Math.round(activeMs / 600) / 100,
    })),
    units: rows.map((row) => ({
      ordinal: row.ordinal,
      status: row.status,
      grade: row.grade,
      reason: row.reason,
      activeMs: row.active_ms,
      lastTapAtMs: row.last_tap_at_ms,
    })),
  }
}

export interface ProjectLog {
  readonly grades: readonly OutcomeCount[]
  readonly reasons: readonly OutcomeCount[]
}

/** How the units of one project came out. */
export const readProjectLog = async ({ db }: FlowContext, projectId: string): Promise<ProjectLog> => ({
  grades: await outcomes(db, 'folded', projectId),
  reasons: await outcomes(db, 'spoiled', projectId),
})
