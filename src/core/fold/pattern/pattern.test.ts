import fc from 'fast-check'
import { flips, lineThrough, point, type Point, type Polygon } from '../../geometry'
import {
  check,
  figuresOf,
  flatSheet,
  foldPattern,
  regularHexagon,
  relation,
  simpleFold,
  unitSquare,
  whereIs,
  type Crease,
  type CreasePattern,
  type FoldedState,
  type Letter,
  type PatternResult,
} from '..'

const LIMITS = { most: 1000 }
const centre = point(0.5, 0.5)
const crease = (from: Point, to: Point, letter: Letter): Crease => ({ from, to, letter })
const state = (result: PatternResult): FoldedState => {
  if (!result.ok) throw new Error(JSON.stringify(result.faults))
  return result.state
}
const faults = (pattern: CreasePattern) => {
  const result = foldPattern(pattern, LIMITS)
  return result.ok ? [] : result.faults
}

const [E, N, W, S] = [point(1, 0.5), point(0.5, 1), point(0, 0.5), point(0.5, 0)]
const [NE, NW, SW, SE] = [point(1, 1), point(0, 1), point(0, 0), point(1, 0)]

/** Quarters stand as wholes in front and behind, the other two are halved between them. */
const squareBase: CreasePattern = {
  outline: unitSquare,
  creases: [
    ...[E, N, W, S].map((to) => crease(centre, to, 'V')),
    ...[NE, SW].map((to) => crease(centre, to, 'M')),
    ...[NW, SE].map((to) => crease(centre, to, 'F')),
  ],
}
const waterbombBase: CreasePattern = {
  outline: unitSquare,
  creases: [
    ...[NE, NW, SW, SE].map((to) => crease(centre, to, 'V')),
    ...[E, W].map((to) => crease(centre, to, 'M')),
    ...[N, S].map((to) => crease(centre, to, 'F')),
  ],
}

describe('bases from their crease patterns (sizes derived)', () => {
  test('square base: 0.5 square, 4 layers everywhere, the centre at one corner, all sheet corners at the other', () => {
    const result = foldPattern(squareBase, LIMITS)
    const base = state(result)
    expect(check(base)).toEqual([])
    const figures = figuresOf(base)
    expect(figures.shown).toBeCloseTo(0.25, 12)
    expect([figures.fewestLayers, figures.mostLayers]).toEqual([4, 4])
    const corners = [NE, NW, SW, SE].map((corner) => whereIs(base, corner))
    for (const corner of corners) {
      expect(corner?.x).toBeCloseTo(corners[0]?.x ?? NaN, 9)
      expect(corner?.y).toBeCloseTo(corners[0]?.y ?? NaN, 9)
    }
  })
  test('waterbomb base: 1 by 0.5, 4 layers, area a quarter', () => {
    const base = state(foldPattern(waterbombBase, LIMITS))
    expect(check(base)).toEqual([])
    const figures = figuresOf(base)
    expect(Math.max(figures.width, figures.height)).toBeCloseTo(1, 12)
    expect(Math.min(figures.width, figures.height)).toBeCloseTo(0.5, 12)
    expect(figures.shown).toBeCloseTo(0.25, 12)
    expect(figures.mostLayers).toBe(4)
  })
  test('a valley shows its back to the front’s eye: one book fold, front up, hides the front', () => {
    const book = (letter: Letter) =>
      state(foldPattern({ outline: unitSquare, creases: [crease(S, N, letter)] }, LIMITS))
    expect(figuresOf(book('V')).frontSeen).toBeCloseTo(0, 12)
    expect(figuresOf(book('M')).backSeen).toBeCloseTo(0, 12)
  })
})

/** A regular polygon of many corners around the origin, with so many equal spokes. */
const spokesOf = (degree: number, letters: readonly Letter[]): CreasePattern => {
  const outline: Polygon = Array.from({ length: degree }, (_, k) =>
    point(Math.cos((2 * Math.PI * k) / degree), Math.sin((2 * Math.PI * k) / degree)),
  )
  return { outline, creases: outline.map((to, index) => crease(point(0, 0), to, letters[index] ?? 'U')) }
}

test.each([
  [4, 8],
  [6, 30],
  [8, 112],
])(
  'a flat vertex of %i equal angles folds with %i assignments (T. Hull, from memory: 2 C(2n, n-1); counted anew)',
  (degree, expected) => {
    // Maekawa: mountains and valleys differ by two; at equal angles that is all.
    const ones = (bits: number) => [...bits.toString(2)].filter((digit) => digit === '1').length
    const counted = Array.from({ length: 2 ** degree }, (_, bits) => ones(bits)).filter(
      (mountains) => Math.abs(2 * mountains - degree) === 2,
    )
    expect(counted).toHaveLength(expected)
    let folds = 0
    for (let bits = 0; bits < 2 ** degree; bits++) {
      const letters = Array.from({ length: degree }, (_, k): Letter => ((bits >> k) & 1 ? 'M' : 'V'))
      if (foldPattern(spokesOf(degree, letters), LIMITS).ok) folds++
    }
    expect(folds).toBe(expected)
  },
)

describe('patterns that cannot fold flat are refused with the place', () => {
  test('angles that do not alternate to 180 degrees', () => {
    const creases = [point(1, 0.4), N, W, S].map((to) => crease(centre, to, 'U'))
    expect(faults({ outline: unitSquare, creases })).toMatchObject([{ code: 'ANGLE_SUM', at: centre }])
  })
  test('an odd number of creases, a crease that ends inside, letters that do not differ by two', () => {
    const from = (letters: readonly (readonly [Point, Letter])[]) => ({
      outline: unitSquare,
      creases: letters.map(([to, letter]) => crease(centre, to, letter)),
    })
    expect(
      faults(
        from([
          [E, 'V'],
          [N, 'V'],
          [W, 'V'],
        ]),
      ),
    ).toMatchObject([{ code: 'ODD_DEGREE', creases: 3 }])
    expect(faults(from([[E, 'V']]))).toMatchObject([{ code: 'DANGLING_CREASE', at: centre }])
    expect(
      faults(
        from([
          [E, 'V'],
          [N, 'V'],
          [W, 'M'],
          [S, 'M'],
        ]),
      ),
    ).toMatchObject([{ code: 'FOLD_PARITY', mountains: 2, valleys: 2 }])
  })
  test('letters that are right at every corner and still leave no order', () => {
    // A strip in three parts, the last longer than the middle: both valleys fold, but a short cover cannot be wrapped.
    const strip: Polygon = [point(0, 0), point(3.2, 0), point(3.2, 1), point(0, 1)]
    const at = (x: number, letter: Letter) => crease(point(x, 0), point(x, 1), letter)
    expect(foldPattern({ outline: strip, creases: [at(1.2, 'V'), at(2, 'V')] }, LIMITS).ok).toBe(false)
    expect(faults({ outline: strip, creases: [at(1.2, 'V'), at(2, 'V')] })[0]).toMatchObject({
      code: 'NO_ORDER',
    })
    expect(foldPattern({ outline: strip, creases: [at(1.2, 'V'), at(2, 'M')] }, LIMITS).ok).toBe(true)
  })
  test('a hint takes one of two orders away; letters alone often leave several', () => {
    const strip: Polygon = [point(0, 0), point(3, 0), point(3, 1), point(0, 1)]
    const creases = [crease(point(1, 0), point(1, 1), 'V'), crease(point(2, 0), point(2, 1), 'V')]
    const open = foldPattern({ outline: strip, creases }, LIMITS)
    expect(open).toMatchObject({ ok: true, orders: 2 })
    const hints = [{ above: point(2.5, 0.5), below: point(0.5, 0.5) }]
    expect(foldPattern({ outline: strip, creases, hints }, LIMITS)).toMatchObject({ ok: true, orders: 1 })
  })
})

/** The crease pattern of a state that was folded by hand: each hinge with the letter its order gives. */
function patternOf(folded: FoldedState): CreasePattern {
  const creases = folded.hinges.map(({ first, second, from, to }): Crease => {
    const [one, other] = [folded.faces[first], folded.faces[second]]
    const flat = one && other && flips(one.pose) === flips(other.pose)
    if (flat) return crease(from, to, 'F')
    const frontUp = one && flips(one.pose) ? second : first
    const cover = frontUp === first ? second : first
    return crease(from, to, relation(folded, cover, frontUp) === 1 ? 'V' : 'M')
  })
  return { outline: folded.outline, creases }
}

test('what was folded by hand folds again from its own crease pattern: same size, the same letters possible', () => {
  const share = fc.double({ min: 0.1, max: 0.9, noNaN: true })
  const fold = fc.record({ a: share, b: share, upright: fc.boolean(), valley: fc.boolean() })
  const sheet = fc.constantFrom<Polygon>(
    unitSquare,
    regularHexagon(1).map((p) => point(p.x + 0.5, p.y + 0.5)),
  )
  fc.assert(
    fc.property(sheet, fc.array(fold, { minLength: 1, maxLength: 3 }), (outline, folds) => {
      const folded = folds.reduce<FoldedState>((now, { a, b, upright, valley }) => {
        const line = upright ? lineThrough(point(a, 0), point(b, 1)) : lineThrough(point(0, a), point(1, b))
        try {
          return simpleFold(now, { line, way: valley ? 'valley' : 'mountain', grip: 'all' })
        } catch {
          return now
        }
      }, flatSheet(outline))
      const again = foldPattern(patternOf(folded), LIMITS)
      const [before, after] = [figuresOf(folded), figuresOf(state(again))]
      expect(after.shown).toBeCloseTo(before.shown, 7)
      expect(after.mostLayers).toBe(before.mostLayers)
      expect(check(state(again))).toEqual([])
    }),
    { numRuns: 80 },
  )
})
