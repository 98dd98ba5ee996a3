import { readFileSync } from 'node:fs'
import { cardPages, inLines, type CutCard } from './card'
import { cardAsSvg, cardsAsPdf, runsOf } from '.'

const card: CutCard = {
  title: 'Lids & <stars>',
  heading: '10 sheets of Sea Holly',
  under: '21 x 29.7 cm. 8 squares from each, nothing worth keeping left.',
  sheetMm: { width: 210, height: 297 },
  colour: '#5b7fa6',
  pieces: [
    { x: 0, y: 0, width: 74.25, height: 74.25, hexagon: false },
    { x: 0, y: 222.75, width: 74.25, height: 74.25, hexagon: false },
  ],
  offcuts: [{ x: 148.5, y: 0, width: 61.5, height: 297 }],
  marks: [
    { axis: 'x', atMm: 74.25, says: '7.425' },
    { axis: 'y', atMm: 148.5, says: '14.85' },
  ],
  steps: ['The sheet, along its 21 cm side: set 7.425 cm, 2 cuts, for 2 strips.'],
  sheets: 10,
}
const FONTS = 'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next'
const files = (weight: 400 | 700) => ({
  latin: readFileSync(`${FONTS}-latin-${weight}-normal.woff`),
  'latin-ext': readFileSync(`${FONTS}-latin-ext-${weight}-normal.woff`),
})
const fonts = { plain: files(400), bold: files(700) }

/** The longest level line of a page: the control bar. */
const barOf = (pages: ReturnType<typeof cardPages>): number =>
  Math.max(
    ...pages[0]!.map((one) => (one.kind === 'line' && one.from.y === one.to.y ? one.to.x - one.from.x : 0)),
  )

test('the control bar is as long as it says, in either unit', () => {
  expect(barOf(cardPages(card, 'A4'))).toBeCloseTo(100, 9)
  expect(barOf(cardPages(card, 'letter'))).toBeCloseTo(101.6, 9)
  expect(cardAsSvg(card, 'A4')).toContain('This bar is 10 cm long.')
  expect(cardAsSvg(card, 'letter')).toContain('This bar is 4 in long.')
})

test('the sheet is drawn to one scale, its lower left corner below, and nothing sticks out of the page', () => {
  const [page] = cardPages(card, 'A4')
  const boxes = page!.flatMap((one) => (one.kind === 'box' && one.fill !== null ? [one.box] : []))
  const [low, high] = boxes
  expect(low!.width).toBeCloseTo(low!.height, 9)
  // Three quarters of the sheet lie between the feet of both squares.
  expect((low!.y - high!.y) / low!.height).toBeCloseTo(222.75 / 74.25, 9)
  for (const one of page!) {
    if (one.kind === 'box') {
      expect(one.box.x).toBeGreaterThanOrEqual(0)
      expect(one.box.x + one.box.width).toBeLessThanOrEqual(210)
      expect(one.box.y + one.box.height).toBeLessThanOrEqual(297)
    }
  }
})

test('names as long as they may be are broken, and no sheet is lost among the boxes', () => {
  const names = { title: 'Saltmarsh '.repeat(12), heading: `120 sheets of ${'Tidewater '.repeat(8)}` }
  const [page] = cardPages({ ...card, ...names, sheets: 120 }, 'A4')
  for (const one of page!)
    if (one.kind === 'text' && one.anchor === 'start')
      expect(one.at.x + one.says.length * one.size * 0.53).toBeLessThanOrEqual(210 - 14)
  expect(page!.some((one) => one.kind === 'text' && one.says === 'of 120')).toBe(true)
  const boxes = cardPages(card, 'A4')[0]!.filter((one) => one.kind === 'box' && one.box.width === 5)
  expect(boxes).toHaveLength(card.sheets)
})

test('an SVG is a document of its own in true size; words are escaped', () => {
  const svg = cardAsSvg(card, 'A4')
  expect(svg).toContain('width="210mm" height="297mm"')
  expect(svg).toContain('Lids &amp; &lt;stars&gt;')
  expect(svg).not.toContain('<stars>')
  // What a name of before may hold and XML has no place for.
  const broken = cardAsSvg({ ...card, title: 'a\ud800b\uffffc\u0007d\u{1F33F}' }, 'A4')
  expect(broken).toContain('a\ufffdb\ufffdc\ufffdd\u{1F33F}')
  expect(broken).not.toMatch(/\p{Surrogate}/u)
})

test('many steps go on over a second page, each page with its bar', async () => {
  const long = { ...card, steps: Array.from({ length: 40 }, (_, index) => `Step ${index}: ${card.steps[0]}`) }
  const pages = cardPages(long, 'A4')
  expect(pages.length).toBeGreaterThan(1)
  for (const page of pages)
    expect(page.some((one) => one.kind === 'text' && one.says.startsWith('This bar'))).toBe(true)
  const told = pages.flat().flatMap((one) => (one.kind === 'text' ? [one.says] : []))
  for (let index = 0; index < 40; index++)
    expect(told.some((says) => says.startsWith(`Step ${index}:`))).toBe(true)
  const pdf = await cardsAsPdf([long, card], 'A4', fonts, new Date(0))
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(pages.length + 1)
  // A4 in points.
  expect(pdf.toString('latin1')).toContain('/MediaBox [0 0 595.275591 841.889764]')
})

test('words are broken between words, and a word that is too long within itself', () => {
  expect(inLines('one two three', 10, 53)).toEqual(['one two', 'three'])
  expect(inLines('abcdefghijklmnop', 10, 53.5)).toEqual(['abcdefghij', 'klmnop'])
  expect(inLines('', 10, 50)).toEqual([])
})

test('letters of the east of Europe come from the font that has them, the others from theirs', () => {
  expect(runsOf('Róże na łódź, 10.4 cm')).toEqual([
    { says: 'Ró', font: 'latin' },
    { says: 'ż', font: 'latin-ext' },
    { says: 'e na ', font: 'latin' },
    { says: 'ł', font: 'latin-ext' },
    { says: 'ód', font: 'latin' },
    { says: 'ź', font: 'latin-ext' },
    { says: ', 10.4 cm', font: 'latin' },
  ])
  expect(runsOf('')).toEqual([])
})
