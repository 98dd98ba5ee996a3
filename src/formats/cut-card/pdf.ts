import PDFDocument from 'pdfkit'
import { cardPages, PAGE_MM, type CutCard, type Drawn, type PageSize } from './card'

/** Font files by what they hold: `plain` and `bold` of the letters most languages of Europe are written with. */
export interface CardFonts {
  readonly plain: Buffer
  readonly bold: Buffer
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
    file.font(one.bold ? 'bold' : 'plain').fontSize(one.size * POINTS)
    const width = file.widthOfString(one.says)
    const back = one.anchor === 'middle' ? width / 2 : one.anchor === 'end' ? width : 0
    file.fillColor(INK).text(one.says, one.at.x * POINTS - back, one.at.y * POINTS, {
      lineBreak: false,
      baseline: 'alphabetic',
    })
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
  file.registerFont('plain', fonts.plain)
  file.registerFont('bold', fonts.bold)
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
