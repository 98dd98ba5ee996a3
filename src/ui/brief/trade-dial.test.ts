import { measured } from '../../../test/library'
import { LIBRARY } from '@/core/design'
import { NO_HISTORY } from '@/core/batch'
import type { LineValues } from './form-values'
import { dialTime } from './dial-time'
import { cliffsOf, dialBatch, tradesOf, type Asked } from './trade-dial'

const point = (sideMm: number, sheets: number | null) => ({ sideMm, sheets })
const SWEEP = [
  point(98, 12),
  point(99, 12),
  point(100, 18),
  point(101, 18),
  point(102, 18),
  point(103, 36),
  point(104, null),
]

test('how far the same sheets reach, and the largest size that takes fewer', () => {
  expect(tradesOf(SWEEP, 101)).toEqual({
    now: { sideMm: 101, sheets: 18 },
    larger: { sideMm: 102, sheets: 18 },
    smaller: { sideMm: 99, sheets: 12 },
  })
})
test('at the edge of a step nothing larger costs the same; at the bottom nothing costs less', () => {
  expect(tradesOf(SWEEP, 102)?.larger).toBeNull()
  expect(tradesOf(SWEEP, 103)).toMatchObject({ larger: null, smaller: { sideMm: 102 } })
  expect(tradesOf(SWEEP, 98)).toMatchObject({ larger: { sideMm: 99 }, smaller: null })
})
test('a size that was not tried, or that no sheet gives, has no trade', () => {
  expect(tradesOf(SWEEP, 100.5)).toBeNull()
  expect(tradesOf(SWEEP, 104)).toBeNull()
  expect(tradesOf([], 100)).toBeNull()
})

const star = measured(LIBRARY.find(({ id }) => id === 'ring-star')!)
const A4 = {
  stockItemId: 'a4',
  widthMm: 210,
  heightMm: 297,
  formatLabel: 'A4',
  offcut: false,
  amount: 9,
  priceMinor: null,
  soldAs: '',
  forStems: false,
  grain: null,
}
const asked = (line: Partial<Asked['line']>, parts = 1): Asked => ({
  line: {
    papers: ['a', 'b', 'c'].map((paperId) => ({ paperId, pieces: '' })),
    pieces: '2',
    colours: 'whole',
    variantKey: 'nine',
    sizing: 'finished',
    axis: 'across',
    gauges: {},
    ...line,
  },
  design: { document: star, hardest: {}, layers: {}, looks: {}, rate: NO_HISTORY, secondsPerUnit: 240 },
  certainty: 0.95,
  ruler: 'mm-1',
  preview: {
    kind: 'sheet',
    sheetMm: 85,
    parts: Array.from({ length: parts }, () => ({
      key: 'unit',
      sheetUm: { widthUm: 85_000, heightUm: 85_000 },
      unitsPerPiece: 9,
    })),
    text: '',
    rounding: null,
    advice: [],
  },
  papers: ['a', 'b', 'c'].map((id) => ({ id, sheets: [A4] })),
})
const counts = (of: Asked) => dialBatch(of)?.papers.map(({ pieces }) => pieces) ?? null

test('nothing is tried while a count is missing, for a paper that is none, or for sheets of several kinds', () => {
  expect(counts(asked({}))).toBeNull()
  expect(
    counts(
      asked({
        papers: [
          { paperId: 'a', pieces: '2' },
          { paperId: 'b', pieces: '' },
        ],
      }),
    ),
  ).toBeNull()
  expect(counts(asked({ papers: [{ paperId: 'gone', pieces: '2' }] }))).toBeNull()
  expect(counts(asked({ papers: [{ paperId: 'a', pieces: '2' }] }, 2))).toBeNull()
})
test('units are counted, whole pieces of one paper or all papers by turns', () => {
  expect(counts(asked({ papers: [{ paperId: 'a', pieces: '2' }] }))).toEqual([18])
  expect(counts(asked({ colours: 'in turn' }))).toEqual([6, 6, 6])
})

test('of many steps those are told that have room, the one next to what is asked for first', () => {
  const stops = [9, 9, 8, 8, 7, 7, 7, 7, 6, 5].map((sheets) => ({ sheets }))
  expect(cliffsOf(stops, 0)).toEqual([2, 4, 8])
  expect(cliffsOf(stops, 9)).toEqual([2, 4, 9])
  expect(cliffsOf([{ sheets: 3 }, { sheets: null }, { sheets: 3 }], 0)).toEqual([2])
  expect(cliffsOf([], 0)).toEqual([])
})

test('the time around a line: what the others still take, and what of its own is done', () => {
  const design = asked({}).design
  const line = (id: string, pieces: string) =>
    ({ id, designId: star.id, variantKey: 'nine', pieces, attachedTo: '', perPiece: '' }) as LineValues
  const lines = [line('a', '2'), line('b', '3'), line('c', 'many')]
  const time = { eveningSeconds: 7200, foldedUnits: { a: 10, b: 7, c: 4 } }
  expect(dialTime(lines, 0, [design], time, 12)).toEqual({
    eveningSeconds: 7200,
    daysLeft: 12,
    // One in twenty is a reject and is folded too.
    otherSeconds: expect.closeTo(((27 - 7) * 240) / 0.95, 6) as number,
    doneSeconds: expect.closeTo((10 * 240) / 0.95, 6) as number,
  })
  // Two of them glued to each of the three of b.
  const glued = { ...line('d', ''), attachedTo: 'b', perPiece: '2' }
  expect(dialTime([...lines, glued], 0, [design], time, 12).otherSeconds).toBeCloseTo(
    ((27 - 7 + 2 * 27) * 240) / 0.95,
    6,
  )
  expect(dialTime(lines, 0, [], time, null)).toMatchObject({ otherSeconds: 0, doneSeconds: 0 })
})
