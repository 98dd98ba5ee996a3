import PDFDocument from 'pdfkit'
import { cardPages, PAGE_MM, type CutCard, type Drawn, type PageSize } from './card'

/** Font files by their subset: the letters of western Europe, and those that the rest of it and Vietnam have besides. */
export interface CardFonts {
  readonly plain: Record<Subset, Buffer>
  readonly bold: Record<Subset, Buffer>
}

const SUBSETS = ['latin', 'latin-ext'] as const
export type Subset = (typeof SUBSETS)[number]

/** Letters that only the second subset has. */
const EXTENDED = /[\u0100-\u02ba\u1e00-\u1eff]/u

/** A text in stretches of one font each. */
export function runsOf(says: string): readonly { readonly says: string; readonly font: Subset }[] {
  const runs: { says: string; font: Subset }[] = []
  for (const letter of says) {
    const font = EXTENDED.test(letter) ? 'latin-ext' : 'latin'
    const last = runs.at(-1)
    if (last?.font === font) last.says += letter
    else runs.push({ says: letter, font })
  }
  return runs
}

const POINTS = 72 / 25.4
const INK = '#10222c'

function draw(file: PDFKit.PDFDocument, one: Drawn): void {
  file.strokeColor(INK)
  if (one.kind === 'box') {
    const { x, y, width, height } = one.box
    file.lineWidth(0.3 * POINTS).rect(x * POINTS, y * POINTS, width * POINTS, height * POINTS)
    if (one.dashed) file.dash(1.5 * POINTS, { space: 1.5 * POINTS })
    if (one.fill === null) file.stroke()
    else file.fillAndStroke(one.fill, INK)
    file.undash()
  } else if (one.kind === 'line')
    file
      .lineWidth(one.width * POINTS)
      .moveTo(one.from.x * POINTS, one.from.y * POINTS)
      .lineTo(one.to.x * POINTS, one.to.y * POINTS)
      .stroke()
  else {
    const runs = runsOf(one.says).map(({ says, font }) => {
      file.font(`${one.bold ? 'bold' : 'plain'} ${font}`).fontSize(one.size * POINTS)
      return { says, font, width: file.widthOfString(says) }
    })
    const width = runs.reduce((sum, run) => sum + run.width, 0)
    let x = one.at.x * POINTS - (one.anchor === 'middle' ? width / 2 : one.anchor === 'end' ? width : 0)
    for (const run of runs) {
      file.font(`${one.bold ? 'bold' : 'plain'} ${run.font}`).fontSize(one.size * POINTS)
      file.fillColor(INK).text(run.says, x, one.at.y * POINTS, { lineBreak: false, baseline: 'alphabetic' })
      x += run.width
    }
  }
}

/** Cards as a PDF, a page or more each, in true size; made at a given moment. */
export function cardsAsPdf(
  cards: readonly CutCard[],
  page: PageSize,
  fonts: CardFonts,
  madeAt: Date,
): Promise<Buffer> {
  const { width, height } = PAGE_MM[page]
  const file = new PDFDocument({
    autoFirstPage: false,
    size: [width * POINTS, height * POINTS],
    margin: 0,
    info: { Title: cards[0]?.title ?? 'Cut cards', CreationDate: madeAt },
  })
  for (const weight of ['plain', 'bold'] as const)
    for (const subset of SUBSETS) file.registerFont(`${weight} ${subset}`, fonts[weight][subset])
  const parts: Buffer[] = []
  const done = new Promise<Buffer>((resolve, reject) => {
    file.on('data', (part: Buffer) => parts.push(part))
    file.on('end', () => resolve(Buffer.concat(parts)))
    file.on('error', reject)
  })
  for (const card of cards)
    for (const one of cardPages(card, page)) {
      file.addPage()
      for (const drawn of one) draw(file, drawn)
    }
  file.end()
  return done
}
