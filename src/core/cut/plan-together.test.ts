import fc from 'fast-check'
import { loadSolver } from '@/solvers/highs'
import { leastCostOf, leastMissingOf } from '../../../test/oracles/stages-by-search'
import {
  AT_ONCE,
  BY_RULE,
  checkCutPlan,
  planExactly,
  planFigures,
  planTogether,
  USUAL_TOOLS,
  type CutDemand,
  type CutPlan,
  type Effort,
  type LinearSolver,
  type StockSheets,
} from '.'

let solver: LinearSolver
beforeAll(async () => {
  solver = await loadSolver()
})

const A4 = { widthUm: 210_000, heightUm: 297_000 }
const sheets = (available: number, change: Partial<StockSheets> = {}): StockSheets => ({
  stockId: 'a4',
  paperId: 'p',
  sizeUm: A4,
  available,
  offcut: false,
  priceMinor: 14,
  ...change,
})
const squares = (key: string, count: number, sideMm: number, paperId = 'p'): CutDemand => ({
  key,
  paperId,
  sizeUm: { widthUm: sideMm * 1000, heightUm: sideMm * 1000 },
  count,
  turnable: true,
})
const planOf = (parties: readonly (readonly CutDemand[])[], stock: readonly StockSheets[]) =>
  planTogether({ parties, stock, tools: USUAL_TOOLS }, solver, AT_ONCE)
const missingOf = (plan: CutPlan, key: string) =>
  plan.status === 'short' ? (plan.missing.find(({ demand }) => demand === key)?.count ?? 0) : 0

test('by hand: two squares of 13 cm off an A4, three wanted by each of two projects: 3 sheets and not 4', () => {
  const stock = [sheets(9)]
  const alone = ['a', 'b'].map((key) => planOf([[squares(key, 3, 130)]], stock))
  expect(alone.map(({ problem, plan }) => planFigures(problem, plan).sheets)).toEqual([2, 2])
  const { problem, plan } = planOf([[squares('a', 3, 130)], [squares('b', 3, 130)]], stock)
  expect(plan.status).toBe('proven')
  expect(planFigures(problem, plan).sheets).toBe(3)
})

test('where sheets are too few the later one goes short, whoever has the larger pieces', () => {
  for (const [first, second] of [
    [squares('a', 4, 130), squares('b', 12, 70)],
    [squares('a', 12, 70), squares('b', 4, 130)],
  ] as const) {
    const { problem, plan } = planOf([[first], [second]], [sheets(2)])
    expect(checkCutPlan(problem, plan)).toEqual([])
    expect(missingOf(plan, 'a')).toBe(0)
    expect(missingOf(plan, 'b')).toBeGreaterThan(0)
  }
})

test('papers are planned apart: one that is too small says nothing of the other', () => {
  const stock = [sheets(1), sheets(9, { stockId: 'q4', paperId: 'q' })]
  const { problem, plan } = planOf(
    [
      [squares('a', 2, 130), squares('aq', 3, 130, 'q')],
      [squares('b', 2, 130), squares('bq', 3, 130, 'q')],
    ],
    stock,
  )
  expect(checkCutPlan(problem, plan)).toEqual([])
  expect(['a', 'b', 'aq', 'bq'].map((key) => missingOf(plan, key))).toEqual([0, 2, 0, 0])
  expect(
    plan.layouts.filter(({ stockId }) => stockId === 'q4').reduce((sum, one) => sum + one.sheets, 0),
  ).toBe(3)
})

test('one party is planned as ever, and one that wants nothing changes nothing', () => {
  const stock = [sheets(9)]
  const demands = [squares('a', 7, 90), squares('c', 3, 120)]
  const { problem, plan } = planOf([demands, []], stock)
  expect(plan).toEqual(planExactly(problem, solver, AT_ONCE))
})

/** As within a deed, but for its limits in seconds: on a busy machine they would make two plans of one problem differ. */
const UNHURRIED: Effort = {
  ...AT_ONCE,
  seconds: 5,
  layouts: AT_ONCE.layouts && { ...AT_ONCE.layouts, seconds: 5 },
}

const piece = fc.record({
  side: fc.integer({ min: 1, max: 4 }),
  high: fc.integer({ min: 1, max: 4 }),
  count: fc.integer({ min: 1, max: 3 }),
})
const parties = fc.array(fc.array(piece, { minLength: 1, maxLength: 2 }), { minLength: 2, maxLength: 3 })
const drawer = fc.array(
  fc.record({
    widthUm: fc.integer({ min: 3, max: 6 }),
    heightUm: fc.integer({ min: 3, max: 6 }),
    available: fc.integer({ min: 1, max: 6 }),
    offcut: fc.boolean(),
  }),
  { minLength: 1, maxLength: 2 },
)

test('over random drawers: checked, never worse than one after the other, the first never short for a later one, as few as trying every cut', () => {
  fc.assert(
    fc.property(parties, drawer, fc.constantFrom(UNHURRIED, BY_RULE), (wanted, lying, effort) => {
      const stock = lying.map(({ widthUm, heightUm, available, offcut }, index): StockSheets => ({
        stockId: `s${index}`,
        paperId: 'p',
        sizeUm: { widthUm, heightUm },
        available,
        offcut,
        priceMinor: offcut ? 0 : 3,
      }))
      const demands = wanted.map((own, party) =>
        own.map(({ side, high, count }, index): CutDemand => ({
          key: `d${party}-${index}`,
          paperId: 'p',
          sizeUm: { widthUm: side, heightUm: high },
          count,
          turnable: true,
        })),
      )
      const { problem, plan } = planTogether({ parties: demands, stock, tools: USUAL_TOOLS }, solver, effort)
      expect(checkCutPlan(problem, plan)).toEqual([])
      const costOf = ({ layouts }: CutPlan) =>
        layouts.reduce(
          (sum, { stockId, sheets: count }) =>
            sum + count * (stock.find((one) => one.stockId === stockId)?.priceMinor ?? 0),
          0,
        )
      let left = stock
      let spent = 0
      let layouts = 0
      let enough = true
      for (const [party, own] of demands.entries()) {
        const alone = planExactly({ demands: own, stock: left, tools: USUAL_TOOLS }, solver, effort)
        const taken = (id: string) =>
          alone.layouts.reduce((sum, one) => sum + (one.stockId === id ? one.sheets : 0), 0)
        spent += costOf(alone)
        layouts += alone.layouts.length
        enough &&= alone.status !== 'short'
        left = left.map((one) => ({ ...one, available: one.available - taken(one.stockId) }))
        if (party === 0) {
          const missing = (of: CutPlan) => own.reduce((sum, { key }) => sum + missingOf(of, key), 0)
          expect(missing(plan)).toBeLessThanOrEqual(missing(alone))
        }
      }
      if (enough) {
        expect(plan.status).not.toBe('short')
        expect(costOf(plan)).toBeLessThanOrEqual(spent)
        if (costOf(plan) === spent) expect(plan.layouts.length).toBeLessThanOrEqual(layouts)
      }
      const pieces = wanted.flat().flatMap(({ side, high, count }) =>
        Array.from({ length: count }, () => ({
          sizeUm: { widthUm: side, heightUm: high },
          turnable: true,
        })),
      )
      if (pieces.length > 5 || plan.status === 'short' || effort === BY_RULE) return
      const searched = stock.map(({ sizeUm, available, priceMinor }) => ({
        sizeUm,
        available,
        cost: priceMinor ?? 0,
      }))
      expect(costOf(plan)).toBe(leastCostOf(searched, pieces, 3))
    }),
    { numRuns: 120 },
  )
})

describe('where there are too few sheets, what is missing counts first', () => {
  const small = fc.record({
    widthUm: fc.integer({ min: 3, max: 6 }),
    heightUm: fc.integer({ min: 3, max: 6 }),
    available: fc.integer({ min: 1, max: 2 }),
  })
  const few = fc.array(fc.array(piece, { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 2 })
  test('over random small drawers: no fewer missing by trying every choice, of the earlier first; what is sure is least', () => {
    let [short, sure, joint] = [0, 0, 0]
    fc.assert(
      fc.property(few, fc.array(small, { minLength: 1, maxLength: 2 }), (wanted, lying) => {
        const pieces = wanted.flatMap((own, party) =>
          own.flatMap(({ side, high, count }) =>
            Array.from({ length: count }, () => ({
              sizeUm: { widthUm: side, heightUm: high },
              turnable: true,
              party,
            })),
          ),
        )
        fc.pre(pieces.length <= 5)
        const stock = lying.map(({ widthUm, heightUm, available }, index): StockSheets => ({
          stockId: `s${index}`,
          paperId: 'p',
          sizeUm: { widthUm, heightUm },
          available,
          offcut: false,
          priceMinor: 3,
        }))
        const demands = wanted.map((own, party) =>
          own.map(({ side, high, count }, index): CutDemand => ({
            key: `d${party}-${index}`,
            paperId: 'p',
            sizeUm: { widthUm: side, heightUm: high },
            count,
            turnable: true,
          })),
        )
        const { problem, plan } = planTogether(
          { parties: demands, stock, tools: USUAL_TOOLS },
          solver,
          UNHURRIED,
        )
        expect(checkCutPlan(problem, plan)).toEqual([])
        const missing = demands.map((own) => own.reduce((sum, { key }) => sum + missingOf(plan, key), 0))
        const searched = stock.map(({ sizeUm, available }) => ({ sizeUm, available, cost: 3 }))
        const least = leastMissingOf(searched, pieces, 3)
        expect(missing).toEqual([...least])
        if (plan.status !== 'short') return
        short++
        if (demands.length > 1) joint++
        if (plan.sure) sure++
        const fewest = leastMissingOf(
          searched,
          pieces.map((one) => ({ ...one, party: 0 })),
          3,
        )
        if (plan.sure) expect(missing.reduce((sum, count) => sum + count, 0)).toBe(fewest[0])
      }),
      { numRuns: 110 },
    )
    // Were nothing ever short, or never sure, the lines above would say nothing.
    expect(short).toBeGreaterThan(15)
    expect(joint).toBeGreaterThan(5)
    expect(sure).toBeGreaterThan(5)
  })
  test('by hand: two sheets of 6 x 6; four squares of 3 and one of 6 are wanted: all go in; with a second of 6 one is missing', () => {
    const stock = [sheets(2, { sizeUm: { widthUm: 6000, heightUm: 6000 } })]
    const [threes, six] = [squares('a', 4, 3), squares('b', 1, 6)]
    expect(planOf([[threes, six]], stock).plan.status).not.toBe('short')
    const { plan } = planOf([[threes, { ...six, count: 2 }]], stock)
    expect(plan).toMatchObject({ status: 'short', missing: [{ demand: 'b', count: 1 }], sure: true })
  })
})
