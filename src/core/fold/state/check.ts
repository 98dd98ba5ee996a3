import {
  area,
  centre,
  distance,
  leftOf,
  length,
  minus,
  move,
  overlap,
  plus,
  times,
  type Point,
  type Polygon,
} from '../../geometry'
import { CARRIED_THROUGH, NOTHING_TO_SEE, ROUNDING, SAME_AREA, SAME_POINT } from '../../numeric'
import { lying } from './start'
import { creasesLying } from './creases'
import type { FoldedCrease } from '../order'
import { relation, type FoldedState } from './types'

/** What is wrong with a folded state, and where: faces by index, points on the sheet. */
export type FoldFault =
  | { readonly code: 'AREA'; readonly missing: number }
  | { readonly code: 'TORN'; readonly faces: readonly [number, number]; readonly at: Point }
  | { readonly code: 'STRETCHED'; readonly face: number }
  | { readonly code: 'NO_ORDER'; readonly faces: readonly [number, number] }
  | { readonly code: 'ORDER_CYCLE'; readonly faces: readonly [number, number, number] }
  | { readonly code: 'THROUGH_A_CREASE'; readonly faces: readonly [number, number]; readonly through: number }
  | { readonly code: 'CREASES_CROSS'; readonly faces: readonly [number, number, number, number] }

/** Whether a stretch runs through the inside of a polygon, paper of it lying on both sides. */
function runsThrough(shape: Polygon, { from, to }: FoldedCrease): boolean {
  const along = minus(to, from)
  const side = times(leftOf(along), PROBE / length(along))
  const [left, right] = [
    stretchInside(shape, plus(from, side), plus(to, side)),
    stretchInside(shape, minus(from, side), minus(to, side)),
  ]
  const both = Math.min(left[1], right[1]) - Math.max(left[0], right[0])
  return both * length(along) > PROBE
}

/** Probes lie this far from a crease: above every rounding, below every crease distance anyone folds (S = 1). */
const PROBE = 1e-5

/** From where to where a stretch lies inside a convex polygon, as shares of it; the second smaller where nowhere. */
function stretchInside(shape: Polygon, from: Point, to: Point): readonly [number, number] {
  let [start, end] = [0, 1]
  shape.forEach((p, index) => {
    const q = shape[(index + 1) % shape.length] ?? p
    const height = (at: Point) => (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x)
    const [first, last] = [height(from), height(to)]
    if (first < 0 && last < 0) end = -1
    else if (first < 0) start = Math.max(start, first / (first - last))
    else if (last < 0) end = Math.min(end, first / (first - last))
  })
  return [start, end]
}

function sheetFaults(state: FoldedState): readonly FoldFault[] {
  const cut = (state.cutAway ?? []).reduce((sum, part) => sum + area(part), 0)
  const missing = area(state.outline) - cut - state.faces.reduce((sum, face) => sum + area(face.sheet), 0)
  const faults: FoldFault[] = Math.abs(missing) > CARRIED_THROUGH ? [{ code: 'AREA', missing }] : []
  state.faces.forEach(({ pose }, face) => {
    const { a, b, c, d } = pose
    if (Math.abs(a * a + c * c - 1) + Math.abs(b * b + d * d - 1) + Math.abs(a * b + c * d) > ROUNDING)
      faults.push({ code: 'STRETCHED', face })
  })
  for (const { first, second, from, to } of state.hinges) {
    const [one, other] = [state.faces[first], state.faces[second]]
    for (const at of [from, to])
      if (!one || !other || distance(move(one.pose, at), move(other.pose, at)) > CARRIED_THROUGH)
        faults.push({ code: 'TORN', faces: [first, second], at })
  }
  return faults
}

function orderFaults(state: FoldedState, shapes: readonly Polygon[]): readonly FoldFault[] {
  const faults: FoldFault[] = []
  const count = state.faces.length
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++) {
      const shared = overlap(shapes[i] ?? [], shapes[j] ?? [])
      if (area(shared) < SAME_AREA) continue
      if (relation(state, i, j) === 0 || relation(state, i, j) !== -relation(state, j, i))
        faults.push({ code: 'NO_ORDER', faces: [i, j] })
      for (let k = j + 1; k < count; k++) {
        const cycle =
          relation(state, i, j) === relation(state, j, k) && relation(state, j, k) === relation(state, k, i)
        if (cycle && relation(state, i, j) !== 0 && overlap(shared, shapes[k] ?? []).length > 0)
          faults.push({ code: 'ORDER_CYCLE', faces: [i, j, k] })
      }
    }
  return faults
}

/** No layer runs between the two faces of a crease (taco-tortilla), nor from above to below across a flat one. */
function throughFaults(
  state: FoldedState,
  shapes: readonly Polygon[],
  hinges: readonly FoldedCrease[],
): readonly FoldFault[] {
  return hinges.flatMap((lyingHinge) => {
    const { first, second } = lyingHinge
    return shapes.flatMap((shape, through): FoldFault[] => {
      if (through === first || through === second || !runsThrough(shape, lyingHinge)) return []
      const [a, b] = [relation(state, through, first), relation(state, through, second)]
      return a !== 0 && b !== 0 && a !== b
        ? [{ code: 'THROUGH_A_CREASE', faces: [first, second], through }]
        : []
    })
  })
}

/** Both creases folded, on one stretch, their paper on one side. */
function share(shapes: readonly Polygon[], one: FoldedCrease, other: FoldedCrease): boolean {
  const along = minus(one.to, one.from)
  const size = length(along)
  const normal = times(leftOf(along), 1 / size)
  const offLine = (p: Point) =>
    Math.abs((p.x - one.from.x) * normal.x + (p.y - one.from.y) * normal.y) > SAME_POINT * 10
  if (offLine(other.from) || offLine(other.to)) return false
  const position = (p: Point) => ((p.x - one.from.x) * along.x + (p.y - one.from.y) * along.y) / (size * size)
  const [a, b] = [position(other.from), position(other.to)]
  if (Math.min(1, Math.max(a, b)) - Math.max(0, Math.min(a, b)) < NOTHING_TO_SEE) return false
  const sideOf = (face: number) => {
    const middle = centre(shapes[face] ?? [])
    return (middle.x - one.from.x) * normal.x + (middle.y - one.from.y) * normal.y > 0
  }
  return sideOf(one.first) === sideOf(other.first)
}

/** Two creases on one stretch lie one in the other or one on the other, never interleaved (taco-taco). */
function crossFaults(
  state: FoldedState,
  shapes: readonly Polygon[],
  hinges: readonly FoldedCrease[],
): readonly FoldFault[] {
  const folded = hinges.filter((hinge) => hinge.folded)
  return folded.flatMap((one, index) =>
    folded.slice(index + 1).flatMap((other): FoldFault[] => {
      const { first: a, second: b } = one
      const { first: c, second: d } = other
      if (new Set([a, b, c, d]).size < 4 || !share(shapes, one, other)) return []
      const between = [c, d].filter((face) => relation(state, face, a) !== relation(state, face, b)).length
      return between === 1 ? [{ code: 'CREASES_CROSS', faces: [a, b, c, d] }] : []
    }),
  )
}

/**
 * Verifies a folded state without knowing how it was made: the paper is whole and unstretched, every pair that
 * overlaps has an order without cycles, and Justin's conditions hold at every crease.
 * *Returns* every fault; none means the state can be. *Source* J. Justin 1986 (layer order conditions).
 */
export function check(state: FoldedState): readonly FoldFault[] {
  const shapes = state.faces.map(lying)
  const hinges = creasesLying(state.faces, state.hinges)
  return [
    ...sheetFaults(state),
    ...orderFaults(state, shapes),
    ...throughFaults(state, shapes, hinges),
    ...crossFaults(state, shapes, hinges),
  ]
}
