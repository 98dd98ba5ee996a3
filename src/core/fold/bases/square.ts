import { at, foldAndUnfold, onto, squareOnCorner, step, turnOverUpright } from '../program/build'
import type { CreaseSpec, ProgramStep, StretchSpec } from '../program'

/**
 * Halves from one side, diagonals from the other: the sheet then falls into the base by itself. The corner (0, 0)
 * points down from the start, so that the open corner does so in the end.
 */
export const squareBaseSteps: readonly ProgramStep[] = [
  step(
    { key: 'halves', say: 'Edge to opposite edge, crease, open', each: 'book fold', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(1, 0))),
    foldAndUnfold(onto(at(0, 0), at(0, 1))),
  ),
  step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'diagonals', say: 'Corner to opposite corner, crease, open', each: 'diagonal', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(1, 1))),
    foldAndUnfold(onto(at(0, 1), at(1, 0))),
  ),
  step({ key: 'over-again', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'collapse', say: 'Side corners in, top corner down: all four meet', each: 'collapse' },
    {
      kind: 'refold',
      name: 'collapse',
      open: [],
      add: [
        [[0.5, 0.5], [1, 0.5], 'V'],
        [[0.5, 0.5], [0.5, 1], 'V'],
        [[0.5, 0.5], [0, 0.5], 'V'],
        [[0.5, 0.5], [0.5, 0], 'V'],
        [[0.5, 0.5], [0, 1], 'M'],
        [[0.5, 0.5], [1, 0], 'M'],
      ],
      stays: [0.25, 0.25],
      shows: [1, 1],
    },
  ),
]

export const squareBase = squareOnCorner(squareBaseSteps)

/** Where the kite creases of a petal fold meet the halves: tan 22.5 degrees = sqrt 2 - 1 of half a side. */
export const PETAL = (Math.SQRT2 - 1) / 2

/** The petal fold of the quarter at a corner of the sheet; `x` and `y` are 0 or 1. */
export function petal(
  x: 0 | 1,
  y: 0 | 1,
): { readonly open: readonly StretchSpec[]; readonly add: readonly CreaseSpec[] } {
  const inwards = (value: 0 | 1, by: number) => (value === 0 ? by : 1 - by)
  const onUpright: readonly [number, number] = [0.5, inwards(y, PETAL)]
  const onLevel: readonly [number, number] = [inwards(x, PETAL), 0.5]
  return {
    open: [
      [onUpright, [0.5, y]],
      [onLevel, [x, 0.5]],
    ],
    add: [
      [[x, y], onUpright, 'V'],
      [[x, y], onLevel, 'V'],
      [[1 - x, y], onUpright, 'V'],
      [[x, 1 - y], onLevel, 'V'],
      [onUpright, onLevel, 'M'],
    ],
  }
}
