import type { Effort } from './effort'
import { planExactly } from './exact-planner'
import { costIn } from './paper-problem'
import type { LinearSolver } from './solver'
import {
  givenBy,
  type CutDemand,
  type CutLayout,
  type CutPlan,
  type CutProblem,
  type CutTools,
  type StockSheets,
} from './types'
import { verifiedPlan } from './verify'

/** Demands of several that are cut together, those that come first first. */
export interface TogetherProblem {
  readonly parties: readonly (readonly CutDemand[])[]
  readonly stock: readonly StockSheets[]
  readonly tools: CutTools
}

/**
 * One plan for the pieces of several. Of every paper it is planned as one, unless that leaves more undone than planning
 * one after the other does, of those that come first first; then what costs less is taken. So nobody loses pieces to one
 * who comes later, and nobody is short where a plan is known that is not. *Throws* `NOT_INTEGER`, `OUT_OF_RANGE`.
 */
export function planTogether(
  { parties, stock, tools }: TogetherProblem,
  solver: LinearSolver,
  effort: Effort,
): { readonly problem: CutProblem; readonly plan: CutPlan } {
  const problem: CutProblem = { demands: parties.flat(), stock, tools }
  const partyOf = new Map(
    parties.flatMap((demands, party) => demands.map(({ key }) => [key, party] as const)),
  )
  const asOne = planExactly(problem, solver, effort, (key) => partyOf.get(key) ?? 0)
  if (parties.filter((demands) => demands.length > 0).length < 2) return { problem, plan: asOne }
  const inTurn = oneAfterTheOther({ parties, stock, tools }, solver, effort)
  const papers = [...new Set(problem.demands.map(({ paperId }) => paperId))].sort()
  const layouts = papers.flatMap((paperId) => {
    const [one, turns] = [asOne.layouts, inTurn].map((all) => ofPaper(problem, paperId, all))
    return one && turns && isWorse({ problem, parties }, paperId, one, turns) ? turns : (one ?? [])
  })
  return { problem, plan: verifiedPlan(problem, layouts, [], asOne.proofs ?? []) }
}

/** Layouts of each by itself, from the sheets that those before it left. */
function oneAfterTheOther(
  { parties, stock, tools }: TogetherProblem,
  solver: LinearSolver,
  effort: Effort,
): readonly CutLayout[] {
  let layouts: readonly CutLayout[] = []
  for (const demands of parties) {
    const left = stock.map((one) => ({
      ...one,
      available: layouts.reduce(
        (sheets, layout) => sheets - (layout.stockId === one.stockId ? layout.sheets : 0),
        one.available,
      ),
    }))
    layouts = [...layouts, ...planExactly({ demands, stock: left, tools }, solver, effort).layouts]
  }
  return layouts
}

const ofPaper = ({ stock }: CutProblem, paperId: string, layouts: readonly CutLayout[]) => {
  const own = new Set(stock.filter((one) => one.paperId === paperId).map(({ stockId }) => stockId))
  return layouts.filter(({ stockId }) => own.has(stockId))
}

/**
 * Whether one plan of a paper is worse than another: what is missing counts first, of those that come first before those
 * that come later, then what it costs, then layouts.
 */
function isWorse(
  { problem, parties }: Pick<TogetherProblem, 'parties'> & { readonly problem: CutProblem },
  paperId: string,
  one: readonly CutLayout[],
  other: readonly CutLayout[],
): boolean {
  const missing = (layouts: readonly CutLayout[]) => {
    const given = givenBy(layouts)
    return parties.map((demands) =>
      demands.reduce(
        (sum, demand) =>
          sum + (demand.paperId === paperId ? Math.max(0, demand.count - (given.get(demand.key) ?? 0)) : 0),
        0,
      ),
    )
  }
  const [mine, theirs] = [missing(one), missing(other)]
  const first = mine.findIndex((count, at) => count !== theirs[at])
  if (first !== -1) return (mine[first] ?? 0) > (theirs[first] ?? 0)
  const cost = (layouts: readonly CutLayout[]) => costIn(problem, paperId, layouts)
  return (cost(one) - cost(other) || one.length - other.length) > 0
}
