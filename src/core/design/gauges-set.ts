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
