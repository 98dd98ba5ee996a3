import { cross, plus, signedDistance, times, leftOf, type Line } from '../geometry'
import { CoreError } from '../errors'
import { SAME_POINT } from '../numeric'
import { closeGrip, halvesOf, type Grip, type SimpleFold } from './grip'
import type { FoldedState } from './types'

/** Halvings of the way: from a whole side down to the rounding of doubles. */
const HALVINGS = 44

/**
 * The physical stop: how far a flap can be taken before paper it hangs on, or that lies on it, holds it back.
 * The fold line is moved in parallel from `loose`, where it surely folds, towards `beyond`; it stops where other
 * layers would have to come along.
 * *Returns* the last line that takes the same layers as `loose` does; `beyond` itself where nothing holds.
 * *Throws* `OUT_OF_RANGE` where the two lines are not parallel. *Accuracy* 1e-9 of the side.
 */
export function stopLine(
  state: FoldedState,
  loose: Line,
  beyond: Line,
  way: SimpleFold['way'],
  grip: Grip,
): Line {
  if (Math.abs(cross(loose.direction, beyond.direction)) > SAME_POINT)
    throw new CoreError('OUT_OF_RANGE', { name: 'lines of a stop', value: 'not parallel' })
  const way0 = signedDistance(loose, beyond.origin)
  const normal = leftOf(loose.direction)
  const at = (share: number): Line => ({ ...loose, origin: plus(loose.origin, times(normal, way0 * share)) })
  const taken = (line: Line): ReadonlySet<number> => closeGrip(state, { line, way, grip }, halvesOf(state, line))
  const first = taken(loose)
  const free = (line: Line): boolean => {
    const now = taken(line)
    return now.size <= first.size && [...now].every((face) => first.has(face))
  }
  if (free(at(1))) return at(1)
  let [low, high] = [0, 1]
  for (let halving = 0; halving < HALVINGS; halving++) {
    const middle = (low + high) / 2
    if (free(at(middle))) low = middle
    else high = middle
  }
  return at(low)
}
