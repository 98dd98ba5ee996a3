import fc from 'fast-check'
import { bestGrid, pieceSizeUm } from '../sheet'
import { checkCutPlan, planByRule, roundForYield, sweepSizes } from '.'

/** Pieces that are not square: 2:1 pieces and strips. */
const A4 = { widthUm: 210_000, heightUm: 297_000 }
const stockOf = (available: number) => [{ stockId: 'a4', paperId: 'p', sizeUm: A4, available, offcut: false }]

test('a piece by its width and its height by width, in whole micrometres', () => {
  expect(pieceSizeUm(118_500, 0.5)).toEqual({ widthUm: 118_500, heightUm: 59_250 })
  expect(pieceSizeUm(100_001, 0.25)).toEqual({ widthUm: 100_001, heightUm: 25_000 })
  expect(pieceSizeUm(1, 0.01).heightUm).toBe(1)
})
test('strips of 28 x 7 cm: three off A4, lying along its height; off Letter, 0.6 mm too short, none (derived)', () => {
  expect(bestGrid(A4, pieceSizeUm(280_000, 0.25))).toMatchObject({ count: 3, turned: true })
  expect(bestGrid({ widthUm: 210_000, heightUm: 279_400 }, pieceSizeUm(280_000, 0.25)).count).toBe(0)
})
test('2:1 pieces of Letter’s width: two from a sheet (8.5 x 4.25 in, derived)', () => {
  const letter = { widthUm: 215_900, heightUm: 279_400 }
  expect(bestGrid(letter, pieceSizeUm(215_900, 0.5)).count).toBe(2)
})
test('plans of rectangles pass the independent check', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 20_000, max: 297_000 }),
      fc.double({ min: 0.1, max: 1.2, noNaN: true }),
      fc.integer({ min: 1, max: 60 }),
      (widthUm, highPerWide, pieces) => {
        const sizeUm = pieceSizeUm(widthUm, highPerWide)
        const demands = [{ key: 'd', paperId: 'p', sizeUm, count: pieces, turnable: true }]
        const problem = { demands, stock: stockOf(100) }
        const plan = planByRule(problem)
        expect(checkCutPlan(problem, plan)).toEqual([])
      },
    ),
  )
})
test('the sweep follows the shape: halves of a square never take more sheets than the squares do', () => {
  const sweep = (highPerWide?: number) =>
    sweepSizes(
      [{ paperId: 'p', pieces: 12, stock: stockOf(1), ...(highPerWide ? { highPerWide } : {}) }],
      { fromMm: 60, toMm: 120, ruler: 'mm-1' },
      planByRule,
      () => true,
    ).points
  const [squares, halves] = [sweep(), sweep(0.5)]
  squares.forEach(({ sideMm, sheets }, index) => {
    expect(halves[index]?.sideMm).toBe(sideMm)
    expect(halves[index]?.sheets ?? Infinity).toBeLessThanOrEqual(sheets ?? Infinity)
  })
})
test('rounding to the ruler looks at the yield of the shape', () => {
  // 74.6 rounds up to 75: squares of 75 lose two a sheet; strips a quarter as high do not.
  expect(roundForYield(74.6, 'mm-1', [A4])).toBe(74)
  expect(roundForYield(74.6, 'mm-1', [A4], 1)).toBe(74)
  const counts = (side: number) => bestGrid(A4, pieceSizeUm(side * 1000, 0.25)).count
  expect(roundForYield(74.6, 'mm-1', [A4], 0.25)).toBe(counts(75) < counts(74) ? 74 : 75)
})
