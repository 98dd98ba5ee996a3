import {
  gaugeRangeMm,
  mainPart,
  SKILLS,
  waysOf,
  type DesignDocument,
  type Family,
  type GaugeSettings,
  type Skill,
  type Way,
} from '@/core/design'
import type { LengthUnit } from '@/core/units'
import { SHEET_RANGE_MM } from './asked-size'
import { parseFields, type FieldErrors } from './field-errors'
import { lengthText } from './fields'

/** An address's query as the framework gives it. */
export type Query = Readonly<Record<string, string | readonly string[] | undefined>>

/** How a design's folds are looked at. */
export interface StepsQuery {
  readonly variantKey: string
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  /** Whole or direct; a base one has is shown as it is folded. */
  readonly way: Way
  readonly paperId: string | null
  /** The move to begin with, from 0. */
  readonly start: number
  /** Or how many moves are left from there: the same place in a way of other length. */
  readonly left: number | null
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

/** How many moves an address leaves to the end; `null` where it does not say. */
function leftOf(query: Query): number | null {
  const text = oneOf(query, 'left')
  const left = Number(text)
  return text !== '' && Number.isInteger(left) && left >= 0 ? left : null
}

export const paperOf = (query: Query): string | null => oneOf(query, 'paper') || null

/** The family an address asks for; none where it asks for none that is there. */
export const familyOf = (query: Query, families: readonly Family[]): Family | null =>
  families.find((family) => family === oneOf(query, 'family')) ?? null

/** What the address of the library asks for, as typed and as read. */
export interface LibraryQuery {
  readonly family: Family | null
  readonly skill: Skill | null
  readonly minutes: number | null
  readonly sheetMm: number | null
  readonly paperId: string | null
  readonly paperOnly: boolean
}

const MOST_MINUTES = 10_000

/** Reads what a folder asks the library for. What cannot be read says so at its field and is not asked. */
export function readLibraryQuery(
  query: Query,
  families: readonly Family[],
  unit: LengthUnit,
): {
  readonly value: LibraryQuery
  readonly typed: Readonly<Record<string, string>>
  readonly fields: FieldErrors
} {
  const fields: Record<string, string> = {}
  const typed = Object.fromEntries(
    ['family', 'skill', 'minutes', 'sheet', 'paper', 'only'].map((key) => [key, oneOf(query, key)]),
  )
  const minutes = Number(typed['minutes'])
  const minutesRead = typed['minutes'] === '' ? null : minutes
  const minutesGood = minutesRead === null || (minutes >= 1 && minutes <= MOST_MINUTES)
  if (!minutesGood) fields['minutes'] = `Enter minutes from 1 to ${MOST_MINUTES}, or leave it empty.`
  let sheetMm: number | null = null
  if (typed['sheet'] !== '') {
    const { min: minMm, max: maxMm } = SHEET_RANGE_MM
    const parsed = parseFields(lengthText({ name: 'the square', unit, minMm, maxMm }), typed['sheet'])
    if (parsed.ok) sheetMm = parsed.value
    else fields['sheet'] = parsed.fields[''] ?? ''
  }
  return {
    value: {
      family: familyOf(query, families),
      skill: SKILLS.find((skill) => skill === typed['skill']) ?? null,
      minutes: minutesGood ? minutesRead : null,
      sheetMm,
      paperId: paperOf(query),
      paperOnly: typed['only'] === 'paper',
    },
    typed,
    fields,
  }
}

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
  const variant = design.variants.find(({ key }) => key === variantKey)
  const way: Way =
    oneOf(query, 'way') === 'direct' && variant && waysOf(mainPart(design), variant).includes('direct')
      ? 'direct'
      : 'whole'
  typed['way'] = way
  const sheetMm = length('sheet', 'the sheet', SHEET_RANGE_MM.min, SHEET_RANGE_MM.max) ?? usualMm
  const gauges: Record<string, number> = {}
  for (const gauge of design.gauges) {
    const { leastMm, mostMm } = gaugeRangeMm(gauge, sheetMm)
    const mm = length(gaugeField(gauge.key), `the ${gauge.name}`, leastMm, mostMm)
    if (mm !== null) gauges[gauge.key] = mm
  }
  return {
    value: {
      variantKey,
      sheetMm,
      gauges,
      way,
      paperId: paperOf(query),
      start: startOf(query),
      left: leftOf(query),
    },
    typed,
    fields,
  }
}
