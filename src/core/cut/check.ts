import type { SizeUm } from '../sheet'
import type { CutLayout, CutPlan, CutProblem } from './types'

/** What is wrong with a plan. */
export type CutFault =
  | { readonly code: 'UNKNOWN_SHEET'; readonly layout: number }
  | { readonly code: 'SHEET_SIZE'; readonly layout: number }
  | { readonly code: 'OFF_THE_SHEET'; readonly layout: number }
  | { readonly code: 'TOO_MANY_PIECES'; readonly layout: number }
  | { readonly code: 'TOO_MUCH_AREA'; readonly layout: number }
  | { readonly code: 'STOCK_EXCEEDED'; readonly stockId: string }
  | { readonly code: 'DEMAND'; readonly planned: number; readonly wanted: number }

const areaUm2 = ({ widthUm, heightUm }: SizeUm): number => widthUm * heightUm

function layoutFaults(problem: CutProblem, layout: CutLayout, index: number): readonly CutFault[] {
  const stock = problem.stock.find((candidate) => candidate.stockId === layout.stockId)
  if (!stock) return [{ code: 'UNKNOWN_SHEET', layout: index }]
  const faults: CutFault[] = []
  const { sheetUm, grid, piecesPerSheet, offcutsUm } = layout
  if (sheetUm.widthUm !== stock.sizeUm.widthUm || sheetUm.heightUm !== stock.sizeUm.heightUm)
    faults.push({ code: 'SHEET_SIZE', layout: index })
  const along = grid.turned ? problem.pieceUm.heightUm : problem.pieceUm.widthUm
  const across = grid.turned ? problem.pieceUm.widthUm : problem.pieceUm.heightUm
  if (grid.columns * along > sheetUm.widthUm || grid.rows * across > sheetUm.heightUm)
    faults.push({ code: 'OFF_THE_SHEET', layout: index })
  if (piecesPerSheet < 1 || piecesPerSheet > grid.columns * grid.rows || layout.sheets < 1)
    faults.push({ code: 'TOO_MANY_PIECES', layout: index })
  const used =
    piecesPerSheet * areaUm2(problem.pieceUm) + offcutsUm.reduce((sum, size) => sum + areaUm2(size), 0)
  if (used > areaUm2(sheetUm)) faults.push({ code: 'TOO_MUCH_AREA', layout: index })
  return faults
}

/**
 * Verifies a plan against its problem without knowing how it was made. Every layout here is a grid, which straight
 * edge-to-edge cuts always part. *Returns* every fault found; none means the plan holds.
 */
export function checkCutPlan(problem: CutProblem, plan: CutPlan): readonly CutFault[] {
  const faults: CutFault[] = plan.layouts.flatMap((layout, index) => layoutFaults(problem, layout, index))
  for (const stock of problem.stock) {
    const taken = plan.layouts
      .filter((layout) => layout.stockId === stock.stockId)
      .reduce((sum, layout) => sum + layout.sheets, 0)
    if (taken > stock.available) faults.push({ code: 'STOCK_EXCEEDED', stockId: stock.stockId })
  }
  const planned = plan.layouts.reduce((sum, layout) => sum + layout.sheets * layout.piecesPerSheet, 0)
  const wanted = problem.pieces - (plan.status === 'short' ? plan.missingPieces : 0)
  if (planned !== wanted) faults.push({ code: 'DEMAND', planned, wanted })
  return faults
}
