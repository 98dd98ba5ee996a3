import { z } from 'zod'
import { FAMILIES, type DesignDocument } from '@/core/design'

const key = z.string().min(1).max(64)
const linear = z.strictObject({ share: z.number(), gauges: z.record(z.string(), z.number()).optional() })

const step = z.strictObject({
  key,
  say: z.string().min(1).max(120),
  each: key,
  repeats: z.int().min(1).max(500),
  crease: z.enum(['pinch', 'light', 'firm', 'burnished', 'rolled', 'none']),
  rigour: z.enum(['strict', 'even', 'free']),
  note: z.string().max(500).optional(),
})

const part = z.strictObject({
  key,
  name: key,
  unitsPerPiece: z.int().min(1).max(200),
  perSquare: z.union([z.literal(1), z.literal(4)]),
  sideUp: z.enum(['colour down', 'colour up']),
  sideUpReason: z.string().max(500),
  stages: z.array(z.strictObject({ key, name: key, steps: z.array(step).min(1) })).min(1),
})

const variant = z.strictObject({
  key,
  name: key,
  without: z.array(key),
  sizes: z
    .array(z.strictObject({ axis: key, label: key, size: linear, derivation: z.string().max(500) }))
    .min(1),
  outline: z.array(z.strictObject({ x: linear, y: linear })).min(3),
  shaping: z.string().max(500).optional(),
})

const document = z.strictObject({
  format: z.literal(1),
  id: key,
  name: z.string().min(1).max(120),
  family: z.enum(FAMILIES),
  summary: z.string().max(500),
  origin: z.string().max(200),
  usualMinutes: z.number().positive().max(600),
  gauges: z.array(
    z.strictObject({
      key,
      name: z.string(),
      explains: z.string(),
      defaultMm: z.number(),
      minMm: z.number(),
      maxMm: z.number(),
    }),
  ),
  parts: z.array(part).min(1),
  variants: z.array(variant).min(1),
})

/** A stored design, read again. *Throws* a ZodError where the stored text is not one: our own bug. */
export const readDesignDocument = (text: string): DesignDocument =>
  document.parse(JSON.parse(text)) as DesignDocument
