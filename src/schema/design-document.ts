import { z } from 'zod'
import { FAMILIES, type DesignSource } from '@/core/design'
import { measureSchema, nestsTooDeep, roundSchema, sheetSchema } from './fold-program'

const key = z.string().min(1).max(64)
const linear = z.strictObject({ share: z.number(), gauges: z.record(z.string(), z.number()).optional() })

const step = z
  .strictObject({
    key,
    say: z.string().min(1).max(120),
    each: key,
    repeats: z.int().min(1).max(500),
    crease: z.enum(['pinch', 'light', 'firm', 'burnished', 'rolled', 'none']),
    rigour: z.enum(['strict', 'even', 'free']),
    note: z.string().max(500).optional(),
    rounds: z.array(roundSchema).max(500).optional(),
  })
  .refine(({ rounds, repeats }) => rounds === undefined || rounds.length === repeats, {
    message: 'a step has one round for each repeat',
    path: ['rounds'],
  })

const part = z.strictObject({
  key,
  name: key,
  unitsPerPiece: z.int().min(1).max(200),
  perSquare: z.union([z.literal(1), z.literal(4)]),
  sideUp: z.enum(['colour down', 'colour up']),
  sideUpReason: z.string().max(500),
  sheet: sheetSchema.optional(),
  stages: z.array(z.strictObject({ key, name: key, steps: z.array(step).min(1) })).min(1),
})

const axis = { axis: key, label: key, derivation: z.string().max(500) }
const variant = z.strictObject({
  key,
  name: key,
  without: z.array(key),
  sizes: z
    .array(
      z.union([
        z.strictObject({ ...axis, size: linear }),
        z.strictObject({ ...axis, measure: measureSchema }),
      ]),
    )
    .min(1),
  outline: z
    .array(z.strictObject({ x: linear, y: linear }))
    .min(3)
    .optional(),
  shaping: z.string().max(500).optional(),
})

const gaugeWords = { key, name: z.string(), explains: z.string() }
const gauge = z.strictObject({
  ...gaugeWords,
  unit: z.enum(['mm', 'side']),
  standard: z.number(),
  least: z.number(),
  most: z.number(),
})
/** As format 1 had it: always in mm. */
const gaugeInMm = z
  .strictObject({ ...gaugeWords, defaultMm: z.number(), minMm: z.number(), maxMm: z.number() })
  .transform(({ defaultMm, minMm, maxMm, ...words }) => ({
    ...words,
    unit: 'mm' as const,
    standard: defaultMm,
    least: minMm,
    most: maxMm,
  }))

const words = {
  id: key,
  name: z.string().min(1).max(120),
  family: z.enum(FAMILIES),
  summary: z.string().max(500),
  origin: z.string().max(200),
  usualMinutes: z.number().positive().max(600),
  parts: z.array(part).min(1),
  variants: z.array(variant).min(1),
}
const document = z.union([
  z.strictObject({ ...words, format: z.literal(2), gauges: z.array(gauge) }),
  // Projects pin the version they were planned with: older ones stay readable for good.
  z
    .strictObject({ ...words, format: z.literal(1), gauges: z.array(gaugeInMm) })
    .transform((old) => ({ ...old, format: 2 as const })),
])

/** A stored design, read again. *Throws* a ZodError where the stored text is not one: our own bug. */
export function readDesignSource(text: string): DesignSource {
  const value: unknown = JSON.parse(text)
  if (nestsTooDeep(value)) throw new RangeError('a design nests too deep')
  return document.parse(value) as DesignSource
}
