import { at, foldAndUnfold, lineOnto, onto, squareOnCorner, step, through } from '../program/build'
import type { MoveSpec, PointSpec } from '../program'

const diagonal = through(at(0, 0), at(1, 1))
const kiteCrease = (corner: PointSpec, far: PointSpec, near: PointSpec): MoveSpec =>
  foldAndUnfold(lineOnto(through(corner, far), diagonal, near), { moves: far })

/** Incentre of half the sheet: 1 - sqrt 2 / 2 from two edges. */
const IN = 1 - Math.SQRT1_2

export const fishBase = squareOnCorner([
  step(
    { key: 'diagonals', say: 'Corner to opposite corner, crease, open', each: 'diagonal', crease: 'light' },
    foldAndUnfold(onto(at(1, 0), at(0, 1))),
    foldAndUnfold(onto(at(0, 0), at(1, 1))),
  ),
  step(
    { key: 'kites', say: 'Edge to the middle crease, crease, open', each: 'edge', crease: 'light' },
    kiteCrease(at(0, 0), at(1, 0), at(0.7, 0.3)),
    kiteCrease(at(0, 0), at(0, 1), at(0.3, 0.7)),
    kiteCrease(at(1, 1), at(1, 0), at(0.7, 0.3)),
    kiteCrease(at(1, 1), at(0, 1), at(0.3, 0.7)),
  ),
  step(
    { key: 'ears', say: 'Both edges in at once, the corner to a point, up', each: 'rabbit ear' },
    {
      kind: 'refold',
      name: 'rabbit ear',
      open: [],
      add: [
        [[0, 0], [1 - IN, IN], 'V'],
        [[1, 1], [1 - IN, IN], 'V'],
        [[1, 0], [1 - IN, IN], 'M'],
        [[1 - IN, IN], [1 - IN, 0], 'V'],
      ],
      stays: [0.5, 0.5],
      shows: [1, 0],
    },
    {
      kind: 'refold',
      name: 'rabbit ear',
      open: [],
      add: [
        [[0, 0], [IN, 1 - IN], 'V'],
        [[1, 1], [IN, 1 - IN], 'V'],
        [[0, 1], [IN, 1 - IN], 'M'],
        [[IN, 1 - IN], [0, 1 - IN], 'V'],
      ],
      stays: [0.5, 0.5],
      shows: [0, 1],
    },
  ),
])
