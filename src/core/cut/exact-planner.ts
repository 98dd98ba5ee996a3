import { CoreError, requireCount } from '../errors'
import { offcutsOf } from './fill'
import { bestOf, patternsWithin, roundedDown } from './closing'
import { relaxed, type Relaxed } from './column-generation'
import { fewerLayouts } from './fewer-layouts'
import type { Multipliers } from './multipliers'
import {
  isBetter,
  missingIn,
  paperProblem,
  USUAL_TOOLS,
  type Cutting,
  type PaperProblem,
} from './paper-problem'
import { laidOut, type Pattern, type Sheet } from './pattern'
import { cutInShelves } from './shelves'
import type { LinearSolver } from './solver'
import type { CutLayout, CutProblem } from './types'

/** What is known of one paper's cuts. */
export interface PaperPlan {
  readonly paperId: string
  readonly problem: PaperProblem
  readonly cutting: Cutting
  /** No plan of these cuts costs less. */
  readonly bound: number
  readonly multipliers: Multipliers | null
  /** How the bound was found: by multipliers alone, or by looking at every pattern a cheaper plan could use. */
  readonly by: 'multipliers' | 'all patterns' | null
  readonly stage: 'quick' | 'relaxed' | 'rounded' | 'closed' | 'done'
}

const isClosed = ({ cutting, bound }: PaperPlan): boolean => missingIn(cutting) === 0 && cutting.cost <= bound

/** How long one call of the solver may take, in seconds: the rest of the work is looked after between calls. */
const [ROUNDING_SECONDS, CLOSING_SECONDS] = [1, 6]
/** Whole plans are looked for among this many patterns at first. */
const FIRST_PATTERNS = 400

/**
 * Plans one paper, better and better: strips filled by rule, then the linear program over all patterns (its value is the
 * bound), whole plans near it, and where these do not meet every pattern that a cheaper plan could use. At equal cost
 * then fewer layouts. Yields the best so far and may be left at any time.
 */
export function* planPaper(
  problem: PaperProblem,
  paperId: string,
  solver: LinearSolver,
): Generator<PaperPlan, PaperPlan> {
  let plan: PaperPlan = {
    paperId,
    problem,
    cutting: cutInShelves(problem),
    bound: 0,
    multipliers: null,
    by: null,
    stage: 'quick',
  }
  yield plan
  if (problem.demands.length === 0) return { ...plan, stage: 'done' }
  const steps = relaxed(problem, plan.cutting, solver)
  let step = steps.next()
  while (step.done !== true) {
    yield plan
    step = steps.next()
  }
  const linear = step.value
  if (linear === null || linear.short) return { ...plan, stage: 'done' }
  plan = {
    ...plan,
    bound: linear.bound,
    multipliers: linear.multipliers,
    by: 'multipliers',
    stage: 'relaxed',
  }
  yield plan
  const take = (cutting: Cutting | null) => {
    if (cutting && isBetter(cutting, plan.cutting)) plan = { ...plan, cutting }
  }
  take(roundedDown(problem, linear))
  yield plan
  if (!isClosed(plan)) {
    const patterns = linear.pool.all.slice(-FIRST_PATTERNS)
    take(bestOf(problem, patterns, plan.cutting.cost, solver, ROUNDING_SECONDS).cutting)
    plan = { ...plan, stage: 'rounded' }
    yield plan
  }
  plan = yield* closed(plan, linear, solver)
  const fewer = fewerLayouts(plan, linear, solver)
  return { ...plan, cutting: fewer ?? plan.cutting, stage: 'done' }
}

/** Raises the bound or lowers the cost until they meet, as long as all patterns between can be looked at. */
function* closed(start: PaperPlan, linear: Relaxed, solver: LinearSolver): Generator<PaperPlan, PaperPlan> {
  const { problem } = start
  let plan = start
  while (!isClosed(plan)) {
    const whole = missingIn(plan.cutting) === 0
    const most = whole ? plan.cutting.cost - problem.costStep : plan.bound
    const patterns = patternsWithin(problem, linear, most)
    yield plan
    if (patterns === null) return plan
    const { cutting, none } = bestOf(problem, patterns, most, solver, CLOSING_SECONDS)
    if (cutting) plan = { ...plan, cutting }
    else if (none && whole) plan = { ...plan, bound: plan.cutting.cost, by: 'all patterns' }
    else if (none) plan = { ...plan, bound: plan.bound + problem.costStep, by: 'all patterns' }
    else return plan
    yield { ...plan, stage: 'closed' }
    // A drawer that is too small for any whole plan raises the bound for ever.
    if (!whole && plan.bound > linear.cost + MOST_RAISED * problem.costStep) return plan
  }
  return plan
}
const MOST_RAISED = 3

/** Layouts of a paper's plan, the pieces in their places. `keys` names the demands. */
export function layoutsOf({ problem, cutting }: PaperPlan): readonly Omit<CutLayout, 'id'>[] {
  const keys = problem.demands.map(({ key }) => key)
  return cutting.uses.map(({ pattern, sheets }) => {
    const kind = problem.kinds[pattern.stock]
    if (!kind) throw new CoreError('OUT_OF_RANGE', { name: 'stock of a pattern', value: pattern.stock })
    const { stockId, sizeUm } = kind.sheets
    const margin = pattern.ready ? 0 : problem.tools.marginUm
    const laid = laidOut(pattern, sheetOf(pattern, sizeUm, margin), margin, keys)
    return {
      stockId,
      sheetUm: sizeUm,
      sheets,
      placements: laid.placements,
      offcuts: offcutsOf({ ...laid, usedUm2: 0 }),
    }
  })
}

const sheetOf = (
  { first }: Pattern,
  { widthUm, heightUm }: { readonly widthUm: number; readonly heightUm: number },
  marginUm: number,
): Sheet => {
  const [width, height] = [widthUm - 2 * marginUm, heightUm - 2 * marginUm]
  return first === 'across'
    ? { first, throughUm: height, alongUm: width }
    : { first, throughUm: width, alongUm: height }
}

/** The papers of a problem, each by itself: what is cut of one says nothing of another. */
export function papersOf(
  problem: CutProblem,
): readonly (readonly [paperId: string, problem: PaperProblem])[] {
  for (const { count } of problem.demands) requireCount('pieces', count, 0, 1_000_000)
  const { marginUm } = problem.tools ?? USUAL_TOOLS
  requireCount('margin', marginUm, 0, 1_000_000)
  const papers = [...new Set(problem.demands.map(({ paperId }) => paperId))].sort()
  return papers.map((paperId) => [paperId, paperProblem(problem, paperId)])
}
