import { FORM_MEASURES } from '@/core/shape'
import { z } from 'zod'
import { ASSEMBLED_MEASURES, FAMILIES, GAUGE_MATCHES, SKILLS, type DesignSource } from '@/core/design'
import {
  clearZoneSchema,
  measureSchema,
  nestsTooDeep,
  pointSchema,
  roundSchema,
  sheetSchema,
} from './fold-program'

const key = z.string().min(1).max(64)
const linear = z.strictObject({ share: z.number(), gauges: z.record(z.string(), z.number()).optional() })

const sentence = z.string().min(1).max(500)
const step = z
  .strictObject({
    key,
    say: z.string().min(1).max(120),
    each: key,
    repeats: z.int().min(1).max(500),
    crease: z.enum(['pinch', 'light', 'firm', 'burnished', 'rolled', 'none']),
    rigour: z.enum(['strict', 'even', 'free']),
    note: sentence.optional(),
    normal: sentence.optional(),
    look: z.array(sentence).min(1).max(20).optional(),
    tellsDepth: z.literal(true).optional(),
    leavesRoomFor: z.array(key).min(1).max(20).readonly().optional(),
    direct: z.literal('leave out').optional(),
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
  keepClear: z.array(clearZoneSchema).max(20).optional(),
  base: z.strictObject({ id: key, stages: z.int().min(1).max(20) }).optional(),
  tube: z.strictObject({ axis: key }).optional(),
  marks: z
    .strictObject({
      along: sentence,
      at: z
        .array(z.strictObject({ name: key, share: z.number() }))
        .min(1)
        .max(100),
      sums: z
        .array(
          z.strictObject({
            says: sentence,
            terms: z
              .array(z.strictObject({ times: z.number(), share: z.number() }))
              .min(1)
              .max(20),
            equals: z.number(),
          }),
        )
        .max(20),
    })
    .optional(),
  stages: z.array(z.strictObject({ key, name: key, steps: z.array(step).min(1) })).min(1),
})

const edge = z.tuple([pointSchema, pointSchema])
const assembly = z.strictObject({
  units: z.int().min(2).max(200),
  join: z.union([
    z.strictObject({ centre: pointSchema }),
    z.strictObject({ tab: pointSchema, seat: pointSchema }),
  ]),
  turns: z.enum(['left', 'right']),
  next: z.enum(['over', 'inside']),
  sight: z.strictObject({ says: sentence, edge, crosses: edge }).optional(),
  mount: z.strictObject({ designId: key, axis: key, overlapMm: z.number().min(0).max(1000) }).optional(),
  says: z.strictObject({ first: sentence, each: sentence, last: sentence }).optional(),
})
const axis = { axis: key, label: key, derivation: z.string().max(500), flatOnly: z.literal(true).optional() }
const variant = z.strictObject({
  key,
  name: key,
  without: z.array(key),
  assembly: assembly.optional(),
  sizes: z
    .array(
      z.union([
        z.strictObject({ ...axis, size: linear }),
        z.strictObject({ ...axis, measure: measureSchema }),
        z.strictObject({ ...axis, assembled: z.enum(ASSEMBLED_MEASURES) }),
      ]),
    )
    .min(1),
  outline: z
    .array(z.strictObject({ x: linear, y: linear }))
    .min(3)
    .optional(),
  shaping: z.string().max(500).optional(),
  formSizes: z
    .array(z.strictObject({ axis: key, label: key, measure: z.enum(FORM_MEASURES) }))
    .max(20)
    .optional(),
})

const gaugeWords = { key, name: z.string(), explains: z.string() }
const gauge = z.strictObject({
  ...gaugeWords,
  unit: z.enum(['mm', 'side']),
  standard: z.number(),
  least: z.number(),
  most: z.number(),
  match: z.array(z.enum(GAUGE_MATCHES)).max(10).optional(),
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

const guide = z.strictObject({
  skill: z.enum(SKILLS),
  tools: z.array(key).max(20),
  supplies: z
    .array(
      z.strictObject({
        name: key,
        perPiece: z.number().positive().max(1000),
        size: z.strictObject({ width: z.number().positive(), height: z.number().positive() }).optional(),
      }),
    )
    .max(20),
  adhesive: sentence.nullable(),
  dryingMinutes: z.number().min(0).max(10_000),
  test: sentence,
  cautions: z.array(sentence).max(20),
  rescue: z.array(z.strictObject({ symptom: sentence, remedy: sentence })).max(30),
})
const words = {
  id: key,
  name: z.string().min(1).max(120),
  family: z.enum(FAMILIES),
  summary: z.string().max(500),
  origin: z.string().max(200),
  usualMinutes: z.number().positive().max(600),
  guide: guide.optional(),
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
