import fc from 'fast-check'
import { fewestSheets } from '../../../test/oracles/grid-by-search'
import { fewestSheetsOf } from '../../../test/oracles/guillotine-by-search'
import type { SizeUm } from '../sheet'
import {
  boundSheets,
  checkCutPlan,
  countedShare,
  cuttableEdgeToEdge,
  nextSmallerSaving,
  planByRule,
  roundForYield,
  SMALLEST_OFFCUT_UM,
  sweepSizes,
  wholeSheets,
  type CutDemand,
  type CutPlan,
  type CutProblem,
  type RectUm,
  type StockSheets,
} from '.'

const A4 = { widthUm: 210_000, heightUm: 297_000 }
const square = (sideMm: number) => ({ widthUm: sideMm * 1000, heightUm: sideMm * 1000 })
const sheets = (stockId: string, sizeUm: SizeUm, available: number, offcut = false): StockSheets => ({
  stockId,
  paperId: 'green',
  sizeUm,
  available,
  offcut,
})
const wanted = (key: string, sizeUm: SizeUm, count: number, paperId = 'green'): CutDemand => ({
  key,
  paperId,
  sizeUm,
  count,
  turnable: true,
})
const planOf = (demands: readonly CutDemand[], stock: readonly StockSheets[]) =>
  planByRule({ demands, stock })
const sheetsOf = (plan: CutPlan) => plan.layouts.reduce((sum, layout) => sum + layout.sheets, 0)
const missingOf = (plan: CutPlan) =>
  plan.status === 'short' ? plan.missing.reduce((sum, { count }) => sum + count, 0) : 0

const side = fc.integer({ min: 20_000, max: 300_000 })
const size = fc.record({ widthUm: side, heightUm: side })
const paperId = fc.constantFrom('green', 'blue')
const problem: fc.Arbitrary<CutProblem> = fc.record({
  demands: fc
    .array(
      fc.record({ paperId, sizeUm: size, count: fc.integer({ min: 0, max: 60 }), turnable: fc.boolean() }),
      { maxLength: 5 },
    )
    .map((list) => list.map((one, index) => ({ ...one, key: `d${index}` }))),
  stock: fc
    .array(
      fc.record({
        paperId,
        sizeUm: size,
        available: fc.integer({ min: 0, max: 30 }),
        offcut: fc.boolean(),
      }),
      { maxLength: 5 },
    )
    .map((list) => list.map((one, index) => ({ ...one, stockId: `s${index}` }))),
})

describe('the plan by rule', () => {
  test('every plan of several lines, papers and sheets passes the independent check', () => {
    fc.assert(
      fc.property(problem, (asked) => expect(checkCutPlan(asked, planByRule(asked))).toEqual([])),
      { numRuns: 400 },
    )
  })
  test('the order of the lines and of the drawer makes no difference', () => {
    fc.assert(
      fc.property(problem, ({ demands, stock }) => {
        const plan = planOf(demands, stock)
        expect(planOf(demands.toReversed(), stock.toReversed()).layouts).toEqual(plan.layouts)
      }),
    )
  })
  test('sizes with more sums than are searched through are cut all the same', () => {
    const lengths = [20_000, 20_001, 20_008, 21_017, 22_129, 23_311]
    const demands = lengths.map((side) => ({
      ...wanted(`d${side}`, { widthUm: side, heightUm: side + 7 }, 3),
    }))
    const plan = planOf(demands, [sheets('a3', { widthUm: 297_000, heightUm: 420_000 }, 1)])
    expect(missingOf(plan)).toBe(0)
  })
  test('what it calls missing cannot be had from what it leaves', () => {
    fc.assert(
      fc.property(problem, (asked) => {
        const plan = planByRule(asked)
        if (plan.status !== 'short') return
        const stock = asked.stock.map((one) => ({
          ...one,
          available:
            one.available -
            plan.layouts
              .filter(({ stockId }) => stockId === one.stockId)
              .reduce((sum, layout) => sum + layout.sheets, 0),
        }))
        for (const { demand, count } of plan.missing) {
          const left = asked.demands.filter(({ key }) => key === demand).map((one) => ({ ...one, count }))
          expect(missingOf(planOf(left, stock))).toBe(count)
        }
      }),
    )
  })
  test('36 squares of 124.5 mm and 72 of 60 mm take 18 sheets of A4, the small ones from the strips: proven', () => {
    const large = wanted('large', square(124.5), 36)
    const small = wanted('small', square(60), 72)
    const plan = planOf([small, large], [sheets('a4', A4, 40)])
    expect(plan.status).toBe('proven')
    expect(sheetsOf(plan)).toBe(18)
    expect(sheetsOf(planOf([large], [sheets('a4', A4, 40)]))).toBe(18)
    expect(sheetsOf(planOf([small], [sheets('a4', A4, 40)]))).toBe(6)
  })
  test('planned together it never takes more sheets than each line by itself', () => {
    const demand = fc.record({ sizeUm: size, count: fc.integer({ min: 1, max: 40 }) })
    fc.assert(
      fc.property(fc.array(demand, { minLength: 2, maxLength: 4 }), (list) => {
        const stock = [sheets('a3', { widthUm: 297_000, heightUm: 420_000 }, 500)]
        const demands = list.map((one, index) => wanted(`d${index}`, one.sizeUm, one.count))
        const apart = demands.reduce((sum, one) => sum + sheetsOf(planOf([one], stock)), 0)
        expect(sheetsOf(planOf(demands, stock))).toBeLessThanOrEqual(apart)
      }),
    )
  })
  test('within one sheet size equal squares take the fewest sheets: pieces / yield, rounded up', () => {
    fc.assert(
      fc.property(side, fc.integer({ min: 1, max: 300 }), (sideUm, pieces) => {
        const sizeUm = { widthUm: sideUm, heightUm: sideUm }
        const plan = planOf([wanted('d', sizeUm, pieces)], [sheets('a', A4, 400)])
        const perSheet = Math.floor(A4.widthUm / sideUm) * Math.floor(A4.heightUm / sideUm)
        if (perSheet === 0) expect(missingOf(plan)).toBe(pieces)
        else expect(sheetsOf(plan)).toBe(Math.ceil(pieces / perSheet))
      }),
    )
  })
  test('29 squares of 124 mm take 15 sheets of A4, and the last one keeps its other half', () => {
    const plan = planOf([wanted('d', square(124), 29)], [sheets('a4', A4, 20)])
    expect(plan.layouts.map((layout) => [layout.sheets, layout.placements.length])).toEqual([
      [14, 2],
      [1, 1],
    ])
    expect(plan.layouts[1]?.offcuts).toContainEqual({
      xUm: 0,
      yUm: 124_000,
      widthUm: 210_000,
      heightUm: 173_000,
    })
  })
  test('offcuts go first, and a piece that must lie upright does not go into a strip that lies', () => {
    const strip = sheets('strip', { widthUm: 62_000, heightUm: 200_000 }, 1, true)
    const plan = planOf([wanted('d', square(60), 5)], [sheets('a4', A4, 5), strip])
    expect(plan.layouts[0]?.stockId).toBe('strip')
    const lying = { ...wanted('d', { widthUm: 150_000, heightUm: 50_000 }, 1), turnable: false }
    expect(planOf([lying], [strip]).status).toBe('short')
    expect(planOf([{ ...lying, turnable: true }], [strip]).status).toBe('proven')
  })
  test('leaves come four to a 15 cm square', () => {
    expect(sheetsOf(planOf([wanted('d', square(75), 72)], [sheets('15', square(150), 30)]))).toBe(18)
  })
  test.each([-1, 0.5, Number.NaN, 1e9])('%p pieces are a mistake of the caller', (count) => {
    expect(() => planOf([wanted('d', square(60), count)], [])).toThrow('pieces')
  })
})

describe('against slow search', () => {
  test('whether the stock is enough agrees with trying everything, and one size is cut from fewest sheets', () => {
    const tinySide = fc.integer({ min: 20, max: 60 }).map((mm) => mm * 1000)
    const tiny = fc.record({
      sizeUm: fc.record({ widthUm: tinySide, heightUm: tinySide }),
      available: fc.integer({ min: 0, max: 4 }),
    })
    fc.assert(
      fc.property(
        tinySide,
        fc.integer({ min: 0, max: 12 }),
        fc.array(tiny, { minLength: 1, maxLength: 2 }),
        (sideUm, pieces, stock) => {
          const plan = planOf(
            [wanted('d', { widthUm: sideUm, heightUm: sideUm }, pieces)],
            stock.map((one, index) => sheets(`s${index}`, one.sizeUm, one.available)),
          )
          const yields = stock.map(({ sizeUm, available }) => ({
            available,
            perSheet: Math.floor(sizeUm.widthUm / sideUm) * Math.floor(sizeUm.heightUm / sideUm),
          }))
          const fewest = fewestSheets(pieces, yields)
          expect(plan.status !== 'short').toBe(fewest !== null)
          if (stock.length === 1 && fewest !== null) expect(sheetsOf(plan)).toBe(fewest)
        },
      ),
      { numRuns: 300 },
    )
  })
  test('mixed sizes: never under the fewest found by trying every cut, the bound never over it, proven means it', () => {
    const unit = fc.integer({ min: 1, max: 7 })
    const tinySize = fc.record({ widthUm: unit, heightUm: unit })
    const proven: boolean[] = []
    fc.assert(
      fc.property(tinySize, fc.array(tinySize, { minLength: 1, maxLength: 5 }), (sheet, pieces) => {
        const fewest = fewestSheetsOf(sheet, pieces)
        const asked = {
          demands: pieces.map((sizeUm, index) => wanted(`d${index}`, sizeUm, 1)),
          stock: [sheets('s', sheet, 9)],
        }
        const plan = planByRule(asked)
        expect(plan.status === 'short').toBe(fewest === null)
        if (fewest === null) return
        expect(sheetsOf(plan)).toBeGreaterThanOrEqual(fewest)
        expect(plan.boundSheets).toBeLessThanOrEqual(fewest)
        if (plan.status === 'proven') expect(sheetsOf(plan)).toBe(fewest)
        proven.push(plan.status === 'proven')
      }),
      { numRuns: 600 },
    )
    // Were nothing ever proven, the last line would say nothing.
    expect(proven.filter(Boolean).length).toBeGreaterThan(100)
  })
})

describe('offcuts against slow search', () => {
  test('whole sheets are never fewer than by trying which pieces the offcut takes', () => {
    const unit = fc.integer({ min: 1, max: 5 })
    const tinySize = fc.record({ widthUm: unit, heightUm: unit })
    fc.assert(
      fc.property(
        fc.record({ widthUm: fc.integer({ min: 4, max: 6 }), heightUm: fc.integer({ min: 4, max: 6 }) }),
        tinySize,
        fc.array(tinySize, { minLength: 1, maxLength: 4 }),
        (sheet, offcut, pieces) => {
          const fewest = Array.from({ length: 2 ** pieces.length }, (_, mask) => {
            const inOffcut = pieces.filter((_piece, index) => (mask >> index) % 2 === 1)
            const rest = pieces.filter((_piece, index) => (mask >> index) % 2 === 0)
            const fits = inOffcut.length === 0 || fewestSheetsOf(offcut, inOffcut) === 1
            return fits ? (rest.length === 0 ? 0 : fewestSheetsOf(sheet, rest)) : null
          }).reduce<number>((least, count) => Math.min(least, count ?? Infinity), Infinity)
          const asked = {
            demands: pieces.map((sizeUm, index) => wanted(`d${index}`, sizeUm, 1)),
            stock: [sheets('s', sheet, 9), sheets('o', offcut, 1, true)],
          }
          if (fewest === Infinity) return
          const plan = planByRule(asked)
          expect(boundSheets(asked)).toBeLessThanOrEqual(fewest)
          expect(wholeSheets(plan.layouts, asked.stock)).toBeGreaterThanOrEqual(fewest)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('the bound', () => {
  test('a share counted in parts never lets lengths that fit together exceed the whole', () => {
    const whole = 24
    const fill = (left: number, least: number, k: number): number => {
      let most = 0
      for (let length = least; length <= left; length++)
        most = Math.max(most, countedShare(length, whole, k) + fill(left - length, length, k))
      return most
    }
    for (let k = 1; k <= 12; k++) expect(fill(whole, 1, k)).toBeLessThanOrEqual(1 + 1e-12)
  })
  test('two pieces wider than half a sheet never lie side by side', () => {
    const demands = [wanted('d', square(124.5), 36)]
    expect(boundSheets({ demands, stock: [sheets('a4', A4, 1)] })).toBe(18)
  })
  test('offcuts count for what they could hold at most', () => {
    const demands = [wanted('d', square(100), 8)]
    const strip = sheets('strip', { widthUm: 100_000, heightUm: 200_000 }, 1, true)
    expect(boundSheets({ demands, stock: [sheets('a4', A4, 9)] })).toBe(2)
    expect(boundSheets({ demands, stock: [sheets('a4', A4, 9), strip] })).toBe(2)
    expect(boundSheets({ demands, stock: [sheets('a4', A4, 9), { ...strip, available: 2 }] })).toBe(1)
    expect(boundSheets({ demands, stock: [strip] })).toBe(0)
    // Twelve squares of 104 mm, four to an A4: an offcut of 172.5 x 210 mm holds three at the very most.
    const ring = [wanted('d', square(104), 12)]
    const left = sheets('left', { widthUm: 172_500, heightUm: 210_000 }, 1, true)
    expect(boundSheets({ demands: ring, stock: [sheets('a4', A4, 9), left] })).toBe(3)
  })
})

describe('offcuts', () => {
  test('every one kept lies in its place and is wide enough to be of use', () => {
    fc.assert(
      fc.property(size, size, fc.integer({ min: 1, max: 40 }), (sheet, piece, count) => {
        const plan = planOf([wanted('d', piece, count)], [sheets('s', sheet, 1)])
        for (const { offcuts } of plan.layouts)
          for (const { widthUm, heightUm } of offcuts)
            expect(Math.min(widthUm, heightUm)).toBeGreaterThanOrEqual(SMALLEST_OFFCUT_UM)
      }),
    )
  })
  test('a full sheet of 74.25 mm squares keeps a strip of 61.5 mm', () => {
    const [layout] = planOf([wanted('d', square(74.25), 8)], [sheets('a4', A4, 1)]).layouts
    expect(layout?.offcuts).toEqual([{ xUm: 148_500, yUm: 0, widthUm: 61_500, heightUm: 297_000 }])
  })
})

describe('edge to edge', () => {
  const rect = (xUm: number, yUm: number, widthUm: number, heightUm: number): RectUm => ({
    xUm,
    yUm,
    widthUm,
    heightUm,
  })
  test('a pinwheel cannot be parted, and can once an arm is gone', () => {
    const pinwheel = [
      rect(0, 0, 2, 1),
      rect(2, 0, 1, 2),
      rect(1, 2, 2, 1),
      rect(0, 1, 1, 2),
      rect(1, 1, 1, 1),
    ]
    expect(cuttableEdgeToEdge(pinwheel)).toBe(false)
    expect(cuttableEdgeToEdge(pinwheel.slice(1))).toBe(true)
  })
})

describe('the check finds what is wrong', () => {
  const asked: CutProblem = {
    demands: [wanted('d', square(50), 4), { ...wanted('up', { widthUm: 20_000, heightUm: 40_000 }, 0) }],
    stock: [sheets('a', square(100), 2), { ...sheets('other', square(100), 2), paperId: 'blue' }],
  }
  const good = planByRule(asked)
  const [layout] = good.layouts
  const withLayout = (change: object): CutPlan => ({ ...good, layouts: [{ ...layout!, ...change }] })
  const placed = (demand: string, xUm: number, yUm: number, turned = false) => ({ demand, xUm, yUm, turned })
  const one = [placed('d', 0, 0)]
  test.each<[string, CutPlan]>([
    ['UNKNOWN_SHEET', withLayout({ stockId: 'b' })],
    ['OTHER_PAPER', withLayout({ stockId: 'other' })],
    ['SHEET_SIZE', withLayout({ sheetUm: square(500) })],
    ['NO_SHEETS', withLayout({ sheets: 0 })],
    ['UNKNOWN_PIECE', withLayout({ placements: [placed('e', 0, 0)] })],
    ['OFF_THE_SHEET', withLayout({ placements: [placed('d', 60_000, 0)] })],
    ['OFF_THE_SHEET', withLayout({ placements: [placed('d', 0.5, 0)] })],
    ['OVERLAP', withLayout({ placements: [placed('d', 0, 0), placed('d', 40_000, 0)] })],
    // By area it would pass: 50 x 50 of 100 x 100, and offcuts of 100 x 70 and 500 x 1.
    [
      'OFF_THE_SHEET',
      withLayout({ placements: one, offcuts: [{ xUm: 0, yUm: 50_000, widthUm: 500_000, heightUm: 1000 }] }),
    ],
    [
      'OVERLAP',
      withLayout({ placements: one, offcuts: [{ xUm: 0, yUm: 30_000, widthUm: 100_000, heightUm: 70_000 }] }),
    ],
    ['STOCK_EXCEEDED', withLayout({ sheets: 3 })],
    ['DEMAND', { ...good, layouts: [] }],
    ['STATUS', { ...good, boundSheets: 0, status: 'proven' }],
    ['SAME_NAME', { ...good, layouts: [...good.layouts, ...good.layouts] }],
    ['MISSING', { ...good, status: 'short', missing: [{ demand: 'd', count: 1000 }] }],
    ['MISSING', { ...good, status: 'short', missing: [{ demand: 'nothing', count: 1 }] }],
  ])('%s', (code, plan) => {
    expect(checkCutPlan(asked, good)).toEqual([])
    expect(checkCutPlan(asked, plan).map((fault) => fault.code)).toContain(code)
  })
  test('a piece turned against the grain, and a pinwheel', () => {
    const grained = { ...asked, demands: asked.demands.map((one) => ({ ...one, turnable: false })) }
    const turned = withLayout({ placements: [placed('up', 0, 0, true)] })
    expect(checkCutPlan(grained, turned).map(({ code }) => code)).toContain('TURNED')
    const arms = { demands: [wanted('d', { widthUm: 60_000, heightUm: 40_000 }, 4)], stock: asked.stock }
    const pinwheel = withLayout({
      offcuts: [{ xUm: 40_000, yUm: 40_000, widthUm: 20_000, heightUm: 20_000 }],
      placements: [
        placed('d', 0, 0),
        placed('d', 60_000, 0, true),
        placed('d', 40_000, 60_000),
        placed('d', 0, 40_000, true),
      ],
    })
    expect(checkCutPlan(arms, pinwheel).map(({ code }) => code)).toContain('NOT_EDGE_TO_EDGE')
  })
})

describe('yield cliffs', () => {
  const papers = [{ paperId: 'green', pieces: 24, stock: [sheets('a4', A4, 3)] }]
  const range = { fromMm: 70, toMm: 80, ruler: 'mm-0.5' as const }
  test('24 squares off A4: 4 sheets at 75 mm, 3 at 74 mm on a half-millimetre ruler', () => {
    const swept = sweepSizes(papers, range, planByRule, () => true)
    expect(swept.points).toHaveLength(21)
    expect(swept.points.find((point) => point.sideMm === 75)?.sheets).toBe(4)
    expect(nextSmallerSaving(swept.points, 75)).toEqual({ sideMm: 74, sheets: 3 })
    expect(nextSmallerSaving(swept.points, 70)).toBeUndefined()
  })
  test('it reports progress and stops when told to', () => {
    const seen: number[] = []
    const swept = sweepSizes(papers, range, planByRule, ({ done }) => seen.push(done) < 5)
    expect(swept.status).toBe('stopped')
    expect(swept.points).toHaveLength(5)
    expect(seen).toEqual([1, 2, 3, 4, 5])
  })
  test('a size no sheet can give is told apart from no sheets', () => {
    const swept = sweepSizes(papers, { fromMm: 205, toMm: 215, ruler: 'mm-1' }, planByRule, () => true)
    expect(swept.points.find((point) => point.sideMm === 211)?.sheets).toBeNull()
    expect(sweepSizes([], range, planByRule, () => true).points[0]?.sheets).toBe(0)
    expect(() => sweepSizes(papers, { ...range, fromMm: 0 }, planByRule, () => true)).toThrow('smallest size')
  })
})

describe('rounding for yield', () => {
  test('74.6 mm is rounded down on whole millimetres where 75 would lose two of eight', () => {
    expect(roundForYield(74.6, 'mm-1', [A4])).toBe(74)
    expect(roundForYield(74.6, 'mm-1', [])).toBe(75)
  })
  test('124.45 mm goes to the nearest half millimetre: two to an A4 either way', () => {
    expect(roundForYield(124.45, 'mm-0.5', [A4])).toBe(124.5)
  })
})

test('whole sheets are told from offcuts', () => {
  const stock = [sheets('a4', A4, 5), sheets('strip', square(60), 3, true)]
  const plan = planOf([wanted('d', square(60), 15)], stock)
  expect([sheetsOf(plan), wholeSheets(plan.layouts, stock)]).toEqual([4, 1])
})
