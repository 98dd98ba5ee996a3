import fc from 'fast-check'
import { likeNeighbours, ordersOf } from '../../../test/oracles/orders-by-search'
import { CoreError } from '../errors'
import { arrangeInOrder, clashesOf, closingOf, fewestClashes, type Shape } from '.'
import { unevennessOf } from './evenness'

const FREE: ReadonlyMap<number, number> = new Map()
const SHAPES = ['ring', 'line'] as const
const sumOf = (counts: readonly number[]) => counts.reduce((sum, count) => sum + count, 0)
const countsIn = (colours: readonly number[], kinds: number) =>
  Array.from({ length: kinds }, (_, kind) => colours.filter((colour) => colour === kind).length)

/** All ways to give 1 to `most` positions to up to three colours. */
function* smallCases(most: number): Generator<readonly number[]> {
  for (let a = 0; a <= most; a++)
    for (let b = 0; a + b <= most; b++)
      for (let c = 0; a + b + c <= most; c++) if (a + b + c > 0) yield [a, b, c]
}

describe.each(SHAPES)('on a %s', (shape: Shape) => {
  test('the fewest like neighbours agree with trying every order, for all small numbers', () => {
    for (const counts of smallCases(7)) {
      let fewest = Infinity
      for (const order of ordersOf(counts)) fewest = Math.min(fewest, likeNeighbours(shape, order))
      expect({ counts, fewest: fewestClashes(shape, counts) }).toEqual({ counts, fewest })
    }
  })
  test('the proven order is as good as trying all: clashes first, then evenness', () => {
    for (const counts of smallCases(8)) {
      if (sumOf(counts) < 5) continue
      const found = arrangeInOrder({ neighbours: shape, counts, locked: FREE })
      let best = [Infinity, Infinity] as const
      for (const order of ordersOf(counts)) {
        const clashes = likeNeighbours(shape, order)
        if (clashes > best[0]) continue
        const uneven = unevennessOf(shape, order, 3)
        if (clashes < best[0] || uneven < best[1]) best = [clashes, uneven]
      }
      expect({ counts, is: [found.clashes.length, unevennessOf(shape, found.colours, 3)] }).toEqual({
        counts,
        is: best,
      })
      expect(found).toMatchObject({ fewest: true, mostEven: true })
    }
  })
  test('with positions held it is as good as trying all that hold them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...smallCases(7)).filter((counts) => sumOf(counts) > 2),
        fc.array(fc.nat(6), { maxLength: 3 }),
        fc.nat(),
        (counts, places, turn) => {
          const positions = sumOf(counts)
          const pieces = counts.flatMap((count, colour) => Array<number>(count).fill(colour))
          const locked = new Map(
            [...new Set(places.map((place) => place % positions))].map((place, index) => [
              place,
              pieces[(index * 2 + turn) % positions]!,
            ]),
          )
          const taken = countsIn([...locked.values()], 3)
          fc.pre(taken.every((count, colour) => count <= counts[colour]!))
          const found = arrangeInOrder({ neighbours: shape, counts, locked })
          let fewest = Infinity
          for (const order of ordersOf(counts))
            if ([...locked].every(([at, colour]) => order[at] === colour))
              fewest = Math.min(fewest, likeNeighbours(shape, order))
          expect(found.clashes).toHaveLength(fewest)
          for (const [at, colour] of locked) expect(found.colours[at]).toBe(colour)
        },
      ),
      { numRuns: 150 },
    )
  })
  test('any numbers up to 500: the pieces asked for, the clashes told are those there are, and the fewest', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 6 }), (counts) => {
        const { colours, clashes, fewest } = arrangeInOrder({ neighbours: shape, counts, locked: FREE })
        expect(countsIn(colours, counts.length)).toEqual(counts)
        expect(clashes).toHaveLength(likeNeighbours(shape, colours))
        expect(clashes).toHaveLength(fewestClashes(shape, counts))
        expect(fewest).toBe(true)
      }),
      { numRuns: 60 },
    )
  })
  test.each([
    [22, 19, 3],
    [250, 250],
    [250, 125, 125],
    [249, 250],
    [26, 12, 13],
  ])('as tight as it can be: %i, %i, %i', (...counts: readonly (number | undefined)[]) => {
    const tight = counts.flatMap((count) => count ?? [])
    expect(arrangeInOrder({ neighbours: shape, counts: tight, locked: FREE }).clashes).toHaveLength(
      fewestClashes(shape, tight),
    )
  })
  test.each([500, 497])('%i pieces in five colours lie without like neighbours', (positions) => {
    const counts = [0, 1, 2, 3, 4].map((index) => Math.floor((positions + index) / 5))
    expect(arrangeInOrder({ neighbours: shape, counts, locked: FREE })).toMatchObject({
      clashes: [],
      fewest: true,
    })
  })
})

test('a 60/30/10 wreath of ten cannot avoid two like neighbours; nine units cannot alternate two colours (derived)', () => {
  expect(fewestClashes('ring', [6, 3, 1])).toBe(2)
  expect(fewestClashes('line', [6, 3, 1])).toBe(1)
  expect(fewestClashes('ring', [5, 4])).toBe(1)
  expect(fewestClashes('ring', [3, 3, 3])).toBe(0)
  expect(closingOf(2, 9)).toEqual({ closes: false, fewer: 8, more: 10 })
  expect(closingOf(3, 9)).toEqual({ closes: true, fewer: 6, more: 12 })
  expect(closingOf(4, 3)).toEqual({ closes: false, fewer: null, more: 4 })
})

test('one piece has no neighbour; two on a ring meet once each way round', () => {
  expect(clashesOf('ring', [0])).toEqual([])
  expect(fewestClashes('ring', [2])).toBe(2)
  expect(clashesOf('ring', [0, 0])).toEqual([
    [0, 1],
    [1, 0],
  ])
  expect(arrangeInOrder({ neighbours: 'ring', counts: [], locked: FREE }).colours).toEqual([])
})

test.each([
  ['a count that is none', { counts: [1.5], locked: FREE }, 'NOT_INTEGER'],
  ['fewer than none', { counts: [-1, 4], locked: FREE }, 'OUT_OF_RANGE'],
  ['10,000 positions', { counts: [10_000], locked: FREE }, 'OUT_OF_RANGE'],
  ['too many positions together', { counts: [600, 600], locked: FREE }, 'OUT_OF_RANGE'],
  ['a lock outside', { counts: [2, 2], locked: new Map([[4, 0]]) }, 'OUT_OF_RANGE'],
  ['a colour that is not there', { counts: [2, 2], locked: new Map([[0, 2]]) }, 'OUT_OF_RANGE'],
  [
    'more held than there are',
    {
      counts: [1, 3],
      locked: new Map([
        [0, 0],
        [2, 0],
      ]),
    },
    'OUT_OF_RANGE',
  ],
])('%s is refused', (_, problem, code) => {
  const arrange = () => arrangeInOrder({ neighbours: 'ring', ...problem })
  expect(arrange).toThrow(CoreError)
  expect(arrange).toThrow(code)
})

test('of two colours what cannot be kept apart is spread over the whole line, not left at its ends', () => {
  for (const [one, other] of [
    [40, 50],
    [30, 60],
    [7, 12],
    [100, 130],
  ] as const)
    for (const shape of ['line', 'ring'] as const) {
      const { clashes, colours } = arrangeInOrder({
        neighbours: shape,
        counts: [one, other],
        locked: new Map(),
      })
      const least = shape === 'ring' ? 2 * other - one - other : 2 * other - one - other - 1
      expect(clashes).toHaveLength(Math.max(0, least))
      // In every stretch of the line there are as many clashes as in any other, but one.
      const inStretch = (from: number, long: number) =>
        clashes.filter(([at, next]) => at >= from && next < from + long && next > at).length
      const long = Math.floor(colours.length / 3)
      const stretches = Array.from({ length: colours.length - long }, (_, from) => inStretch(from, long))
      expect(Math.max(...stretches) - Math.min(...stretches)).toBeLessThanOrEqual(2)
    }
})
