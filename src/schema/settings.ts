import { z } from 'zod'
import { RULERS, type RulerKey } from '@/core/units'
import { choice } from './fields'

const RULER_KEYS = Object.keys(RULERS) as [RulerKey, ...RulerKey[]]

/** How sure one may want to be that enough are good. */
export const CERTAINTIES = ['0.8', '0.9', '0.95', '0.99'] as const

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
})

export type Settings = z.output<typeof settings>

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
