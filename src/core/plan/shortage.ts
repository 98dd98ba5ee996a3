import { largest } from '../numeric'
import { bestGrid, type SizeUm } from '../sheet'
import type { StockSheets } from '../cut'
import { comesOff } from './cutting'
import { sum } from './progress'
import type { Reservation } from './types'

/** Who has been promised sheets that a shortage could be mended with. */
export interface Holder {
  readonly projectId: string
  readonly sheets: number
}

/** Units of one paper that no sheet is there for. */
export interface Shortage {
  readonly units: number
  /** Whole sheets to buy, of the size of this paper that gives most; `null` where no size it comes in gives one. */
  readonly sheets: number | null
  /** The sheet that would be bought. */
  readonly sheetUm: SizeUm | null
  /** By what the piece would have to be scaled to come out of a sheet there is; `null` where it does, or there is none. */
  readonly fitsAt: number | null
  readonly holders: readonly Holder[]
}

export const NO_SHORTAGE: Shortage = { units: 0, sheets: 0, sheetUm: null, fitsAt: null, holders: [] }

/** By how much a piece must be scaled at least to come out of a sheet, either way round; below 1 it is too large. */
export const scaleThatFits = (sheet: SizeUm, piece: SizeUm): number =>
  Math.max(
    Math.min(sheet.widthUm / piece.widthUm, sheet.heightUm / piece.heightUm),
    Math.min(sheet.widthUm / piece.heightUm, sheet.heightUm / piece.widthUm),
  )

/** What would mend a shortage, and which projects hold sheets that could: others than `own`, which are planned together. */
export function shortageOf(
  units: number,
  pieceUm: SizeUm,
  stock: readonly StockSheets[],
  reservations: readonly Reservation[],
  own: readonly string[],
): Shortage {
  if (units === 0) return NO_SHORTAGE
  const wholes = stock.filter(({ offcut }) => !offcut)
  const yields = wholes.map(({ sizeUm }) => bestGrid(sizeUm, pieceUm).count)
  const best = largest(yields, 0)
  const useful = new Set(
    stock.filter(({ sizeUm }) => comesOff(sizeUm, pieceUm)).map(({ stockId }) => stockId),
  )
  const held = reservations.filter((one) => !own.includes(one.projectId) && useful.has(one.stockId))
  const holders = [...new Set(held.map((one) => one.projectId))].map((holder) => ({
    projectId: holder,
    sheets: sum(
      held.filter((one) => one.projectId === holder),
      ({ sheets }) => sheets,
    ),
  }))
  return {
    units,
    sheets: best === 0 ? null : Math.ceil(units / best),
    sheetUm: best === 0 ? null : (wholes[yields.indexOf(best)]?.sizeUm ?? null),
    fitsAt:
      best > 0 || wholes.length === 0
        ? null
        : largest(
            wholes.map(({ sizeUm }) => scaleThatFits(sizeUm, pieceUm)),
            0,
          ),
    holders: holders.filter(({ sheets }) => sheets > 0),
  }
}
