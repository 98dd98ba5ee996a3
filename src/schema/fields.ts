import { NOTHING_TO_SEE, ROUNDING } from '@/core/numeric'
import { z } from 'zod'
import { nearestInchFraction, parseLength, type LengthProblem, type LengthUnit } from '@/core/units'

/** Every text a form sends is first of all not longer than this. */
export const MOST_TEXT = 5000

const LENGTH_WORDS: Readonly<Record<LengthProblem, (name: string, unit: LengthUnit) => string>> = {
  EMPTY: (name) => `Enter ${name}.`,
  NOT_A_LENGTH: (name, unit) =>
    `This is not a length. Write ${name} like ${unit === 'in' ? '5 1/4 or 5.25 in' : '12.5 or 125 mm'}.`,
  NEGATIVE: (name) => `A length cannot be negative. Enter ${name} above zero.`,
  TOO_LONG: (name) => `This is longer than 100 m. Check ${name}.`,
}

/** An end of a range in hundredths, never told beyond itself: what is told can be entered. */
function inUnit(mm: number, unit: LengthUnit, end: 'least' | 'most'): string {
  const hundredths = unit === 'in' ? (mm / 25.4) * 100 : mm * 10
  const whole =
    end === 'least' ? Math.ceil(hundredths - NOTHING_TO_SEE) : Math.floor(hundredths + NOTHING_TO_SEE)
  return `${whole / 100} ${unit}`
}

/** A length in a sentence, in the unit of who reads it: `12.5 cm`, `4 7/8 in`. */
export function toldLength(mm: number, unit: LengthUnit): string {
  if (unit !== 'in') return `${Math.round(mm * 10) / 100} cm`
  const { whole, numerator, denominator } = nearestInchFraction(mm, 16)
  const part = numerator === 0 ? '' : `${numerator}/${denominator}`
  return `${[whole === 0 && part !== '' ? '' : String(whole), part].filter(Boolean).join(' ')} in`
}

interface LengthField {
  /** As it reads in a sentence: "the finished size". */
  readonly name: string
  readonly unit: LengthUnit
  readonly minMm: number
  readonly maxMm: number
}

/** A length as typed to mm, within its range; the message names the field, the range and what to write. */
export const lengthText = ({ name, unit, minMm, maxMm }: LengthField) =>
  z.string({ error: `Enter ${name}.` }).transform((text, context): number => {
    const parsed = parseLength(text, unit)
    const refuse = (message: string) => {
      context.addIssue({ code: 'custom', message })
      return z.NEVER
    }
    if (!parsed.ok) return refuse(LENGTH_WORDS[parsed.problem](name, unit))
    if (parsed.mm < minMm - ROUNDING || parsed.mm > maxMm + ROUNDING)
      return refuse(`Enter ${name} from ${inUnit(minMm, unit, 'least')} to ${inUnit(maxMm, unit, 'most')}.`)
    return parsed.mm
  })

interface CountField {
  readonly name: string
  readonly min: number
  readonly max: number
}

/** A whole number as typed, within its range. */
export const countText = ({ name, min, max }: CountField) =>
  z.string({ error: `Enter ${name}.` }).transform((text, context): number => {
    const tidy = text.trim()
    const value = /^[+-]?\d{1,15}$/.test(tidy) ? Number(tidy) : NaN
    if (value >= min && value <= max) return value
    const asked = tidy === '' ? `Enter ${name}` : `Enter ${name} as a whole number`
    context.addIssue({ code: 'custom', message: `${asked}, from ${min} to ${max.toLocaleString('en')}.` })
    return z.NEVER
  })

/** A decimal number as typed, within its range; a comma serves as the point. */
export const numberText = ({ name, min, max }: CountField) =>
  z.string({ error: `Enter ${name}.` }).transform((text, context): number => {
    const tidy = text.trim().replace(',', '.')
    const value = /^[+-]?(\d{1,12}(\.\d*)?|\.\d+)$/.test(tidy) ? Number(tidy) : NaN
    if (value >= min && value <= max) return value
    context.addIssue({
      code: 'custom',
      message: `Enter ${name} as a number from ${min} to ${max.toLocaleString('en')}.`,
    })
    return z.NEVER
  })

/** An empty text as `null`, anything else through `schema`. */
export const optionalText = <Output>(schema: z.ZodType<Output, string>) =>
  z.string({ error: 'Enter a text, or leave it empty.' }).transform((text, context): Output | null => {
    if (text.trim() === '') return null
    const parsed = schema.safeParse(text)
    if (parsed.success) return parsed.data
    for (const { message } of parsed.error.issues) context.addIssue({ code: 'custom', message })
    return z.NEVER
  })

const CONTROL_CHARACTERS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/
/** Halves of a character, and places that Unicode keeps free of any: no file of text can hold them. */
const NO_CHARACTERS = /\p{Surrogate}|\p{Noncharacter_Code_Point}/u
const LINE_BREAKS = /[\n\r\u0085\u2028\u2029]/

const plainText = (name: string, max: number) =>
  z
    .string({ error: `Enter ${name}.` })
    .max(MOST_TEXT, `Keep ${name} under ${max} characters.`)
    .refine((text) => !CONTROL_CHARACTERS.test(text), `There are control characters in ${name}. Remove them.`)
    .refine((text) => !NO_CHARACTERS.test(text), `A character in ${name} is broken. Type it again.`)
    .transform((text) => text.trim())
    .refine((text) => text.length <= max, `Keep ${name} under ${max} characters.`)

/** A name: one to `max` characters, on one line. */
export const nameText = (name: string, max = 120) =>
  plainText(name, max)
    .refine((text) => text.length > 0, `Enter ${name}.`)
    .refine((text) => !LINE_BREAKS.test(text), `Write ${name} on one line.`)

/** A note: none to `max` characters. */
export const noteText = (name: string, max = 2000) => plainText(name, max)

/** A local date as `YYYY-MM-DD` that exists, in this or the next century; empty is `null`. */
export const dateText = (name: string) =>
  optionalText(
    z.iso
      .date(`This day does not exist. Enter ${name} as year-month-day.`)
      .refine((date) => date >= '2000-01-01' && date <= '2199-12-31', `Enter ${name} from 2000 to 2199.`),
  )

/** An id of ours. */
export const idText = (name = 'one from the list') =>
  z.string({ error: `Choose ${name}.` }).regex(/^[A-Za-z0-9_-]{1,64}$/, `Choose ${name}.`)

/** One of a list of keys. */
export const choice = <const Keys extends readonly [string, ...string[]]>(name: string, keys: Keys) =>
  z.enum(keys, { error: `Choose ${name}.` })

/** A colour as `#rrggbb`. */
export const colourText = (name: string) =>
  z
    .string({ error: `Choose ${name}.` })
    .regex(/^#[0-9a-fA-F]{6}$/, `Choose ${name} as a colour like #2c6e7f.`)
    .transform((text) => text.toLowerCase())
