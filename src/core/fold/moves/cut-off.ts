import type { Line, Polygon } from '../../geometry'
import { closeGrip, halvesOf, type Grip } from './grip'
import { hingesOf, piecesOf } from './pieces'
import { relation, type FoldedState } from '../state/types'

/** A straight cut through some layers; what lies on the line's left comes off. */
export interface CutOff {
  readonly line: Line
  readonly grip: Grip
}

/**
 * Cuts a corner off. The cut is noted on the sheet as `cutAway`: what is left is the paper from now on.
 * *Throws* `OFF_THE_SHEET` where there is nothing to cut; `NO_SUCH_LAYER`.
 */
export function cutOff(state: FoldedState, { line, grip }: CutOff): FoldedState {
  const halves = halvesOf(state, line)
  const moving = closeGrip(state, { line, grip, way: 'valley' }, halves)
  const pieces = piecesOf(state, line, moving, halves)
  const hinges = hingesOf(state, line, pieces)
  const kept = pieces.flatMap((piece, index) => (piece.moved ? [] : [index]))
  const numbers = new Map(kept.map((index, number) => [index, number]))
  const above = new Int8Array(kept.length ** 2)
  kept.forEach((i, row) =>
    kept.forEach((j, column) => {
      const [one, other] = [pieces[i], pieces[j]]
      if (one && other) above[row * kept.length + column] = relation(state, one.was, other.was)
    }),
  )
  const gone: readonly Polygon[] = pieces.flatMap((piece) => (piece.moved ? [piece.face.sheet] : []))
  return {
    ...state,
    cutAway: [...(state.cutAway ?? []), ...gone],
    faces: kept.flatMap((index) => pieces[index]?.face ?? []),
    hinges: hinges.flatMap((hinge) => {
      const [first, second] = [numbers.get(hinge.first), numbers.get(hinge.second)]
      return first === undefined || second === undefined ? [] : [{ ...hinge, first, second }]
    }),
    above,
  }
}
