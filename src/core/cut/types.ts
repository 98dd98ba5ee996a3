import type { SizeUm } from '../sheet'

/** A rectangle on a sheet, from its lower left corner, in whole micrometres. */
export interface RectUm extends SizeUm {
  readonly xUm: number
  readonly yUm: number
}

/** So many equal rectangles of one paper. */
export interface CutDemand {
  /** Names the demand in placements; the caller's own. */
  readonly key: string
  readonly paperId: string
  readonly sizeUm: SizeUm
  readonly count: number
  /** Whether a piece may lie turned by a quarter: not where the grain or a pattern must run one way. */
  readonly turnable: boolean
}

/** Sheets of one size and paper that may be cut. */
export interface StockSheets {
  readonly stockId: string
  readonly paperId: string
  readonly sizeUm: SizeUm
  readonly available: number
  /** Offcuts are used before whole sheets. */
  readonly offcut: boolean
}

export interface CutProblem {
  readonly demands: readonly CutDemand[]
  readonly stock: readonly StockSheets[]
}

/** Where one piece lies. */
export interface Placement {
  readonly demand: string
  readonly xUm: number
  readonly yUm: number
  readonly turned: boolean
}

/** The same cuts on a number of equal sheets. */
export interface CutLayout {
  /** Names the layout within its plan. */
  readonly id: string
  readonly stockId: string
  readonly sheetUm: SizeUm
  readonly sheets: number
  readonly placements: readonly Placement[]
  /** What is left of each sheet and worth keeping. */
  readonly offcuts: readonly RectUm[]
}

/** Pieces that no sheet is there for. */
export interface MissingPieces {
  readonly demand: string
  readonly count: number
}

/**
 * A plan. `proven`: no plan of straight cuts takes fewer whole sheets; `within`: at most so many sheets more than any
 * plan must take; `short`: as much as the stock allows.
 */
export type CutPlan = {
  readonly layouts: readonly CutLayout[]
  /** Whole sheets that every plan of the same demands takes at least, offcuts used as far as they could ever go. */
  readonly boundSheets: number
} & (
  | { readonly status: 'proven' }
  | { readonly status: 'within'; readonly sheets: number }
  | { readonly status: 'short'; readonly missing: readonly MissingPieces[] }
)

/** Any planner: pure and synchronous. A better one takes this place without its callers changing. */
export type CutPlanner = (problem: CutProblem) => CutPlan

/** How many pieces of each demand one sheet of a layout gives. */
export function countsOf({ placements }: Pick<CutLayout, 'placements'>): ReadonlyMap<string, number> {
  const counts = new Map<string, number>()
  for (const { demand } of placements) counts.set(demand, (counts.get(demand) ?? 0) + 1)
  return counts
}

/** A piece's rectangle where it lies. */
export const placedAt = ({ xUm, yUm, turned }: Placement, size: SizeUm): RectUm => ({
  xUm,
  yUm,
  widthUm: turned ? size.heightUm : size.widthUm,
  heightUm: turned ? size.widthUm : size.heightUm,
})

export const areaUm2 = ({ widthUm, heightUm }: SizeUm): number => widthUm * heightUm

/** Sheets a plan takes that are no offcuts. */
export const wholeSheets = (
  layouts: readonly Pick<CutLayout, 'stockId' | 'sheets'>[],
  stock: readonly StockSheets[],
): number =>
  layouts.reduce(
    (sum, { stockId, sheets }) =>
      sum + (stock.find((one) => one.stockId === stockId)?.offcut === true ? 0 : sheets),
    0,
  )
