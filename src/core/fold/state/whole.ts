import { after, reflection, type Isometry, type Line } from '../../geometry'
import type { FoldedState } from './types'

/** The whole piece turned over left to right: what was on top is below. */
export function turnOver(state: FoldedState, axis: Line): FoldedState {
  const mirror = reflection(axis)
  return {
    ...state,
    faces: state.faces.map(({ sheet, pose }) => ({ sheet, pose: after(mirror, pose) })),
    above: state.above.map((value) => -value),
  }
}

/** The whole piece moved in the plane: order and sides stay. */
export const moveWhole = (state: FoldedState, by: Isometry): FoldedState => ({
  ...state,
  faces: state.faces.map(({ sheet, pose }) => ({ sheet, pose: after(by, pose) })),
})
