import fc from 'fast-check'
import {
  binomialAtMost,
  chanceEnoughByIntegration,
  piecesToCutBySearch,
} from '../../../test/oracles/chance-enough'
import { BINOMIAL_TABLE, PIECES_TO_CUT } from '../../../test/reference/counts'
import { chanceEnough, meanRejectRate, NO_HISTORY, sparesFor, squaresFor, updateRejectRate } from '.'

describe('outside values', () => {
  test.each(PIECES_TO_CUT)('$what: cut $value', ({ input: { good, alpha, beta, certainty }, value }) => {
    const [spares = NaN] = sparesFor([good], { alpha, beta }, certainty)
    expect(good + spares).toBe(value)
  })
  test.each(PIECES_TO_CUT.filter(({ locator }) => locator.startsWith('from memory')))(
    '$what: $value, found by search as well',
    ({ input: { good, alpha, beta, certainty }, value }) => {
      expect(piecesToCutBySearch(good, alpha / (alpha + beta), certainty)).toBe(value)
    },
  )
  test.each(BINOMIAL_TABLE)('$what = $value', ({ input: { n, p, k }, value, tolerance }) => {
    const known = { alpha: p * 1e7, beta: (1 - p) * 1e7 }
    expect(Math.abs(chanceEnough([{ good: n - k, spares: k }], known) - value)).toBeLessThan(tolerance * 2)
    expect(Math.abs(binomialAtMost(n, p, k) - value)).toBeLessThan(tolerance * 1.01)
  })
})

const pile = fc.record({ good: fc.integer({ min: 0, max: 12 }), spares: fc.integer({ min: 0, max: 4 }) })
const rate = fc.record({ alpha: fc.integer({ min: 1, max: 6 }), beta: fc.integer({ min: 12, max: 60 }) })

test('the exact chance agrees with slow integration', () => {
  fc.assert(
    fc.property(fc.array(pile, { minLength: 1, maxLength: 3 }), rate, (piles, { alpha, beta }) => {
      expect(chanceEnough(piles, { alpha, beta })).toBeCloseTo(
        chanceEnoughByIntegration(piles, alpha, beta),
        5,
      )
    }),
    { numRuns: 25 },
  )
})

describe('spares', () => {
  const goods = fc.array(fc.integer({ min: 0, max: 60 }), { minLength: 1, maxLength: 4 })
  test('are enough jointly, and one fewer anywhere is not where there is one pile', () => {
    fc.assert(
      fc.property(goods, rate, fc.constantFrom(0.8, 0.9, 0.95), (wanted, known, certainty) => {
        const spares = sparesFor(wanted, known, certainty)
        const piles = wanted.map((good, index) => ({ good, spares: spares[index] ?? 0 }))
        expect(chanceEnough(piles, known)).toBeGreaterThanOrEqual(certainty - 1e-9)
        const [only] = piles
        if (piles.length === 1 && only && only.spares > 0)
          expect(chanceEnough([{ ...only, spares: only.spares - 1 }], known)).toBeLessThan(certainty)
      }),
      { numRuns: 40 },
    )
  })
  test('the certainty of each pile alone would fall short jointly (80, 48 and 32 at a 5 % rate: about 0.89)', () => {
    const known = { alpha: 0.05e9, beta: 0.95e9 }
    const alone = [80, 48, 32].map((good) => ({ good, spares: sparesFor([good], known, 0.95)[0] ?? 0 }))
    const joint = chanceEnough(alone, known)
    expect(joint).toBeLessThan(0.95)
    expect(joint).toBeGreaterThan(0.85)
  })
  test('nothing wanted needs no spare; nonsense is refused', () => {
    expect(sparesFor([], NO_HISTORY, 0.95)).toEqual([])
    expect(sparesFor([0], NO_HISTORY, 0.95)).toEqual([0])
    expect(() => sparesFor([1.5], NO_HISTORY, 0.95)).toThrow('NOT_INTEGER')
    expect(() => sparesFor([5], NO_HISTORY, 1)).toThrow('certainty')
  })
})

test('the log moves the rate: 80 good without a reject halve what is expected', () => {
  expect(meanRejectRate(NO_HISTORY)).toBeCloseTo(0.05, 12)
  expect(meanRejectRate(updateRejectRate(NO_HISTORY, 0, 80))).toBeCloseTo(0.025, 12)
})

test('one bad test tray does not run away with the estimate', () => {
  const spares = (good: number, rate = NO_HISTORY) => sparesFor([good], rate, 0.95)[0]
  expect(spares(500)).toBe(55)
  expect(spares(500, updateRejectRate(NO_HISTORY, 1, 9))).toBe(58)
  expect(spares(24)).toBe(4)
})

test('leaves come four to a square: 10 leaves take 3 squares', () => {
  expect(squaresFor(10, 4)).toBe(3)
  expect(squaresFor(8, 4)).toBe(2)
})
