import { smallPicture } from '../diagram/view'
import { renderToStaticMarkup } from 'react-dom/server'
import { arrangeInOrder, type Shape } from '@/core/arrange'
import { BASES, drawProgram } from '@/core/fold'
import { OrderPreview } from './OrderPreview'
import { orderInWords, orderWords, turnWords } from './order-words'

const [base] = BASES
if (!base) throw new Error('no bases')
const { front: picture } = drawProgram(base.program)
const PAPERS = [
  { frontColour: '#c4491d', backColour: '#ffffff' },
  { frontColour: '#2c6e7f', backColour: '#ffffff' },
  { frontColour: '#6a4a66', backColour: '#ffffff' },
]
const ordered = (shape: Shape, counts: readonly number[]) =>
  arrangeInOrder({ neighbours: shape, counts, locked: new Map() })
const named = (counts: readonly number[]) =>
  counts.map((pieces, index) => ({ name: ['Orange', 'Tide', 'Plum'][index] ?? '', pieces }))

describe.each(['ring', 'line'] as const)('a preview in a %s', (shape) => {
  test.each([1, 2, 9, 40])(
    'of %i pieces: every piece in its colour, inside the picture, none on another',
    (n) => {
      const colours = Array.from({ length: n }, (_, at) => at % 3)
      const svg = renderToStaticMarkup(
        <OrderPreview
          shape={shape}
          colours={colours}
          papers={PAPERS}
          looks={[{ small: smallPicture(picture, false), painted: null }]}
          sideUp="colour down"
          clashes={[]}
          title="Nine"
        />,
      )
      const [, width = 0, height = 0] = /viewBox="0 0 (\d+) (\d+)"/.exec(svg)?.map(Number) ?? []
      const uses = [
        ...svg.matchAll(/<use href="#[^"]*-\d-(\d)" transform="translate\(([\d.]+) ([\d.]+)\)/g),
      ].map(([, colour, x, y]) => ({ colour: Number(colour), x: Number(x), y: Number(y) }))
      expect(uses.map(({ colour }) => colour)).toEqual(colours)
      for (const [index, one] of uses.entries()) {
        expect(one.x).toBeGreaterThanOrEqual(50)
        expect(one.x).toBeLessThanOrEqual(width - 49)
        expect(one.y).toBeGreaterThanOrEqual(50)
        expect(one.y).toBeLessThanOrEqual(height - 49)
        for (const other of uses.slice(index + 1))
          expect(Math.hypot(one.x - other.x, one.y - other.y)).toBeGreaterThan(95)
      }
    },
  )
})

test('like neighbours are ringed where they meet, also where the ring closes', () => {
  const { colours, clashes } = ordered('ring', [5, 4])
  expect(clashes).toHaveLength(1)
  const svg = renderToStaticMarkup(
    <OrderPreview
      shape="ring"
      colours={colours}
      papers={PAPERS}
      looks={[{ small: smallPicture(picture, false), painted: null }]}
      sideUp="colour up"
      clashes={clashes}
      title="Nine"
    />,
  )
  expect(svg.match(/<circle/g)).toHaveLength(1)
})

test('nine units cannot alternate two colours: it says so, and what would do', () => {
  const counts = [5, 4]
  expect(orderWords('ring', ordered('ring', counts), named(counts))).toBe(
    'One pair of neighbours is alike around the ring, and no order has fewer: 5 of 9 are Orange. With 1 fewer of it, or 1 more of the others, none would be.',
  )
  expect(ordered('ring', [4, 4]).clashes).toEqual([])
  expect(ordered('ring', [5, 5]).clashes).toEqual([])
  expect(orderWords('ring', ordered('ring', [3, 3, 3]), named([3, 3, 3]))).toBe(
    'No two neighbours are alike around the ring, and no order spreads the colours more evenly.',
  )
})

test('what it says would do, does: on rings and lines, for any counts', () => {
  for (const shape of ['ring', 'line'] as const)
    for (const counts of [
      [7, 2],
      [22, 11, 3],
      [9, 1, 1],
      [6, 3, 1],
    ]) {
      const [most = 0, ...others] = counts
      const words = orderWords(shape, ordered(shape, counts), named(counts))
      const change = Number(/With (\d+) fewer/.exec(words)?.[1])
      expect(ordered(shape, [most - change, ...others]).clashes).toEqual([])
      expect(ordered(shape, [most, (others[0] ?? 0) + change, ...others.slice(1)]).clashes).toEqual([])
      expect(ordered(shape, [most - change + 1, ...others]).clashes).not.toEqual([])
    }
})

test.each([
  [[5, 4], 'Taken in turn, 2 colours close at 8 or 10 pieces, not at 9.'],
  [[3, 3, 3], 'Taken in turn, 3 colours close at 9 pieces.'],
  [[1, 1, 0], 'Taken in turn, 3 colours close at 3 pieces, not at 2.'],
  [[6, 3, 1], null],
])('%j in turn around a ring', (counts, words) => {
  expect(turnWords('ring', named(counts))).toBe(words)
  expect(turnWords('line', named(counts))).toBeNull()
})

test('an order is said in words, the same colour in a row counted', () => {
  expect(orderInWords([0, 1, 1, 2], ['Orange', 'Tide', 'Plum'])).toBe('Orange, 2 Tide, Plum')
})
