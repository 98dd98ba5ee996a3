import { z } from 'zod'
import { MOST_PIECES, MOST_UNITS_IN_BRIEF } from '@/core/batch'
import type { Making } from '@/core/arrange'
import { outlineSizeMm, variantOf, type DesignDocument, type GaugeSettings } from '@/core/design'
import type { SheetFor } from '@/core/plan'
import type { SizeUm } from '@/core/sheet'
import type { LengthUnit, RulerKey } from '@/core/units'
import { askedSheet, gaugeField, readGauges as readableGauges, sizeField } from './asked-size'
import { typedBrief, USUAL_SHOPPING_DAYS, type TypedLine } from './brief-typed'
import { Complaints } from './complaints'
import { countText, dateText, nameText, noteText } from './fields'
import { asItFollows, SIZE_PERCENT, sizeHost, withHost } from './following'
import { MOST_MESSAGE, readMaking, workedOut } from './making'
import { sharedAs } from './ratio'
import { hasTurns, turnFault } from './turns'

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
  /** What they are made into; what goes on another line's pieces has none of its own. */
  readonly making: Making
  readonly attachedTo: string | null
  /** The line into whose bouquets or places it goes. */
  readonly goesWith: string | null
  /** The line whose size its own is so many percent of. */
  readonly sizeOf: { readonly lineId: string; readonly percent: number } | null
  readonly perPiece: number | null
  readonly papers: readonly { readonly paperId: string; readonly pieces: number }[]
}

export interface Brief {
  readonly name: string
  readonly dueOn: string | null
  readonly certainty: number
  readonly note: string
  /** Whether it comes again every year, and how many days shopping for it takes. */
  readonly yearly: boolean
  readonly shoppingDays: number
  /** The earlier project that this one was planned after. */
  readonly like: string | null
  /** What the brief was when its form was opened; see `flows/brief-mark.ts`. */
  readonly seen: string
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

const percentOfSize = countText({ name: 'how many percent', ...SIZE_PERCENT })

/** What a line follows, or what stands in the way. */
function readFollowing(
  lines: readonly TypedLine[],
  { line, at, complaints }: Reading,
): Pick<BriefLine, 'goesWith' | 'sizeOf'> {
  const host = withHost(lines, line)
  if (line.goesWith !== '' && !host)
    complaints.say([...at, 'goesWith'], 'Choose a line of bouquets or places that goes with no other.')
  const sized = sizeHost(lines, line)
  if (line.sizeOf !== '' && !sized)
    complaints.say([...at, 'sizeOf'], 'Choose a line that has a size of its own.')
  const percent = sized && complaints.read([...at, 'sizePercent'], percentOfSize, line.sizePercent)
  return {
    goesWith: host?.id ?? null,
    sizeOf: sized && percent !== undefined ? { lineId: sized.id, percent } : null,
  }
}

/** A line while it is read: where it stands, and what is known around it. */
interface Reading {
  readonly line: TypedLine
  readonly at: readonly (string | number)[]
  readonly world: BriefWorld
  readonly complaints: Complaints
}

/** Gauges as typed, mm; one left empty stands as the design has it. */
function readGauges({ line, at, world, complaints }: Reading): GaugeSettings | undefined {
  const entries = Object.entries(line.gauges)
    .filter(([, text]) => text.trim() !== '')
    .map(
      ([key, text]) => [key, complaints.read([...at, 'gauges', key], gaugeField(world.unit), text)] as const,
    )
  const read = entries.flatMap(([key, mm]) => (mm === undefined ? [] : [[key, mm] as const]))
  return read.length < entries.length ? undefined : Object.fromEntries(read)
}

function readSheet(
  design: DesignDocument,
  reading: Reading,
  mm: number | undefined,
  gauges: GaugeSettings | undefined,
): SheetFor | undefined {
  const { line, at, world, complaints } = reading
  if (mm === undefined || gauges === undefined) return undefined
  const sheets = world.papers
    .filter(({ id }) => line.papers.some(({ paperId }) => paperId === id))
    .flatMap((paper) => paper.sheets)
  const asked = askedSheet(design, { ...line, mm, gauges }, { ...world, sheets })
  if (asked.ok) return asked.sheet
  complaints.say([...at, ...asked.field.split('.')], asked.message)
  return undefined
}

const shopping = countText({ name: 'the days for shopping', min: 0, max: 365 })
const wholeCount = countText({ name: 'how many', min: 1, max: MOST_PIECES })
const countOnEach = countText({ name: 'how many on each', min: 1, max: 100 })
const countInPaper = countText({ name: 'how many in this paper', min: 1, max: MOST_PIECES })

interface Pieces {
  readonly pieces: number | undefined
  readonly perPiece: number | null
  readonly making: Making | undefined
}

const looseBatch = (pieces: number): Making => ({ kind: 'batch', values: { pieces } })

/** As many as go on the pieces of another line. */
function readAttached({ line, at, complaints }: Reading, parentPieces: number | undefined): Pieces {
  const perPiece = complaints.read([...at, 'perPiece'], countOnEach, line.perPiece)
  const pieces = perPiece !== undefined && parentPieces !== undefined ? perPiece * parentPieces : undefined
  if (pieces !== undefined && pieces > MOST_PIECES) complaints.say([...at, 'perPiece'], tooMany(pieces))
  return { pieces, perPiece: perPiece ?? null, making: looseBatch(pieces ?? 1) }
}

/** Sheets to fold for a line. */
const unitsIn = ({ pieces, sheet }: BriefLine): number =>
  sheet.parts.reduce((sum, { unitsPerPiece }) => sum + Math.round(pieces * unitsPerPiece), 0)

const tooMany = (pieces: number): string =>
  `That makes ${pieces.toLocaleString('en')} pieces; up to ${MOST_PIECES.toLocaleString('en')} can be planned.`

/** As many as are asked for, or as what they are made into takes. */
function readPieces(reading: Reading, design?: DesignDocument, sheet?: SheetFor): Pieces {
  const { line, at, world, complaints } = reading
  if (line.made === 'batch') {
    const pieces = complaints.read([...at, 'pieces'], wholeCount, line.pieces)
    return { pieces, perPiece: null, making: looseBatch(pieces ?? 1) }
  }
  const nothing: Pieces = { pieces: undefined, perPiece: null, making: undefined }
  const read = readMaking(line, world.unit)
  if (!read.ok) {
    for (const { key, message } of read.complaints) complaints.say([...at, 'measures', key], message)
    return nothing
  }
  if (!design || !sheet) return nothing
  const gauges = readableGauges(line.gauges, world.unit)
  const piece = outlineSizeMm(design, variantOf(design, line.variantKey), sheet.sheetMm, gauges)
  const worked = workedOut(read.making, piece, world.unit)
  const [first = ''] = Object.keys(read.making.values)
  if (!worked.ok) complaints.say([...at, 'measures', worked.key], worked.message)
  else if (worked.made.pieces > MOST_PIECES)
    complaints.say([...at, 'measures', first], tooMany(worked.made.pieces))
  else return { pieces: worked.made.pieces, perPiece: null, making: read.making }
  return nothing
}

/** The papers of a line. The only one of a line takes all its pieces. */
function readPapers(
  { line, at, world, complaints }: Reading,
  pieces: number | undefined,
): readonly { readonly paperId: string; readonly pieces: number }[] {
  if (line.papers.length === 0) complaints.say([...at, 'papers'], 'Choose a paper for this line.')
  const only = line.papers.length === 1
  const papers = line.papers.map((paper, index) => {
    const here = [...at, 'papers', index]
    if (!world.papers.some(({ id }) => id === paper.paperId))
      complaints.say([...here, 'paperId'], 'Choose a paper from the drawer.')
    if (line.papers.findIndex((other) => other.paperId === paper.paperId) < index)
      complaints.say([...here, 'paperId'], 'This paper is already on this line. Add its pieces there.')
    const count =
      only && paper.pieces.trim() === ''
        ? pieces
        : complaints.read([...here, 'pieces'], countInPaper, paper.pieces)
    return { paperId: paper.paperId, pieces: count }
  })
  const read = papers.flatMap((paper) =>
    paper.pieces === undefined ? [] : [{ ...paper, pieces: paper.pieces }],
  )
  const shared = read.reduce((sum, paper) => sum + paper.pieces, 0)
  if (pieces !== undefined && read.length === papers.length && read.length > 0 && shared !== pieces)
    complaints.say([...at, 'papers'], `The papers add up to ${shared} of ${pieces}. Make them add up.`)
  return read
}

const messageText = noteText('the message', MOST_MESSAGE)

/** What is written on cards; of what has no card nothing is kept. */
function readMessage({ line, at, complaints }: Reading): Pick<Making, 'message'> {
  if (line.made !== 'topper') return {}
  const message = complaints.read([...at, 'message'], messageText, line.message)
  return message ? { message } : {}
}

/** How the pieces are shared, as it is written; left out where the counts were changed by hand since. */
function sharesOf(line: TypedLine, papers: BriefLine['papers']): Pick<Making, 'shares'> {
  if (line.shares.trim() === '' || papers.length < 2) return {}
  const pieces = papers.reduce((sum, paper) => sum + paper.pieces, 0)
  const shared = sharedAs(line.shares, pieces, papers.length, line.sharing)
  return shared.ok && papers.every((paper, at) => paper.pieces === shared.counts[at])
    ? { shares: { text: line.shares, by: line.sharing } }
    : {}
}

/** The pieces of a line that others go on; its own faults are told at itself. */
function piecesOf(lines: readonly TypedLine[], line: TypedLine, world: BriefWorld): number | undefined {
  if (line.made === 'batch') return wholeCount.safeParse(line.pieces).data
  return readLine(lines, lines.indexOf(line), world, new Complaints({ addIssue: () => undefined }))?.pieces
}

/** Every paper takes its turns around each piece: all of them alike, or it does not close. */
function readTurns(
  reading: Reading,
  design: DesignDocument | undefined,
  sheet: SheetFor | undefined,
  pieces: number | undefined,
): BriefLine['papers'] {
  const { line, at, complaints } = reading
  const count = line.papers.length
  const named = readPapers(
    { ...reading, line: { ...line, papers: line.papers.map((paper) => ({ ...paper, pieces: '1' })) } },
    count,
  )
  if (!design || !sheet) return named
  const fault = turnFault(design, line.variantKey, count)
  if (fault !== null) complaints.say([...at, 'colours'], fault)
  return named.map(({ paperId }) => ({ paperId, pieces: (pieces ?? 0) / count }))
}

function readLine(
  lines: readonly TypedLine[],
  index: number,
  world: BriefWorld,
  complaints: Complaints,
): BriefLine | undefined {
  const line = lines[index]
  if (!line) return undefined
  const at = ['lines', index]
  const reading: Reading = { line, at, world, complaints }
  const following = readFollowing(lines, reading)
  const design = world.designs.find((candidate) => candidate.id === line.designId)
  if (!design) complaints.say([...at, 'designId'], 'Choose a design from the library.')
  const variant = design?.variants.find((candidate) => candidate.key === line.variantKey)
  if (design && !variant) complaints.say([...at, 'variantKey'], `Choose a variant of ${design.name}.`)
  const parent = lines.find((other) => other.id === line.attachedTo && other !== line)
  if (line.attachedTo !== '' && (!parent || parent.attachedTo !== ''))
    complaints.say([...at, 'attachedTo'], 'Choose a line that stands on its own.')
  const askedMm = complaints.read([...at, 'size'], sizeField(world.unit), line.size)
  const gauges = readGauges(reading)
  const sheet = design && variant ? readSheet(design, reading, askedMm, gauges) : undefined
  const message = readMessage(reading)
  const { pieces, perPiece, making } = parent
    ? readAttached(reading, piecesOf(lines, parent, world))
    : readPieces(reading, design, sheet)
  // A piece of one sheet has no turns to take, whatever was chosen for the design before.
  const inTurn =
    line.colours === 'in turn' &&
    line.papers.length > 1 &&
    design !== undefined &&
    hasTurns(design, line.variantKey)
  const papers = inTurn ? readTurns(reading, design, sheet, pieces) : readPapers(reading, pieces)
  if (!design || !sheet || !making || pieces === undefined || askedMm === undefined || !gauges)
    return undefined
  return {
    id: line.id,
    design,
    variantKey: line.variantKey,
    sizing: line.sizing,
    axis: line.sizing === 'finished' ? line.axis : null,
    askedMm,
    sheet,
    gauges,
    pieces,
    making: {
      ...making,
      ...message,
      ...(line.character === 'alike' || design.gauges.length === 0 ? {} : { character: line.character }),
      ...(inTurn ? { inTurn } : sharesOf(line, papers)),
    },
    attachedTo: parent?.id ?? null,
    ...following,
    perPiece,
    papers,
  }
}

/** A whole brief as its form holds it; every complaint at its field. */
export const briefFields = (world: BriefWorld) =>
  typedBrief.transform((input, context): Brief => {
    const complaints = new Complaints(context)
    const name = complaints.read(['name'], nameText('a name'), input.name)
    const dueOn = complaints.read(['dueOn'], dateText('the date'), input.dueOn)
    const note = complaints.read(['note'], noteText('the note'), input.note)
    const shoppingDays = input.yearly
      ? complaints.read(['shoppingDays'], shopping, input.shoppingDays)
      : (shopping.safeParse(input.shoppingDays).data ?? USUAL_SHOPPING_DAYS)
    if (input.yearly && input.dueOn.trim() === '')
      complaints.say(['dueOn'], 'What comes every year has a day. Enter it, or take the mark off.')
    if (new Set(input.lines.map((line) => line.id)).size < input.lines.length)
      complaints.say(['lines'], 'Two lines carry the same mark. Load the page again.')
    const followed = input.lines.map((line) => asItFollows(input.lines, line, world.unit))
    const lines = followed.flatMap((_, index) => readLine(followed, index, world, complaints) ?? [])
    const units = lines.reduce((sum, line) => sum + unitsIn(line), 0)
    if (units > MOST_UNITS_IN_BRIEF)
      complaints.say(
        ['lines'],
        `That makes ${units.toLocaleString('en')} units in all; a brief holds up to ${MOST_UNITS_IN_BRIEF.toLocaleString('en')}. Part it into two projects.`,
      )
    if (complaints.any || name === undefined || dueOn === undefined || note === undefined) return z.NEVER
    if (shoppingDays === undefined) return z.NEVER
    const like = input.like === '' ? null : input.like
    const { yearly, seen } = input
    const certainty = Number(input.certainty)
    return { name, dueOn, note, certainty, yearly, shoppingDays, like, seen, lines }
  })
