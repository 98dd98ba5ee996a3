import { hexagonIn } from '@/core/sheet'

/** What a card says of one layout: words in the reader's units, places in mm of the sheet. */
export interface CutCard {
  readonly title: string
  /** How many sheets of what, and for which project. */
  readonly heading: string
  readonly under: string
  readonly sheetMm: { readonly width: number; readonly height: number }
  readonly colour: string
  /** A hexagon is cut out of its rectangle. */
  readonly pieces: readonly (Box & { readonly hexagon: boolean })[]
  readonly offcuts: readonly Box[]
  /** Distances from the corner along the width (x) and the height (y). */
  readonly marks: readonly { readonly axis: 'x' | 'y'; readonly atMm: number; readonly says: string }[]
  readonly steps: readonly string[]
  /** Sheets to tick off, one by one. */
  readonly sheets: number
}

/** From the lower left corner of the sheet, in mm. */
export interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** A page in mm, its corner at the top left; everything is drawn from these. */
export type Drawn =
  | { readonly kind: 'box'; readonly box: Box; readonly fill: string | null; readonly dashed: boolean }
  | { readonly kind: 'line'; readonly from: Spot; readonly to: Spot; readonly width: number }
  | {
      readonly kind: 'text'
      readonly at: Spot
      readonly size: number
      readonly bold: boolean
      readonly anchor: 'start' | 'middle' | 'end'
      readonly says: string
    }

export interface Spot {
  readonly x: number
  readonly y: number
}

/** The paper that cards are printed on. */
export type PageSize = 'A4' | 'letter'
export const PAGE_MM: Readonly<Record<PageSize, { readonly width: number; readonly height: number }>> = {
  A4: { width: 210, height: 297 },
  letter: { width: 215.9, height: 279.4 },
}

const MARGIN = 15
/** Letters that are read at arm's length: 15 point. */
const READ = 5.3
const [TITLE, SMALL] = [7, 3.6]
/** A letter is about so wide, as a share of its size: on the safe side, so that no line sticks out. */
const LETTER = 0.53
const LINE = 1.45

/** A text in lines of at most so many mm. A word that is longer than a line is broken. */
export function inLines(says: string, size: number, widthMm: number): readonly string[] {
  const most = Math.max(1, Math.floor(widthMm / (size * LETTER)))
  const lines: string[] = []
  let line = ''
  const words = says.split(/\s+/).flatMap((word) => word.match(new RegExp(`.{1,${most}}`, 'gu')) ?? [])
  for (const word of words)
    if (line === '') line = word
    else if (line.length + 1 + word.length <= most) line += ` ${word}`
    else {
      lines.push(line)
      line = word
    }
  return line === '' ? lines : [...lines, line]
}

const text = (
  at: Spot,
  size: number,
  says: string,
  {
    bold = false,
    anchor = 'start',
  }: { readonly bold?: boolean; readonly anchor?: 'start' | 'middle' | 'end' } = {},
): Drawn => ({ kind: 'text', at, size, bold, anchor, says })

const line = (from: Spot, to: Spot, width = 0.3): Drawn => ({ kind: 'line', from, to, width })

/** A closed line through some spots. */
const outline = (spots: readonly Spot[]): readonly Drawn[] =>
  spots.map((spot, index) => line(spot, spots[(index + 1) % spots.length] ?? spot))

/** A bar that is as long as it says where the page was printed at its true size. */
function controlBar(page: PageSize, at: Spot): readonly Drawn[] {
  const [parts, stepMm, says] =
    page === 'A4'
      ? [10, 10, 'This bar is 10 cm long. Is it not, then print at 100 %, without fitting to the page.']
      : [4, 25.4, 'This bar is 4 in long. Is it not, then print at 100 %, without fitting to the page.']
  const end = { x: at.x + parts * stepMm, y: at.y }
  return [
    line(at, end, 0.5),
    ...Array.from({ length: parts + 1 }, (_, index) => {
      const x = at.x + index * stepMm
      return line({ x, y: at.y - (index === 0 || index === parts ? 3 : 1.5) }, { x, y: at.y }, 0.3)
    }),
    text({ x: at.x, y: at.y + 5 }, SMALL, says),
  ]
}

/** The sheet to scale within a field, its pieces, what is kept, and the marks along two edges. */
function sheetDrawn(card: CutCard, field: Box): readonly Drawn[] {
  const room = card.marks.length > 0 ? 12 : 0
  const { width, height } = card.sheetMm
  const scale = Math.min((field.width - room) / width, (field.height - room) / height)
  const [left, top] = [field.x + room, field.y]
  const placed = ({ x, y, width: w, height: h }: Box): Box => ({
    x: left + x * scale,
    y: top + (height - y - h) * scale,
    width: w * scale,
    height: h * scale,
  })
  const box = (one: Box, fill: string | null, dashed: boolean): Drawn => ({
    kind: 'box',
    box: placed(one),
    fill,
    dashed,
  })
  return [
    box({ x: 0, y: 0, width, height }, null, false),
    ...card.offcuts.map((one) => box(one, null, true)),
    ...card.pieces.flatMap((one): readonly Drawn[] => [
      box(one, card.colour, false),
      ...(one.hexagon ? outline(hexagonIn(placed(one))) : []),
    ]),
    ...card.marks.flatMap(({ axis, atMm, says }): readonly Drawn[] => {
      if (axis === 'x') {
        const [x, y] = [left + atMm * scale, top + height * scale]
        return [line({ x, y }, { x, y: y + 2.5 }), text({ x, y: y + 7 }, SMALL, says, { anchor: 'middle' })]
      }
      const y = top + (height - atMm) * scale
      return [
        line({ x: left, y }, { x: left - 2.5, y }),
        text({ x: left - 3.5, y: y + 1.2 }, SMALL, says, { anchor: 'end' }),
      ]
    }),
  ]
}

/** Boxes to tick, one for each sheet as far as they go on one line; then how many there are in all. */
function tickBoxes(sheets: number, at: Spot, widthMm: number): readonly Drawn[] {
  const step = 7
  const most = Math.floor(widthMm / step)
  const [boxes, says] = sheets <= most ? [sheets, ''] : [most - 4, `of ${sheets}`]
  return [
    ...Array.from({ length: boxes }, (_, index): Drawn => ({
      kind: 'box',
      box: { x: at.x + index * step, y: at.y, width: 5, height: 5 },
      fill: null,
      dashed: false,
    })),
    ...(says === '' ? [] : [text({ x: at.x + boxes * step + 2, y: at.y + 4.5 }, READ, says)]),
  ]
}

/** The pages of a card: one, and more where its steps are many. */
export function cardPages(card: CutCard, page: PageSize): readonly (readonly Drawn[])[] {
  const { width, height } = PAGE_MM[page]
  const inner = width - 2 * MARGIN
  const last = height - MARGIN - 16
  const head: Drawn[] = []
  let y = MARGIN + 5
  for (const says of inLines(card.title, SMALL, inner)) {
    head.push(text({ x: MARGIN, y }, SMALL, says))
    y += SMALL * LINE
  }
  y += 4
  for (const says of inLines(card.heading, TITLE, inner)) {
    head.push(text({ x: MARGIN, y }, TITLE, says, { bold: true }))
    y += TITLE * LINE
  }
  for (const says of inLines(card.under, READ, inner)) {
    head.push(text({ x: MARGIN, y }, READ, says))
    y += READ * LINE
  }
  const field = { x: MARGIN, y: y - 2, width: inner, height: 108 }
  const pages: Drawn[][] = [
    [...head, ...sheetDrawn(card, field), ...tickBoxes(card.sheets, { x: MARGIN, y: y + 112 }, inner)],
  ]
  y += 126
  card.steps.forEach((step, index) => {
    const lines = inLines(step, READ, inner - 9)
    if (y + lines.length * READ * LINE > last) {
      y = MARGIN + 5
      const top = y
      const again = inLines(`${card.title}, ${card.heading}, further steps`, SMALL, inner)
      pages.push(again.map((says, at) => text({ x: MARGIN, y: top + at * SMALL * LINE }, SMALL, says)))
      y += again.length * SMALL * LINE + 6
    }
    pages.at(-1)?.push(text({ x: MARGIN, y }, READ, `${index + 1}.`, { bold: true }))
    for (const says of lines) {
      pages.at(-1)?.push(text({ x: MARGIN + 9, y }, READ, says))
      y += READ * LINE
    }
    y += 1.5
  })
  return pages.map((one) => [...one, ...controlBar(page, { x: MARGIN, y: height - MARGIN - 6 })])
}
