import type { DesignSource } from '../types'
import { cornerFoldedRosette } from './corner-folded-rosette'
import { crane } from './crane'
import { fieldFlower } from './field-flower'
import { hexagonFlake } from './hexagon-flake'
import { narrowLeaf } from './narrow-leaf'
import { quickButterfly } from './quick-butterfly'
import { simpleHeart } from './simple-heart'

/** Every design that ships, in the order the library shows them. */
export const LIBRARY: readonly DesignSource[] = [
  cornerFoldedRosette,
  fieldFlower,
  narrowLeaf,
  simpleHeart,
  quickButterfly,
  hexagonFlake,
  crane,
]
