import fc from 'fast-check'
import { DIFFERENCES } from '../../../test/reference/colours'
import { CoreError } from '../errors'
import {
  sideAdvice,
  colourBy,
  glowOf,
  apportion,
  differenceOf,
  differenceSeen,
  hardToTell,
  labOf,
  SHARING_METHODS,
  type Share,
  type SharingMethod,
} from '.'

const free = (...weights: readonly number[]): readonly Share[] =>
  weights.map((weight) => ({ weight, locked: null }))
const sumOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0)

describe('differences', () => {
  test.each(DIFFERENCES)('$what: $value ($source)', ({ input: [one, other], value, tolerance }) => {
    expect(Math.abs(differenceOf(one, other) - value)).toBeLessThanOrEqual(tolerance)
    expect(Math.abs(differenceOf(other, one) - value)).toBeLessThanOrEqual(tolerance)
  })
  test('white, black and grey lie on the axis of lightness (sRGB under D65)', () => {
    expect(labOf('#ffffff').l).toBeCloseTo(100, 3)
    expect(labOf('#000000').l).toBeCloseTo(0, 6)
    for (const hex of ['#ffffff', '#808080', '#1a1a1a']) {
      const { a, b } = labOf(hex)
      expect(Math.hypot(a, b)).toBeLessThan(0.02)
    }
  })
  test('a red and a green of one lightness are alike to an eye without green cones, not to others', () => {
    const [red, green] = ['#b5563a', '#7a7a2c']
    expect(differenceSeen(red, green, 'all colours')).toBeGreaterThan(30)
    expect(differenceSeen(red, green, 'no green cones')).toBeLessThan(
      differenceSeen(red, green, 'all colours') / 2,
    )
    expect(differenceSeen('#808080', '#c0c0c0', 'no green cones')).toBeCloseTo(
      differenceSeen('#808080', '#c0c0c0', 'all colours'),
      0,
    )
  })
  test('pairs that are hard to tell apart are named once, with who finds them alike', () => {
    const things = [
      { id: 'orange', colour: '#c4491d' },
      { id: 'nearly orange', colour: '#c54b1f' },
      { id: 'tide', colour: '#2c6e7f' },
    ]
    const found = hardToTell(things)
    expect(found).toMatchObject([{ ids: ['orange', 'nearly orange'], way: 'all colours' }])
    expect(found[0]!.difference).toBeLessThan(2)
    expect(hardToTell(things.slice(1))).toEqual([])
  })
  test.each(['', 'red', '#12', '#12345g', '#1234567', 'url(x)'])('%j is no colour', (text) => {
    expect(() => labOf(text)).toThrow(CoreError)
    expect(() => differenceSeen(text, '#000000', 'no red cones')).toThrow(CoreError)
  })
})

describe('shares', () => {
  test.each<[string, SharingMethod, number, readonly number[], readonly number[]]>([
    ['6/6/2 of 10 (memory)', 'largest remainder', 10, [6, 6, 2], [4, 4, 2]],
    [
      '6/6/2 of 11: one more, and the third has one less (Alabama, memory)',
      'largest remainder',
      11,
      [6, 6, 2],
      [5, 5, 1],
    ],
    ['53/24/23 of 7 (memory)', 'sainte-lague', 7, [53, 24, 23], [3, 2, 2]],
    ['60/30/10 of 36', 'largest remainder', 36, [60, 30, 10], [22, 11, 3]],
    ['thirds of ten: the first named has the one over', 'largest remainder', 10, [1, 1, 1], [4, 3, 3]],
    ['a share of nothing', 'sainte-lague', 5, [1, 0], [5, 0]],
    ['nothing to share', 'largest remainder', 0, [0, 0], [0, 0]],
  ])('%s', (_, method, total, weights, counts) => {
    expect(apportion(total, free(...weights), method)).toEqual(counts)
  })

  const shares = fc
    .array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 6 })
    .filter((weights) => sumOf(weights) > 0)
  test.each(SHARING_METHODS)('%s: whole, all shared out, the same at another scale', (method) => {
    fc.assert(
      fc.property(shares, fc.integer({ min: 0, max: 400 }), (weights, total) => {
        const counts = apportion(total, free(...weights), method)
        expect(sumOf(counts)).toBe(total)
        expect(counts.every((count) => Number.isInteger(count) && count >= 0)).toBe(true)
        const scaled = weights.map((weight) => weight * 12.5)
        expect(apportion(total, free(...scaled), method)).toEqual(counts)
        const larger = weights.findIndex((weight, index) =>
          weights.some((one, at) => weight > one && counts[index]! < counts[at]!),
        )
        expect(larger).toBe(-1)
      }),
    )
  })
  test('largest remainder: none is off by one or more, and no whole numbers are nearer in all', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.nat(9), fc.nat(9), fc.integer({ min: 1, max: 9 })),
        fc.nat(12),
        (weights, total) => {
          const exact = weights.map((weight) => (weight * total) / sumOf(weights))
          const off = (counts: readonly number[]) =>
            sumOf(counts.map((count, at) => Math.abs(count - exact[at]!)))
          const counts = apportion(total, free(...weights), 'largest remainder')
          counts.forEach((count, at) => expect(Math.abs(count - exact[at]!)).toBeLessThan(1))
          for (let a = 0; a <= total; a++)
            for (let b = 0; a + b <= total; b++)
              expect(off(counts)).toBeLessThanOrEqual(off([a, b, total - a - b]) + 1e-9)
        },
      ),
      { numRuns: 60 },
    )
  })
  test('sainte-lague: one piece more takes none away from anybody', () => {
    fc.assert(
      fc.property(shares, fc.integer({ min: 0, max: 120 }), (weights, total) => {
        const before = apportion(total, free(...weights), 'sainte-lague')
        const after = apportion(total + 1, free(...weights), 'sainte-lague')
        after.forEach((count, at) => expect(count).toBeGreaterThanOrEqual(before[at]!))
      }),
    )
  })
  test('locks are held, the rest is shared by weight', () => {
    const shares = [
      { weight: 60, locked: null },
      { weight: 30, locked: 5 },
      { weight: 20, locked: null },
    ]
    expect(apportion(21, shares, 'largest remainder')).toEqual([12, 5, 4])
  })
  test.each<[string, number, readonly Share[]]>([
    ['no count', 1.5, free(1)],
    ['fewer than none', -1, free(1)],
    ['more than can be', 1e9, free(1)],
    ['all weights 0 and something to share', 3, free(0, 0)],
    ['a weight below 0', 3, free(-1, 2)],
    ['a weight that is no number', 3, free(NaN, 2)],
    ['locks beyond the total', 3, [{ weight: 1, locked: 4 }]],
    ['nobody to share with', 3, []],
  ])('%s is refused', (_, total, shares) => {
    for (const method of SHARING_METHODS) expect(() => apportion(total, shares, method)).toThrow(CoreError)
  })
})

describe('the side that shows', () => {
  const paper = { frontColour: '#c4491d', backColour: '#ffffff' }
  test.each([
    [1, 'one side'],
    [0.996, 'one side'],
    [0.97, 'two-sided paper'],
    [0.5, 'two-sided paper'],
    [0.49, 'turn the sheet'],
    [0, 'turn the sheet'],
  ] as const)('%d of the main side: %s', (mainShare, advice) => {
    expect(sideAdvice({ ...paper, mainShare })).toBe(advice)
  })
  test('sides that cannot be told apart have nothing to show', () => {
    expect(sideAdvice({ frontColour: '#c4491d', backColour: '#c54a1e', mainShare: 0.2 })).toBe('alike')
  })
})

describe('by a lamp', () => {
  test.each([
    // CIE 15, illuminant A (2856 K), and the tabled 2700 K, both from memory.
    [2856, 0.4476, 0.4074],
    [2700, 0.4599, 0.4106],
  ])('a body at %i K glows at x %f, y %f', (kelvin, x, y) => {
    const [toX, toY] = glowOf(kelvin)
    expect(Math.hypot(toX - x, toY - y)).toBeLessThan(0.001)
  })
  test('a grey keeps its lightness, and takes on the warmth of the lamp alone', () => {
    // Gains of 0.7 + 0.3 x (lamp's cones / day's cones) leave the luminance of a grey within a few parts in a hundred.
    for (const grey of ['#404040', '#808080', '#b0b0b0']) {
      const [day, lamp] = [labOf(grey), labOf(colourBy('lamplight', grey))]
      expect(Math.abs(lamp.l - day.l)).toBeLessThan(2)
      expect(lamp.a).toBeGreaterThan(1)
      expect(lamp.b).toBeGreaterThan(3)
    }
  })
  test('white grows warm and no darker; blues lose more than reds; black stays', () => {
    const white = labOf(colourBy('lamplight', '#ffffff'))
    expect(white.b).toBeGreaterThan(5)
    expect(white.l).toBeGreaterThan(95)
    const lost = (hex: string) => labOf(hex).l - labOf(colourBy('lamplight', hex)).l
    expect(lost('#2040c0')).toBeGreaterThan(lost('#c04020'))
    expect(colourBy('lamplight', '#000000')).toBe('#000000')
    expect(colourBy('daylight', '#2c6e7f')).toBe('#2c6e7f')
  })
  test('by little light every colour is darker and paler than by the lamp', () => {
    // Whole steps of sRGB are coarse in the dark.
    const STEP = 3
    fc.assert(
      fc.property(fc.nat(0xffffff), (value) => {
        const hex = `#${value.toString(16).padStart(6, '0')}`
        const [lamp, dim] = [labOf(colourBy('lamplight', hex)), labOf(colourBy('dim light', hex))]
        expect(dim.l).toBeLessThanOrEqual(0.75 * lamp.l + STEP)
        expect(Math.hypot(dim.a, dim.b)).toBeLessThanOrEqual(Math.hypot(lamp.a, lamp.b) + STEP)
      }),
      { numRuns: 300 },
    )
  })
  test('two papers that part by their blue come closer by the lamp and by little light', () => {
    const seen = (way: 'all colours' | 'dim light') => differenceSeen('#3d6fb0', '#3d7a5a', way)
    expect(seen('dim light')).toBeLessThan(seen('all colours'))
  })
  test('what is no colour is refused', () => {
    expect(() => colourBy('lamplight', 'teal-ish')).toThrow(CoreError)
  })
})
