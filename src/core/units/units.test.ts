import fc from 'fast-check'
import { CoreError } from '../errors'
import {
  cmFromMm,
  inchFromMm,
  MM_PER_INCH,
  mmFromCm,
  mmFromInch,
  mmFromUm,
  nearestInchFraction,
  nominalGapMm,
  mixedPairOf,
  NOMINAL_NAMES,
  parseLength,
  roundToRuler,
  RULERS,
  umFromMm,
  type InchDenominator,
  type RulerKey,
} from '.'

const lengthMm = fc.double({ min: 0, max: 50_000, noNaN: true })
const rulers = fc.constantFrom(...(Object.keys(RULERS) as RulerKey[]))

describe('conversions', () => {
  test('an inch is 25.4 mm exactly (international yard and pound agreement, 1959)', () => {
    expect(mmFromInch(1)).toBe(25.4)
    expect(mmFromInch(8.5)).toBeCloseTo(215.9, 10)
  })
  test('there and back gives the same length', () => {
    fc.assert(
      fc.property(lengthMm, (mm) => {
        expect(mmFromInch(inchFromMm(mm))).toBeCloseTo(mm, 8)
        expect(mmFromCm(cmFromMm(mm))).toBeCloseTo(mm, 8)
        expect(Math.abs(mmFromUm(umFromMm(mm)) - mm)).toBeLessThanOrEqual(0.0005 + 1e-9)
      }),
    )
  })
  test.each([NaN, Infinity, 1e999, 2e5])('micrometres of %p mm are refused with the range', (mm) => {
    expect(() => umFromMm(mm)).toThrow(CoreError)
  })
})

describe('fractions of an inch', () => {
  test('15 cm is 5 7/8 in to the nearest 1/8, 0.78 mm too short (derived)', () => {
    const { errorMm, ...reading } = nearestInchFraction(150, 8)
    expect(reading).toEqual({ whole: 5, numerator: 7, denominator: 8 })
    expect(errorMm).toBeCloseTo(-0.775, 3)
  })
  test('the reading is never further off than half a step, and its error is what it says', () => {
    fc.assert(
      fc.property(lengthMm, fc.constantFrom<InchDenominator>(1, 2, 4, 8, 16, 32), (mm, denominator) => {
        const reading = nearestInchFraction(mm, denominator)
        const readMm = mmFromInch(reading.whole + reading.numerator / reading.denominator)
        expect(readMm - mm).toBeCloseTo(reading.errorMm, 7)
        expect(Math.abs(reading.errorMm)).toBeLessThanOrEqual(MM_PER_INCH / denominator / 2 + 1e-7)
        expect(denominator % reading.denominator).toBe(0)
      }),
    )
  })
})

describe('the ruler', () => {
  test('rounding stays on a mark, keeps its side, and is idempotent', () => {
    fc.assert(
      fc.property(lengthMm, rulers, (mm, ruler) => {
        const { stepMm } = RULERS[ruler]
        const down = roundToRuler(mm, ruler, 'down')
        const up = roundToRuler(mm, ruler, 'up')
        const nearest = roundToRuler(mm, ruler, 'nearest')
        expect(down).toBeLessThanOrEqual(mm + 0.0011)
        expect(up).toBeGreaterThanOrEqual(mm - 0.0011)
        expect(Math.abs(nearest - mm)).toBeLessThanOrEqual(stepMm / 2 + 1e-6)
        for (const mode of ['down', 'up', 'nearest'] as const)
          expect(roundToRuler(nearest, ruler, mode)).toBeCloseTo(nearest, 6)
      }),
    )
  })
})

describe('nominal pairs', () => {
  test('15 cm and 6 in squares are one size by name and 2.4 mm apart; 7.5 cm and 3 in 1.2 mm (from their units)', () => {
    const of = (...sides: readonly number[]) => mixedPairOf(sides.map((sideMm) => ({ sideMm, soldAs: '' })))
    const [wide, small] = [of(150, 152.4), of(76.2, 75)]
    expect(wide && nominalGapMm(wide)).toBeCloseTo(2.4, 9)
    expect(small && nominalGapMm(small)).toBeCloseTo(1.2, 9)
    expect(of(150, 150)).toBeUndefined()
    expect(of(150, 153)).toBeUndefined()
    expect(of()).toBeUndefined()
  })
  test('the name a square is sold under goes before its size', () => {
    const cm = { sideMm: 150, soldAs: '' }
    expect(mixedPairOf([cm, { sideMm: 150, soldAs: '6 in' }])).toMatchObject({ cm: 15, inch: 6 })
    expect(mixedPairOf([cm, { sideMm: 152.4, soldAs: '15 cm' }])).toBeUndefined()
    expect(NOMINAL_NAMES).toContain('15 cm')
  })
})

describe('reading lengths people type', () => {
  test.each([
    ['5', 'cm', 50],
    ['12,4 cm', 'in', 124],
    ['12.4', 'cm', 124],
    ['124 mm', 'cm', 124],
    ['5 1/4', 'in', 133.35],
    ['5-1/4"', 'cm', 133.35],
    ['5\u00bc in', 'cm', 133.35],
    ['1/4 inch', 'cm', 6.35],
    [' .5 ', 'in', 12.7],
    ['0', 'cm', 0],
  ] as const)('%p in %s is %p mm', (text, unit, mm) => {
    const parsed = parseLength(text, unit)
    expect(parsed.ok && parsed.mm).toBeCloseTo(mm, 9)
  })
  test.each([
    ['', 'EMPTY'],
    ['   ', 'EMPTY'],
    ['-5', 'NEGATIVE'],
    ['abc', 'NOT_A_LENGTH'],
    ['1e999', 'NOT_A_LENGTH'],
    ['1e3', 'NOT_A_LENGTH'],
    ['Infinity', 'NOT_A_LENGTH'],
    ['5 1/0', 'NOT_A_LENGTH'],
    ['5 furlongs', 'NOT_A_LENGTH'],
    ['\u{1F33F}', 'NOT_A_LENGTH'],
    ['<script>alert(1)</script>', 'NOT_A_LENGTH'],
    ['9'.repeat(10_000), 'NOT_A_LENGTH'],
    ['99999999', 'TOO_LONG'],
    ['1.2.3', 'NOT_A_LENGTH'],
  ] as const)('%p is refused as %s', (text, problem) => {
    expect(parseLength(text, 'cm')).toEqual({ ok: false, problem })
  })
  test('no text at all makes it throw, return a negative or a non-number', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => {
        const parsed = parseLength(text, 'cm')
        if (parsed.ok) expect(parsed.mm).toBeGreaterThanOrEqual(0)
      }),
    )
  })
})
