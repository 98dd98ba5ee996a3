import { listProjects } from '@/data/repositories/projects'
import { openRuns, type RunSummary } from '@/data/repositories/runs'
import type { FlowContext } from '../flow-context'
import { readProjects, type ProjectView } from './project'

export interface BenchView {
  readonly openRuns: readonly RunSummary[]
  readonly projects: readonly ProjectView[]
}

/** What to do now, across projects: runs that wait for the next tap, then projects by date. */
export async function readBench(context: FlowContext): Promise<BenchView> {
  return {
    openRuns: await openRuns(context.db),
    projects: await readProjects(context, await listProjects(context.db, false)),
  }
}
