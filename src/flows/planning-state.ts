import { plansWanted } from '@/data/repositories/plans-wanted'
import { whatMoved, type WhatMoved } from '@/schema/what-moved'
import type { FlowContext } from './flow-context'

/** Whether a project's cuts are being planned, or were tried in vain. */
export type PlanningState = 'settled' | 'being planned' | 'given up'

/** Whether what moved may change the plan of a project that uses these papers. */
const touches = (
  { project, paperIds = [], together = [], apart = [] }: WhatMoved,
  projectIds: readonly string[],
  papers: ReadonlySet<string>,
): boolean =>
  [project, ...together, ...apart].some((id) => id !== undefined && projectIds.includes(id)) ||
  paperIds.some((id) => papers.has(id))

/** How the planning of projects that are cut together stands. */
export async function planningState(
  { db }: FlowContext,
  projectIds: readonly string[],
  paperIds: Iterable<string>,
): Promise<PlanningState> {
  const papers = new Set(paperIds)
  const wanted = (await plansWanted(db)).filter(({ moved }) =>
    touches(whatMoved.parse(JSON.parse(moved)), projectIds, papers),
  )
  if (wanted.some((row) => row.gave_up === 0)) return 'being planned'
  return wanted.length > 0 ? 'given up' : 'settled'
}
