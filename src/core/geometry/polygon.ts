import { SAME_AREA, SAME_POINT } from '../numeric'
import { lineThrough, signedDistance, type Line } from './line'
import { distance, plus, times, type Point } from './point'

/** A convex polygon, counter-clockwise; three corners at least, or none for the empty one. */
export type Polygon = readonly Point[]

/** Twice the signed area is summed over the edges; positive for counter-clockwise. */
export function signedArea(polygon: Polygon): number {
  let twice = 0
  let p = polygon.at(-1)
  for (const q of polygon) {
    if (p) twice += p.x * q.y - p.y * q.x
    p = q
  }
  return twice / 2
}

export const area = (polygon: Polygon): number => Math.abs(signedArea(polygon))

/** Without corners that lie on the next one, and empty where less than a triangle is left. */
export function tidied(points: readonly Point[]): Polygon {
  const kept: Point[] = []
  for (let index = 0; index < points.length; index++) {
    const p = points[index] as Point
    const next = points[index + 1 === points.length ? 0 : index + 1] as Point
    if (distance(p, next) > SAME_POINT) kept.push(p)
  }
  return kept.length < 3 || Math.abs(signedArea(kept)) < SAME_AREA ? [] : kept
}

/**
 * The part of a convex polygon on the left of a line; empty where there is none.
 * A corner within 1e-9 of the line counts as on it. *Cost* linear.
 */
export function leftPart(polygon: Polygon, line: Line): Polygon {
  const { origin, direction } = line
  const count = polygon.length
  const sides = new Float64Array(count)
  let [anyLeft, anyRight] = [false, false]
  for (let index = 0; index < count; index++) {
    const p = polygon[index] as Point
    // Written out: this is the innermost loop of every fold, cell and picture.
    const side = direction.x * (p.y - origin.y) - direction.y * (p.x - origin.x)
    if (side > SAME_POINT) {
      sides[index] = side
      anyLeft = true
    } else if (side < -SAME_POINT) {
      sides[index] = side
      anyRight = true
    }
  }
  if (!anyLeft) return []
  if (!anyRight) return polygon
  const kept: Point[] = []
  for (let index = 0; index < count; index++) {
    const following = index + 1 === count ? 0 : index + 1
    const [here, there] = [sides[index] as number, sides[following] as number]
    const p = polygon[index] as Point
    if (here >= 0) kept.push(p)
    if (here * there < 0) {
      const q = polygon[following] as Point
      const share = here / (here - there)
      kept.push({ x: p.x + (q.x - p.x) * share, y: p.y + (q.y - p.y) * share })
    }
  }
  return tidied(kept)
}

interface Box {
  readonly left: number
  readonly right: number
  readonly bottom: number
  readonly top: number
}

function boxOf(polygon: Polygon): Box {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const { x, y } of polygon) {
    left = Math.min(left, x)
    right = Math.max(right, x)
    bottom = Math.min(bottom, y)
    top = Math.max(top, y)
  }
  return { left, right, bottom, top }
}

/** Boxes that do not overlap keep most pairs from being clipped at all. */
const apart = (a: Box, b: Box): boolean =>
  a.right < b.left + SAME_POINT ||
  b.right < a.left + SAME_POINT ||
  a.top < b.bottom + SAME_POINT ||
  b.top < a.bottom + SAME_POINT

/** What two convex polygons have in common; empty where they only touch. */
export function overlap(first: Polygon, second: Polygon): Polygon {
  if (first.length < 3 || second.length < 3 || apart(boxOf(first), boxOf(second))) return []
  let left: Polygon = first
  for (let index = 0; index < second.length && left.length > 0; index++) {
    const [p, q] = [second[index], second[(index + 1) % second.length]]
    if (p && q) left = leftPart(left, lineThrough(p, q))
  }
  return left
}

/** The middle of the corners: inside, for a convex polygon. */
export function centre(polygon: Polygon): Point {
  const sum = polygon.reduce((total, p) => plus(total, p), { x: 0, y: 0 })
  return times(sum, 1 / polygon.length)
}

/** Whether a point lies inside or on the edge of a convex counter-clockwise polygon, no two of its corners in one place. */
export const contains = (polygon: Polygon, at: Point): boolean =>
  polygon.every((p, index) => {
    const q = polygon[(index + 1) % polygon.length] ?? p
    return signedDistance(lineThrough(p, q), at) > -SAME_POINT
  })
