import { z } from 'zod'
import { GRADES, SPOIL_REASONS, TAP_GRAINS, type RunEvent } from '@/core/run'
import { exact } from './exact'

const id = z.string().regex(/^[A-Za-z0-9_-]{10,40}$/)
/** Every time a clock can show: a tablet's may be far off, and its taps are kept all the same. */
const MOST_MS = 8.64e15
const base = { id, lane: z.int().min(1).max(20), atMs: z.int().min(-MOST_MS).max(MOST_MS) }
const piece = z.int().min(1).max(1_000_000)
const attempt = z.int().min(0).max(10_000)
const grain = z.enum(TAP_GRAINS).optional()
const cell = { piece, step: z.int().min(0).max(10_000), repeat: z.int().min(1).max(10_000) }

const union = z.discriminatedUnion('kind', [
  z.strictObject({
    ...base,
    kind: z.literal('done'),
    ...cell,
    grain,
    attempt,
    lapMs: z.number().min(0).max(1e9).nullable(),
  }),
  z.strictObject({ ...base, kind: z.literal('undo'), ...cell, grain, attempt }),
  z.strictObject({ ...base, kind: z.literal('spoil'), piece, attempt }),
  z.strictObject({ ...base, kind: z.literal('unspoil'), piece, attempt }),
  z.strictObject({ ...base, kind: z.literal('grade'), piece, grade: z.enum(GRADES) }),
  z.strictObject({ ...base, kind: z.literal('reason'), piece, reason: z.enum(SPOIL_REASONS) }),
  z.strictObject({ ...base, kind: z.literal('inspect'), pieces: z.array(piece).min(1).max(1000).readonly() }),
])

/** One event from a client. */
export const runEvent = exact<RunEvent>()(union)

/**
 * What a client sends: its taps in order, and the last sequence number it knows. Each tap is read by itself through
 * `runEvent`, so that one that cannot be does not hold the others up for ever.
 */
export const runEventBatch = z.strictObject({
  epoch: z.string().max(64),
  since: z.int().min(0),
  events: z.array(z.looseObject({ id })).max(500),
})
