import {
  area,
  centre,
  length,
  minus,
  overlap,
  plus,
  times,
  leftOf,
  type Point,
  type Polygon,
} from '../../geometry'
import { CARRIED_THROUGH, NOTHING_TO_SEE, SAME_AREA, SAME_POINT, largest, least } from '../../numeric'
import { Stopped, type SolveLimits } from './limits'

/** A crease as it lies folded: its two faces and the stretch. Flat where the faces lie on both sides of it. */
export interface FoldedCrease {
  readonly first: number
  readonly second: number
  readonly from: Point
  readonly to: Point
  readonly folded: boolean
}

/** Overlapping pairs of faces, numbered; the unknown of pair (i, j), i < j, is 1 when i lies above j. */
export interface Pairs {
  readonly count: number
  /** How many faces there are, overlapping or not. */
  readonly faceCount: number
  readonly faces: readonly (readonly [number, number])[]
  /** Row-major faces x faces, symmetric: number of the pair, -1 where the two do not overlap. */
  readonly at: Int32Array
}

/** A place and a sign: the pair's unknown, or its opposite. */
export interface SignedPair {
  readonly pair: number
  readonly sign: 1 | -1
}

/** The unknown of "i above j"; `null` where they do not overlap. */
export function pairOf({ at, faceCount }: Pairs, i: number, j: number): SignedPair | null {
  const pair = at[i * faceCount + j] ?? -1
  return pair < 0 ? null : { pair, sign: i < j ? 1 : -1 }
}

/**
 * Justin's conditions on the order of overlapping faces (J. Justin 1986).
 * `equal`: face h crosses a crease of (f, g): above both or below both (taco-tortilla); two flat creases on one
 * stretch likewise (tortilla-tortilla). `nested`: two folded creases on one stretch, (a, b) and (c, d), are not
 * interleaved (taco-taco). `sharePatch`: no cycle among three faces that lie on one another somewhere
 * (transitivity); asked for only where an order could follow from it, as there are far more triples than matter.
 */
export interface OrderConditions {
  readonly pairs: Pairs
  readonly equal: readonly { readonly one: number; readonly other: number; readonly sign: number }[]
  readonly nested: readonly (readonly [a: number, b: number, c: number, d: number])[]
  readonly sharePatch: (i: number, j: number, k: number) => boolean
}

/** Probes lie this far from a crease, in sheets of side 1. */
const PROBE = 1e-5

interface Box {
  readonly left: number
  readonly right: number
  readonly bottom: number
  readonly top: number
}
const boxOf = (points: readonly Point[]): Box => ({
  left: least(points.map((p) => p.x)),
  right: largest(points.map((p) => p.x)),
  bottom: least(points.map((p) => p.y)),
  top: largest(points.map((p) => p.y)),
})
const meets = (a: Box, b: Box): boolean =>
  a.right > b.left - PROBE && b.right > a.left - PROBE && a.top > b.bottom - PROBE && b.top > a.bottom - PROBE

function numberPairs(shapes: readonly Polygon[], shared: Map<number, Polygon>, step: () => void): Pairs {
  const faces: (readonly [number, number])[] = []
  const faceCount = shapes.length
  const at = new Int32Array(faceCount * faceCount).fill(-1)
  for (let i = 0; i < faceCount; i++) {
    step()
    for (let j = i + 1; j < faceCount; j++) {
      const both = overlap(shapes[i] ?? [], shapes[j] ?? [])
      if (both.length === 0 || area(both) <= SAME_AREA) continue
      shared.set(faces.length, both)
      at[i * faceCount + j] = faces.length
      at[j * faceCount + i] = faces.length
      faces.push([i, j])
    }
  }
  return { count: faces.length, faceCount, faces, at }
}

const strictlyInside = (shape: Polygon, at: Point): boolean =>
  shape.every((p, index) => {
    const q = shape[(index + 1) % shape.length] ?? p
    const edge = minus(q, p)
    return (edge.x * (at.y - p.y) - edge.y * (at.x - p.x)) / length(edge) > PROBE / 10
  })

/** Whether a stretch of crease runs through the inside of a convex polygon. */
function runsThrough(shape: Polygon, { from, to }: FoldedCrease): boolean {
  const along = minus(to, from)
  const normal = times(leftOf(along), PROBE / length(along))
  let [start, end] = [0, 1]
  for (let index = 0; index < shape.length; index++) {
    const [p, q] = [shape[index], shape[(index + 1) % shape.length]]
    if (!p || !q) continue
    const edge = minus(q, p)
    const size = length(edge)
    const value = (edge.x * (from.y - p.y) - edge.y * (from.x - p.x)) / size
    const slope = (edge.x * along.y - edge.y * along.x) / size
    if (Math.abs(slope) < SAME_POINT) {
      if (value < SAME_POINT) return false
    } else if (slope > 0) start = Math.max(start, -value / slope)
    else end = Math.min(end, -value / slope)
  }
  if (end - start < NOTHING_TO_SEE) return false
  const at = plus(from, times(along, (start + end) / 2))
  return strictlyInside(shape, plus(at, normal)) && strictlyInside(shape, minus(at, normal))
}

/** Whether two creases share a stretch of one line. */
function shareStretch(one: FoldedCrease, other: FoldedCrease): boolean {
  const along = minus(one.to, one.from)
  const size = length(along)
  const normal = times(leftOf(along), 1 / size)
  const off = (p: Point) =>
    Math.abs((p.x - one.from.x) * normal.x + (p.y - one.from.y) * normal.y) > CARRIED_THROUGH
  if (off(other.from) || off(other.to)) return false
  const at = (p: Point) => ((p.x - one.from.x) * along.x + (p.y - one.from.y) * along.y) / (size * size)
  const [a, b] = [at(other.from), at(other.to)]
  return Math.min(1, Math.max(a, b)) - Math.max(0, Math.min(a, b)) > NOTHING_TO_SEE
}

function sideOf(shape: Polygon, { from, to }: FoldedCrease): boolean {
  const middle = centre(shape)
  const along = minus(to, from)
  return along.x * (middle.y - from.y) - along.y * (middle.x - from.x) > 0
}

/**
 * Every condition on the layer order of faces lying as `shapes`, joined at `creases`.
 * *Cost* faces squared; creases times faces. Patches of three are worked out when asked for, and kept.
 * *Throws* `Stopped` where `limits.shouldStop` says so.
 */
export function orderConditions(
  shapes: readonly Polygon[],
  creases: readonly FoldedCrease[],
  limits: Pick<SolveLimits, 'shouldStop' | 'gathered'> = {},
): OrderConditions {
  const steps = shapes.length + 2 * creases.length
  let done = 0
  const step = () => {
    if (limits.shouldStop?.()) throw new Stopped()
    limits.gathered?.(++done / steps)
  }
  const shared = new Map<number, Polygon>()
  const pairs = numberPairs(shapes, shared, step)
  const equal: { one: number; other: number; sign: number }[] = []
  const tie = (a: number, b: number, c: number, d: number) => {
    const [one, other] = [pairOf(pairs, a, b), pairOf(pairs, c, d)]
    if (one && other) equal.push({ one: one.pair, other: other.pair, sign: one.sign * other.sign })
  }
  const shapeBoxes = shapes.map(boxOf)
  const creaseBoxes = creases.map(({ from, to }) => boxOf([from, to]))
  creases.forEach((crease, index) => {
    step()
    const box = creaseBoxes[index]
    shapes.forEach((shape, face) => {
      const near = shapeBoxes[face]
      if (face === crease.first || face === crease.second || !box || !near || !meets(box, near)) return
      if (runsThrough(shape, crease)) tie(face, crease.first, face, crease.second)
    })
  })
  const nested: (readonly [number, number, number, number])[] = []
  creases.forEach((one, index) => {
    step()
    const box = creaseBoxes[index]
    for (let at = index + 1; at < creases.length; at++) {
      const [other, near] = [creases[at], creaseBoxes[at]]
      if (!other || !box || !near || !meets(box, near)) continue
      if (one.first === other.first || one.first === other.second) continue
      if (one.second === other.first || one.second === other.second || !shareStretch(one, other)) continue
      const beside = sideOf(shapes[one.first] ?? [], one) === sideOf(shapes[other.first] ?? [], one)
      if (one.folded && other.folded) {
        if (beside) nested.push([one.first, one.second, other.first, other.second])
      } else if (!one.folded && !other.folded) {
        // Face to face on either side; the two sheets keep one order across the stretch.
        if (beside) tie(one.first, other.first, one.second, other.second)
        else tie(one.first, other.second, one.second, other.first)
      } else {
        const [flat, bent] = one.folded ? [other, one] : [one, other]
        const facing =
          sideOf(shapes[flat.first] ?? [], flat) === sideOf(shapes[bent.first] ?? [], flat)
            ? flat.first
            : flat.second
        tie(facing, bent.first, facing, bent.second)
      }
    }
  })
  return { pairs, equal, nested, sharePatch: patches(shapes, pairs, shared) }
}

/** Whether three faces lie on one another somewhere; each answer is worked out once. */
function patches(
  shapes: readonly Polygon[],
  pairs: Pairs,
  shared: ReadonlyMap<number, Polygon>,
): (i: number, j: number, k: number) => boolean {
  const known = new Map<number, boolean>()
  const count = pairs.faceCount
  return (i, j, k) => {
    const low = Math.min(i, j, k)
    const high = Math.max(i, j, k)
    const mid = i + j + k - low - high
    const key = (low * count + mid) * count + high
    const before = known.get(key)
    if (before !== undefined) return before
    const both = shared.get(pairs.at[low * count + mid] ?? -1)
    const third = shapes[high]
    const answer =
      both !== undefined &&
      third !== undefined &&
      (pairs.at[low * count + high] ?? -1) >= 0 &&
      (pairs.at[mid * count + high] ?? -1) >= 0 &&
      area(overlap(both, third)) > SAME_AREA
    known.set(key, answer)
    return answer
  }
}
