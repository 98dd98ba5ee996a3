import type { DesignSource } from '../types'
import { cornerFoldedRosette } from './corner-folded-rosette'
import { crane } from './crane'
import { narrowLeaf } from './narrow-leaf'
import { simpleHeart } from './simple-heart'

/** Every design that ships, in the order the library shows them. */
export const LIBRARY: readonly DesignSource[] = [cornerFoldedRosette, narrowLeaf, simpleHeart, crane]
