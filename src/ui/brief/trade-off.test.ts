import { LIBRARY, measureDesign } from '@/core/design'
import { sweepPapers, tradesOf, type Asked } from './trade-off'

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

const star = measureDesign(LIBRARY.find(({ id }) => id === 'ring-star')!)
const A4 = {
  stockItemId: 'a4',
  widthMm: 210,
  heightMm: 297,
  formatLabel: 'A4',
  offcut: false,
  amount: 9,
  priceMinor: null,
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
  design: star,
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
const counts = (of: Asked) => sweepPapers(of).map(({ pieces }) => pieces)

test('nothing is tried while a count is missing, for a paper that is none, or for sheets of several kinds', () => {
  expect(counts(asked({}))).toEqual([])
  expect(
    counts(
      asked({
        papers: [
          { paperId: 'a', pieces: '2' },
          { paperId: 'b', pieces: '' },
        ],
      }),
    ),
  ).toEqual([])
  expect(counts(asked({ papers: [{ paperId: 'gone', pieces: '2' }] }))).toEqual([])
  expect(counts(asked({ papers: [{ paperId: 'a', pieces: '2' }] }, 2))).toEqual([])
})
test('units are counted, whole pieces of one paper or all papers by turns', () => {
  expect(counts(asked({ papers: [{ paperId: 'a', pieces: '2' }] }))).toEqual([18])
  expect(counts(asked({ colours: 'in turn' }))).toEqual([6, 6, 6])
})
