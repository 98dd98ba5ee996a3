import fc from 'fast-check'
import { A4_SQUARES, LETTER_SHRINKING, SHEET_SIZES } from '../../../test/reference/paper-and-units'
import { mmFromInch } from '../units'
import { bestGrid, formatOf, SHEET_FORMATS, shrinkingSquares } from '.'

const A4 = { widthUm: 210_000, heightUm: 297_000 }

describe('formats', () => {
  test.each(SHEET_SIZES)('$what as in $source', ({ input, value, tolerance }) => {
    const format = SHEET_FORMATS.find((candidate) => candidate.key === input)
    expect(Math.abs((format?.widthMm ?? 0) - value[0])).toBeLessThanOrEqual(tolerance)
    expect(Math.abs((format?.heightMm ?? 0) - value[1])).toBeLessThanOrEqual(tolerance)
  })
  test('a sheet is found by its size either way up, and A4 is not Letter', () => {
    expect(formatOf(297, 210)?.key).toBe('A4')
    expect(formatOf(215.9, 279.4)?.key).toBe('letter')
    expect(formatOf(211, 297)).toBeUndefined()
  })
})

describe('grid yield', () => {
  test.each(A4_SQUARES)('$what: $value', ({ input: { sideMm }, value }) => {
    const piece = { widthUm: sideMm * 1000, heightUm: sideMm * 1000 }
    expect(bestGrid(A4, piece).count).toBe(value)
  })
  const side = fc.integer({ min: 1000, max: 400_000 })
  const size = fc.record({ widthUm: side, heightUm: side })
  test('the pieces fit, turning the sheet changes nothing, and a smaller piece never yields less', () => {
    fc.assert(
      fc.property(size, size, fc.integer({ min: 0, max: 999 }), (sheet, piece, lessUm) => {
        const grid = bestGrid(sheet, piece)
        const [along, across] = grid.turned
          ? [piece.heightUm, piece.widthUm]
          : [piece.widthUm, piece.heightUm]
        expect(grid.columns * along).toBeLessThanOrEqual(sheet.widthUm)
        expect(grid.rows * across).toBeLessThanOrEqual(sheet.heightUm)
        expect(bestGrid({ widthUm: sheet.heightUm, heightUm: sheet.widthUm }, piece).count).toBe(grid.count)
        const smaller = { widthUm: piece.widthUm - lessUm, heightUm: piece.heightUm - lessUm }
        expect(bestGrid(sheet, smaller).count).toBeGreaterThanOrEqual(grid.count)
      }),
    )
  })
  test('a piece larger than the sheet yields none; a side of nothing is refused', () => {
    expect(bestGrid(A4, { widthUm: 300_000, heightUm: 300_000 }).count).toBe(0)
    expect(() => bestGrid(A4, { widthUm: 0, heightUm: 10 })).toThrow('piece width')
  })
})

describe('shrinking squares', () => {
  test('Letter gives 1 of 8.5 in, 3 of 2.5, 2 of 1, 2 of 0.5 and nothing is left (derived)', () => {
    const runs = shrinkingSquares(mmFromInch(8.5), mmFromInch(11), 1)
    expect(runs).toHaveLength(LETTER_SHRINKING.length)
    LETTER_SHRINKING.forEach(([sideInch, count], index) => {
      expect(runs[index]?.count).toBe(count)
      expect(runs[index]?.sideMm).toBeCloseTo(mmFromInch(sideInch), 9)
    })
  })
  test('never more area than the sheet; with no smallest square left out, exactly its area', () => {
    const length = fc.integer({ min: 10, max: 500 })
    fc.assert(
      fc.property(length, length, (widthMm, heightMm) => {
        const area = shrinkingSquares(widthMm, heightMm, 1).reduce(
          (sum, run) => sum + run.count * run.sideMm ** 2,
          0,
        )
        expect(area).toBeCloseTo(widthMm * heightMm, 6)
      }),
    )
  })
})
