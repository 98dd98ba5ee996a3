import { at, boxMeasures, foldAndUnfold, onto, rotateBy, step, valley } from '../program/build'
import type { FoldProgram, MoveSpec } from '../program'

/** One side to the middle while its corner at the folded edge opens and is pressed to a gable. */
function squash(side: 'left' | 'right'): MoveSpec {
  const x = (value: number) => (side === 'left' ? value : 1 - value)
  return {
    kind: 'refold',
    name: 'squash',
    open: [
      [
        [x(0), 1],
        [x(0.25), 1],
      ],
    ],
    add: [
      [[x(0.25), 1], [x(0.25), 0], 'M'],
      [[x(0.25), 1], [x(0), 1.25], 'V'],
      [[x(0.25), 1], [x(0), 0.75], 'V'],
    ],
    stays: [0.5, 1.5],
    shows: [x(0), 1],
  }
}

/** A sheet twice as high as wide, halved; its sides come to the middle and the folded corners are squashed. */
export const cornerSquashes: FoldProgram = {
  sheet: { kind: 'rectangle', height: 2 },
  measures: boxMeasures,
  steps: [
    step({ key: 'half', say: 'Bottom edge to top edge' }, valley(onto(at(0, 0), at(0, 2)))),
    step({ key: 'turn', say: 'Folded edge to the top', each: 'turn', crease: 'none' }, rotateBy(180)),
    step(
      { key: 'sides', say: 'Side to the middle, crease, open', each: 'side', crease: 'light' },
      foldAndUnfold(onto(at(0, 0), at(0.5, 0))),
      foldAndUnfold(onto(at(1, 0), at(0.5, 0))),
    ),
    step(
      {
        key: 'squash',
        say: 'Front layer to the middle, open the corner, press it to a gable',
        each: 'squash',
      },
      squash('left'),
      squash('right'),
    ),
  ],
}
