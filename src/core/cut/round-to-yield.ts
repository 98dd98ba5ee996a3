import { bestGrid, pieceSizeUm, type SizeUm } from '../sheet'
import { roundToRuler, umFromMm, type RulerKey } from '../units'

const yieldOf = (sheets: readonly SizeUm[], sideMm: number, highPerWide: number): number => {
  const piece = pieceSizeUm(umFromMm(sideMm), highPerWide)
  return sheets.reduce((sum, sheet) => sum + bestGrid(sheet, piece).count, 0)
}

/**
 * A piece's side rounded to the ruler: to the nearest mark, but down where the mark above would give fewer pieces
 * from any of the sheets it may be cut from; `highPerWide` of a square is 1. *Throws* as `roundToRuler`.
 */
export function roundForYield(
  sideMm: number,
  ruler: RulerKey,
  sheets: readonly SizeUm[],
  highPerWide = 1,
): number {
  const nearest = roundToRuler(sideMm, ruler, 'nearest')
  const down = roundToRuler(sideMm, ruler, 'down')
  if (nearest <= down || down <= 0) return nearest
  return yieldOf(sheets, nearest, highPerWide) < yieldOf(sheets, down, highPerWide) ? down : nearest
}
