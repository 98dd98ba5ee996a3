import { z } from 'zod'
import { MOST_PIECES } from '@/core/batch'
import type { DesignDocument, GaugeSettings } from '@/core/design'
import type { SheetFor } from '@/core/plan'
import type { SizeUm } from '@/core/sheet'
import type { LengthUnit, RulerKey } from '@/core/units'
import { askedSheet, gaugeField, sizeField } from './asked-size'
import { parseFields, type Parsed } from './field-errors'
import { choice, countText, dateText, idText, nameText, noteText } from './fields'

export const CERTAINTIES = ['0.8', '0.9', '0.95', '0.99'] as const

export interface BriefLine {
  /** An existing line's id, or the client's own key for a new one. */
  readonly id: string
  readonly design: DesignDocument
  readonly variantKey: string
  readonly sizing: 'finished' | 'sheet'
  readonly axis: string | null
  readonly askedMm: number
  /** What it is folded from. */
  readonly sheet: SheetFor
  readonly gauges: GaugeSettings
  readonly pieces: number
  readonly attachedTo: string | null
  readonly perPiece: number | null
  readonly papers: readonly { readonly paperId: string; readonly pieces: number }[]
}

export interface Brief {
  readonly name: string
  readonly dueOn: string | null
  readonly certainty: number
  readonly note: string
  readonly lines: readonly BriefLine[]
}

/** What the parse has to know of the world. */
export interface BriefWorld {
  readonly unit: LengthUnit
  readonly ruler: RulerKey
  readonly designs: readonly DesignDocument[]
  /** The papers of the drawer with the sheets they come in. */
  readonly papers: readonly { readonly id: string; readonly sheets: readonly SizeUm[] }[]
}

/** Gauges as typed; one left empty stands as the design has it. */
const gaugeTexts = (unit: LengthUnit) =>
  z
    .record(z.string().max(64), z.union([z.literal('').transform(() => null), gaugeField(unit)]))
    .transform((gauges) =>
      Object.fromEntries(
        Object.entries(gauges).flatMap(([key, mm]) => (mm === null ? [] : [[key, mm] as const])),
      ),
    )

const lineShape = (unit: LengthUnit) =>
  z.strictObject({
    id: idText('a line'),
    designId: idText('a design'),
    variantKey: idText('a variant'),
    sizing: choice('which size you give', ['finished', 'sheet']),
    axis: z.string().max(64, 'Choose which way the size is measured.'),
    size: sizeField(unit),
    gauges: gaugeTexts(unit),
    pieces: z.string().max(5000, 'Enter how many as a whole number.'),
    attachedTo: z.union([z.literal(''), idText('the line it goes on')]),
    perPiece: z.string().max(5000, 'Enter how many on each as a whole number.'),
    papers: z
      .array(
        z.strictObject({
          paperId: idText('a paper'),
          pieces: countText({ name: 'how many in this paper', min: 1, max: MOST_PIECES }),
        }),
      )
      .max(30, 'Keep to 30 papers on a line.'),
  })

const briefShape = (unit: LengthUnit) =>
  z.strictObject({
    name: nameText('a name'),
    dueOn: dateText('the date'),
    certainty: choice('how sure to be', CERTAINTIES),
    note: noteText('the note'),
    lines: z.array(lineShape(unit)).min(1, 'Add at least one line.').max(60, 'Keep to 60 lines.'),
  })

type LineInput = z.output<ReturnType<typeof lineShape>>

/** Collects messages by field while a line is read. */
class Complaints {
  readonly fields: Record<string, string> = {}

  say(path: string, message: string): void {
    this.fields[path] ??= message
  }

  parse<Schema extends z.ZodType>(path: string, schema: Schema, input: unknown): z.output<Schema> | null {
    const parsed = schema.safeParse(input)
    if (parsed.success) return parsed.data
    this.say(path, parsed.error.issues[0]?.message ?? 'Check this.')
    return null
  }
}

function readSheet(
  design: DesignDocument,
  line: LineInput,
  world: BriefWorld,
  at: string,
  complaints: Complaints,
): SheetFor | null {
  const sheets = world.papers
    .filter(({ id }) => line.papers.some(({ paperId }) => paperId === id))
    .flatMap((paper) => paper.sheets)
  const asked = askedSheet(design, { ...line, mm: line.size }, { ...world, sheets })
  if (asked.ok) return asked.sheet
  complaints.say(`${at}.${asked.field}`, asked.message)
  return null
}

function readPieces(line: LineInput, parent: LineInput | undefined, at: string, complaints: Complaints) {
  const whole = countText({ name: 'how many', min: 1, max: MOST_PIECES })
  if (!parent) return { pieces: complaints.parse(`${at}.pieces`, whole, line.pieces), perPiece: null }
  const each = countText({ name: 'how many on each', min: 1, max: 100 })
  const perPiece = complaints.parse(`${at}.perPiece`, each, line.perPiece)
  const parentPieces = whole.safeParse(parent.pieces)
  const pieces = perPiece !== null && parentPieces.success ? perPiece * parentPieces.data : null
  if (pieces !== null && pieces > MOST_PIECES)
    complaints.say(
      `${at}.perPiece`,
      `That makes ${pieces.toLocaleString('en')} pieces; up to 10,000 can be planned.`,
    )
  return { pieces, perPiece }
}

function checkPapers(
  line: LineInput,
  pieces: number | null,
  world: BriefWorld,
  at: string,
  complaints: Complaints,
) {
  if (line.papers.length === 0) complaints.say(`${at}.papers`, 'Choose a paper for this line.')
  line.papers.forEach(({ paperId }, index) => {
    if (!world.papers.some(({ id }) => id === paperId))
      complaints.say(`${at}.papers.${index}.paperId`, 'Choose a paper from the drawer.')
    if (line.papers.findIndex((other) => other.paperId === paperId) < index)
      complaints.say(
        `${at}.papers.${index}.paperId`,
        'This paper is already on this line. Add its pieces there.',
      )
  })
  const shared = line.papers.reduce((sum, paper) => sum + paper.pieces, 0)
  if (pieces !== null && line.papers.length > 0 && shared !== pieces)
    complaints.say(`${at}.papers`, `The papers add up to ${shared} of ${pieces}. Make them add up.`)
}

function readLine(
  lines: readonly LineInput[],
  index: number,
  world: BriefWorld,
  complaints: Complaints,
): BriefLine | null {
  const line = lines[index]
  if (!line) return null
  const at = `lines.${index}`
  const design = world.designs.find((candidate) => candidate.id === line.designId)
  if (!design) {
    complaints.say(`${at}.designId`, 'Choose a design from the library.')
    return null
  }
  const variant = design.variants.find((candidate) => candidate.key === line.variantKey)
  if (!variant) complaints.say(`${at}.variantKey`, `Choose a variant of ${design.name}.`)
  const parent = lines.find((other) => other.id === line.attachedTo && other !== line)
  if (line.attachedTo !== '' && (!parent || parent.attachedTo !== ''))
    complaints.say(`${at}.attachedTo`, 'Choose a line that stands on its own.')
  const sheet = variant ? readSheet(design, line, world, at, complaints) : null
  const { pieces, perPiece } = readPieces(line, parent, at, complaints)
  checkPapers(line, pieces, world, at, complaints)
  if (sheet === null || pieces === null) return null
  return {
    id: line.id,
    design,
    variantKey: line.variantKey,
    sizing: line.sizing,
    axis: line.sizing === 'finished' ? line.axis : null,
    askedMm: line.size,
    sheet,
    gauges: line.gauges,
    pieces,
    attachedTo: parent?.id ?? null,
    perPiece,
    papers: line.papers,
  }
}

/** Reads a whole brief as a form sends it; every complaint at its field. */
export function parseBrief(input: unknown, world: BriefWorld): Parsed<Brief> {
  const shape = parseFields(briefShape(world.unit), input)
  if (!shape.ok) return shape
  const complaints = new Complaints()
  const { lines: inputs, certainty, ...rest } = shape.value
  if (new Set(inputs.map((line) => line.id)).size < inputs.length)
    complaints.say('lines', 'Two lines carry the same mark. Load the page again.')
  const lines = inputs.flatMap((_, index) => readLine(inputs, index, world, complaints) ?? [])
  if (Object.keys(complaints.fields).length > 0) return { ok: false, fields: complaints.fields }
  return { ok: true, value: { ...rest, certainty: Number(certainty), lines } }
}
