import { at, foldAndUnfold, lineOnto, onto, squareOnCorner, step, through, valley } from '../program/build'
import type { LineSpec, ProgramStep } from '../program'

const diagonal = through(at(0, 0), at(1, 1))
/** The fold that brings an edge at the corner (0, 0) onto the diagonal; `far` is the edge's other end. */
const edgeIn = (far: readonly [number, number]): LineSpec =>
  lineOnto(through(at(0, 0), at(...far)), diagonal, at(far[0] === 0 ? 0.3 : 0.7, far[0] === 0 ? 0.7 : 0.3))

export const kiteSteps: readonly ProgramStep[] = [
  step(
    { key: 'diagonal', say: 'Side corner to side corner, crease, open', each: 'diagonal', crease: 'light' },
    foldAndUnfold(onto(at(1, 0), at(0, 1))),
  ),
  step(
    { key: 'edges', say: 'Lower edge to the middle crease', each: 'edge' },
    valley(edgeIn([1, 0]), { moves: at(1, 0) }),
    valley(edgeIn([0, 1]), { moves: at(0, 1) }),
  ),
]
export const kiteBase = squareOnCorner(kiteSteps)
