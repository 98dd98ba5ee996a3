import { at, foldAndUnfold, onto, square, step, turnOverUpright } from '../program/build'

export const waterbombBase = square([
  step(
    { key: 'diagonals', say: 'Corner to opposite corner, crease, open', each: 'diagonal', crease: 'light' },
    foldAndUnfold(onto(at(1, 0), at(0, 1))),
    foldAndUnfold(onto(at(0, 0), at(1, 1))),
  ),
  step({ key: 'over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'halves', say: 'Edge to opposite edge, crease, open', each: 'book fold', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(0, 1))),
  ),
  step({ key: 'over-again', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'collapse', say: 'Sides in, top edge down', each: 'collapse' },
    {
      kind: 'refold',
      name: 'collapse',
      open: [],
      add: [
        [[0.5, 0.5], [1, 1], 'V'],
        [[0.5, 0.5], [0, 1], 'V'],
        [[0.5, 0.5], [0, 0], 'V'],
        [[0.5, 0.5], [1, 0], 'V'],
        [[0.5, 0.5], [1, 0.5], 'M'],
        [[0.5, 0.5], [0, 0.5], 'M'],
      ],
      stays: [0.5, 0.25],
      shows: [0.5, 1],
    },
  ),
])
