import { gaugeRangeMm, type GaugeSettings } from './sizing'
import type { DesignDocument } from './types'

/** A gauge as it is set: by hand, or as the design has it for that sheet. */
export interface GaugeSet {
  readonly key: string
  readonly name: string
  readonly mm: number
}

/** All gauges as they are set for a sheet, in range or not: what was folded is told as it was. */
export const gaugesSet = (
  { gauges }: Pick<DesignDocument, 'gauges'>,
  settings: GaugeSettings,
  sheetMm: number,
): readonly GaugeSet[] =>
  gauges.map((gauge) => ({
    key: gauge.key,
    name: gauge.name,
    mm: settings[gauge.key] ?? gaugeRangeMm(gauge, sheetMm).standardMm,
  }))

/** Keys of the gauges that a fold is told by: an amount with multiples of gauges, anywhere in its moves. */
export function gaugesIn(moves: unknown): readonly string[] {
  if (Array.isArray(moves)) return [...new Set(moves.flatMap(gaugesIn))]
  if (typeof moves !== 'object' || moves === null) return []
  const found = Object.entries(moves).flatMap(([key, value]: [string, unknown]) =>
    key === 'gauges' && typeof value === 'object' && value !== null ? Object.keys(value) : gaugesIn(value),
  )
  return [...new Set(found)]
}
