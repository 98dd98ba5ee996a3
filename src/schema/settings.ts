import { z } from 'zod'
import { SMALLEST_OFFCUT_UM } from '@/core/cut'
import { RULERS, type LengthUnit, type RulerKey } from '@/core/units'
import { choice, countText, lengthText, optionalText } from './fields'

const RULER_KEYS = Object.keys(RULERS) as [RulerKey, ...RulerKey[]]

/** How sure one may want to be that enough are good. */
export const CERTAINTIES = ['0.8', '0.9', '0.95', '0.99'] as const

/** The widest edge that is taken off a sheet, and the most sheets in one stack: beyond them it is a slip. */
const [MOST_MARGIN_MM, MOST_STACK] = [50, 50]

/** From which width on offcuts may be kept: narrower than a strip that can be held nothing is. */
const KEEP_MM = { min: 5, max: 300 }

/** How sheets are parted. */
export const PARTED = ['cut', 'torn along a crease'] as const

/** Minutes that one evening of folding may last. */
export const EVENINGS = ['60', '90', '120', '180', '240'] as const

export const zone = z
  .string()
  .max(64)
  .refine((name) => {
    try {
      new Intl.DateTimeFormat('en', { timeZone: name })
      return true
    } catch {
      return false
    }
  }, 'Choose a time zone from the list.')

const currency = z
  .string()
  .trim()
  .toUpperCase()
  .refine(
    (code) => Intl.supportedValuesOf('currency').includes(code),
    'Choose a currency by its three letters, like EUR.',
  )

/** What sheets are cut with; see `CutTools`. */
const cutting = z.object({
  stages: z.union([z.literal(2), z.literal(3)]).default(3),
  marginUm: z
    .int()
    .min(0)
    .max(MOST_MARGIN_MM * 1000)
    .default(0),
  trimmerUm: z.int().min(1).nullable().default(null),
  stackSheets: z.int().min(1).max(MOST_STACK).default(1),
  keepUm: z
    .int()
    .min(KEEP_MM.min * 1000)
    .max(KEEP_MM.max * 1000)
    .default(SMALLEST_OFFCUT_UM),
})

/** What one household or club sets once. Lengths are shown in `unit` and rounded to `ruler`. */
export const settings = z.object({
  unit: choice('cm or inches', ['cm', 'in']).default('cm'),
  ruler: choice('a ruler', RULER_KEYS).default('mm-0.5'),
  zone: zone.default('Europe/London'),
  currency: currency.default('EUR'),
  certainty: choice('how sure to be', CERTAINTIES).default('0.95'),
  evening: choice('how long an evening is', EVENINGS).default('120'),
  tones: z.boolean().default(true),
  hand: choice('your hand', ['right', 'left']).default('right'),
  cutting: cutting.prefault({}),
  /** Sheets are torn along a crease, not cut. */
  tears: z.boolean().default(false),
})

export type Settings = z.output<typeof settings>

/** What is cut with, as it is typed at the Cut station: lengths in the reader's unit, no trimmer where it is empty. */
export const cuttingFields = (unit: LengthUnit) =>
  z.strictObject({
    stages: choice('how often a sheet is turned', ['2', '3']),
    margin: lengthText({ name: 'the margin', unit, minMm: 0, maxMm: MOST_MARGIN_MM }),
    trimmer: optionalText(lengthText({ name: 'the longest cut', unit, minMm: 50, maxMm: 3000 })),
    stackSheets: countText({ name: 'how many sheets are cut at once', min: 1, max: MOST_STACK }),
    keep: lengthText({ name: 'the narrowest offcut', unit, minMm: KEEP_MM.min, maxMm: KEEP_MM.max }),
    parted: choice('whether sheets are cut or torn', PARTED),
  })

/** The settings form; every field must be there. */
export const settingsFields = z.strictObject({
  unit: choice('cm or inches', ['cm', 'in']),
  ruler: choice('a ruler', RULER_KEYS),
  zone,
  currency,
  certainty: choice('how sure to be', CERTAINTIES),
  evening: choice('how long an evening is', EVENINGS),
  tones: z.boolean(),
  hand: choice('your hand', ['right', 'left']),
})
