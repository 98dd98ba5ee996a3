/** A point or a vector in the plane; lengths in the unit of whoever calls (the fold engine takes S = 1). */
export interface Point {
  readonly x: number
  readonly y: number
}

export const point = (x: number, y: number): Point => ({ x, y })
export const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y })
export const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y })
export const times = (a: Point, factor: number): Point => ({ x: a.x * factor, y: a.y * factor })
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y
/** z of the cross product: positive when `b` lies to the left of `a`. */
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x
export const length = (a: Point): number => Math.sqrt(a.x * a.x + a.y * a.y)
export const distance = (a: Point, b: Point): number => length(minus(a, b))
export const middle = (a: Point, b: Point): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })
/** A quarter turn to the left. */
export const leftOf = (a: Point): Point => ({ x: -a.y, y: a.x })
