import { cutOrder } from './cut-order'
import { areaUm2, wholeSheets, type CutPlan, type CutProblem } from './types'

/** What a plan is like to carry out. */
export interface PlanFigures {
  /** Whole sheets, and offcuts. */
  readonly sheets: number
  readonly offcuts: number
  readonly layouts: number
  /** Strokes of the trimmer, as many sheets at once as go in a stack. */
  readonly cuts: number
  /** Different distances to set, layout by layout. */
  readonly settings: number
  /** The largest rectangle that is left, um2. */
  readonly largestRestUm2: number
  /** Pieces that no sheet is there for. */
  readonly missing: number
}

/** How a plan of a problem compares with another of the same pieces. */
export function planFigures(problem: CutProblem, plan: CutPlan): PlanFigures {
  const { demands, stock, tools } = problem
  const stack = tools?.stackSheets ?? 1
  const orders = plan.layouts.map((layout) => ({ layout, order: cutOrder(layout, demands, tools) }))
  const whole = wholeSheets(plan.layouts, stock)
  const all = plan.layouts.reduce((sum, { sheets }) => sum + sheets, 0)
  return {
    sheets: whole,
    offcuts: all - whole,
    layouts: plan.layouts.length,
    cuts: orders.reduce(
      (sum, { layout, order }) => sum + Math.ceil(layout.sheets / stack) * (order?.cuts ?? 0),
      0,
    ),
    settings: orders.reduce((sum, { order }) => sum + (order?.settings ?? 0), 0),
    largestRestUm2: plan.layouts.reduce(
      (most, { offcuts }) => offcuts.reduce((larger, rest) => Math.max(larger, areaUm2(rest)), most),
      0,
    ),
    missing: plan.status === 'short' ? plan.missing.reduce((sum, { count }) => sum + count, 0) : 0,
  }
}
