import fc from 'fast-check'
import {
  after,
  area,
  bisectorOfPoints,
  contains,
  distance,
  flips,
  IDENTITY,
  inverse,
  leftPart,
  lineOntoLine,
  lineThrough,
  meet,
  mirrored,
  move,
  overlap,
  perpendicularThrough,
  point,
  pointOntoLinePerpendicular,
  pointOntoLineThrough,
  realRoots,
  reflection,
  reversed,
  rotation,
  sameLine,
  signedArea,
  signedDistance,
  twoPointsOntoTwoLines,
  type Point,
  type Polygon,
} from '.'

const near = (a: Point, b: Point, within = 1e-9) => expect(distance(a, b)).toBeLessThan(within)
const coordinate = fc.double({ min: -2, max: 2, noNaN: true })
const anyPoint = fc.record({ x: coordinate, y: coordinate })
const twoPoints = fc.tuple(anyPoint, anyPoint).filter(([a, b]) => distance(a, b) > 0.05)
const anyLine = twoPoints.map(([a, b]) => lineThrough(a, b))
const square: Polygon = [point(0, 0), point(1, 0), point(1, 1), point(0, 1)]

describe('lines and movements', () => {
  test('a mirror image is as far away on the other side, and mirroring twice is nothing', () => {
    fc.assert(
      fc.property(anyLine, anyPoint, (line, p) => {
        expect(signedDistance(line, mirrored(line, p))).toBeCloseTo(-signedDistance(line, p), 9)
        near(move(reflection(line), p), mirrored(line, p))
        near(mirrored(line, mirrored(line, p)), p)
        expect(flips(reflection(line))).toBe(true)
      }),
    )
  })
  test('a movement and its way back are nothing; distances stay', () => {
    fc.assert(
      fc.property(
        anyLine,
        anyLine,
        fc.double({ min: -4, max: 4, noNaN: true }),
        twoPoints,
        (l, m, turn, [p, q]) => {
          const whole = after(reflection(l), after(rotation(turn), reflection(m)))
          near(move(after(inverse(whole), whole), p), p)
          expect(distance(move(whole, p), move(whole, q))).toBeCloseTo(distance(p, q), 9)
          expect(flips(whole)).toBe(false)
          near(move(after(whole, IDENTITY), p), move(whole, p))
        },
      ),
    )
  })
})

describe('convex polygons', () => {
  test('the two sides of a line make up the whole', () => {
    fc.assert(
      fc.property(anyLine, (line) => {
        const parts = [leftPart(square, line), leftPart(square, reversed(line))]
        expect(parts.reduce((sum, part) => sum + area(part), 0)).toBeCloseTo(1, 8)
        for (const part of parts) expect(part.length === 0 || signedArea(part) > 0).toBe(true)
      }),
    )
  })
  test('what two squares share does not depend on which is cut by which, and lies in both', () => {
    fc.assert(
      fc.property(anyPoint, fc.double({ min: 0, max: 2, noNaN: true }), (shift, turn) => {
        const by = after({ ...IDENTITY, ...shift }, rotation(turn))
        const other = square.map((p) => move(by, p))
        const [one, two] = [overlap(square, other), overlap(other, square)]
        expect(area(one)).toBeCloseTo(area(two), 9)
        for (const p of one) expect(contains(square, p) && contains(other, p)).toBe(true)
      }),
    )
  })
})

test('real roots of cubics put together from their roots (derived)', () => {
  const gap = fc.double({ min: 0.05, max: 3, noNaN: true })
  fc.assert(
    fc.property(fc.double({ min: -3, max: 3, noNaN: true }), gap, gap, (a, toB, toC) => {
      const [b, c] = [a + toB, a + toB + toC]
      const found = realRoots(1, -(a + b + c), a * b + b * c + c * a, -a * b * c)
      expect(found).toHaveLength(3)
      ;[a, b, c].forEach((root, index) => expect(found[index]).toBeCloseTo(root, 7))
    }),
  )
  expect(realRoots(0, 0, 2, -1)).toEqual([0.5])
  expect(realRoots(0, 1, 0, 1)).toEqual([])
  expect(realRoots(0, 0, 0, 0)).toEqual([])
})

describe('the Huzita-Justin alignments', () => {
  test('2: the fold brings one point onto the other', () => {
    fc.assert(fc.property(twoPoints, ([a, b]) => near(mirrored(bisectorOfPoints(a, b), a), b)))
  })
  test('3: line onto line, both ways, and the midline of parallel ones', () => {
    fc.assert(
      fc.property(anyLine, anyLine, (l, m) => {
        for (const fold of lineOntoLine(l, m)) {
          const image = lineThrough(
            mirrored(fold, l.origin),
            mirrored(fold, { x: l.origin.x + l.direction.x, y: l.origin.y + l.direction.y }),
          )
          expect(Math.abs(signedDistance(m, image.origin))).toBeLessThan(1e-6)
        }
      }),
      { numRuns: 60 },
    )
    const [middle] = lineOntoLine(
      lineThrough(point(0, 0), point(1, 0)),
      lineThrough(point(0, 1), point(1, 1)),
    )
    expect(middle && sameLine(middle, lineThrough(point(0, 0.5), point(1, 0.5)))).toBe(true)
  })
  test('4, 5 and 7 do what they say', () => {
    fc.assert(
      fc.property(anyLine, anyLine, anyPoint, anyPoint, (l, m, p, q) => {
        const upright = perpendicularThrough(l, p)
        near(mirrored(upright, p), p)
        expect(Math.abs(signedDistance(l, mirrored(upright, l.origin)))).toBeLessThan(1e-8)
        for (const fold of pointOntoLineThrough(p, l, q)) {
          expect(Math.abs(signedDistance(l, mirrored(fold, p)))).toBeLessThan(1e-6)
          expect(Math.abs(signedDistance(fold, q))).toBeLessThan(1e-6)
        }
        for (const fold of pointOntoLinePerpendicular(p, l, m)) {
          const image = mirrored(fold, p)
          fc.pre(distance(image, p) < 20)
          expect(Math.abs(signedDistance(l, image))).toBeLessThan(1e-6)
        }
      }),
    )
  })
  test('6: two points onto two lines, every fold found does both', () => {
    fc.assert(
      fc.property(anyLine, anyLine, twoPoints, (l, m, [p, q]) => {
        for (const fold of twoPointsOntoTwoLines(p, l, q, m)) {
          expect(Math.abs(signedDistance(l, mirrored(fold, p)))).toBeLessThan(1e-6)
          expect(Math.abs(signedDistance(m, mirrored(fold, q)))).toBeLessThan(1e-6)
        }
      }),
    )
  })
  test('6: the cube is doubled on a sheet creased in thirds (P. Messer 1986)', () => {
    // Left side x = 0; the lower left corner onto the right side, the mark at one third onto the line at two thirds.
    const rightSide = lineThrough(point(1, 0), point(1, 1))
    const upperThird = lineThrough(point(0, 2 / 3), point(1, 2 / 3))
    const folds = twoPointsOntoTwoLines(point(0, 0), rightSide, point(0, 1 / 3), upperThird)
    const landings = folds.map((fold) => mirrored(fold, point(0, 0)).y).filter((y) => y > 0 && y < 1)
    const ratios = landings.map((y) => (1 - y) / y)
    expect(ratios.some((ratio) => Math.abs(ratio - Math.cbrt(2)) < 1e-9)).toBe(true)
  })
  test('Haga’s first theorem: a corner to the middle of a side crosses the neighbouring side at 2/3', () => {
    // The lower left corner brought to the middle of the top side.
    const fold = bisectorOfPoints(point(0, 0), point(0.5, 1))
    const movedEdge = lineThrough(mirrored(fold, point(0, 0)), mirrored(fold, point(1, 0)))
    const crossing = meet(movedEdge, lineThrough(point(1, 0), point(1, 1)))
    expect(crossing && 1 - crossing.y).toBeCloseTo(2 / 3, 12)
    const creaseEnd = meet(fold, lineThrough(point(0, 0), point(0, 1)))
    expect(creaseEnd?.y).toBeCloseTo(5 / 8, 12)
  })
})
