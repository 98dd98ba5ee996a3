import fc from 'fast-check'
import type { CutPlan, CutProblem } from '.'
import { fewestSheets } from '../../../test/oracles/grid-by-search'
import { offcutsOf, SMALLEST_OFFCUT_UM } from './offcuts'
import { checkCutPlan, nextSmallerSaving, planGrid, roundForYield, sweepSizes } from '.'

const A4 = { widthUm: 210_000, heightUm: 297_000 }
const square = (sideMm: number) => ({ widthUm: sideMm * 1000, heightUm: sideMm * 1000 })
const sheets = (
  stockId: string,
  sizeUm: { widthUm: number; heightUm: number },
  available: number,
  offcut = false,
) => ({
  stockId,
  sizeUm,
  available,
  offcut,
})
const sheetsOf = (plan: CutPlan) => plan.layouts.reduce((sum, layout) => sum + layout.sheets, 0)

const side = fc.integer({ min: 20_000, max: 300_000 })
const problem: fc.Arbitrary<CutProblem> = fc.record({
  pieceUm: fc.record({ widthUm: side, heightUm: side }),
  pieces: fc.integer({ min: 0, max: 200 }),
  stock: fc
    .array(
      fc.record({
        sizeUm: fc.record({ widthUm: side, heightUm: side }),
        available: fc.integer({ min: 0, max: 30 }),
        offcut: fc.boolean(),
      }),
      { maxLength: 5 },
    )
    .map((stock) => stock.map((one, index) => ({ ...one, stockId: `s${index}` }))),
})

describe('the grid planner', () => {
  test('every plan passes the independent check', () => {
    fc.assert(
      fc.property(problem, (asked) => expect(checkCutPlan(asked, planGrid(asked))).toEqual([])),
      { numRuns: 400 },
    )
  })
  test('it is short only when the stock really is used up', () => {
    fc.assert(
      fc.property(problem, (asked) => {
        const plan = planGrid(asked)
        if (plan.status !== 'short') return
        const more = planGrid({ ...asked, pieces: asked.pieces - plan.missingPieces })
        expect(more.status).toBe('planned')
        expect(plan.missingPieces).toBeGreaterThan(0)
      }),
    )
  })
  test('within one sheet size it takes the fewest sheets: pieces / yield, rounded up', () => {
    fc.assert(
      fc.property(side, fc.integer({ min: 1, max: 300 }), (sideUm, pieces) => {
        const plan = planGrid({
          pieceUm: { widthUm: sideUm, heightUm: sideUm },
          pieces,
          stock: [sheets('a', A4, 400)],
        })
        const perSheet = Math.max(Math.floor(A4.widthUm / sideUm) * Math.floor(A4.heightUm / sideUm), 0)
        if (perSheet === 0) expect(plan.status).toBe('short')
        else expect(sheetsOf(plan)).toBe(Math.ceil(pieces / perSheet))
      }),
    )
  })
  test('29 squares of 124 mm take 15 sheets of A4, and the last one keeps its other half', () => {
    const plan = planGrid({ pieceUm: square(124), pieces: 29, stock: [sheets('a4', A4, 20)] })
    expect(plan.status).toBe('planned')
    expect(plan.layouts.map((layout) => [layout.sheets, layout.piecesPerSheet])).toEqual([
      [14, 2],
      [1, 1],
    ])
    expect(plan.layouts[1]?.offcutsUm).toContainEqual({ widthUm: 124_000, heightUm: 173_000 })
  })
  test('offcuts go first', () => {
    const plan = planGrid({
      pieceUm: square(60),
      pieces: 5,
      stock: [sheets('a4', A4, 5), sheets('strip', { widthUm: 62_000, heightUm: 200_000 }, 1, true)],
    })
    expect(plan.layouts[0]?.stockId).toBe('strip')
  })
  test('leaves come four to a 15 cm square', () => {
    const plan = planGrid({ pieceUm: square(75), pieces: 72, stock: [sheets('15', square(150), 30)] })
    expect(sheetsOf(plan)).toBe(18)
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
          const pieceUm = { widthUm: sideUm, heightUm: sideUm }
          const plan = planGrid({
            pieceUm,
            pieces,
            stock: stock.map((one, index) => ({ ...one, stockId: `s${index}`, offcut: false })),
          })
          const yields = stock.map(({ sizeUm, available }) => ({
            available,
            perSheet: Math.floor(sizeUm.widthUm / sideUm) * Math.floor(sizeUm.heightUm / sideUm),
          }))
          const fewest = fewestSheets(pieces, yields)
          expect(plan.status === 'planned').toBe(fewest !== null)
          if (stock.length === 1 && fewest !== null) expect(sheetsOf(plan)).toBe(fewest)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('offcuts', () => {
  test('what is kept and what is cut never exceed the sheet, and nothing kept is too narrow', () => {
    fc.assert(
      fc.property(side, side, side, side, fc.nat(200), (w, h, a, b, some) => {
        const sheet = { widthUm: w, heightUm: h }
        const piece = { widthUm: a, heightUm: b }
        const plan = planGrid({ pieceUm: piece, pieces: 1 + (some % 40), stock: [sheets('s', sheet, 1)] })
        for (const { grid, piecesPerSheet } of plan.layouts) {
          const kept = offcutsOf(sheet, piece, grid, piecesPerSheet)
          const area = kept.reduce((sum, size) => sum + size.widthUm * size.heightUm, 0)
          expect(area + piecesPerSheet * a * b).toBeLessThanOrEqual(w * h)
          for (const size of kept)
            expect(Math.min(size.widthUm, size.heightUm)).toBeGreaterThanOrEqual(SMALLEST_OFFCUT_UM)
        }
      }),
    )
  })
  test('one square of 124 mm off an A4 keeps the other 173 mm, and a full sheet of 74.25 keeps none', () => {
    const one = { columns: 1, rows: 2, turned: false, count: 2 }
    expect(offcutsOf(A4, square(124), one, 1)).toContainEqual({ widthUm: 124_000, heightUm: 173_000 })
    expect(offcutsOf(A4, square(74.25), { columns: 2, rows: 4, turned: false, count: 8 }, 8)).toEqual([
      { widthUm: 61_500, heightUm: 297_000 },
    ])
  })
})

describe('the check finds what is wrong', () => {
  const asked: CutProblem = { pieceUm: square(100), pieces: 4, stock: [sheets('a', A4, 2)] }
  const good = planGrid(asked)
  const [layout] = good.layouts
  const withLayout = (change: object): CutPlan => ({
    status: 'planned',
    layouts: [{ ...layout!, ...change }],
  })
  const withLayouts = (layouts: CutPlan['layouts']): CutPlan => ({ status: 'planned', layouts })
  test.each([
    ['UNKNOWN_SHEET', withLayout({ stockId: 'b' })],
    ['SHEET_SIZE', withLayout({ sheetUm: square(500) })],
    ['OFF_THE_SHEET', withLayout({ grid: { columns: 3, rows: 2, turned: false, count: 6 } })],
    ['TOO_MANY_PIECES', withLayout({ piecesPerSheet: 5 })],
    ['TOO_MUCH_AREA', withLayout({ offcutsUm: [A4] })],
    ['STOCK_EXCEEDED', withLayout({ sheets: 3 })],
    ['DEMAND', withLayouts([])],
  ])('%s', (code, plan) => {
    expect(checkCutPlan(asked, good)).toEqual([])
    expect(checkCutPlan(asked, plan).map((fault) => fault.code)).toContain(code)
  })
})

describe('yield cliffs', () => {
  const papers = [{ paperId: 'p', pieces: 24, stock: [sheets('a4', A4, 3)] }]
  const range = { fromMm: 70, toMm: 80, ruler: 'mm-0.5' as const }
  test('24 squares off A4: 4 sheets at 75 mm, 3 at 74 mm on a half-millimetre ruler', () => {
    const swept = sweepSizes(papers, range, planGrid, () => true)
    expect(swept.points).toHaveLength(21)
    expect(swept.points.find((point) => point.sideMm === 75)?.sheets).toBe(4)
    expect(nextSmallerSaving(swept.points, 75)).toEqual({ sideMm: 74, sheets: 3 })
    expect(nextSmallerSaving(swept.points, 70)).toBeUndefined()
  })
  test('it reports progress and stops when told to', () => {
    const seen: number[] = []
    const swept = sweepSizes(papers, range, planGrid, ({ done }) => seen.push(done) < 5)
    expect(swept.status).toBe('stopped')
    expect(swept.points).toHaveLength(5)
    expect(seen).toEqual([1, 2, 3, 4, 5])
  })
  test('a size no sheet can give is told apart from no sheets', () => {
    const swept = sweepSizes(papers, { fromMm: 205, toMm: 215, ruler: 'mm-1' }, planGrid, () => true)
    expect(swept.points.find((point) => point.sideMm === 211)?.sheets).toBeNull()
    expect(sweepSizes([], range, planGrid, () => true).points[0]?.sheets).toBe(0)
    expect(() => sweepSizes(papers, { ...range, fromMm: 0 }, planGrid, () => true)).toThrow('smallest size')
  })
})

describe('rounding for yield', () => {
  test('74.4 mm is rounded down on whole millimetres where 75 would lose two of eight', () => {
    expect(roundForYield(74.6, 'mm-1', [A4])).toBe(74)
    expect(roundForYield(74.6, 'mm-1', [])).toBe(75)
  })
  test('124.45 mm goes to the nearest half millimetre: two to an A4 either way', () => {
    expect(roundForYield(124.45, 'mm-0.5', [A4])).toBe(124.5)
  })
})
