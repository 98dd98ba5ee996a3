import { bestGrid, type SizeUm } from '../sheet'
import { roundToRuler, umFromMm, type RulerKey } from '../units'

const yieldOf = (sheets: readonly SizeUm[], sideMm: number): number => {
  const sideUm = umFromMm(sideMm)
  return sheets.reduce((sum, sheet) => sum + bestGrid(sheet, { widthUm: sideUm, heightUm: sideUm }).count, 0)
}

/**
 * A square's side rounded to the ruler: to the nearest mark, but down where the mark above would give fewer squares
 * from any of the sheets it may be cut from. *Throws* as `roundToRuler`.
 */
export function roundForYield(sideMm: number, ruler: RulerKey, sheets: readonly SizeUm[]): number {
  const nearest = roundToRuler(sideMm, ruler, 'nearest')
  const down = roundToRuler(sideMm, ruler, 'down')
  if (nearest <= down || down <= 0) return nearest
  return yieldOf(sheets, nearest) < yieldOf(sheets, down) ? down : nearest
}
