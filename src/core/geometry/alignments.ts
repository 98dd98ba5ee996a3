import { CARRIED_THROUGH, SAME_POINT } from '../numeric'
import { realRoots } from './cubic'
import { bisectorOfPoints, footOf, lineAlong, meet, mirrored, signedDistance, type Line } from './line'
import { cross, distance, dot, leftOf, minus, plus, times, type Point } from './point'

/**
 * The single-fold alignments beyond "through two points" and "point onto point" (`line.ts`). Each returns every fold
 * line that does it, none where there is none. *Source* the seven Huzita-Justin alignments (H. Huzita; J. Justin 1986).
 */

/** Line onto line (3): both bisectors of lines that meet; the midline of parallel ones. */
export function lineOntoLine(first: Line, second: Line): readonly Line[] {
  const at = meet(first, second)
  if (at === null) {
    const foot = footOf(first, second.origin)
    return [lineAlong(times(plus(foot, second.origin), 0.5), first.direction)]
  }
  const sum = plus(first.direction, second.direction)
  const difference = minus(first.direction, second.direction)
  return [lineAlong(at, sum), lineAlong(at, difference)]
}

/** Perpendicular to a line through a point (4). */
export const perpendicularThrough = (line: Line, through: Point): Line =>
  lineAlong(through, leftOf(line.direction))

/** A point onto a line, the fold through another point (5): up to two. */
export function pointOntoLineThrough(at: Point, target: Line, through: Point): readonly Line[] {
  const radius = distance(at, through)
  const foot = footOf(target, through)
  const away = distance(foot, through)
  if (away > radius + SAME_POINT) return []
  const along = Math.sqrt(Math.max(0, radius * radius - away * away))
  const landings =
    along < SAME_POINT ? [foot] : [1, -1].map((side) => plus(foot, times(target.direction, side * along)))
  return landings.flatMap((landing) =>
    distance(at, landing) < SAME_POINT ? [] : [bisectorOfPoints(at, landing)],
  )
}

/**
 * Two points onto two lines at once (6): up to three folds.
 * With q(t) on the first line, the fold is the bisector of p1 and q; the distance of the image of p2 from the second
 * line, times |q - p1|^2, is a cubic in t. Its coefficients come from four values, its roots are checked.
 */
export function twoPointsOntoTwoLines(p1: Point, l1: Line, p2: Point, l2: Line): readonly Line[] {
  const normal = leftOf(l2.direction)
  const value = (t: number): number => {
    const q = plus(l1.origin, times(l1.direction, t))
    const n = minus(q, p1)
    const fromMiddle = minus(p2, times(plus(p1, q), 0.5))
    return dot(normal, minus(p2, l2.origin)) * dot(n, n) - 2 * dot(fromMiddle, n) * dot(n, normal)
  }
  const [f0, f1, fm, f2] = [value(0), value(1), value(-1), value(2)]
  const c0 = f0
  const c2 = (f1 + fm) / 2 - f0
  const odd = (f1 - fm) / 2
  const c3 = (f2 - c0 - 4 * c2 - 2 * odd) / 6
  const c1 = odd - c3
  return realRoots(c3, c2, c1, c0).flatMap((t) => {
    const q = plus(l1.origin, times(l1.direction, t))
    if (distance(q, p1) < SAME_POINT) return []
    const fold = bisectorOfPoints(p1, q)
    return Math.abs(signedDistance(l2, mirrored(fold, p2))) < CARRIED_THROUGH ? [fold] : []
  })
}

/** A point onto a line, the fold perpendicular to another line (7): one, or none where those are parallel. */
export function pointOntoLinePerpendicular(at: Point, target: Line, across: Line): readonly Line[] {
  if (Math.abs(cross(target.direction, across.direction)) < SAME_POINT) return []
  const landing = meet(target, { origin: at, direction: across.direction })
  return landing === null || distance(landing, at) < SAME_POINT ? [] : [bisectorOfPoints(at, landing)]
}
