import { CoreError, requireRange } from '../errors'
import { LONGEST_MM } from '../units'
import type { AxisSize, DesignDocument, Gauge, Linear, Variant } from './types'

/** Settings of a design's gauges in mm, by gauge key. */
export type GaugeSettings = Readonly<Record<string, number>>

/** A finished size along one axis: at the gauges as set, and over their whole range. */
export interface FinishedSize {
  readonly axis: string
  readonly label: string
  readonly sizeMm: number
  readonly lowestMm: number
  readonly highestMm: number
}

const gaugeTerms = (form: Linear, valueOf: (gaugeKey: string, factor: number) => number): number =>
  Object.entries(form.gauges ?? {}).reduce((sum, [key, factor]) => sum + factor * valueOf(key, factor), 0)

/** The settings a folder starts from. */
export const defaultGauges = (design: DesignDocument): GaugeSettings =>
  Object.fromEntries(design.gauges.map((gauge) => [gauge.key, gauge.defaultMm]))

function gaugeOf(design: DesignDocument, key: string): Gauge {
  const gauge = design.gauges.find((candidate) => candidate.key === key)
  if (!gauge) throw new CoreError('UNKNOWN_GAUGE', { name: design.name, value: key })
  return gauge
}

/** A gauge as set, or its default. *Throws* `UNKNOWN_GAUGE`; `OUT_OF_RANGE` naming the gauge and its range. */
export function gaugeMm(design: DesignDocument, settings: GaugeSettings, key: string): number {
  const gauge = gaugeOf(design, key)
  const settingMm = settings[key] ?? gauge.defaultMm
  requireRange(gauge.name, settingMm, 'mm', gauge.minMm, gauge.maxMm)
  return settingMm
}

/** The value of a linear form in mm for a sheet of side `sheetMm`. */
export const evaluate = (
  design: DesignDocument,
  form: Linear,
  sheetMm: number,
  settings: GaugeSettings,
): number => form.share * sheetMm + gaugeTerms(form, (key) => gaugeMm(design, settings, key))

/** The axis of that name. *Throws* `UNKNOWN_AXIS`. */
export function axisOf(variant: Variant, axis: string): AxisSize {
  const found = variant.sizes.find((size) => size.axis === axis)
  if (!found) throw new CoreError('UNKNOWN_AXIS', { name: variant.name, value: axis })
  return found
}

/**
 * Finished sizes along every axis from the sheet's side, in mm.
 * *Throws* `OUT_OF_RANGE` for a sheet that is not above zero or is over 100 m, or a gauge outside its range.
 */
export function finishedSizes(
  design: DesignDocument,
  variant: Variant,
  sheetMm: number,
  settings: GaugeSettings,
): readonly FinishedSize[] {
  requireRange('sheet', sheetMm, 'mm', Number.MIN_VALUE, LONGEST_MM)
  return variant.sizes.map(({ axis, label, size }) => {
    const extreme = (towards: 'minMm' | 'maxMm') =>
      size.share * sheetMm +
      gaugeTerms(size, (key, factor) => {
        const gauge = gaugeOf(design, key)
        return factor >= 0 === (towards === 'maxMm') ? gauge.maxMm : gauge.minMm
      })
    return {
      axis,
      label,
      sizeMm: evaluate(design, size, sheetMm, settings),
      lowestMm: extreme('minMm'),
      highestMm: extreme('maxMm'),
    }
  })
}

/**
 * The side of the sheet, in mm, that finishes at `finishedMm` along the named axis.
 * *Throws* `SIZE_NOT_REACHABLE` where the gauges alone are already larger than the size asked; `UNKNOWN_AXIS`.
 */
export function sheetForFinished(
  design: DesignDocument,
  variant: Variant,
  axis: string,
  finishedMm: number,
  settings: GaugeSettings,
): number {
  requireRange('finished size', finishedMm, 'mm', Number.MIN_VALUE, LONGEST_MM)
  const { label, size } = axisOf(variant, axis)
  const fromGaugesMm = gaugeTerms(size, (key) => gaugeMm(design, settings, key))
  const sheetMm = (finishedMm - fromGaugesMm) / size.share
  if (!(sheetMm > 0))
    throw new CoreError('SIZE_NOT_REACHABLE', {
      name: label,
      value: finishedMm,
      unit: 'mm',
      min: fromGaugesMm,
    })
  requireRange('sheet', sheetMm, 'mm', 0, LONGEST_MM)
  return sheetMm
}
