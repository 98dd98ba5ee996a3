import { largest, least } from '../numeric'
import { evaluate, type GaugeSettings } from './sizing'
import type { DesignDocument, Variant } from './types'

export interface Point {
  readonly x: number
  readonly y: number
}

/** Finished outline in mm for a sheet of side `sheetMm`: counter-clockwise, y up. */
export const outlineMm = (
  design: DesignDocument,
  variant: Variant,
  sheetMm: number,
  settings: GaugeSettings,
): readonly Point[] =>
  variant.outline.map(({ x, y }) => ({
    x: evaluate(design, x, sheetMm, settings),
    y: evaluate(design, y, sheetMm, settings),
  }))

/** How far the finished outline reaches across and high, mm. */
export function outlineSizeMm(
  design: DesignDocument,
  variant: Variant,
  sheetMm: number,
  settings: GaugeSettings,
): { readonly acrossMm: number; readonly highMm: number } {
  const points = outlineMm(design, variant, sheetMm, settings)
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)]
  return { acrossMm: largest(xs) - least(xs), highMm: largest(ys) - least(ys) }
}
