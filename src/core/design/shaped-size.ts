import type { ShapingTool } from '../fold'
import type { AxisSize, FormReading, Variant } from './types'

/** A size of the shaped piece: with angles at their ends, and as they are usually set. */
export interface ShapedSize {
  readonly axis: string
  readonly label: string
  readonly lowMm: number
  readonly usualMm: number
  readonly highMm: number
}

/** The tools a variant may be rolled over, the usual one first; none where there is no choice. */
export const toolsFor = ({ readings = [] }: Variant): readonly ShapingTool[] => [
  ...new Set(readings.flatMap(({ tool }) => (tool === null ? [] : [tool]))),
]

type Reading = FormReading['sizes'][number]
type Shares = Pick<Reading, 'lowest' | 'usual' | 'highest'>

/** What is read off the form along an axis on a sheet, between the two readings around it. */
function sharesAt(
  variant: Variant,
  axis: string,
  sheetMm: number,
  tool?: ShapingTool,
): (Shares & Pick<Reading, 'flat'>) | null {
  const [usual] = toolsFor(variant)
  const wanted = toolsFor(variant).find((one) => one === tool) ?? usual ?? null
  const rows = (variant.readings ?? [])
    .filter((one) => one.tool === wanted)
    .flatMap((one) =>
      one.sizes.flatMap((size) => (size.axis === axis ? [{ sheetMm: one.sheetMm, size }] : [])),
    )
  const above = rows.find((row) => row.sheetMm >= sheetMm) ?? rows.at(-1)
  if (!above) return null
  const below = rows.findLast((row) => row.sheetMm <= sheetMm) ?? above
  const span = above.sheetMm - below.sheetMm
  const share = span === 0 ? 0 : (sheetMm - below.sheetMm) / span
  const between = (key: keyof Shares): number => below.size[key] + (above.size[key] - below.size[key]) * share
  return {
    flat: above.size.flat,
    lowest: between('lowest'),
    usual: between('usual'),
    highest: between('highest'),
  }
}

/**
 * What shaping makes of a flat size: the factors it is multiplied by, read off the form against the flat piece at the same
 * gauges, or the stated ones where no form is computed. `undefined` where nothing shapes it.
 */
export function shapedRange(
  variant: Variant,
  { axis, shaped }: AxisSize,
  sheetMm: number,
  tool?: ShapingTool,
): readonly [lowest: number, highest: number] | undefined {
  const shares = sharesAt(variant, axis, sheetMm, tool)
  if (!shares?.flat) return shaped
  return [shares.lowest / shares.flat, shares.highest / shares.flat]
}

/** Sizes that only the shaped piece has, in mm; none where no form is computed. */
export const formSizesMm = (variant: Variant, sheetMm: number, tool?: ShapingTool): readonly ShapedSize[] =>
  (variant.formSizes ?? []).flatMap(({ axis, label }): ShapedSize[] => {
    const shares = sharesAt(variant, axis, sheetMm, tool)
    if (!shares) return []
    const [lowMm, usualMm, highMm] = [shares.lowest, shares.usual, shares.highest].map(
      (share) => share * sheetMm,
    )
    return [{ axis, label, lowMm: lowMm ?? 0, usualMm: usualMm ?? 0, highMm: highMm ?? 0 }]
  })
