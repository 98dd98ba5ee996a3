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

/** A gauge's three numbers in mm for a sheet of that side; no more than still folds on it. */
export function gaugeRangeMm(
  { unit, standard, least, most, foldsToShare = Infinity }: Gauge,
  sheetMm: number,
): { readonly standardMm: number; readonly leastMm: number; readonly mostMm: number } {
  const one = unit === 'mm' ? 1 : sheetMm
  const mostMm = unit === 'mm' ? Math.min(most, foldsToShare * sheetMm) : most * one
  return { standardMm: standard * one, leastMm: least * one, mostMm }
}

/** The settings a folder starts from: those in mm; the others follow the sheet until they are set. */
export const defaultGauges = (design: Pick<DesignDocument, 'gauges'>): GaugeSettings =>
  Object.fromEntries(
    design.gauges.flatMap(({ key, unit, standard }) => (unit === 'mm' ? [[key, standard] as const] : [])),
  )

function gaugeOf(design: Pick<DesignDocument, 'gauges' | 'name'>, key: string): Gauge {
  const gauge = design.gauges.find((candidate) => candidate.key === key)
  if (!gauge) throw new CoreError('UNKNOWN_GAUGE', { name: design.name, value: key })
  return gauge
}

/** A gauge as set, or as it stands by itself. *Throws* `UNKNOWN_GAUGE`; `OUT_OF_RANGE` naming the gauge and its range. */
export function gaugeMm(
  design: Pick<DesignDocument, 'gauges' | 'name'>,
  settings: GaugeSettings,
  key: string,
  sheetMm: number,
): number {
  const gauge = gaugeOf(design, key)
  const { standardMm, leastMm, mostMm } = gaugeRangeMm(gauge, sheetMm)
  const settingMm = settings[key] ?? standardMm
  requireRange(gauge.name, settingMm, 'mm', leastMm, mostMm)
  return settingMm
}

/** All gauges as shares of the side, as the fold engine takes them. *Throws* `OUT_OF_RANGE`. */
export const gaugeShares = (
  design: Pick<DesignDocument, 'gauges' | 'name'>,
  settings: GaugeSettings,
  sheetMm: number,
): Readonly<Record<string, number>> =>
  Object.fromEntries(design.gauges.map(({ key }) => [key, gaugeMm(design, settings, key, sheetMm) / sheetMm]))

/** Shares to a ten-thousandth of the side: closer no eye and no hand can tell, and settings that near share one picture. */
export const shareable = (shares: Readonly<Record<string, number>>): Readonly<Record<string, number>> =>
  Object.fromEntries(Object.entries(shares).map(([key, share]) => [key, Math.round(share * 1e4) / 1e4]))

const gaugeTerms = (form: Linear, valueOf: (gaugeKey: string, factor: number) => number): number =>
  Object.entries(form.gauges ?? {}).reduce((sum, [key, factor]) => sum + factor * valueOf(key, factor), 0)

/** The value of a linear form in mm for a sheet of side `sheetMm`. */
export const evaluate = (
  design: DesignDocument,
  form: Linear,
  sheetMm: number,
  settings: GaugeSettings,
): number => form.share * sheetMm + gaugeTerms(form, (key) => gaugeMm(design, settings, key, sheetMm))

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
    const extreme = (towards: 'leastMm' | 'mostMm') =>
      size.share * sheetMm +
      gaugeTerms(size, (key, factor) => {
        const range = gaugeRangeMm(gaugeOf(design, key), sheetMm)
        return factor >= 0 === (towards === 'mostMm') ? range.mostMm : range.leastMm
      })
    return {
      axis,
      label,
      sizeMm: evaluate(design, size, sheetMm, settings),
      lowestMm: extreme('leastMm'),
      highestMm: extreme('mostMm'),
    }
  })
}

/**
 * The side of the sheet, in mm, that finishes at `finishedMm` along the named axis.
 * *Throws* `SIZE_NOT_REACHABLE` where the gauges alone are already larger than the size asked; `UNKNOWN_AXIS`;
 * `OUT_OF_RANGE` for a gauge.
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
  // Gauges in mm beyond their own range are wrong whatever the sheet: said first, since they decide it.
  for (const { key, unit } of design.gauges) if (unit === 'mm') gaugeMm(design, settings, key, LONGEST_MM)
  // A gauge that follows the sheet and is not set counts towards the share; one in mm stands beside it.
  const follows = (key: string) => gaugeOf(design, key).unit === 'side' && settings[key] === undefined
  const fromGaugesMm = gaugeTerms(size, (key) =>
    follows(key) ? 0 : (settings[key] ?? gaugeOf(design, key).standard),
  )
  const share = size.share + gaugeTerms(size, (key) => (follows(key) ? gaugeOf(design, key).standard : 0))
  const sheetMm = (finishedMm - fromGaugesMm) / share
  if (!(sheetMm > 0))
    throw new CoreError('SIZE_NOT_REACHABLE', {
      name: label,
      value: finishedMm,
      unit: 'mm',
      min: fromGaugesMm,
    })
  requireRange('sheet', sheetMm, 'mm', 0, LONGEST_MM)
  gaugeShares(design, settings, sheetMm)
  return sheetMm
}
