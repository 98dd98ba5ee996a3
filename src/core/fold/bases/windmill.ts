import {
  at,
  foldAndUnfold,
  lineOnto,
  onto,
  quarterTurned,
  square,
  step,
  through,
  turnOverUpright,
} from '../program/build'
import type { CreaseSpec, MoveSpec } from '../program'

type Spot = readonly [number, number]

/** An edge of the sheet, so many quarter turns from the left one, brought to the middle line beside it. */
const edgeToMiddle = (quarters: number): MoveSpec => {
  const by = (x: number, y: number) => at(...quarterTurned([x, y], quarters))
  const line = lineOnto(through(by(0, 0), by(0, 1)), through(by(0.5, 0), by(0.5, 1)), by(0.25, 0.5))
  return foldAndUnfold(line, { moves: by(0, 0.5) })
}

/** A side of the middle square, and the two creases that let one corner swing out. */
const quarter = (quarters: number): readonly CreaseSpec[] => {
  const by = (spot: Spot): Spot => quarterTurned(spot, quarters)
  return [
    [by([0.25, 0.75]), by([0.75, 0.75]), 'V'],
    [by([0.25, 0.75]), by([0, 1]), 'V'],
    [by([0.25, 0.75]), by([0, 0.5]), 'M'],
  ]
}

export const windmillBase = square([
  step(
    { key: 'halves', say: 'Edge to opposite edge, crease, open', each: 'book fold', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(1, 0))),
    foldAndUnfold(onto(at(0, 0), at(0, 1))),
  ),
  step(
    { key: 'cupboard', say: 'Edge to the middle crease, crease, open', each: 'edge', crease: 'light' },
    ...[0, 2, 1, 3].map(edgeToMiddle),
  ),
  // Half of the diamond comes to lie behind: creased from the other side it goes there by itself.
  step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'diamond', say: 'Corner to the centre, crease, open', each: 'corner', crease: 'light' },
    ...(
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const
    ).map(([x, y]) => foldAndUnfold(onto(at(x, y), at(0.5, 0.5)))),
  ),
  step({ key: 'over-again', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'collapse', say: 'Edges to the middle, each corner out to its left', each: 'collapse' },
    {
      kind: 'refold',
      name: 'collapse',
      open: [],
      add: [0, 1, 2, 3].flatMap(quarter),
      stays: [0.5, 0.5],
      shows: [0, 1],
    },
  ),
])
