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
  /** Machado, Oliveira and Fernandes 2009, severity 1.0, for linear light; the figures from memory. */
  const MACHADO = {
    'no red cones': [
      0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998,
    ],
    'no green cones': [
      0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881,
    ],
    'no blue cones': [
      1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039,
    ],
  } as const
  /** sRGB to light (IEC 61966-2-1), through a matrix, to XYZ under D65 and CIE Lab: written out, without a package. */
  function labThrough(hex: string, m: readonly number[]): readonly [number, number, number] {
    const light = [1, 3, 5]
      .map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
      .map((value) => (value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4))
    const times = (rows: readonly number[], by: readonly number[]) =>
      [0, 3, 6].map((row) => rows[row]! * by[0]! + rows[row + 1]! * by[1]! + rows[row + 2]! * by[2]!)
    const xyz = times(
      [0.4123908, 0.3575843, 0.1804808, 0.212639, 0.7151687, 0.0721923, 0.0193308, 0.1191948, 0.9505322],
      times(m, light),
    )
    const white = [0.9504559, 1, 1.0890578]
    const f = (t: number) => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116)
    const [x = 0, y = 0, z = 0] = xyz.map((value, at) => f(value / white[at]!))
    return [116 * y - 16, 500 * (x - y), 200 * (y - z)]
  }
  test.each(Object.keys(MACHADO) as (keyof typeof MACHADO)[])(
    'eyes with %s: the matrices on linear light, against the sums written out',
    (way) => {
      const papers = ['#c4491d', '#7f9563', '#2c6e7f', '#e8dcc8', '#5b3a5e', '#6f7fa8', '#ffcc00', '#101010']
      for (const one of papers)
        for (const other of papers) {
          const [a, b] = [one, other].map((hex) => labThrough(hex, MACHADO[way]))
          const wanted = differenceOf({ l: a![0], a: a![1], b: a![2] }, { l: b![0], a: b![1], b: b![2] })
          expect(differenceSeen(one, other, way)).toBeCloseTo(wanted, 1)
        }
    },
  )
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
