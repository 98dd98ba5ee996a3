import { at, foldAndUnfold, onto, square, step, valley } from '../program/build'

const CENTRE = at(0.5, 0.5)

export const blintzBase = square([
  step(
    { key: 'diagonals', say: 'Corner to opposite corner, crease, open', each: 'diagonal', crease: 'light' },
    foldAndUnfold(onto(at(1, 0), at(0, 1))),
    foldAndUnfold(onto(at(0, 0), at(1, 1))),
  ),
  step(
    { key: 'corners', say: 'Corner to the centre', each: 'corner' },
    ...(
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const
    ).map(([x, y]) => valley(onto(at(x, y), CENTRE))),
  ),
])
