import { sum } from './progress'
import type { ProjectPlan } from './project-plan'

/** What was planned when work began, so that plan and actual can be compared. Kept once, at the first cut or tap. */
export interface Baseline {
  readonly atMs: number
  readonly units: number
  readonly spareUnits: number
  /** Whole sheets: offcuts are had already. */
  readonly sheets: number
  readonly seconds: number
  readonly dueOn: string | null
  /** In minor units of `currency`; `null` where a sheet's price is not known. */
  readonly paperCost: number | null
}

/** The plan as it stands, as a baseline. `priceOf` gives the price of one sheet of a stock: 0 for an offcut, `null` where it is not known. */
export function baselineOf(
  plan: Pick<ProjectPlan, 'lines' | 'layouts' | 'facts'>,
  { dueOn }: { readonly dueOn: string | null },
  priceOf: (stockId: string) => number | null,
  nowMs: number,
): Baseline {
  const costs = plan.layouts.map(({ stockId, sheets, share }) => {
    const price = priceOf(stockId)
    return price === null ? null : price * sheets * share
  })
  return {
    atMs: nowMs,
    units: plan.facts.units,
    spareUnits: sum(plan.lines, (line) =>
      sum(line.parts, ({ papers }) => sum(papers, ({ spareUnits }) => spareUnits)),
    ),
    sheets: plan.facts.sheetsToCut + plan.facts.sheetsCut,
    seconds: sum(
      plan.lines,
      ({ parts, secondsPerUnit }) => sum(parts, ({ units }) => units) * secondsPerUnit,
    ),
    dueOn,
    paperCost: costs.includes(null) ? null : Math.round(sum(costs, (cost) => cost ?? 0)),
  }
}
