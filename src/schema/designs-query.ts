import { gaugeRangeMm, type DesignDocument, type Family, type GaugeSettings } from '@/core/design'
import type { LengthUnit } from '@/core/units'
import { SHEET_RANGE_MM } from './brief'
import { parseFields, type FieldErrors } from './field-errors'
import { lengthText } from './fields'

/** An address's query as the framework gives it. */
export type Query = Readonly<Record<string, string | readonly string[] | undefined>>

/** How a design's folds are looked at. */
export interface StepsQuery {
  readonly variantKey: string
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly paperId: string | null
  /** The move to begin with, from 0. */
  readonly start: number
}

/** The query field of a gauge. */
export const gaugeField = (key: string): string => `gauge-${key}`

const oneOf = (query: Query, key: string): string => {
  const value = query[key]
  return (typeof value === 'string' ? value : (value?.[0] ?? '')).slice(0, 5000)
}

/** The move an address asks for, from 0; the first where it asks for none. */
export function startOf(query: Query): number {
  const move = Number(oneOf(query, 'move'))
  return Number.isInteger(move) && move >= 1 ? move - 1 : 0
}

export const paperOf = (query: Query): string | null => oneOf(query, 'paper') || null

/** The family an address asks for; none where it asks for none that is there. */
export const familyOf = (query: Query, families: readonly Family[]): Family | null =>
  families.find((family) => family === oneOf(query, 'family')) ?? null

/** Reads the address of a steps page. What cannot be read says so at its field and stands as the design has it. */
export function readStepsQuery(
  query: Query,
  design: DesignDocument,
  { unit, usualMm }: { readonly unit: LengthUnit; readonly usualMm: number },
): {
  readonly value: StepsQuery
  readonly typed: Readonly<Record<string, string>>
  readonly fields: FieldErrors
} {
  const fields: Record<string, string> = {}
  const typed: Record<string, string> = {}
  const length = (key: string, name: string, minMm: number, maxMm: number): number | null => {
    const text = oneOf(query, key)
    typed[key] = text
    if (text === '') return null
    const parsed = parseFields(lengthText({ name, unit, minMm, maxMm }), text)
    if (parsed.ok) return parsed.value
    fields[key] = parsed.fields[''] ?? ''
    return null
  }
  const asked = oneOf(query, 'variant')
  typed['variant'] = asked
  const known = design.variants.some(({ key }) => key === asked)
  if (asked !== '' && !known)
    fields['variant'] =
      `There is no variant of that name. Choose one of: ${design.variants.map((one) => one.name).join(', ')}.`
  const variantKey = known ? asked : (design.variants[0]?.key ?? '')
  const sheetMm = length('sheet', 'the sheet', SHEET_RANGE_MM.min, SHEET_RANGE_MM.max) ?? usualMm
  const gauges: Record<string, number> = {}
  for (const gauge of design.gauges) {
    const { leastMm, mostMm } = gaugeRangeMm(gauge, sheetMm)
    const mm = length(gaugeField(gauge.key), `the ${gauge.name}`, leastMm, mostMm)
    if (mm !== null) gauges[gauge.key] = mm
  }
  return {
    value: { variantKey, sheetMm, gauges, paperId: paperOf(query), start: startOf(query) },
    typed,
    fields,
  }
}
