import { after, move, rotation, type Isometry, type Point } from '../../geometry'
import { lying } from '../state/start'
import type { FoldedState } from '../state/types'

/** The smallest upright box around the piece. */
export function boxOf(state: FoldedState): {
  readonly left: number
  readonly right: number
  readonly bottom: number
  readonly top: number
  readonly middle: Point
} {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const face of state.faces)
    for (const { x, y } of lying(face)) {
      left = Math.min(left, x)
      right = Math.max(right, x)
      bottom = Math.min(bottom, y)
      top = Math.max(top, y)
    }
  return { left, right, bottom, top, middle: { x: (left + right) / 2, y: (bottom + top) / 2 } }
}

/** Turning about a point, counter-clockwise. */
export function turnAbout(at: Point, degrees: number): Isometry {
  const turn = rotation((degrees * Math.PI) / 180)
  const moved = move(turn, at)
  return after({ a: 1, b: 0, c: 0, d: 1, x: at.x - moved.x, y: at.y - moved.y }, turn)
}
