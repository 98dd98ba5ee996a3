import fc from 'fast-check'
import { loadSolver } from '@/solvers/highs'
import { leastCostOf } from '../../../test/oracles/stages-by-search'
import {
  boundBy,
  checkCutPlan,
  missingIn,
  papersOf,
  planExactly,
  plannedPaper,
  THOROUGH,
  USUAL_TOOLS,
  type CutProblem,
  type CutTools,
  type LinearSolver,
  type PaperPlan,
} from '.'

let solver: LinearSolver
beforeAll(async () => {
  solver = await loadSolver()
})

/** Plans every paper to the end. */
const plansOf = (problem: CutProblem): readonly PaperPlan[] =>
  papersOf(problem).map(([paperId, paper]) => plannedPaper(paper, paperId, solver))
const planOf = (problem: CutProblem) => planExactly(problem, solver)

const unit = fc.integer({ min: 1, max: 5 })
const size = fc.record({ widthUm: unit, heightUm: unit })
/** A few pieces and sheets of one digit. */
const tiny = fc.record({
  pieces: fc.array(
    fc.record({ sizeUm: size, turnable: fc.boolean(), count: fc.integer({ min: 1, max: 3 }) }),
    {
      minLength: 1,
      maxLength: 3,
    },
  ),
  sheets: fc.array(
    fc.record({
      sizeUm: fc.record({
        widthUm: fc.integer({ min: 3, max: 7 }),
        heightUm: fc.integer({ min: 3, max: 7 }),
      }),
      available: fc.integer({ min: 0, max: 3 }),
      price: fc.integer({ min: 1, max: 9 }),
      offcut: fc.boolean(),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  stages: fc.constantFrom<2 | 3>(2, 3),
})
type Tiny = typeof tiny extends fc.Arbitrary<infer One> ? One : never

const problemOf = ({ pieces, sheets, stages }: Tiny): CutProblem => ({
  demands: pieces.map((one, index) => ({ ...one, key: `d${index}`, paperId: 'p' })),
  stock: sheets.map(({ price, ...one }, index) => ({
    ...one,
    stockId: `s${index}`,
    paperId: 'p',
    priceMinor: one.offcut ? null : price,
  })),
  tools: { ...USUAL_TOOLS, stages },
})

test('five hundred tiny problems cost what trying every cut says, and are proven', () => {
  fc.assert(
    fc.property(tiny, (one) => {
      const pieces = one.pieces.flatMap((piece) => Array.from({ length: piece.count }, () => piece))
      fc.pre(pieces.length <= 5)
      const least = leastCostOf(
        one.sheets.map(({ sizeUm, available, price, offcut }) => ({
          sizeUm,
          available,
          cost: offcut ? 0 : price,
        })),
        pieces,
        one.stages,
      )
      const problem = problemOf(one)
      const plan = planExactly(problem, solver, THOROUGH)
      expect(checkCutPlan(problem, plan)).toEqual([])
      if (least === null) expect(plan.status).toBe('short')
      else {
        expect(plan.status).toBe('proven')
        expect(plan.proofs).toEqual([expect.objectContaining({ cost: least, bound: least })])
      }
    }),
    { numRuns: 500 },
  )
})

const mm = (value: number) => Math.round(1000 * value)
const A4 = { widthUm: mm(210), heightUm: mm(297) }
const stock = (sizeUm: { widthUm: number; heightUm: number }, available = 500) => [
  { stockId: 's', paperId: 'p', sizeUm, available, offcut: false },
]
const wanted = (...sizes: readonly (readonly [width: number, height: number, count: number])[]) =>
  sizes.map(([width, height, count], index) => ({
    key: `d${index}`,
    paperId: 'p',
    sizeUm: { widthUm: mm(width), heightUm: mm(height) },
    count,
    turnable: true,
  }))

test('Gilmore and Gomory: thirteen widths from a stock of 5600 take 73 lengths, 72.9167 relaxed', () => {
  // CHECK: a worked example of their column generation (1961, 1963), from memory.
  const widths = [1380, 1520, 1560, 1710, 1820, 1880, 1930, 2000, 2050, 2100, 2140, 2150, 2200]
  const counts = [22, 25, 12, 14, 18, 18, 20, 10, 12, 14, 16, 18, 20]
  const problem: CutProblem = {
    demands: widths.map((widthUm, index) => ({
      key: `d${index}`,
      paperId: 'p',
      sizeUm: { widthUm, heightUm: 100 },
      count: counts[index] ?? 0,
      turnable: false,
    })),
    stock: stock({ widthUm: 5600, heightUm: 100 }),
    tools: { ...USUAL_TOOLS, stages: 2 },
  }
  const [plan] = plansOf(problem)
  expect(plan!.cutting.cost).toBe(73)
  expect(plan!.bound).toBe(73)
  const stockUsed = 73 * 5600
  const pieces = widths.reduce((sum, width, index) => sum + width * (counts[index] ?? 0), 0)
  expect(1 - pieces / stockUsed).toBeCloseTo(0.00401, 4)
  expect(checkCutPlan(problem, planOf(problem))).toEqual([])
})

test('yields: nothing is rounded before they are tested', () => {
  const sheets = (side: number) => {
    const [plan] = plansOf({ demands: wanted([side, side, 24]), stock: stock(A4) })
    return plan!.cutting.cost
  }
  // Eight of 74.25 mm come off an A4, six of 74.3 (derived: 297 / 74.25 is 4).
  expect(sheets(74.25)).toBe(3)
  expect(sheets(74.3)).toBe(4)
})

test('a margin takes its edges off, and a trimmer cuts no longer than it is', () => {
  const asked = (tools: Partial<CutTools>): CutProblem => ({
    demands: wanted([74.25, 74.25, 16]),
    stock: stock(A4),
    tools: { ...USUAL_TOOLS, ...tools },
  })
  expect(plansOf(asked({}))[0]!.cutting.cost).toBe(2)
  // 287 mm hold three of 74.25.
  expect(plansOf(asked({ marginUm: mm(5) }))[0]!.cutting.cost).toBe(3)
  const short = planOf(asked({ trimmerUm: mm(205) }))
  expect(short.status).toBe('short')
  for (const trimmerUm of [mm(215), mm(300)]) {
    const problem = asked({ trimmerUm })
    expect(checkCutPlan(problem, planOf(problem))).toEqual([])
  }
})

test('sheets that are the pieces are taken as they are, whatever the margin', () => {
  const problem: CutProblem = {
    demands: wanted([150, 150, 7]),
    stock: [...stock({ widthUm: mm(150), heightUm: mm(150) }, 5), { ...stock(A4)[0]!, stockId: 'a4' }],
    tools: { ...USUAL_TOOLS, marginUm: mm(4) },
  }
  const plan = planOf(problem)
  expect(checkCutPlan(problem, plan)).toEqual([])
  expect(plan.layouts.find(({ stockId }) => stockId === 's')?.sheets).toBe(5)
})

test('whatever worth the pieces are given, no plan costs less than the bound they make', () => {
  fc.assert(
    fc.property(
      tiny,
      fc.array(fc.integer({ min: 0, max: 4000 }), { minLength: 3, maxLength: 3 }),
      (one, worth) => {
        const [plan] = plansOf(problemOf(one))
        fc.pre(missingIn(plan!.cutting) === 0)
        expect(boundBy(plan!.problem, { worth, scale: 1000 })).toBeLessThanOrEqual(plan!.cutting.cost)
      },
    ),
    { numRuns: 300 },
  )
})

test('what cannot be is refused: counts and margins that are none', () => {
  const problem = (count: number, marginUm = 0): CutProblem => ({
    demands: wanted([50, 50, 1]).map((one) => ({ ...one, count })),
    stock: stock(A4),
    tools: { ...USUAL_TOOLS, marginUm },
  })
  for (const count of [-1, NaN, 1e9, 1.5]) expect(() => planOf(problem(count))).toThrow(/pieces/)
  for (const margin of [-1, NaN, 1e9]) expect(() => planOf(problem(1, margin))).toThrow(/margin/)
  expect(planOf(problem(0)).layouts).toEqual([])
})

test('sheets that may come out smaller are planned as if they were, but for those that are the piece', () => {
  fc.assert(
    fc.property(tiny, (one) => {
      const problem = problemOf(one)
      const certain = (by: number): CutProblem => ({
        ...problem,
        stock: problem.stock.map((sheets) => ({
          ...sheets,
          sizeUm: { widthUm: sheets.sizeUm.widthUm - by, heightUm: sheets.sizeUm.heightUm - by },
        })),
      })
      const isPiece = problem.stock.some(({ sizeUm: { widthUm, heightUm } }) =>
        problem.demands.some(
          ({ sizeUm }) =>
            [sizeUm.widthUm, sizeUm.heightUm].sort().join() === [widthUm, heightUm].sort().join(),
        ),
      )
      fc.pre(!isPiece)
      const uncertain = {
        ...problem,
        stock: problem.stock.map((sheets) => ({ ...sheets, toleranceUm: 1 })),
      }
      const plan = planOf(uncertain)
      expect(checkCutPlan(uncertain, plan)).toEqual([])
      const smaller = planOf(certain(1))
      expect(plan.status).toBe(smaller.status)
      expect(plan.proofs?.[0]?.cost).toBe(smaller.proofs?.[0]?.cost)
    }),
    { numRuns: 60 },
  )
})

test('a plan that reaches into what may not be there is refused; a sheet that is the piece is not', () => {
  const stock = { stockId: 's', paperId: 'p', available: 9, offcut: false }
  const whole = { ...stock, sizeUm: { widthUm: 300_000, heightUm: 150_000 } }
  const piece = {
    key: 'd',
    paperId: 'p',
    sizeUm: { widthUm: 150_000, heightUm: 150_000 },
    count: 2,
    turnable: true,
  }
  const plan = planOf({ demands: [piece], stock: [whole] })
  expect(checkCutPlan({ demands: [piece], stock: [{ ...whole, toleranceUm: 500 }] }, plan)).toEqual([
    { code: 'OFF_THE_SHEET', layout: '1' },
  ])
  const square = { ...stock, sizeUm: piece.sizeUm, toleranceUm: 500 }
  const ready = { demands: [piece], stock: [square] }
  expect(planOf(ready)).toMatchObject({ status: 'proven', layouts: [{ sheets: 2, offcuts: [] }] })
  expect(checkCutPlan(ready, planOf(ready))).toEqual([])
})

test('where pieces run one way two-to-one pieces lie as they stand: by hand 8 of 100 x 50 off A4 lying, turned 10', () => {
  // 297 x 210: 2 across x 4 high = 8; turned 5 x 2 = 10.
  const sizeUm = { widthUm: 100_000, heightUm: 50_000 }
  const sheets = {
    stockId: 's',
    paperId: 'p',
    sizeUm: { widthUm: 297_000, heightUm: 210_000 },
    available: 9,
    offcut: false,
  }
  const of = (turnable: boolean) =>
    planOf({ demands: [{ key: 'd', paperId: 'p', sizeUm, count: 10, turnable }], stock: [sheets] })
  const count = (plan: ReturnType<typeof of>) => plan.layouts.reduce((sum, { sheets: many }) => sum + many, 0)
  expect(count(of(true))).toBe(1)
  expect(count(of(false))).toBe(2)
  expect(of(false).layouts.every(({ placements }) => placements.every(({ turned }) => !turned))).toBe(true)
})
