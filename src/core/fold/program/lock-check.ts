import { CARRIED_THROUGH } from '../../numeric'
import { area, centre, overlap, type Polygon } from '../../geometry'
import { lying } from '../state/start'
import { relation, type Face, type FoldedState } from '../state/types'
import { faceAt } from '../state/where'
import type { Frame } from './run'

/** A tuck that holds nothing: over or under what was tucked lies no layer that stays. */
export interface LooseLock {
  readonly step: number
  readonly round: number
  /** The largest field where what was tucked lies between layers that stay, in squares of the side. */
  readonly heldArea: number
}

/** The smallest field that holds, in squares of the side: on a square of 15 cm some 3 mm by 3 mm. Our own choice. */
export const LEAST_HELD = 4e-4

const samePlace = (one: Face, other: Face): boolean =>
  (['a', 'b', 'c', 'd', 'x', 'y'] as const).every(
    (key) => Math.abs(one.pose[key] - other.pose[key]) < CARRIED_THROUGH,
  )

/** The parts of layers that a move carried, and those it left where they were. */
function carried({ before, after }: Frame): {
  readonly tucked: readonly number[]
  readonly fixed: readonly number[]
} {
  const faces = after.state.faces.map((face, now) => {
    const was = before.state.faces[faceAt(before.state.faces, centre(face.sheet))]
    return { now, moved: was !== undefined && !samePlace(was, face) }
  })
  return {
    tucked: faces.flatMap(({ now, moved }) => (moved ? [now] : [])),
    fixed: faces.flatMap(({ now, moved }) => (moved ? [] : [now])),
  }
}

const meetArea = (first: Polygon, ...others: readonly Polygon[]): number => {
  const common = others.reduce<Polygon>((left, other) => (left.length < 3 ? [] : overlap(left, other)), first)
  return common.length < 3 ? 0 : area(common)
}

function heldArea(state: FoldedState, frame: Frame): number {
  const { tucked, fixed } = carried(frame)
  const shape = (index: number): Polygon => {
    const face = state.faces[index]
    return face ? lying(face) : []
  }
  let most = 0
  for (const one of tucked) {
    const over = fixed.filter((other) => relation(state, other, one) > 0)
    const under = fixed.filter((other) => relation(state, other, one) < 0)
    for (const above of over)
      for (const below of under) most = Math.max(most, meetArea(shape(one), shape(above), shape(below)))
  }
  return most
}

/** The tucks of a program that do not hold, in the order they are folded. */
export const looseLocks = (frames: readonly Frame[]): readonly LooseLock[] =>
  frames.flatMap((frame): LooseLock[] => {
    const { done, step, round, after } = frame
    if (done.spec.kind !== 'tuck' || done.spec.name !== 'tuck') return []
    const held = heldArea(after.state, frame)
    return held < LEAST_HELD ? [{ step, round, heldArea: held }] : []
  })
