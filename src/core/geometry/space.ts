import type { Point } from './point'

/** A point or a vector in space: the table is z = 0, the viewer above it. */
export interface Spot extends Point {
  readonly z: number
}

export const add = (p: Spot, q: Spot): Spot => ({ x: p.x + q.x, y: p.y + q.y, z: p.z + q.z })
export const less = (p: Spot, q: Spot): Spot => ({ x: p.x - q.x, y: p.y - q.y, z: p.z - q.z })
export const inner = (p: Spot, q: Spot): number => p.x * q.x + p.y * q.y + p.z * q.z
export const outer = (p: Spot, q: Spot): Spot => ({
  x: p.y * q.z - p.z * q.y,
  y: p.z * q.x - p.x * q.z,
  z: p.x * q.y - p.y * q.x,
})
export const sized = (p: Spot): number => Math.sqrt(inner(p, p))
export const scaled = ({ x, y, z }: Spot, factor: number): Spot => ({
  x: x * factor,
  y: y * factor,
  z: z * factor,
})
/** Of length 1; the zero vector stays one. */
export const unitOf = (p: Spot): Spot => scaled(p, 1 / (sized(p) || 1))

/** Upright on a plane outline, of length 1; towards who sees it counter-clockwise. */
export function normalOf(spots: readonly Spot[]): Spot {
  let sum: Spot = { x: 0, y: 0, z: 0 }
  const [base = sum] = spots
  spots.forEach((p, index) => {
    sum = add(sum, outer(less(p, base), less(spots[(index + 1) % spots.length] ?? p, base)))
  })
  return unitOf(sum)
}

/** Where a place of a plane triangle comes when its corners come to these spots. A triangle without area gives no place. */
export function onTriangle(
  [a, b, c]: readonly [Point, Point, Point],
  [p, q, r]: readonly [Spot, Spot, Spot],
  at: Point,
): Spot {
  const [ux, uy, vx, vy, x, y] = [b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y, at.x - a.x, at.y - a.y]
  const whole = ux * vy - uy * vx
  const [alongB, alongC] = [(x * vy - y * vx) / whole, (ux * y - uy * x) / whole]
  return add(p, add(scaled(less(q, p), alongB), scaled(less(r, p), alongC)))
}
