import { z } from 'zod'
import { CHARACTERS, MADE_KINDS, type MadeKind } from '@/core/arrange'
import { SHARING_METHODS } from '@/core/colour'
import { choice, idText, MOST_TEXT } from './fields'
import { MOST_SHARES_TEXT } from './making'
import { CERTAINTIES } from './settings'

/** What stands in a field before it is read: so that every complaint is told at once, not the first kind alone. */
const typed = z.string().max(MOST_TEXT, 'This is too long.')

/** A piece of several units: whole in one paper, or its units in all of them by turns. */
const COLOURS = ['whole', 'in turn'] as const

const typedLine = z.strictObject({
  id: idText('a line'),
  designId: idText('a design'),
  variantKey: idText('a variant'),
  sizing: choice('which size you give', ['finished', 'sheet']),
  axis: z.string().max(64, 'Choose which way the size is measured.'),
  size: typed,
  gauges: z.record(z.string().max(64), typed),
  pieces: typed,
  made: choice('what they are made into', MADE_KINDS as [MadeKind, ...MadeKind[]]),
  measures: z.record(z.string().max(64), typed),
  colours: choice('how its units take their papers', COLOURS),
  shares: z.string().max(MOST_SHARES_TEXT, 'This is too long.'),
  message: typed,
  character: choice('how far they may differ', CHARACTERS),
  sharing: choice('how shares become whole numbers', SHARING_METHODS),
  attachedTo: z.string().max(64, 'Choose the line it goes on.'),
  goesWith: z.string().max(64, 'Choose the line it goes with.'),
  sizeOf: z.string().max(64, 'Choose the line it follows.'),
  sizePercent: typed,
  perPiece: typed,
  papers: z
    .array(z.strictObject({ paperId: idText('a paper'), pieces: typed }))
    .max(30, 'Keep to 30 papers on a line.'),
})

/** A whole brief as its form sends it, before any of it is read. */
export const typedBrief = z.strictObject({
  name: typed,
  dueOn: typed,
  certainty: choice('how sure to be', CERTAINTIES),
  note: typed,
  yearly: z.boolean(),
  shoppingDays: typed,
  like: z.union([z.literal(''), idText('the earlier project')]),
  /** What the brief was when its form was opened, as a hash; empty for a new one. */
  seen: z.string().max(128),
  lines: z.array(typedLine).min(1, 'Add at least one line.').max(60, 'Keep to 60 lines.'),
})

export type TypedLine = z.output<typeof typedLine>

/** What one takes for shopping until somebody says otherwise; common practice. */
export const USUAL_SHOPPING_DAYS = 7

/** A brief while it is being written: texts. */
export type BriefTyped = z.input<typeof typedBrief>

/** A line of which nothing is said but what it is of: loose pieces, each of one paper, all alike. */
export const BLANK_LINE = {
  gauges: {},
  pieces: '',
  attachedTo: '',
  perPiece: '',
  goesWith: '',
  sizeOf: '',
  sizePercent: '',
  made: 'batch',
  measures: {},
  colours: 'whole',
  shares: '',
  sharing: 'largest remainder',
  message: '',
  character: 'alike',
} as const satisfies Partial<BriefTyped['lines'][number]>

/** A brief of which nothing is said but its lines and how sure one wants to be. */
export const BLANK_BRIEF = {
  name: '',
  dueOn: '',
  note: '',
  yearly: false,
  shoppingDays: String(USUAL_SHOPPING_DAYS),
  like: '',
  seen: '',
} as const satisfies Partial<BriefTyped>
