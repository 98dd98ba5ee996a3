import type { FoldProgram } from '../program'
import { birdBase } from './bird'
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
  /** Which side of a two-coloured paper is up at the start, so that the base ends with its colour to be seen. */
  readonly sideUp: 'colour down' | 'colour up'
  readonly program: FoldProgram
}

export const BASES: readonly Base[] = [
  {
    id: 'blintz',
    name: 'Blintz base',
    alsoCalled: ['corners to the centre'],
    sideUp: 'colour down',
    program: blintzBase,
  },
  { id: 'kite', name: 'Kite base', alsoCalled: ['cone'], sideUp: 'colour down', program: kiteBase },
  { id: 'fish', name: 'Fish base', alsoCalled: [], sideUp: 'colour down', program: fishBase },
  {
    id: 'square',
    name: 'Square base',
    alsoCalled: ['preliminary base'],
    sideUp: 'colour down',
    program: squareBase,
  },
  {
    id: 'waterbomb',
    name: 'Waterbomb base',
    alsoCalled: ['balloon base'],
    sideUp: 'colour down',
    program: waterbombBase,
  },
  { id: 'bird', name: 'Bird base', alsoCalled: ['crane base'], sideUp: 'colour down', program: birdBase },
  { id: 'frog', name: 'Frog base', alsoCalled: ['lily base'], sideUp: 'colour down', program: frogBase },
  {
    id: 'windmill',
    name: 'Windmill base',
    alsoCalled: ['pinwheel base'],
    sideUp: 'colour down',
    program: windmillBase,
  },
  {
    id: 'pleats',
    name: 'Pleats in eighths',
    alsoCalled: ['accordion'],
    sideUp: 'colour down',
    program: pleatsInEighths,
  },
  { id: 'square-twist', name: 'Square twist', alsoCalled: [], sideUp: 'colour up', program: squareTwist },
  {
    id: 'corner-squashes',
    name: 'Corner squashes on a 2:1 sheet',
    alsoCalled: ['gabled house'],
    sideUp: 'colour up',
    program: cornerSquashes,
  },
  { id: 'hexagon-twist', name: 'Hexagon twist', alsoCalled: [], sideUp: 'colour up', program: hexagonTwist },
]

export { PETAL } from './square'
export { hexagonTwistMove, squareTwistSteps } from './twists'
