import fc from 'fast-check'
import { loadSolver } from '@/solvers/highs'
import {
  checkCutPlan,
  cutOrder,
  cutWith,
  isBetterPlan,
  longestCutUm,
  planExactly,
  planByRule,
  THOROUGH,
  USUAL_TOOLS,
  verifiedPlan,
  type CutProblem,
  type LinearSolver,
  type RectUm,
} from '.'

let solver: LinearSolver
beforeAll(async () => {
  solver = await loadSolver()
})

const A4 = { widthUm: 210_000, heightUm: 297_000 }
const rect = (xUm: number, yUm: number, widthUm: number, heightUm: number): RectUm => ({
  xUm,
  yUm,
  widthUm,
  heightUm,
})
const problem = (sides: readonly (readonly [side: number, count: number])[], available = 50): CutProblem => ({
  demands: sides.map(([side, count], index) => ({
    key: `d${index}`,
    paperId: 'p',
    sizeUm: { widthUm: side, heightUm: side },
    count,
    turnable: true,
  })),
  stock: [{ stockId: 'a4', paperId: 'p', sizeUm: A4, available, offcut: false }],
  tools: USUAL_TOOLS,
})

describe('cutting in stages', () => {
  test('what takes three stages cannot be cut in two; a pinwheel cannot be cut at all', () => {
    // Two strips; in the lower one a piece beside two that lie one over the other.
    const pieces = [rect(0, 0, 6, 4), rect(6, 0, 4, 2), rect(6, 2, 4, 2), rect(0, 4, 10, 6)]
    const sheet = { widthUm: 10, heightUm: 10 }
    expect(cutWith(sheet, pieces, USUAL_TOOLS)).not.toBeNull()
    expect(cutWith(sheet, pieces, { ...USUAL_TOOLS, stages: 2 })).toBeNull()
    const pinwheel = [rect(0, 0, 6, 4), rect(6, 0, 4, 6), rect(4, 6, 6, 4), rect(0, 4, 4, 6)]
    expect(cutWith(sheet, pinwheel, USUAL_TOOLS)).toBeNull()
  })
  test('one trim frees a piece, two do not', () => {
    const sheet = { widthUm: 10, heightUm: 10 }
    const strips = (left: RectUm) => [left, rect(5, 0, 5, 10)]
    const two = { ...USUAL_TOOLS, stages: 2 as const }
    expect(cutWith(sheet, strips(rect(0, 0, 5, 8)), two)).not.toBeNull()
    // Waste on one side of it, then on both.
    const under = (piece: RectUm) => [rect(0, 0, 6, 3), piece, rect(6, 0, 4, 10)]
    expect(cutWith(sheet, under(rect(1, 3, 5, 3)), two)).not.toBeNull()
    expect(cutWith(sheet, under(rect(1, 3, 4, 3)), two)).toBeNull()
  })
  test('what is left over between pieces comes off with the strip that it is in', () => {
    // The middle of the lower strip is waste, so that the one over it is parted elsewhere.
    const pieces = [rect(0, 0, 3, 5), rect(6, 0, 4, 5), rect(0, 5, 6, 4), rect(6, 5, 4, 5)]
    expect(cutWith({ widthUm: 10, heightUm: 10 }, pieces, USUAL_TOOLS)).not.toBeNull()
  })
  test('the longest cut is that of the first strips', () => {
    const way = cutWith({ widthUm: 20, heightUm: 10 }, [rect(0, 0, 5, 10), rect(5, 0, 5, 10)], USUAL_TOOLS)
    expect(longestCutUm(way!)).toBe(10)
  })
})

describe('the order of cuts', () => {
  const orderOf = (asked: CutProblem) => {
    const [layout] = planExactly(asked, solver).layouts
    return cutOrder(layout!, asked.demands, asked.tools)
  }
  test('eight squares of an A4: one distance, cut by cut', () => {
    const order = orderOf(problem([[74_250, 8]]))
    expect(order).toMatchObject({ settings: 1, marginUm: 0 })
    const [first, second] = order!.steps
    // Strips first: either two of the width, or four of the height, the last of which needs no cut.
    expect(first!.from).toBe('sheet')
    expect(second!.of).toBe(first!.offs[0]!.parts)
    const pieces = second!.of * second!.offs.reduce((sum, { parts }) => sum + parts, 0)
    expect(pieces).toBe(8)
    const cuts = (step: typeof first) => step!.offs.reduce((sum, one) => sum + one.cuts, 0)
    expect(order!.cuts).toBe(cuts(first) + second!.of * cuts(second))
  })
  test('what is kept is what the cuts leave: a strip as long as the sheet stays in one piece', () => {
    // Six squares of 8.5 cm: 4 cm are over beside them along the whole sheet.
    const [layout] = planExactly(problem([[85_000, 6]]), solver).layouts
    expect(layout!.offcuts[0]).toMatchObject({ widthUm: 40_000, heightUm: 297_000 })
    expect(layout!.offcuts.slice(1).every(({ heightUm, widthUm }) => heightUm * widthUm === 85 * 42e6)).toBe(
      true,
    )
  })
  test('all pieces come off, whatever is planned', () => {
    const sides = fc.array(
      fc.tuple(fc.integer({ min: 20_000, max: 200_000 }), fc.integer({ min: 1, max: 9 })),
      { minLength: 1, maxLength: 3 },
    )
    fc.assert(
      fc.property(sides, (wanted) => {
        const asked = problem(wanted)
        for (const layout of planExactly(asked, solver).layouts) {
          const order = cutOrder(layout, asked.demands, asked.tools)
          const given = order!.steps.flatMap(({ of, offs }) =>
            offs.flatMap(({ gives, parts }) => (typeof gives === 'object' ? [of * parts] : [])),
          )
          // A sheet that is one strip and one piece is not cut at all.
          expect(given.reduce((sum, count) => sum + count, 0)).toBe(layout.placements.length)
        }
      }),
      { numRuns: 100 },
    )
  })
  test('a plan from before tools were asked for has an order too', () => {
    const { tools: _, ...before } = problem([
      [124_500, 3],
      [60_000, 9],
    ])
    for (const layout of planByRule(before).layouts)
      expect(cutOrder(layout, before.demands, undefined)).not.toBeNull()
  })
})

describe('what a browser says is checked', () => {
  const asked = problem([
    [99_000, 13],
    [52_500, 30],
    [70_000, 11],
  ])
  test('its layouts and multipliers alone prove what it found', () => {
    const found = planExactly(asked, solver, THOROUGH)
    const plan = verifiedPlan(asked, found.layouts, found.proofs ?? [], [])
    expect(checkCutPlan(asked, plan)).toEqual([])
    expect(plan.status).toBe('proven')
    expect(plan.proofs?.map(({ cost, bound }) => [cost, bound])).toEqual(
      found.proofs?.map(({ cost, bound }) => [cost, bound]),
    )
  })
  test('multipliers of nothing prove nothing, and too many are no proof', () => {
    const { layouts } = planExactly(asked, solver)
    const claim = (worth: readonly number[]) => [{ paperId: 'p', multipliers: { worth, scale: 1 } }]
    // Where money is to be least, areas of sheets prove nothing by themselves.
    const priced = { ...asked, stock: asked.stock.map((sheets) => ({ ...sheets, priceMinor: 14 })) }
    expect(verifiedPlan(priced, layouts, claim([0, 0, 0]), []).status).toBe('within')
    expect(verifiedPlan(priced, layouts, claim([9, 9, 9, 9]), []).proofs).toEqual([])
    expect(verifiedPlan(priced, layouts, [], []).status).toBe('within')
  })
  test('sheets that are as few as their area allows need no other proof', () => {
    const { layouts } = planExactly(asked, solver)
    expect(verifiedPlan(asked, layouts, [], [])).toMatchObject({ status: 'proven', proofs: [] })
    const [first, ...others] = layouts
    const more = [{ ...first!, sheets: first!.sheets + 1 }, ...others]
    expect(verifiedPlan(asked, more, [], [])).toMatchObject({ status: 'within', sheets: 1 })
  })
  test('numbers too large to be summed exactly prove nothing', () => {
    const { layouts } = planExactly(asked, solver)
    for (const worth of [2 ** 52, 2 ** 60, 1e300]) {
      const claim = [{ paperId: 'p', multipliers: { worth: [worth, worth, worth], scale: 1 } }]
      expect(verifiedPlan(asked, layouts, claim, []).proofs?.[0]?.bound).toBe(0)
    }
  })
  test('a plan that leaves pieces out is short, whatever is claimed', () => {
    const found = planExactly(asked, solver)
    const plan = verifiedPlan(asked, found.layouts.slice(1), found.proofs ?? [], [])
    expect(plan.status).toBe('short')
    expect(isBetterPlan(asked, plan, found)).toBe(false)
    expect(isBetterPlan(asked, found, plan)).toBe(true)
  })
})
