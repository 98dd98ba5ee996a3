import { z } from 'zod'
import {
  CHARACTERS,
  MADE,
  workOut,
  type Made,
  type MadeInput,
  type MadeKind,
  type Making,
  type PieceSize,
} from '@/core/arrange'
import { SHARING_METHODS } from '@/core/colour'
import { CoreError } from '@/core/errors'
import type { LengthUnit } from '@/core/units'
import { countText, lengthText, optionalText, toldLength } from './fields'
import { MADE_WORDS } from './made-words'

/** What pieces are made into while it is typed: all text. */
export interface TypedMaking {
  readonly made: MadeKind
  readonly measures: Readonly<Record<string, string>>
}

export type ReadMaking =
  | { readonly ok: true; readonly making: Making }
  | { readonly ok: false; readonly complaints: readonly { readonly key: string; readonly message: string }[] }

const inputsOf = (kind: MadeKind): readonly MadeInput[] => MADE[kind].inputs
const wordsOf = (kind: MadeKind, key: string) =>
  (MADE_WORDS[kind].inputs as Readonly<Record<string, { readonly label: string; readonly name: string }>>)[
    key
  ] ?? {
    label: key,
    name: key,
  }

function fieldOf(kind: MadeKind, input: MadeInput, unit: LengthUnit) {
  const { name } = wordsOf(kind, input.key)
  const required =
    input.is === 'count'
      ? countText({ name, min: input.min, max: input.max })
      : lengthText({ name, unit, minMm: input.min, maxMm: input.max })
  return input.open ? optionalText(required) : required
}

/** The inputs of a kind with their labels and where they begin, as a form shows them. */
export const madeInputs = (kind: MadeKind) =>
  inputsOf(kind).map((input) => ({ ...input, label: wordsOf(kind, input.key).label }))

/** Reads every number of what is made; every complaint at once. */
export function readMaking({ made, measures }: TypedMaking, unit: LengthUnit): ReadMaking {
  const values: Record<string, number> = {}
  const complaints: { key: string; message: string }[] = []
  for (const input of inputsOf(made)) {
    const parsed = fieldOf(made, input, unit).safeParse(measures[input.key] ?? '')
    if (!parsed.success)
      complaints.push({ key: input.key, message: parsed.error.issues[0]?.message ?? 'Check this.' })
    else if (parsed.data !== null) values[input.key] = parsed.data
  }
  return complaints.length > 0 ? { ok: false, complaints } : { ok: true, making: { kind: made, values } }
}

export type WorkedOut =
  | { readonly ok: true; readonly made: Made }
  | { readonly ok: false; readonly key: string; readonly message: string }

/** What follows from it, or which number stands in its way and what would do. */
export function workedOut(making: Making, piece: PieceSize, unit: LengthUnit): WorkedOut {
  try {
    return { ok: true, made: workOut(making, piece) }
  } catch (error) {
    if (!(error instanceof CoreError)) throw error
    const { name, value, min = 0, max = 0 } = error.detail
    const words = wordsOf(making.kind, name)
    if (error.code === 'ONE_OF_TWO') {
      const [one, other] = [words.name, wordsOf(making.kind, String(value)).name]
      return { ok: false, key: name, message: `Give ${one} or ${other}${min === 1 ? ', not both' : ''}.` }
    }
    if (name === 'across')
      return {
        ok: false,
        key: name,
        message: `The hooks can be up to ${toldLength(Math.floor(max), unit)} apart: the garland is no longer.`,
      }
    if (error.detail.unit === '')
      return {
        ok: false,
        key: name,
        message: `Enter ${words.name} from ${min} to ${max.toLocaleString('en')}.`,
      }
    return {
      ok: false,
      key: name,
      message: `Set ${words.name} from ${toldLength(Math.ceil(min), unit)} to ${toldLength(Math.floor(max), unit)}.`,
    }
  }
}

/** A card is no letter. */
export const MOST_MESSAGE = 500

/** Thirty papers' shares with their signs have room in it. */
export const MOST_SHARES_TEXT = 300

/** What was made as it is kept: numbers by key, lengths in micrometres, counts as they are. */
export const keptMaking = z
  .strictObject({
    kind: z.enum(Object.keys(MADE) as [MadeKind, ...MadeKind[]]),
    values: z.record(z.string().max(64), z.int().min(0).max(100_000_000)),
    inTurn: z.literal(true).exactOptional(),
    shares: z
      .strictObject({ text: z.string().max(MOST_SHARES_TEXT), by: z.enum(SHARING_METHODS) })
      .exactOptional(),
    character: z.enum(CHARACTERS).exclude(['alike']).exactOptional(),
    message: z.string().min(1).max(MOST_MESSAGE).exactOptional(),
  })
  .refine(({ kind, values }) =>
    Object.keys(values).every((key) => inputsOf(kind).some((input) => input.key === key)),
  )

const scaled = ({ kind, values, ...rest }: Making, by: (mm: number) => number): Making => ({
  ...rest,
  kind,
  values: Object.fromEntries(
    Object.entries(values).map(([key, value]) => [
      key,
      inputsOf(kind).some((input) => input.key === key && input.is === 'length') ? by(value) : value,
    ]),
  ),
})

export const makingText = (making: Making): string =>
  JSON.stringify(scaled(making, (mm) => Math.round(mm * 1000)))
/** *Throws* where the text is none of ours. */
export const makingFromText = (text: string): Making =>
  scaled(keptMaking.parse(JSON.parse(text)), (um) => um / 1000)
