import type { SizeUm } from '../sheet'
import { cutWith, leftOvers } from './guillotine'
import { areaUm2, placedAt, type CutDemand, type CutLayout, type CutTools, type RectUm } from './types'

/** Offcuts narrower than this are not worth keeping, where nobody says otherwise: 2 cm. Common practice, no source. */
export const SMALLEST_OFFCUT_UM = 20_000

/** Whether something left over is as wide as offcuts are kept from. */
export const worthKeeping = (
  { widthUm, heightUm }: SizeUm,
  { keepUm = SMALLEST_OFFCUT_UM }: Pick<CutTools, 'keepUm'>,
): boolean => Math.min(widthUm, heightUm) >= keepUm

/** What is left of a sheet and worth keeping, the largest first. */
export const offcutsOf = (left: readonly RectUm[], tools: Pick<CutTools, 'keepUm'>): readonly RectUm[] =>
  left
    .filter((one) => worthKeeping(one, tools))
    .sort((a, b) => areaUm2(b) - areaUm2(a) || a.xUm - b.xUm || a.yUm - b.yUm)

/** What a layout leaves of each sheet, by the cuts that part its pieces with some tools; nothing where they cannot. */
export function offcutsLeft(
  { sheetUm, placements }: Pick<CutLayout, 'sheetUm' | 'placements'>,
  demands: readonly CutDemand[],
  tools: CutTools,
): readonly RectUm[] {
  const sizes = new Map(demands.map(({ key, sizeUm }) => [key, sizeUm]))
  const pieces = placements.flatMap((one) => {
    const size = sizes.get(one.demand)
    return size ? [placedAt(one, size)] : []
  })
  const way = cutWith(sheetUm, pieces, tools)
  return way === null ? [] : offcutsOf(leftOvers(way), tools)
}
