import type { Line } from './line'
import { dot, leftOf, type Point } from './point'

/** A movement of the plane: p -> (a p.x + b p.y + x, c p.x + d p.y + y), its matrix orthogonal. */
export interface Isometry {
  readonly a: number
  readonly b: number
  readonly c: number
  readonly d: number
  readonly x: number
  readonly y: number
}

export const IDENTITY: Isometry = { a: 1, b: 0, c: 0, d: 1, x: 0, y: 0 }

export const move = ({ a, b, c, d, x, y }: Isometry, p: Point): Point => ({
  x: a * p.x + b * p.y + x,
  y: c * p.x + d * p.y + y,
})

/** First `inner`, then `outer`. */
export function after(outer: Isometry, inner: Isometry): Isometry {
  const shift = move(outer, inner)
  return {
    a: outer.a * inner.a + outer.b * inner.c,
    b: outer.a * inner.b + outer.b * inner.d,
    c: outer.c * inner.a + outer.d * inner.c,
    d: outer.c * inner.b + outer.d * inner.d,
    ...shift,
  }
}

/** The way back: the transpose, as the matrix is orthogonal. */
export const inverse = ({ a, b, c, d, x, y }: Isometry): Isometry => ({
  a,
  b: c,
  c: b,
  d,
  x: -(a * x + c * y),
  y: -(b * x + d * y),
})

/** Reflection in a line. */
export function reflection({ origin, direction }: Line): Isometry {
  const { x: u, y: v } = direction
  const a = u * u - v * v
  const b = 2 * u * v
  const normal = leftOf(direction)
  const off = 2 * dot(normal, origin)
  return { a, b, c: b, d: -a, x: off * normal.x, y: off * normal.y }
}

export const rotation = (angleRad: number): Isometry => {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)]
  return { a: cos, b: -sin, c: sin, d: cos, x: 0, y: 0 }
}

/** Whether it turns the paper over. */
export const flips = ({ a, b, c, d }: Isometry): boolean => a * d - b * c < 0
