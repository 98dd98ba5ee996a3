import { countOwing, listOwing } from '@/data/repositories/projects'
import { openRuns, type RunSummary } from '@/data/repositories/runs'
import type { FlowContext } from '../flow-context'
import { readRecurring, type RecurringView } from './recurring'
import { readGlances, type ProjectGlance } from './glances'

/** Projects that Bench shows at most: what comes first by date. */
const PROJECTS_SHOWN = 12
const RUNS_SHOWN = 8

export interface BenchView {
  readonly openRuns: readonly RunSummary[]
  readonly projects: readonly ProjectGlance[]
  /** Projects and runs that are open besides. */
  readonly moreProjects: number
  readonly moreRuns: number
  /** Occasions of earlier years that it is time to begin with. */
  readonly recurring: readonly RecurringView[]
}

/** What to do now, across projects: runs that wait for the next tap, then projects by date. `today` is a local date. */
export async function readBench(context: FlowContext, today: string): Promise<BenchView> {
  const { db } = context
  const runs = await openRuns(db)
  const rows = await listOwing(db, PROJECTS_SHOWN)
  return {
    openRuns: runs.slice(0, RUNS_SHOWN),
    projects: await readGlances(context, rows),
    moreProjects: (await countOwing(db)) - rows.length,
    recurring: await readRecurring(context, today),
    moreRuns: Math.max(0, runs.length - RUNS_SHOWN),
  }
}
