import type { StockSheets } from '../cut'
import { plainProgressOf, PLAIN_PART, sheetsFor, type Claimant, type Cut, type PlainLine } from '.'

const claimant = (id: string, dueOn: string): Claimant => ({ id, dueOn, createdAtMs: 0, holdFirst: false })
const sheets: StockSheets = {
  stockId: 'a4',
  paperId: 'p',
  sizeUm: { widthUm: 210_000, heightUm: 297_000 },
  available: 10,
  offcut: false,
}

test('projects cut together are held back by those before all of them, not by what they were promised themselves', () => {
  const [first, a, between, b] = [
    claimant('first', '2027-01-01'),
    claimant('a', '2027-01-02'),
    claimant('between', '2027-01-03'),
    claimant('b', '2027-01-04'),
  ]
  const known = new Map([first, a, between, b].map((one) => [one.id, one]))
  const promised = [
    { projectId: 'first', stockId: 'a4', sheets: 1 },
    { projectId: 'a', stockId: 'a4', sheets: 2 },
    { projectId: 'between', stockId: 'a4', sheets: 3 },
  ]
  const there = (together: readonly Claimant[]) =>
    sheetsFor(together, [sheets], promised, known)[0]?.available
  expect(there([a, b])).toBe(9)
  expect(there([b])).toBe(4)
  expect(there([between, b])).toBe(7)
})

test('plain pieces count as cut at the size that is asked for now, and of their paper', () => {
  const sizeUm = { widthUm: 85_000, heightUm: 55_000 }
  const line: PlainLine = { id: 'card', name: 'Card', paperId: 'p', sizeUm, pieces: 12 }
  const cutOf = (id: string, change: object, paperId = 'p'): Cut => ({
    id,
    paperId,
    proof: false,
    sheets: 1,
    offcut: false,
    layout: null,
    atMs: 0,
    pieces: [{ lineId: 'card', partKey: PLAIN_PART, count: 4, sizeUm, ...change }],
  })
  const cuts = [
    cutOf('right', {}),
    cutOf('other size', { sizeUm: { widthUm: 84_000, heightUm: 55_000 } }),
    cutOf('other line', { lineId: 'tag' }),
    cutOf('other paper', {}, 'q'),
  ]
  expect(plainProgressOf({ plain: [line] }, { cuts })).toMatchObject([{ cut: 4, toCut: 8 }])
})
