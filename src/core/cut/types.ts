import type { Grid, SizeUm } from '../sheet'

/** Sheets of one size that may be cut, of one paper. */
export interface StockSheets {
  readonly stockId: string
  readonly sizeUm: SizeUm
  readonly available: number
  /** Offcuts are used before whole sheets. */
  readonly offcut: boolean
}

export interface CutProblem {
  readonly pieceUm: SizeUm
  readonly pieces: number
  readonly stock: readonly StockSheets[]
}

/** The same cuts on a number of equal sheets. */
export interface CutLayout {
  readonly stockId: string
  readonly sheetUm: SizeUm
  readonly sheets: number
  readonly grid: Grid
  /** Pieces taken off each of the sheets; the last sheet of a job may take fewer than the grid holds. */
  readonly piecesPerSheet: number
  /** What is left of each sheet, as rectangles. */
  readonly offcutsUm: readonly SizeUm[]
}

/** A plan, or as much of one as the stock allows and how many pieces are missing. */
export type CutPlan =
  | { readonly status: 'planned'; readonly layouts: readonly CutLayout[] }
  | { readonly status: 'short'; readonly layouts: readonly CutLayout[]; readonly missingPieces: number }

/** Any planner: pure and synchronous. A better one takes this place without its callers changing. */
export type CutPlanner = (problem: CutProblem) => CutPlan
