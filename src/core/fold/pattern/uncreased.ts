import type { Point, Polygon } from '../../geometry'
import { largest, least } from '../../numeric'
import type { Piece } from '../program/piece'

/** A rectangle of the flat sheet in shares of its side, from its lower left corner. */
export interface Uncreased {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

interface Line {
  readonly from: Point
  readonly to: Point
}

/** Cells along the longer side: halves to sixteenths, thirds and fifths of it are lines of the grid. */
const CELLS = 240
/** A crease along a line of the grid lies in the cells behind it, right of it or above; rounding must not put it in none. */
const HAIR = 1e-6

/** Whether a line reaches into a rectangle (Liang and Barsky 1984, from memory). */
function reachesInto({ from, to }: Line, low: Point, high: Point): boolean {
  let [enter, leave] = [0, 1]
  for (const axis of ['x', 'y'] as const) {
    const along = to[axis] - from[axis]
    for (const [edge, sign] of [
      [low[axis], -1],
      [high[axis], 1],
    ] as const) {
      const reach = sign * (edge - from[axis])
      const step = sign * along
      if (step === 0) {
        if (reach <= 0) return false
      } else if (step > 0) leave = Math.min(leave, reach / step)
      else enter = Math.max(enter, reach / step)
    }
  }
  return enter < leave
}

/** Whether a convex polygon, whichever way round, holds a point or has it on its edge. */
function holds(polygon: Polygon, { x, y }: Point): boolean {
  const sides = polygon.map((p, index) => {
    const q = polygon[(index + 1) % polygon.length] ?? p
    return (q.x - p.x) * (y - p.y) - (q.y - p.y) * (x - p.x)
  })
  return sides.every((side) => side >= -HAIR) || sides.every((side) => side <= HAIR)
}

/** The largest rectangle of free cells, as columns and rows: heights of free cells above each row, the widest under them. */
function largestFree(
  free: readonly (readonly boolean[])[],
): readonly [x: number, y: number, width: number, height: number] {
  let best: readonly [number, number, number, number] = [0, 0, 0, 0]
  const columns = free[0]?.length ?? 0
  const heights = new Array<number>(columns).fill(0)
  free.forEach((row, y) => {
    for (let x = 0; x < columns; x += 1) heights[x] = row[x] ? (heights[x] ?? 0) + 1 : 0
    const open: number[] = []
    for (let x = 0; x <= columns; x += 1) {
      const here = x === columns ? 0 : (heights[x] ?? 0)
      while (open.length > 0 && (heights[open.at(-1) ?? 0] ?? 0) >= here) {
        const height = heights[open.pop() ?? 0] ?? 0
        const left = open.length === 0 ? 0 : (open.at(-1) ?? 0) + 1
        if (height * (x - left) > best[2] * best[3]) best = [left, y - height + 1, x - left, height]
      }
      open.push(x)
    }
  })
  return best
}

/**
 * The largest rectangle along the sheet's sides that no crease of a piece runs through: what of a spoiled sheet is still
 * whole paper. Creases that are folded and those that only mark count alike; paper that was cut off is no paper. Found on
 * a grid of 240ths of the longer side, so never too large. *Cost* cells near creases.
 */
export function largestUncreased({ state, marks }: Piece): Uncreased {
  const { outline, cutAway = [], hinges } = state
  const [xs, ys] = [outline.map(({ x }) => x), outline.map(({ y }) => y)]
  const corner = { x: least(xs), y: least(ys) }
  const cell = Math.max(largest(xs, 0) - corner.x, largest(ys, 0) - corner.y) / CELLS
  const columns = Math.floor((largest(xs, 0) - corner.x) / cell + HAIR)
  const rows = Math.floor((largest(ys, 0) - corner.y) / cell + HAIR)
  const lines: readonly Line[] = [
    ...hinges,
    ...marks,
    ...cutAway.flatMap((part) =>
      part.map((from, index) => ({ from, to: part[(index + 1) % part.length] ?? from })),
    ),
  ]
  const at = (column: number, row: number): Point => ({
    x: corner.x + column * cell,
    y: corner.y + row * cell,
  })
  const free = Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (__, column) => {
      const corners = [at(column, row), at(column + 1, row), at(column, row + 1), at(column + 1, row + 1)]
      const middle = at(column + 0.5, row + 0.5)
      return corners.every((corner) => holds(outline, corner)) && !cutAway.some((part) => holds(part, middle))
    }),
  )
  for (const line of lines) {
    const reach = (axis: 'x' | 'y', end: 'from' | 'to') => (line[end][axis] - corner[axis]) / cell
    const span = (axis: 'x' | 'y', most: number) => {
      const [a, b] = [reach(axis, 'from'), reach(axis, 'to')]
      return [
        Math.max(0, Math.floor(Math.min(a, b)) - 1),
        Math.min(most, Math.ceil(Math.max(a, b)) + 1),
      ] as const
    }
    const [left, right] = span('x', columns)
    const [below, above] = span('y', rows)
    const hair = HAIR * cell
    for (let row = below; row < above; row += 1)
      for (let column = left; column < right; column += 1) {
        const [from, to] = [at(column, row), at(column + 1, row + 1)]
        const low = { x: from.x - hair, y: from.y - hair }
        const high = { x: to.x - hair, y: to.y - hair }
        const cells = free[row]
        if (cells?.[column] && reachesInto(line, low, high)) cells[column] = false
      }
  }
  const [x, y, width, height] = largestFree(free)
  return { ...at(x, y), width: width * cell, height: height * cell }
}
