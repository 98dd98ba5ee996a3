import { tradesOf } from './trade-off'

const point = (sideMm: number, sheets: number | null) => ({ sideMm, sheets })
const SWEEP = [
  point(98, 12),
  point(99, 12),
  point(100, 18),
  point(101, 18),
  point(102, 18),
  point(103, 36),
  point(104, null),
]

test('how far the same sheets reach, and the largest size that takes fewer', () => {
  expect(tradesOf(SWEEP, 101)).toEqual({
    now: { sideMm: 101, sheets: 18 },
    larger: { sideMm: 102, sheets: 18 },
    smaller: { sideMm: 99, sheets: 12 },
  })
})
test('at the edge of a step nothing larger costs the same; at the bottom nothing costs less', () => {
  expect(tradesOf(SWEEP, 102)?.larger).toBeNull()
  expect(tradesOf(SWEEP, 103)).toMatchObject({ larger: null, smaller: { sideMm: 102 } })
  expect(tradesOf(SWEEP, 98)).toMatchObject({ larger: { sideMm: 99 }, smaller: null })
})
test('a size that was not tried, or that no sheet gives, has no trade', () => {
  expect(tradesOf(SWEEP, 100.5)).toBeNull()
  expect(tradesOf(SWEEP, 104)).toBeNull()
  expect(tradesOf([], 100)).toBeNull()
})
