import { z } from 'zod'
import { MOST_PIECES } from '@/core/batch'
import { checkCutPlan } from '@/core/cut'
import { FAMILIES, WAYS } from '@/core/design'
import { FEELS, PATTERNS } from '@/core/paper'
import { TAP_GRAINS, TRAY_ORDERS } from '@/core/run'
import { SHEET_RANGE_MM } from './asked-size'
import { cutPlanMade, cutProblem } from './cut-plan'
import { readDesignSource } from './design-document'
import { colourText } from './fields'
import { orderBody } from './line-order'
import { keptMaking } from './making'
import { runEvent } from './run-event'
import { settings, zone } from './settings'
import { whatMoved } from './what-moved'

/** An id as forms and addresses carry it. */
const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/)
const text = z.string().max(5000)
const key = z.string().regex(/^\S{1,64}$/)
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

/** A stored cut plan with what it was made from, as `planCuts` writes it; what it says is checked geometrically too. */
const cutPlan = json(
  z
    .object({ problem: cutProblem, plan: cutPlanMade })
    .refine(({ problem, plan }) => checkCutPlan(problem, plan).length === 0, 'is no plan that can be cut'),
)
const baseline = z.object({
  atMs,
  units: z.int().min(0),
  spareUnits: z.int().min(0),
  sheets: z.int().min(0),
  seconds: z.number().min(0),
  dueOn: z.iso.date().nullable(),
  paperCost: z.int().min(0).nullable(),
})

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
    pattern: z.enum(Object.keys(PATTERNS) as [keyof typeof PATTERNS]),
    note: text,
  }),
  paper_pack: z.object({ id, width_um: um, height_um: um, price_minor: z.int().max(1e9), at_ms: atMs }),
  plain_line: z.object({ id, name: text, width_um: um, height_um: um, at_ms: atMs }),
  plain_cut_piece: z.object({ pieces: z.int().max(1e9), width_um: um, height_um: um }),
  supply: z.object({ id, name: text, each_um: um.nullable(), note: text, created_at_ms: atMs }),
  supply_move: z.object({ delta: z.int().min(-1e12).max(1e12), note: text, at_ms: atMs }),
  project: z.object({
    id,
    name: text,
    due_on: z.iso.date().nullable(),
    zone,
    note: text,
    created_at_ms: atMs,
    archived_at_ms: atMs.nullable(),
    passed_over: z.iso.date().nullable(),
  }),
  brief_line: z.object({
    id,
    pieces: z.int().max(MOST_PIECES),
    engine: z.int().min(1).max(1_000_000),
    asked_um: um,
    gauges,
    made: json(keptMaking),
    per_piece: z.int().min(1).max(1000).nullable(),
  }),
  line_part: z.object({
    part_key: key,
    width_um: sheetUm,
    height_um: um,
    units_per_piece: z.int().min(1).max(MOST_UNITS),
  }),
  line_part_paper: z.object({ part_key: key, units: z.int().max(MOST_PIECES * MOST_UNITS) }),
  line_order: z.object({
    step: z.int().max(1e6),
    seed: z.int().max(0x7fffffff),
    made_of: text,
    body: json(orderBody),
    at_ms: atMs,
  }),
  cut_plan: z.object({ id, body: cutPlan, made_at_ms: atMs }),
  plan_wanted: z.object({ moved: json(whatMoved), at_ms: atMs }),
  reservation: z.object({ sheets: z.int().max(1e6) }),
  baseline: z.object({ body: json(baseline), at_ms: atMs }),
  shelf_move: z.object({
    id,
    variant_key: key,
    part_key: key,
    width_um: um,
    height_um: um,
    gauges,
    grade: text,
    delta: z.int().min(-1e6).max(1e6),
    at_ms: atMs,
  }),
  stock_item: z.object({ id, width_um: um, height_um: um, sold_as: z.string().max(40) }),
  stock_move: z.object({ delta: z.int().min(-1e9).max(1e9), at_ms: atMs }),
  cut: z.object({
    id,
    sheets: z.int().max(1e6),
    layout_id: key.nullable(),
    layout: json(z.object({})),
    at_ms: atMs,
  }),
  cut_piece: z.object({ part_key: key, pieces: z.int().max(1e9), width_um: um, height_um: um }),
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
  delivery: z.object({ id, note: text, handed_over_at_ms: atMs }),
  delivery_line: z.object({ pieces: z.int().max(1e9) }),
} as const satisfies Readonly<Record<string, z.ZodType>>
