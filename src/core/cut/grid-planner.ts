import { requireCount } from '../errors'
import { bestGrid, type Grid } from '../sheet'
import { offcutsOf } from './offcuts'
import type { CutLayout, CutPlan, CutProblem, StockSheets } from './types'

interface Candidate {
  readonly stock: StockSheets
  readonly grid: Grid
  readonly wasteShare: number
}

function candidatesOf({ pieceUm, stock }: CutProblem): readonly Candidate[] {
  return stock
    .map((sheets) => {
      const grid = bestGrid(sheets.sizeUm, pieceUm)
      const sheetArea = sheets.sizeUm.widthUm * sheets.sizeUm.heightUm
      return {
        stock: sheets,
        grid,
        wasteShare: 1 - (grid.count * pieceUm.widthUm * pieceUm.heightUm) / sheetArea,
      }
    })
    .filter(({ grid, stock: { available } }) => grid.count > 0 && available > 0)
    .sort(
      (a, b) =>
        Number(b.stock.offcut) - Number(a.stock.offcut) ||
        a.wasteShare - b.wasteShare ||
        b.grid.count - a.grid.count,
    )
}

function layoutOf(
  problem: CutProblem,
  { stock, grid }: Candidate,
  sheets: number,
  piecesPerSheet: number,
): CutLayout {
  return {
    stockId: stock.stockId,
    sheetUm: stock.sizeUm,
    sheets,
    grid,
    piecesPerSheet,
    offcutsUm: offcutsOf(stock.sizeUm, problem.pieceUm, grid, piecesPerSheet),
  }
}

/**
 * Equal pieces in grids: offcuts first, then the sheets that waste least, each in the better of its two rotations.
 * Fewest sheets only within one sheet size; mixed layouts are another planner's business.
 * *Returns* `short` with all it could place where the stock runs out. *Throws* `NOT_INTEGER`, `OUT_OF_RANGE`.
 */
export function planGrid(problem: CutProblem): CutPlan {
  requireCount('pieces', problem.pieces, 0, 1_000_000)
  const layouts: CutLayout[] = []
  let left = problem.pieces
  for (const candidate of candidatesOf(problem)) {
    const full = Math.min(candidate.stock.available, Math.floor(left / candidate.grid.count))
    if (full > 0) layouts.push(layoutOf(problem, candidate, full, candidate.grid.count))
    left -= full * candidate.grid.count
    if (left > 0 && full < candidate.stock.available) {
      layouts.push(layoutOf(problem, candidate, 1, left))
      left = 0
    }
    if (left === 0) break
  }
  return left === 0 ? { status: 'planned', layouts } : { status: 'short', layouts, missingPieces: left }
}
