import { squareOnCorner, step, turnOverUpright } from '../program/build'
import type { ProgramStep } from '../program'
import { petal, squareBaseSteps } from './square'

export const birdBaseSteps: readonly ProgramStep[] = [
  ...squareBaseSteps,
  step(
    { key: 'petal-front', say: 'Petal fold: lift the front corner, sides to the middle', each: 'petal fold' },
    { kind: 'refold', name: 'petal fold', ...petal(1, 1), stays: [0.58, 0.58], shows: [1, 1] },
  ),
  step({ key: 'over-3', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'petal-back', say: 'Petal fold: lift the front corner, sides to the middle', each: 'petal fold' },
    { kind: 'refold', name: 'petal fold', ...petal(0, 0), stays: [0.42, 0.42], shows: [0, 0] },
  ),
]
export const birdBase = squareOnCorner(birdBaseSteps)
