import { LONGEST_MM, mmFromCm, mmFromInch } from './length'

export type LengthUnit = 'mm' | 'cm' | 'in'
export type LengthProblem = 'EMPTY' | 'NOT_A_LENGTH' | 'NEGATIVE' | 'TOO_LONG'
export type ParsedLength =
  { readonly ok: true; readonly mm: number } | { readonly ok: false; readonly problem: LengthProblem }

const UNIT_WORDS: Readonly<Record<string, LengthUnit>> = {
  mm: 'mm',
  cm: 'cm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '\u2033': 'in',
}

const TO_MM: Readonly<Record<LengthUnit, (value: number) => number>> = {
  mm: (value) => value,
  cm: mmFromCm,
  in: mmFromInch,
}

/** Vulgar fractions people paste in, as the text they stand for. */
const VULGAR: Readonly<Record<string, string>> = {
  '\u00bc': ' 1/4',
  '\u00bd': ' 1/2',
  '\u00be': ' 3/4',
  '\u215b': ' 1/8',
  '\u215c': ' 3/8',
  '\u215d': ' 5/8',
  '\u215e': ' 7/8',
}

const LONGEST_TEXT = 40
const DECIMAL = /^(\d+(?:[.,]\d*)?|[.,]\d+)$/
const MIXED = /^(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)$/

/** A number as people write it: `5`, `5.25`, `5,25`, `5 1/4`, `5-1/4`, `1/4`; `undefined` for anything else. */
function parseMixedNumber(text: string): number | undefined {
  if (DECIMAL.test(text)) return Number(text.replace(',', '.'))
  const mixed = MIXED.exec(text)
  if (!mixed) return undefined
  const denominator = Number(mixed[3])
  return denominator === 0 ? undefined : Number(mixed[1] ?? 0) + Number(mixed[2]) / denominator
}

/**
 * Reads a length a person typed, in the unit it names or else in `unit`.
 * *Returns* mm, or the one problem it has. Zero parses: whether it makes sense is the field's business.
 */
export function parseLength(text: string, unit: LengthUnit): ParsedLength {
  const tidy = text.trim().toLowerCase()
  if (tidy === '') return { ok: false, problem: 'EMPTY' }
  if (tidy.length > LONGEST_TEXT) return { ok: false, problem: 'NOT_A_LENGTH' }
  const plain = tidy.replace(/[\u00bc-\u00be\u215b-\u215e]/g, (mark) => VULGAR[mark] ?? mark).trim()
  const match = /^(-?)\s*([\d\s.,/-]*\d[.,]?)\s*([a-z"\u2033]*)\.?$/.exec(plain)
  if (!match) return { ok: false, problem: 'NOT_A_LENGTH' }
  const [, sign, numberText = '', unitText = ''] = match
  const value = parseMixedNumber(numberText.trim())
  const named = unitText === '' ? unit : UNIT_WORDS[unitText]
  if (value === undefined || named === undefined) return { ok: false, problem: 'NOT_A_LENGTH' }
  if (sign === '-' && value > 0) return { ok: false, problem: 'NEGATIVE' }
  const mm = TO_MM[named](value)
  return mm > LONGEST_MM ? { ok: false, problem: 'TOO_LONG' } : { ok: true, mm }
}
