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
  /** Of one sheet, in minor units; `null` or left out where it is not known. */
  readonly priceMinor?: number | null
  /** Sheets may be so much smaller either way than they are called: that much is not planned with. */
  readonly toleranceUm?: number
  /** Pieces lie on it one way only: its grain or pattern runs along its height. */
  readonly oneWay?: true
}

/** What of a sheet is there for sure. */
export const usableUm = ({
  sizeUm,
  toleranceUm = 0,
}: Pick<StockSheets, 'sizeUm' | 'toleranceUm'>): SizeUm => ({
  widthUm: sizeUm.widthUm - toleranceUm,
  heightUm: sizeUm.heightUm - toleranceUm,
})

/** Whether a piece of a paper may lie turned on its sheets. */
export const mayTurn = (stock: readonly StockSheets[], paperId: string): boolean =>
  !stock.some((one) => one.paperId === paperId && one.oneWay)

/**
 * What is cut with, which says what class of cuts a plan keeps to. Stages: a sheet is cut into strips, all one way; the
 * strips across into parts; with three stages the parts once more along the strip. What is then too large for its piece
 * is trimmed by one cut.
 */
export interface CutTools {
  readonly stages: 2 | 3
  /** Taken off every edge of a sheet first; a sheet that is the piece already keeps its edges. */
  readonly marginUm: number
  /** The longest cut the trimmer makes: no cut and no strip is longer. `null` for a knife and a ruler. */
  readonly trimmerUm: number | null
  /** Sheets cut in one go. */
  readonly stackSheets: number
  /** What is left over is kept from this width on; see `SMALLEST_OFFCUT_UM` where it is not said. */
  readonly keepUm?: number
}

export interface CutProblem {
  readonly demands: readonly CutDemand[]
  readonly stock: readonly StockSheets[]
  /** Left out, any straight cuts from edge to edge will do. */
  readonly tools?: CutTools
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
 * What proves a bound: what a piece of each demand is worth, in whole numbers, so many to one of cost. Whatever the
 * numbers are, no plan costs less than `boundBy` says, so that nobody's word for them need be believed.
 */
export interface Multipliers {
  readonly worth: readonly number[]
  readonly scale: number
}

/** What the cuts of one paper cost, and what no plan with the same tools costs less than. */
export interface PaperProof {
  readonly paperId: string
  /** What is least: money where every price is known, else sheets, or their area where sizes differ. */
  readonly least: 'money' | 'sheets' | 'area'
  readonly cost: number
  readonly bound: number
  /** How the bound was found: by multipliers alone, or by looking at every pattern a cheaper plan could use. */
  readonly by: 'multipliers' | 'all patterns'
  readonly multipliers: Multipliers
  /** Where the sheets are too few: no plan leaves fewer pieces of this paper undone, as these multipliers prove. */
  readonly missing?: { readonly least: number; readonly multipliers: Multipliers }
}

/**
 * A plan. `proven`: no plan with the problem's tools costs less (without tools: takes fewer whole sheets); `within`: at
 * most so many sheets more than any plan must take; `short`: there are too few sheets for all, `sure` where no plan leaves
 * fewer pieces of any paper undone.
 */
export type CutPlan = {
  readonly layouts: readonly CutLayout[]
  /** Whole sheets that every plan of the same demands takes at least, offcuts used as far as they could ever go. */
  readonly boundSheets: number
  /** Of each paper, where it was planned exactly. */
  readonly proofs?: readonly PaperProof[]
} & (
  | { readonly status: 'proven' }
  | { readonly status: 'within'; readonly sheets: number }
  | { readonly status: 'short'; readonly missing: readonly MissingPieces[]; readonly sure?: true }
)

/** Any planner: pure and synchronous. A better one takes this place without its callers changing. */
export type CutPlanner = (problem: CutProblem) => CutPlan

/** How many pieces of each demand one sheet of a layout gives. */
export function countsOf({ placements }: Pick<CutLayout, 'placements'>): ReadonlyMap<string, number> {
  const counts = new Map<string, number>()
  for (const { demand } of placements) counts.set(demand, (counts.get(demand) ?? 0) + 1)
  return counts
}

/** Pieces of each demand that layouts give, all their sheets together. */
export function givenBy(
  layouts: readonly Pick<CutLayout, 'sheets' | 'placements'>[],
): ReadonlyMap<string, number> {
  const given = new Map<string, number>()
  for (const layout of layouts)
    for (const [key, count] of countsOf(layout)) given.set(key, (given.get(key) ?? 0) + layout.sheets * count)
  return given
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
