import fc from 'fast-check'
import { ordersOf } from '../../../test/oracles/orders-by-search'
import { arrangeInOrder, clashesOf, mirroredOrder, sceneOf, workOut, type Making, type Pair } from '.'
import { besideOf } from './net'
import { forcedClashes } from './net-bound'

const FREE: ReadonlyMap<number, number> = new Map()
const PIECE = { acrossMm: 50, highMm: 60 }
const sceneFor = (kind: Making['kind'], values: Making['values']) => {
  const making = { kind, values }
  const scene = sceneOf(making, workOut(making, PIECE), PIECE)
  if (!scene) throw new Error('no scene')
  return scene
}
const pairsIn = (kind: Making['kind'], values: Making['values']): readonly Pair[] => {
  const { neighbours } = sceneFor(kind, values)
  if (typeof neighbours === 'string') throw new Error('no net')
  return neighbours
}
const countsIn = (colours: readonly number[], kinds: number) =>
  Array.from({ length: kinds }, (_, kind) => colours.filter((colour) => colour === kind).length)
const shared = (positions: number, kinds: number) =>
  Array.from({ length: kinds }, (_, kind) => Math.floor((positions + kind) / kinds))

describe('where pieces lie in a plane', () => {
  const nets = fc.integer({ min: 2, max: 7 }).chain((positions) =>
    fc.record({
      positions: fc.constant(positions),
      pairs: fc.uniqueArray(
        fc
          .tuple(fc.nat(positions - 1), fc.nat(positions - 1))
          .filter(([one, other]) => one < other)
          .map(([one, other]): Pair => [one, other]),
        { selector: String, maxLength: 12 },
      ),
      cuts: fc.tuple(fc.nat(positions), fc.nat(positions)),
    }),
  )
  const countsFor = (positions: number, [one, other]: readonly [number, number]) => {
    const [low, high] = [Math.min(one, other), Math.max(one, other)]
    return [low, high - low, positions - high]
  }
  test('fewest like neighbours as by trying every order, on any net of up to seven', () => {
    fc.assert(
      fc.property(nets, ({ positions, pairs, cuts }) => {
        const counts = countsFor(positions, cuts)
        const found = arrangeInOrder({ neighbours: pairs, counts, locked: FREE })
        let fewest = Infinity
        for (const order of ordersOf(counts))
          fewest = Math.min(fewest, pairs.filter(([one, other]) => order[one] === order[other]).length)
        expect(countsIn(found.colours, 3)).toEqual(counts)
        expect([found.clashes.length, found.fewest]).toEqual([fewest, true])
      }),
      { numRuns: 150 },
    )
  })
  test('what is held stays, and the others are as good as they can be around it', () => {
    fc.assert(
      fc.property(nets, fc.nat(6), ({ positions, pairs, cuts }, place) => {
        const counts = countsFor(positions, cuts)
        const colour = counts.findIndex((count) => count > 0)
        const locked = new Map([[place % positions, colour]])
        const found = arrangeInOrder({ neighbours: pairs, counts, locked })
        let fewest = Infinity
        for (const order of ordersOf(counts))
          if (order[place % positions] === colour)
            fewest = Math.min(fewest, pairs.filter(([one, other]) => order[one] === order[other]).length)
        expect(found.colours[place % positions]).toBe(colour)
        expect(found.clashes).toHaveLength(fewest)
      }),
      { numRuns: 100 },
    )
  })
  test.each([
    ['a mobile', pairsIn('mobile', { threads: 25, each: 20, drop: 100, every: 80, knot: 0 })],
    ['five domes', pairsIn('bouquet', { bouquets: 5, each: 100 })],
  ])('500 pieces in five colours without like neighbours: %s', (_, neighbours) => {
    const found = arrangeInOrder({ neighbours, counts: shared(500, 5), locked: FREE })
    expect(found).toMatchObject({ clashes: [], fewest: true })
    expect(countsIn(found.colours, 5)).toEqual(shared(500, 5))
  })
  test('what is forced is never more than the fewest by trying every order', () => {
    fc.assert(
      fc.property(nets, ({ positions, pairs, cuts }) => {
        const counts = countsFor(positions, cuts)
        let fewest = Infinity
        for (const order of ordersOf(counts))
          fewest = Math.min(fewest, pairs.filter(([one, other]) => order[one] === order[other]).length)
        expect(forcedClashes(besideOf(positions, pairs), counts)).toBeLessThanOrEqual(fewest)
      }),
      { numRuns: 150 },
    )
  })
  test('14 bottles of five flowers, half of them orange: of five, two can stand apart, so seven pairs are forced', () => {
    const neighbours = pairsIn('bouquet', { bouquets: 14, each: 5 })
    const found = arrangeInOrder({ neighbours, counts: [35, 21, 14], locked: FREE })
    expect([found.clashes.length, found.fewest]).toEqual([7, true])
  })
  test('two colours by turns along both sides of a table, where no other order does', () => {
    for (const places of [4, 7, 14, 40]) {
      const neighbours = pairsIn('table', { places, each: 2 })
      const counts = shared(2 * places, 2)
      expect(arrangeInOrder({ neighbours, counts, locked: FREE })).toMatchObject({
        clashes: [],
        fewest: true,
      })
    }
  })
  test('a seed gives another order as good, and always the same', () => {
    const problem = {
      neighbours: pairsIn('bouquet', { bouquets: 1, each: 19 }),
      counts: shared(19, 4),
      locked: FREE,
    }
    const [best, one, again, other] = [0, 5, 5, 6].map((seed) => arrangeInOrder({ ...problem, seed }))
    expect(one).toEqual(again)
    expect(one?.colours).not.toEqual(other?.colours)
    for (const order of [best, one, other]) expect(order?.clashes).toEqual([])
  })
})

/** Two rows of three, each beside the next of its row and the one across. */
const TWO_BY_THREE = [
  [0, 1],
  [0, 3],
  [1, 2],
  [1, 4],
  [2, 5],
  [3, 4],
  [4, 5],
]

describe('what lies beside what', () => {
  test('a mobile: along a level and down a thread', () => {
    const pairs = pairsIn('mobile', { threads: 3, each: 2, drop: 100, every: 80, knot: 0 })
    expect(pairs.toSorted(([a, b], [c, d]) => a - c || b - d)).toEqual(TWO_BY_THREE)
  })
  test('a table: along each side and across, not around its ends', () => {
    const pairs = pairsIn('table', { places: 6, each: 1 })
    expect(pairs.toSorted(([a, b], [c, d]) => a - c || b - d)).toEqual(TWO_BY_THREE)
  })
  test('bouquets: flowers that touch, and none of two bouquets; the nearest are a flower apart', () => {
    expect(pairsIn('bouquet', { bouquets: 2, each: 3 })).toHaveLength(6)
    const { places } = sceneFor('bouquet', { bouquets: 1, each: 60 })
    const nearest = places.map((one, at) =>
      Math.min(
        ...places.flatMap((other, index) =>
          index === at ? [] : [Math.hypot(one.xMm - other.xMm, one.yMm - other.yMm)],
        ),
      ),
    )
    // The middle of the spiral lies closer, as in any dome; further out they settle.
    const across = Math.sqrt(PIECE.acrossMm * PIECE.highMm)
    expect(Math.min(...nearest)).toBeGreaterThan(0.8 * across)
    expect(Math.max(...nearest)).toBeLessThan(1.2 * across)
  })
})

describe.each(['ring', 'line'] as const)('its own mirror image, on a %s', (shape) => {
  const image = (colours: readonly number[]) =>
    colours.map(
      (_, at) => colours[shape === 'ring' ? (colours.length - at) % colours.length : colours.length - 1 - at],
    )
  test('it is, with as few like neighbours as by trying every order; or there is none', () => {
    for (let a = 0; a <= 4; a++)
      for (let b = 0; b <= 4; b++)
        for (let c = 1; c <= 3; c++) {
          const counts = [a, b, c]
          let fewest = Infinity
          for (const order of ordersOf(counts))
            if (image(order).every((colour, at) => colour === order[at]))
              fewest = Math.min(fewest, clashesOf(shape, order).length)
          const found = mirroredOrder(shape, counts)
          if ('odd' in found) expect({ counts, fewest }).toEqual({ counts, fewest: Infinity })
          else {
            expect(image(found.colours)).toEqual(found.colours)
            expect(countsIn(found.colours, 3)).toEqual(counts)
            expect({ counts, fewest: found.clashes.length }).toEqual({ counts, fewest })
          }
        }
  })
})

describe.each(['ring', 'line'] as const)('another order of a %s', (shape) => {
  test('has as few like neighbours, the same pieces, and what is held at its place', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 2, maxLength: 4 }),
        fc.integer({ min: 1, max: 99 }),
        (counts, seed) => {
          const free = arrangeInOrder({ neighbours: shape, counts, locked: FREE })
          const other = arrangeInOrder({ neighbours: shape, counts, locked: FREE, seed })
          expect(countsIn(other.colours, counts.length)).toEqual(counts)
          expect(other.clashes).toHaveLength(free.clashes.length)
          const locked = new Map([[0, 0]])
          const held = arrangeInOrder({ neighbours: shape, counts, locked, seed })
          expect(held.colours[0]).toBe(0)
        },
      ),
      { numRuns: 60 },
    )
  })
})
