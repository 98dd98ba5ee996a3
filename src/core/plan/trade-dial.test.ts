import { chanceEnough, NO_HISTORY } from '../batch'
import { planByRule } from '../cut'
import { eveningsFor, turnDial, type DialBatch } from '.'

const A4 = { widthUm: 210_000, heightUm: 297_000 }
const stock = (paperId: string) => [{ stockId: paperId, paperId, sizeUm: A4, available: 1, offcut: false }]
const batch = (change: Partial<DialBatch> = {}): DialBatch => ({
  papers: [{ paperId: 'a', pieces: 24, stock: stock('a') }],
  sideMm: 74,
  ruler: 'mm-0.5',
  certainty: 0.8,
  rate: { alpha: 1e-6, beta: 1e6 },
  secondsPerUnit: 300,
  unitsPerPiece: 1,
  inTurn: false,
  certainties: [0.8, 0.9, 0.95, 0.99],
  ...change,
})
const turn = (of: DialBatch, by: Parameters<typeof turnDial>[1]) => turnDial(of, by, planByRule)

test('by size: 24 squares without rejects take 3 sheets of A4 up to 74 mm and 4 from 74.5 on', () => {
  const stops = turn(batch(), 'size')
  const at = (sideMm: number) => stops.find((stop) => Math.abs(stop.sideMm - sideMm) < 1e-9)?.sheets
  expect([at(74), at(74.5), at(84)]).toEqual([3, 4, 4])
  expect(stops.every(({ pieces, certainty }) => pieces === 24 && certainty === 0.8)).toBe(true)
  expect(stops[0]!.sideMm).toBeGreaterThanOrEqual(0.8 * 74)
  expect(stops.at(-1)!.sideMm).toBeLessThanOrEqual(1.2 * 74)
})
test('a side between the marks of the ruler has its stop too', () => {
  const sides = turn(batch({ sideMm: 74.3 }), 'size').map(({ sideMm }) => sideMm)
  expect(sides).toContain(74.3)
  expect(sides.toSorted((one, other) => one - other)).toEqual(sides)
})
test('by certainty: never fewer sheets for more of it, and as many pieces as make it so sure', () => {
  const one = { widthUm: 100_000, heightUm: 100_000 }
  const papers = ['a', 'b'].map((paperId) => ({
    paperId,
    pieces: 20,
    stock: [{ stockId: paperId, paperId, sizeUm: one, available: 1, offcut: false }],
  }))
  // One piece to a sheet: sheets are pieces with their spares.
  const stops = turn(batch({ papers, sideMm: 100, rate: NO_HISTORY }), 'certainty')
  expect(stops.map(({ certainty }) => certainty)).toEqual([0.8, 0.9, 0.95, 0.99])
  stops.forEach(({ sheets, certainty }, index) => {
    expect(sheets!).toBeGreaterThanOrEqual(stops[index - 1]?.sheets ?? 40)
    // However the spares are parted, so many of them can be enough, and with fewer none can.
    const best = (spares: number) =>
      Math.max(
        ...Array.from({ length: spares + 1 }, (_, at) =>
          chanceEnough(
            [
              { good: 20, spares: at },
              { good: 20, spares: spares - at },
            ],
            NO_HISTORY,
          ),
        ),
      )
    expect(best(sheets! - 40)).toBeGreaterThanOrEqual(certainty)
  })
})
test('by number: half as many to half as many again, in whole pieces, shares and hours with them', () => {
  const papers = [6, 12].map((pieces, at) => ({ paperId: `p${at}`, pieces, stock: stock(`p${at}`) }))
  const stops = turn(batch({ papers, unitsPerPiece: 3 }), 'pieces')
  expect(stops.map(({ pieces }) => pieces)).toEqual([3, 4, 5, 6, 7, 8, 9])
  for (const { pieces, seconds } of stops) expect(seconds).toBeCloseTo(3 * pieces * 300, 3)
})
test('by number, by turns: every star takes three units of each of three papers', () => {
  // Eight units to a sheet: one sheet of each paper for the first two stars, two for the third.
  const eight = { widthUm: 200_000, heightUm: 400_000 }
  const papers = ['a', 'b', 'c'].map((paperId) => ({
    paperId,
    pieces: 6,
    stock: [{ stockId: paperId, paperId, sizeUm: eight, available: 1, offcut: false }],
  }))
  const stars = batch({ papers, sideMm: 100, unitsPerPiece: 9, inTurn: true })
  expect(turn(stars, 'pieces').map(({ pieces, sheets }) => [pieces, sheets])).toEqual([
    [1, 3],
    [2, 3],
    [3, 6],
  ])
})
test('rejects are folded too: 20 good at one reject in 20 take 20 / 0.95 pieces of time', () => {
  expect(turn(batch({ rate: NO_HISTORY }), 'certainty')[0]!.seconds).toBeCloseTo((24 * 300) / 0.95, 6)
})
test('where no sheet is that large there is no number of sheets', () => {
  const stops = turn(batch({ sideMm: 200 }), 'size')
  expect(stops.find(({ sideMm }) => sideMm === 210)?.sheets).toBe(24)
  expect(stops.find(({ sideMm }) => sideMm === 210.5)?.sheets).toBeNull()
})
test('evenings: one each day from today, the last begun one counts', () => {
  expect(eveningsFor(0, 7200)).toEqual({ evenings: 1, days: 0 })
  expect(eveningsFor(7200, 7200)).toEqual({ evenings: 1, days: 0 })
  expect(eveningsFor(7201, 7200)).toEqual({ evenings: 2, days: 1 })
})
