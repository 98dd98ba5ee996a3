import { CoreError } from '../errors'
import { SAME_POINT } from '../numeric'
import { cross, distance, dot, leftOf, length, middle, minus, plus, times, type Point } from './point'

/** A straight line through `origin` along the unit vector `direction`; its left side is the positive one. */
export interface Line {
  readonly origin: Point
  readonly direction: Point
}

/** The line through a point along a vector of any length. *Throws* `OUT_OF_RANGE` for the zero vector. */
export function lineAlong(origin: Point, vector: Point): Line {
  const size = length(vector)
  if (!(size > SAME_POINT)) throw new CoreError('OUT_OF_RANGE', { name: 'direction of a line', value: size })
  return { origin, direction: times(vector, 1 / size) }
}

/** Through two points (Huzita-Justin 1). *Throws* `OUT_OF_RANGE` where they are one. */
export const lineThrough = (a: Point, b: Point): Line => lineAlong(a, minus(b, a))

/** Distance of a point from a line, positive on its left. */
export const signedDistance = (line: Line, at: Point): number => cross(line.direction, minus(at, line.origin))

/** The fold that brings `a` onto `b` (Huzita-Justin 2): their perpendicular bisector, `b` on its left. */
export function bisectorOfPoints(a: Point, b: Point): Line {
  return lineAlong(middle(a, b), times(leftOf(minus(b, a)), -1))
}

/** Where two lines meet; `null` for parallel ones. */
export function meet(first: Line, second: Line): Point | null {
  const turn = cross(first.direction, second.direction)
  if (Math.abs(turn) < SAME_POINT) return null
  const along = cross(minus(second.origin, first.origin), second.direction) / turn
  return plus(first.origin, times(first.direction, along))
}

/** The foot of the perpendicular from a point. */
export const footOf = (line: Line, at: Point): Point =>
  plus(line.origin, times(line.direction, dot(line.direction, minus(at, line.origin))))

/** The mirror image of a point. */
export const mirrored = (line: Line, at: Point): Point => {
  const foot = footOf(line, at)
  return { x: 2 * foot.x - at.x, y: 2 * foot.y - at.y }
}

export const reversed = (line: Line): Line => ({ ...line, direction: times(line.direction, -1) })

/** Whether two lines are one, in either direction. */
export const sameLine = (first: Line, second: Line): boolean =>
  Math.abs(cross(first.direction, second.direction)) < SAME_POINT &&
  distance(footOf(first, second.origin), second.origin) < SAME_POINT
