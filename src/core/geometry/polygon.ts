import { SAME_AREA, SAME_POINT } from '../numeric'
import { lineThrough, signedDistance, type Line } from './line'
import { cross, distance, minus, plus, times, type Point } from './point'

/** A convex polygon, counter-clockwise; three corners at least, or none for the empty one. */
export type Polygon = readonly Point[]

/** Twice the signed area is summed over the edges; positive for counter-clockwise. */
export function signedArea(polygon: Polygon): number {
  let twice = 0
  polygon.forEach((p, index) => {
    const q = polygon[(index + 1) % polygon.length] ?? p
    twice += cross(p, q)
  })
  return twice / 2
}

export const area = (polygon: Polygon): number => Math.abs(signedArea(polygon))

/** Without corners that lie on the one before, and empty where less than a triangle is left. */
function tidy(points: readonly Point[]): Polygon {
  const kept = points.filter((p, index) => {
    const next = points[(index + 1) % points.length] ?? p
    return points.length < 2 || distance(p, next) > SAME_POINT
  })
  return kept.length < 3 || Math.abs(signedArea(kept)) < SAME_AREA ? [] : kept
}

/**
 * The part of a convex polygon on the left of a line; empty where there is none.
 * A corner within 1e-9 of the line counts as on it. *Cost* linear.
 */
export function leftPart(polygon: Polygon, line: Line): Polygon {
  const sides = polygon.map((p) => {
    const side = signedDistance(line, p)
    return Math.abs(side) < SAME_POINT ? 0 : side
  })
  const kept: Point[] = []
  polygon.forEach((p, index) => {
    const following = (index + 1) % polygon.length
    const [here, there] = [sides[index] ?? 0, sides[following] ?? 0]
    const q = polygon[following] ?? p
    if (here >= 0) kept.push(p)
    if (here * there < 0) kept.push(plus(p, times(minus(q, p), here / (here - there))))
  })
  return tidy(kept)
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

/** Whether a point lies inside or on the edge of a convex counter-clockwise polygon. */
export const contains = (polygon: Polygon, at: Point): boolean =>
  polygon.every((p, index) => {
    const q = polygon[(index + 1) % polygon.length] ?? p
    return signedDistance(lineThrough(p, q), at) > -SAME_POINT
  })
