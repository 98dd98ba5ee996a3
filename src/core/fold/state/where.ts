import { ROUNDING } from '../../numeric'
import { cross, minus, move, type Point } from '../../geometry'
import type { Face, FoldedState } from './types'

/** How far inside a face's edges a point of the sheet lies, in sheets of side 1; negative outside. */
function depth({ sheet }: Face, at: Point): number {
  return sheet.reduce((least, p, index) => {
    const q = sheet[(index + 1) % sheet.length] ?? p
    const edge = minus(q, p)
    return Math.min(least, cross(edge, minus(at, p)) / Math.hypot(edge.x, edge.y))
  }, Infinity)
}

/** The face that holds a point of the sheet, the one it lies deepest in; -1 off the sheet or where it is cut away. */
export function faceAt(faces: readonly Face[], at: Point): number {
  let [best, most] = [-1, -ROUNDING]
  faces.forEach((face, index) => {
    const here = depth(face, at)
    if (here > most) [best, most] = [index, here]
  })
  return best
}

/** Where a point of the sheet lies now; `null` off the sheet. */
export function whereIs(state: FoldedState, at: Point): Point | null {
  const face = state.faces[faceAt(state.faces, at)]
  return face ? move(face.pose, at) : null
}
