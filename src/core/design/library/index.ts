import type { DesignSource } from '../types'
import { carvedFaceGourd } from './carved-face-gourd'
import { cornerFoldedRosette } from './corner-folded-rosette'
import { crane } from './crane'
import { crocus } from './crocus'
import { fieldFlower } from './field-flower'
import { framedHeart } from './framed-heart'
import { hexagonFlake } from './hexagon-flake'
import { lappedWingButterfly } from './lapped-wing-butterfly'
import { lobedLeaf } from './lobed-leaf'
import { messageHeart } from './message-heart'
import { narrowLeaf } from './narrow-leaf'
import { offsetWingButterfly } from './offset-wing-butterfly'
import { pleatedGourd } from './pleated-gourd'
import { pocketLockHeart } from './pocket-lock-heart'
import { quickButterfly } from './quick-butterfly'
import { raisedHeadButterfly } from './raised-head-butterfly'
import { ringStar } from './ring-star'
import { rolledStem } from './rolled-stem'
import { simpleHeart } from './simple-heart'
import { spinnerMount } from './spinner-mount'
import { tulip } from './tulip'
import { twistBlossom } from './twist-blossom'
import { twoColourButterfly } from './two-colour-butterfly'
import { windowStar } from './window-star'

/** Every design that ships, family by family. */
export const LIBRARY: readonly DesignSource[] = [
  cornerFoldedRosette,
  twistBlossom,
  fieldFlower,
  crocus,
  tulip,
  narrowLeaf,
  lobedLeaf,
  rolledStem,
  simpleHeart,
  pocketLockHeart,
  framedHeart,
  messageHeart,
  quickButterfly,
  raisedHeadButterfly,
  offsetWingButterfly,
  lappedWingButterfly,
  twoColourButterfly,
  windowStar,
  ringStar,
  spinnerMount,
  hexagonFlake,
  pleatedGourd,
  carvedFaceGourd,
  crane,
]
