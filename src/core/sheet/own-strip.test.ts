import fc from 'fast-check'
import { longestBeside, ownStrip, type SizeUm } from '.'

const mm = (width: number, height: number): SizeUm => ({ widthUm: width * 1000, heightUm: height * 1000 })
const A4 = mm(210, 297)

test('a square of 21 cm leaves 21 x 8.7 cm of A4: four strips of 21 x 2 cm, and no square of 9 cm', () => {
  expect(ownStrip(A4, mm(210, 210), mm(210, 20))).toEqual({ pieces: 1, beside: 4 })
  expect(ownStrip(A4, mm(210, 210), mm(90, 90))).toEqual({ pieces: 1, beside: 0 })
  expect(ownStrip(A4, mm(210, 210), mm(87, 87))).toEqual({ pieces: 1, beside: 2 })
})
test('beside 15 cm squares: 6 x 29.7 cm along the side, 15 x 14.7 cm above', () => {
  expect(ownStrip(A4, mm(150, 150), mm(60, 297))).toEqual({ pieces: 1, beside: 1 })
  expect(ownStrip(A4, mm(150, 150), mm(49, 147))).toEqual({ pieces: 1, beside: 5 })
})
test('a sheet that gives no piece leaves no strip; one that is used up neither', () => {
  expect(ownStrip(A4, mm(211, 211), mm(10, 10))).toEqual({ pieces: 0, beside: 0 })
  expect(ownStrip(mm(150, 150), mm(75, 75), mm(1, 1))).toEqual({ pieces: 4, beside: 0 })
})
test('the longest stem four times as long as wide beside one square of 21 cm is the sheet wide', () => {
  const longest = (side: number, each: number) =>
    longestBeside(A4, mm(side, side), { highPerWide: 0.25, stepUm: 1000, each })
  expect(longest(210, 1)).toBe(210_000)
  // Two of them lie one above the other: 8.7 cm for two quarters of a length.
  expect(longest(210, 2)).toBe(174_000)
  expect(longest(211, 1)).toBe(0)
})
test('what is said to do does, and one step more does not; nothing reaches beyond the area of the sheet', () => {
  const side = fc.integer({ min: 20, max: 210 })
  fc.assert(
    fc.property(side, fc.integer({ min: 1, max: 4 }), (square, each) => {
      const longest = longestBeside(A4, mm(square, square), { highPerWide: 0.25, stepUm: 500, each })
      const at = (um: number) =>
        ownStrip(A4, mm(square, square), { widthUm: um, heightUm: Math.round(um / 4) })
      if (longest > 0) {
        const { pieces, beside } = at(longest)
        expect(beside).toBeGreaterThanOrEqual(each * pieces)
        expect(pieces * square ** 2 * 1e6 + beside * longest * Math.round(longest / 4)).toBeLessThanOrEqual(
          210 * 297 * 1e6,
        )
      }
      const next = at(longest + 500)
      expect(next.beside).toBeLessThan(each * next.pieces)
    }),
  )
})
