import { projectsWithoutPlan } from '@/data/repositories/cut-plans'
import { runsProjectedBefore } from '@/data/repositories/runs'
import { inTransaction } from '@/data/writing'
import type { FlowContext } from './flow-context'
import { planCuts, settlePlans } from './plan-cuts'
import { PROJECTION_RULES } from './run-projection'
import { rebuildProjection } from './run-tally'

/**
 * What an upgrade leaves to be made: projections by today's rules, and a cut plan for projects from before plans were
 * stored. Nothing is left to do at any other start.
 */
export async function bringUpToDate(context: FlowContext): Promise<void> {
  const runs = await runsProjectedBefore(context.db, PROJECTION_RULES)
  const projects = await projectsWithoutPlan(context.db)
  if (runs.length + projects.length === 0) return
  await inTransaction(context.db, async (db) => {
    for (const id of runs) await rebuildProjection({ ...context, db }, id)
    for (const project of projects) await planCuts({ ...context, db }, { project })
  })
  // A server that starts does not wait for them: see `startServing`.
  if (!context.pool) await settlePlans(context)
}
