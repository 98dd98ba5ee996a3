import { invariant, requireCount } from '../errors'
import { offcutsLeft, offcutsOf } from './offcuts'
import { bestOf, patternsWithin, roundedDown } from './closing'
import { relaxed, type Relaxed } from './column-generation'
import { fewerLayouts } from './fewer-layouts'
import { AT_ONCE, THOROUGH, type Effort } from './effort'
import { leastMissing, leastMissingBy, missingByLevel, type Levels } from './least-missing'
import {
  isBetter,
  missingIn,
  paperProblem,
  USUAL_TOOLS,
  type Cutting,
  type PaperProblem,
} from './paper-problem'
import { laidOut, waysToCut } from './pattern'
import { cutInShelves } from './shelves'
import { statedPlan } from './verify'
import type { LinearSolver } from './solver'
import {
  usableUm,
  type CutLayout,
  type CutPlan,
  type CutProblem,
  type Multipliers,
  type PaperProof,
} from './types'

/** What is known of one paper's cuts so far. */
export interface PaperPlan {
  readonly paperId: string
  readonly problem: PaperProblem
  readonly cutting: Cutting
  /** No plan of these cuts costs less. */
  readonly bound: number
  readonly by: PaperProof['by'] | null
  readonly multipliers: Multipliers | null
  /** Where the sheets are too few: what proves how little can be missing. */
  readonly short?: Multipliers
}

export const isClosed = ({ cutting, bound, by }: PaperPlan): boolean =>
  missingIn(cutting) === 0 && by !== null && cutting.cost <= bound

const firstPlan = (problem: PaperProblem, paperId: string): PaperPlan => ({
  paperId,
  problem,
  cutting: cutInShelves(problem),
  bound: 0,
  multipliers: null,
  by: null,
})

/**
 * Plans one paper, better and better: strips filled by rule, then the linear program over all patterns (its value is the
 * bound), whole plans near it, and where these do not meet every pattern that a cheaper plan could use. At equal cost
 * then fewer layouts. Yields the best so far and may be left at any time.
 */
export function* planPaper(
  problem: PaperProblem,
  paperId: string,
  solver: LinearSolver,
  effort: Effort,
  levels: Levels = problem.demands.map(() => 0),
): Generator<PaperPlan, PaperPlan> {
  let plan = firstPlan(problem, paperId)
  const quick = plan.cutting
  yield plan
  if (problem.demands.length === 0) return plan
  const steps = relaxed(problem, quick, solver, effort)
  let step = steps.next()
  while (step.done !== true) {
    yield plan
    step = steps.next()
  }
  const linear = step.value
  if (linear === null) return plan
  if (linear.short) return withLeastMissing(plan, levels, solver, effort)
  plan = { ...plan, bound: linear.bound, multipliers: linear.multipliers, by: 'multipliers' }
  yield plan
  const rounded = roundedDown(problem, linear)
  if (isBetter(rounded, quick)) plan = { ...plan, cutting: rounded }
  yield plan
  if (!isClosed(plan)) {
    const patterns = linear.pool.all.slice(-effort.patterns)
    const { cutting } = bestOf(problem, patterns, plan.cutting.cost, solver, effort.seconds)
    if (cutting && isBetter(cutting, plan.cutting)) plan = { ...plan, cutting }
    yield plan
  }
  plan = yield* closed(plan, linear, solver, effort)
  if (missingIn(plan.cutting) > 0) return withLeastMissing(plan, levels, solver, effort)
  const fewer = effort.layouts && fewerLayouts(plan, linear, solver, effort.layouts)
  return fewer ? { ...plan, cutting: fewer } : plan
}

/** The plan with less missing, of the first level first, or at less cost; and how little could be. */
function withLeastMissing(plan: PaperPlan, levels: Levels, solver: LinearSolver, effort: Effort): PaperPlan {
  const found = leastMissing(plan.problem, plan.cutting, levels, solver, effort)
  if (!found) return plan
  const { cutting, multipliers } = found
  const short = multipliers ? { short: multipliers } : {}
  const [now, then] = [plan.cutting, cutting].map((one) => missingByLevel(one, levels))
  const first = now?.findIndex((count, at) => count !== then?.[at]) ?? -1
  const better = first === -1 ? cutting.cost < plan.cutting.cost : (then?.[first] ?? 0) < (now?.[first] ?? 0)
  return better ? { ...plan, cutting, ...short } : { ...plan, ...short }
}

/** Raises the bound or lowers the cost until they meet, as long as all patterns between can be looked at. */
function* closed(
  start: PaperPlan,
  linear: Relaxed,
  solver: LinearSolver,
  effort: Effort,
): Generator<PaperPlan, PaperPlan> {
  const { problem } = start
  let plan = start
  while (!isClosed(plan)) {
    const whole = missingIn(plan.cutting) === 0
    const most = whole ? plan.cutting.cost - problem.costStep : plan.bound
    const patterns = patternsWithin(problem, linear, most, effort)
    yield plan
    if (patterns === null) return plan
    const { cutting, none } = bestOf(problem, patterns, most, solver, effort.seconds)
    if (cutting) plan = { ...plan, cutting }
    else if (none && whole) plan = { ...plan, bound: plan.cutting.cost, by: 'all patterns' }
    else if (none) plan = { ...plan, bound: plan.bound + problem.costStep, by: 'all patterns' }
    else return plan
    yield plan
    // A drawer that is too small for any whole plan raises the bound for ever.
    if (!whole && plan.bound > linear.cost + MOST_RAISED * problem.costStep) return plan
  }
  return plan
}
const MOST_RAISED = 3

/** Layouts of a paper's plan, the pieces in their places, those of most sheets first. */
function layoutsOf({ problem, cutting }: PaperPlan): readonly Omit<CutLayout, 'id'>[] {
  const keys = problem.demands.map(({ key }) => key)
  return cutting.uses
    .toSorted((a, b) => b.sheets - a.sheets)
    .map(({ pattern, sheets }) => {
      const kind = problem.kinds[pattern.stock]
      invariant(kind, 'a pattern is of a stock')
      const { stockId, sizeUm } = kind.sheets
      const margin = pattern.ready ? 0 : problem.tools.marginUm
      const ways = waysToCut(usableUm(kind.sheets), { ...problem.tools, marginUm: margin, trimmerUm: null })
      const sheet = ways.find(({ first }) => first === pattern.first)
      invariant(sheet, 'a pattern lies on its sheet')
      const laid = laidOut(pattern, sheet, margin, keys)
      const { placements } = laid
      // What is left over depends on how it is cut: as the order of cuts says.
      const offcuts = pattern.ready
        ? offcutsOf(laid.left, problem.tools)
        : offcutsLeft({ sheetUm: sizeUm, placements }, problem.demands, problem.tools)
      return { stockId, sheetUm: sizeUm, sheets, placements, offcuts }
    })
}

/** The papers of a problem, each by itself: what is cut of one says nothing of another. */
export function papersOf(
  problem: CutProblem,
  mostSums?: number,
): readonly (readonly [paperId: string, problem: PaperProblem])[] {
  for (const { count } of problem.demands) requireCount('pieces', count, 0, 1_000_000)
  const { marginUm } = problem.tools ?? USUAL_TOOLS
  requireCount('margin', marginUm, 0, 1_000_000)
  const papers = [...new Set(problem.demands.map(({ paperId }) => paperId))].sort()
  return papers.map((paperId) => [paperId, paperProblem(problem, paperId, mostSums)])
}

const NOTHING_PROVEN: Multipliers = { worth: [], scale: 1 }

function proofOf(plan: PaperPlan): readonly PaperProof[] {
  const { paperId, problem, cutting, bound, by, multipliers, short } = plan
  const missing = short ? { missing: { least: leastMissingBy(problem, short), multipliers: short } } : {}
  const { least } = problem
  if (by && multipliers) return [{ paperId, least, cost: cutting.cost, bound, by, multipliers, ...missing }]
  return short
    ? [
        {
          paperId,
          least,
          cost: cutting.cost,
          bound: 0,
          by: 'multipliers',
          multipliers: NOTHING_PROVEN,
          ...missing,
        },
      ]
    : []
}

/** The plans of all papers as one. */
export function asOnePlan(problem: CutProblem, papers: readonly PaperPlan[]): CutPlan {
  const layouts = papers
    .flatMap(layoutsOf)
    .map((layout, index): CutLayout => ({ id: String(index + 1), ...layout }))
  return statedPlan(problem, layouts, papers.flatMap(proofOf))
}

/** Plans one paper to its end. */
export function plannedPaper(
  problem: PaperProblem,
  paperId: string,
  solver: LinearSolver,
  effort: Effort = THOROUGH,
  levels?: Levels,
): PaperPlan {
  const steps = planPaper(problem, paperId, solver, effort, levels)
  for (;;) {
    const step = steps.next()
    if (step.done === true) return step.value
  }
}

/**
 * A plan at once, by rule alone: strips filled with the large pieces first, offcuts before sheets. Its bound is by area; a
 * better plan may be found. *Throws* `NOT_INTEGER`, `OUT_OF_RANGE`.
 */
export function planByRule(problem: CutProblem): CutPlan {
  const plans = papersOf(problem, AT_ONCE.sums).map(([paperId, paper]) => firstPlan(paper, paperId))
  return asOnePlan({ ...problem, tools: problem.tools ?? USUAL_TOOLS }, plans)
}

/**
 * Plans all papers of a problem: within a deed unless more effort is asked for. `levelOf` says of each demand in which
 * order what is missing of it counts, where sheets are too few. *Throws* `NOT_INTEGER`, `OUT_OF_RANGE`.
 */
export function planExactly(
  problem: CutProblem,
  solver: LinearSolver,
  effort: Effort = AT_ONCE,
  levelOf: (demand: string) => number = () => 0,
): CutPlan {
  const papers = papersOf(problem, effort.sums).map(([paperId, paper]) => {
    const levels = paper.demands.map(({ key }) => levelOf(key))
    return plannedPaper(paper, paperId, solver, effort, levels)
  })
  return asOnePlan({ ...problem, tools: problem.tools ?? USUAL_TOOLS }, papers)
}
