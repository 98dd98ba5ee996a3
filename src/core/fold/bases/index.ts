import type { FoldProgram } from '../program'
import { birdBase, birdBaseSteps } from './bird'
import { blintzBase } from './blintz'
import { cornerSquashes } from './corner-squashes'
import { fishBase } from './fish'
import { frogBase } from './frog'
import { kiteBase } from './kite'
import { pleatsInEighths } from './pleats'
import { squareBase } from './square'
import { hexagonTwist, squareTwist } from './twists'
import { waterbombBase } from './waterbomb'
import { windmillBase } from './windmill'

/** A start that many designs share, known by several names. */
export interface Base {
  readonly id: string
  readonly name: string
  readonly alsoCalled: readonly string[]
  readonly program: FoldProgram
}

export const BASES: readonly Base[] = [
  { id: 'blintz', name: 'Blintz base', alsoCalled: ['corners to the centre'], program: blintzBase },
  { id: 'kite', name: 'Kite base', alsoCalled: ['cone'], program: kiteBase },
  { id: 'fish', name: 'Fish base', alsoCalled: [], program: fishBase },
  { id: 'square', name: 'Square base', alsoCalled: ['preliminary base'], program: squareBase },
  { id: 'waterbomb', name: 'Waterbomb base', alsoCalled: ['balloon base'], program: waterbombBase },
  { id: 'bird', name: 'Bird base', alsoCalled: ['crane base'], program: birdBase },
  { id: 'frog', name: 'Frog base', alsoCalled: ['lily base'], program: frogBase },
  { id: 'windmill', name: 'Windmill base', alsoCalled: ['pinwheel base'], program: windmillBase },
  { id: 'pleats', name: 'Pleats in eighths', alsoCalled: ['accordion'], program: pleatsInEighths },
  { id: 'square-twist', name: 'Square twist', alsoCalled: [], program: squareTwist },
  {
    id: 'corner-squashes',
    name: 'Corner squashes on a 2:1 sheet',
    alsoCalled: ['gabled house'],
    program: cornerSquashes,
  },
  { id: 'hexagon-twist', name: 'Hexagon twist', alsoCalled: [], program: hexagonTwist },
]

export { birdBaseSteps }
export { PETAL } from './square'
