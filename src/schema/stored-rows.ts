import { z } from 'zod'
import { MOST_PIECES } from '@/core/batch'
import { FAMILIES, WAYS } from '@/core/design'
import { FEELS } from '@/core/paper'
import { TAP_GRAINS, TRAY_ORDERS } from '@/core/run'
import { SHEET_RANGE_MM } from './brief'
import { readDesignSource } from './design-document'
import { colourText } from './fields'
import { runEvent } from './run-event'
import { settings, zone } from './settings'

/** An id as forms and addresses carry it. */
const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/)
const text = z.string().max(5000)
const atMs = z.int().min(0).max(8.64e15)
const um = z.int().min(1).max(100_000_000)
const sheetUm = z
  .int()
  .min((SHEET_RANGE_MM.min * 1000) / 4)
  .max(SHEET_RANGE_MM.max * 1000)
/** Units of one piece at most: what the schema of a design allows. */
const MOST_UNITS = 200

/** JSON inside a column, read through a schema of its own. */
const json = (schema: z.ZodType) =>
  z.string().superRefine((stored, context) => {
    try {
      const parsed = schema.safeParse(JSON.parse(stored))
      if (!parsed.success)
        for (const issue of parsed.error.issues)
          context.addIssue({ code: 'custom', message: issue.message, path: [...issue.path] })
    } catch {
      context.addIssue({ code: 'custom', message: 'is no JSON' })
    }
  })

const gauges = json(z.record(z.string().max(64), z.number().min(-1e9).max(1e9)))

const design = z.string().refine((stored) => {
  try {
    readDesignSource(stored)
    return true
  } catch {
    return false
  }
}, 'is no design')

const event = z.object({ id: z.string(), kind: z.string(), body: json(runEvent), received_at_ms: atMs })

/**
 * What readers take for granted of the rows of each table, beyond what the table's own definition holds. A database
 * from outside is read through these before it is trusted; ours passed the forms.
 */
export const STORED_ROWS = {
  setting: z.union([
    z.object({ key: z.literal('app'), value: json(settings) }),
    z.object({ key: z.literal('epoch'), value: z.string().max(64) }),
  ]),
  design: z.object({ id, name: text, family: z.enum(FAMILIES) }),
  design_version: z.object({ hash: z.string().regex(/^[0-9a-f]{64}$/), document: design }),
  paper: z.object({
    id,
    name: text,
    feel: z.enum(Object.keys(FEELS) as [keyof typeof FEELS]),
    grammage_gsm: z.number().min(1).max(2000).nullable(),
    caliper_um: z.int().min(1).max(20_000).nullable(),
    front_colour: colourText('the front'),
    back_colour: colourText('the back'),
    note: text,
  }),
  project: z.object({
    id,
    name: text,
    due_on: z.iso.date().nullable(),
    zone,
    note: text,
    created_at_ms: atMs,
    archived_at_ms: atMs.nullable(),
  }),
  brief_line: z.object({
    id,
    pieces: z.int().max(MOST_PIECES),
    asked_um: um,
    sheet_um: sheetUm,
    gauges,
    per_piece: z.int().min(1).max(1000).nullable(),
  }),
  brief_line_paper: z.object({ pieces: z.int().max(MOST_PIECES) }),
  stock_item: z.object({ id, width_um: um, height_um: um }),
  stock_move: z.object({ delta: z.int().min(-1e9).max(1e9), at_ms: atMs }),
  cut: z.object({
    id,
    piece_um: um,
    sheets: z.int().max(1e6),
    pieces: z.int().max(1e9),
    layout: json(z.object({})),
    at_ms: atMs,
  }),
  run: z.object({
    id,
    sheet_um: sheetUm,
    wanted: z
      .int()
      .min(1)
      .max(MOST_PIECES * MOST_UNITS),
    tray_size: z.int().min(1).max(100),
    grain: z.enum(TAP_GRAINS),
    tray_order: z.enum(TRAY_ORDERS),
    way: z.enum(WAYS),
    gauges,
    started_at_ms: atMs,
    archived_at_ms: atMs.nullable(),
  }),
  run_event: event.refine(
    (row) => {
      const { id: named, kind } = JSON.parse(row.body) as { id: unknown; kind: unknown }
      return named === row.id && kind === row.kind
    },
    { message: 'is another event than its row says', when: ({ issues }) => issues.length === 0 },
  ),
  delivery: z.object({ id, pieces: z.int().max(1e9), note: text, handed_over_at_ms: atMs }),
} as const satisfies Readonly<Record<string, z.ZodType>>
