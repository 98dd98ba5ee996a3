import { baselineOf, type Baseline } from '@/core/plan'
import { findBaseline, keepBaseline } from '@/data/repositories/cut-plans'
import type { FlowContext } from './flow-context'
import type { PlannedProject } from './project-plan'

/** Keeps what is planned as what work began with, unless work began before. */
export async function keepPlanned(context: FlowContext, project: PlannedProject): Promise<void> {
  const { db, nowMs } = context
  if ((await findBaseline(db, project.row.id)) !== undefined) return
  const prices = new Map(
    project.stock.map(({ id, offcut, price_minor }) => [id, offcut === 1 ? 0 : price_minor]),
  )
  const baseline = baselineOf(project.plan, project.brief, (stockId) => prices.get(stockId) ?? null, nowMs)
  await keepBaseline(db, project.row.id, JSON.stringify(baseline), nowMs)
}

/** What was planned when work began; `null` before. */
export async function readBaseline({ db }: FlowContext, projectId: string): Promise<Baseline | null> {
  const body = await findBaseline(db, projectId)
  return body === undefined ? null : (JSON.parse(body) as Baseline)
}
