import { at, foldAndUnfold, mountain, onto, plane, square, step, through, valley } from '../program/build'
import type { LineSpec } from '../program'

const eighthLine = (eighth: number): LineSpec => through(plane(eighth / 8, 0), plane(eighth / 8, 1))
const beyondTheLeft = plane(-1, 0.5)

/** Halves, quarters, eighths by folding; then over and behind by turns. */
export const pleatsInEighths = square([
  step(
    { key: 'half', say: 'Left edge to right edge, crease, open', each: 'crease', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(1, 0))),
  ),
  step(
    { key: 'quarters', say: 'Edge to the middle, crease, open', each: 'crease', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(0.5, 0))),
    foldAndUnfold(onto(at(1, 0), at(0.5, 0))),
  ),
  step(
    { key: 'eighths', say: 'Edge to a quarter line, crease, open', each: 'crease', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(0.25, 0))),
    foldAndUnfold(onto(at(0, 0), at(0.75, 0))),
    foldAndUnfold(onto(at(1, 0), at(0.75, 0))),
    foldAndUnfold(onto(at(1, 0), at(0.25, 0))),
  ),
  step(
    { key: 'pleats', say: 'Next line: over, then behind, by turns', each: 'pleat' },
    ...[1, 2, 3, 4, 5, 6, 7].map((eighth) =>
      (eighth % 2 === 1 ? valley : mountain)(eighthLine(eighth), { moves: beyondTheLeft }),
    ),
  ),
])
