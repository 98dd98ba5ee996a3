import fc from 'fast-check'
import { area, contains, point, subdivide, type Point, type Polygon, type Segment } from '.'

const square: Polygon = [point(0, 0), point(1, 0), point(1, 1), point(0, 1)]
const border = square.map((from, index): Segment<string> => ({
  from,
  to: square[(index + 1) % 4] ?? from,
  mark: 'edge',
}))
const across = (a: number, b: number, upright: boolean): Segment<string> =>
  upright
    ? { from: point(a, 0), to: point(b, 1), mark: 'crease' }
    : { from: point(0, a), to: point(1, b), mark: 'crease' }
const shape = (corners: readonly Point[], face: readonly number[]): Polygon =>
  face.flatMap((corner) => corners[corner] ?? [])

const share = fc.double({ min: 0.02, max: 0.98, noNaN: true })
const lines = fc.array(fc.tuple(share, share, fc.boolean()), { maxLength: 7 })

describe('cutting up a square', () => {
  test('the faces make up the square, and corners - edges + faces is 1 (Euler)', () => {
    fc.assert(
      fc.property(lines, (cuts) => {
        const division = subdivide([...border, ...cuts.map(([a, b, upright]) => across(a, b, upright))])
        const total = division.faces.reduce((sum, face) => sum + area(shape(division.corners, face)), 0)
        expect(total).toBeCloseTo(1, 6)
        expect(division.corners.length - division.edges.length + division.faces.length).toBe(1)
      }),
    )
  })
  test('every crease has a face on both sides, every border edge on one', () => {
    fc.assert(
      fc.property(lines, (cuts) => {
        const division = subdivide([...border, ...cuts.map(([a, b, upright]) => across(a, b, upright))])
        division.edges.forEach(({ mark }, index) => {
          const { left, right } = division.sides[index] ?? { left: -1, right: -1 }
          expect([left, right].filter((face) => face >= 0)).toHaveLength(mark === 'edge' ? 1 : 2)
          if (left >= 0) expect(left).not.toBe(right)
        })
      }),
    )
  })
  test('the order of the segments changes nothing but the numbering', () => {
    fc.assert(
      fc.property(lines, (cuts) => {
        const creases = cuts.map(([a, b, upright]) => across(a, b, upright))
        const areas = (segments: readonly Segment<string>[]) => {
          const division = subdivide(segments)
          return division.faces.map((face) => area(shape(division.corners, face))).sort((a, b) => a - b)
        }
        const [one, other] = [areas([...border, ...creases]), areas([...creases].reverse().concat(border))]
        expect(other).toHaveLength(one.length)
        one.forEach((value, index) => expect(other[index]).toBeCloseTo(value, 6))
      }),
      { numRuns: 60 },
    )
  })
})

test('a grid of 4 x 4 lines gives 25 squares, with corners that were typed a hair apart joined', () => {
  const hair = 2e-9
  const marks = [0.2, 0.4, 0.6, 0.8]
  const grid = marks.flatMap((at, index) => [
    across(at, at + hair * index, true),
    across(at, at - hair * index, false),
  ])
  const division = subdivide([...border, ...grid])
  expect(division.faces).toHaveLength(25)
  for (const face of division.faces) expect(area(shape(division.corners, face))).toBeCloseTo(0.04, 6)
})

test('where two stretches lie on one another the first one counts', () => {
  const division = subdivide([
    ...border,
    { from: point(0.5, 0), to: point(0.5, 1), mark: 'crease' },
    { from: point(0.5, 0.25), to: point(0.5, 0.75), mark: 'again' },
  ])
  expect(division.faces).toHaveLength(2)
  expect(division.edges.some((edge) => edge.mark === 'again')).toBe(false)
})

test('a corner inside is inside exactly its own faces', () => {
  const division = subdivide([...border, across(0.3, 0.7, true), across(0.6, 0.2, false)])
  const middle = point(0.9, 0.9)
  expect(division.faces.filter((face) => contains(shape(division.corners, face), middle))).toHaveLength(1)
})

test('nothing in, nothing out', () => {
  expect(subdivide([])).toEqual({ corners: [], edges: [], faces: [], sides: [] })
})
