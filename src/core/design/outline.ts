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
