import {
  cross,
  leftOf,
  move,
  overlap,
  plus,
  signedDistance,
  times,
  type Line,
  type Point,
} from '../../geometry'
import { CoreError } from '../../errors'
import { SAME_POINT, largest, least } from '../../numeric'
import { closeGrip, halvesOf, type Grip, type SimpleFold } from './grip'
import { lying } from '../state/start'
import { relation, type FoldedState } from '../state/types'

/**
 * The physical stop: how far a flap can be taken before paper it hangs on, or that lies on it, holds it back.
 * The fold line is moved in parallel from `loose`, where it surely folds, towards `beyond`; it stops where other
 * layers would have to come along: at a crease that joins the flap to a layer which stays, or under the edge of a
 * layer that lies on it.
 * *Returns* the last line that takes the same layers as `loose` does; `beyond` itself where nothing holds.
 * *Throws* `OUT_OF_RANGE` where the two lines are not parallel, or `beyond` takes less than `loose`.
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
  // The moving side is the left one: it grows while the line goes to the right.
  const furthest = -signedDistance(loose, beyond.origin)
  if (furthest < -SAME_POINT)
    throw new CoreError('OUT_OF_RANGE', {
      name: 'way to the stop',
      value: furthest,
      min: 0,
      unit: 'of the side',
    })
  const moving = closeGrip(state, { line: loose, way, grip }, halvesOf(state, loose))
  /** How far the line may go until one of these points lies on the moving side. */
  const until = (points: readonly Point[]): number =>
    points.length === 0 ? Infinity : Math.max(0, -largest(points.map((p) => signedDistance(loose, p))))
  const atCreases = state.hinges.map(({ first, second, from, to }) => {
    const pose = state.faces[first]?.pose
    return pose && moving.has(first) !== moving.has(second)
      ? until([move(pose, from), move(pose, to)])
      : Infinity
  })
  const inTheWay = way === 'valley' ? 1 : -1
  const shapes = state.faces.map(lying)
  const underEdges = [...moving].flatMap((face) =>
    state.faces.map((_, other) =>
      moving.has(other) || relation(state, other, face) !== inTheWay
        ? Infinity
        : until(overlap(shapes[face] ?? [], shapes[other] ?? [])),
    ),
  )
  const go = least([...atCreases, ...underEdges], furthest)
  return { ...loose, origin: plus(loose.origin, times(leftOf(loose.direction), -go)) }
}
