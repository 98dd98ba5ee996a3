import {
  area,
  centre,
  leftOf,
  length,
  minus,
  overlap,
  plus,
  times,
  type Point,
  type Polygon,
} from '../../geometry'
import { SAME_AREA, SAME_POINT } from '../../numeric'

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
  readonly faces: readonly (readonly [number, number])[]
  /** Number of the pair and its sign for (i, j) in this order; `null` where they do not overlap. */
  readonly of: (i: number, j: number) => { readonly pair: number; readonly sign: number } | null
}

/**
 * Justin's conditions on the order of overlapping faces (J. Justin 1986).
 * `equal`: face h crosses a crease of (f, g): above both or below both (taco-tortilla); two flat creases on one
 * stretch likewise (tortilla-tortilla). `nested`: two folded creases on one stretch, (a, b) and (c, d), are not
 * interleaved (taco-taco). `triples`: no cycle among three faces that share a patch (transitivity).
 */
export interface OrderConditions {
  readonly pairs: Pairs
  readonly equal: readonly { readonly one: number; readonly other: number; readonly sign: number }[]
  readonly nested: readonly (readonly [a: number, b: number, c: number, d: number])[]
  readonly triples: readonly (readonly [number, number, number])[]
}

/** Probes lie this far from a crease, in sheets of side 1. */
const PROBE = 1e-5

function numberPairs(shapes: readonly Polygon[]): Pairs {
  const faces: (readonly [number, number])[] = []
  const numbers = new Map<number, number>()
  const count = shapes.length
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++)
      if (area(overlap(shapes[i] ?? [], shapes[j] ?? [])) > SAME_AREA) {
        numbers.set(i * count + j, faces.length)
        faces.push([i, j])
      }
  const of = (i: number, j: number) => {
    const pair = numbers.get(i < j ? i * count + j : j * count + i)
    return pair === undefined ? null : { pair, sign: i < j ? 1 : -1 }
  }
  return { count: faces.length, faces, of }
}

const strictlyInside = (shape: Polygon, at: Point): boolean =>
  shape.every((p, index) => {
    const q = shape[(index + 1) % shape.length] ?? p
    const edge = minus(q, p)
    return (edge.x * (at.y - p.y) - edge.y * (at.x - p.x)) / length(edge) > PROBE / 10
  })

/** Stretch of a crease inside a convex polygon, as shares of its length; `null` where it does not run through. */
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
  if (end - start < 1e-6) return false
  const at = plus(from, times(along, (start + end) / 2))
  return strictlyInside(shape, plus(at, normal)) && strictlyInside(shape, minus(at, normal))
}

/** Whether two creases share a stretch of one line. */
function shareStretch(one: FoldedCrease, other: FoldedCrease): boolean {
  const along = minus(one.to, one.from)
  const size = length(along)
  const normal = times(leftOf(along), 1 / size)
  const off = (p: Point) => Math.abs((p.x - one.from.x) * normal.x + (p.y - one.from.y) * normal.y) > 1e-7
  if (off(other.from) || off(other.to)) return false
  const at = (p: Point) => ((p.x - one.from.x) * along.x + (p.y - one.from.y) * along.y) / (size * size)
  const [a, b] = [at(other.from), at(other.to)]
  return Math.min(1, Math.max(a, b)) - Math.max(0, Math.min(a, b)) > 1e-6
}

function sideOf(shape: Polygon, { from, to }: FoldedCrease): boolean {
  const middle = centre(shape)
  const along = minus(to, from)
  return along.x * (middle.y - from.y) - along.y * (middle.x - from.x) > 0
}

/** Every condition on the layer order of faces lying as `shapes`, joined at `creases`. *Cost* faces squared. */
export function orderConditions(
  shapes: readonly Polygon[],
  creases: readonly FoldedCrease[],
): OrderConditions {
  const pairs = numberPairs(shapes)
  const equal: { one: number; other: number; sign: number }[] = []
  const tie = (a: number, b: number, c: number, d: number) => {
    const [one, other] = [pairs.of(a, b), pairs.of(c, d)]
    if (one && other) equal.push({ one: one.pair, other: other.pair, sign: one.sign * other.sign })
  }
  for (const crease of creases)
    shapes.forEach((shape, face) => {
      if (face === crease.first || face === crease.second || !runsThrough(shape, crease)) return
      tie(face, crease.first, face, crease.second)
    })
  const nested: (readonly [number, number, number, number])[] = []
  creases.forEach((one, index) => {
    for (const other of creases.slice(index + 1)) {
      const faces = [one.first, one.second, other.first, other.second]
      if (new Set(faces).size < 4 || !shareStretch(one, other)) continue
      const beside = sideOf(shapes[one.first] ?? [], one) === sideOf(shapes[other.first] ?? [], one)
      if (one.folded && other.folded) {
        if (beside) nested.push([one.first, one.second, other.first, other.second])
      } else if (!one.folded && !other.folded) {
        // Face to face on either side; the two sheets keep one order across the stretch.
        if (beside) tie(one.first, other.first, one.second, other.second)
        else tie(one.first, other.second, one.second, other.first)
      } else {
        const [flat, bent] = one.folded ? [other, one] : [one, other]
        const near =
          sideOf(shapes[flat.first] ?? [], flat) === sideOf(shapes[bent.first] ?? [], flat)
            ? flat.first
            : flat.second
        tie(near, bent.first, near, bent.second)
      }
    }
  })
  return { pairs, equal, nested, triples: triplesOf(shapes, pairs) }
}

function triplesOf(shapes: readonly Polygon[], pairs: Pairs): readonly (readonly [number, number, number])[] {
  const triples: (readonly [number, number, number])[] = []
  for (const [i, j] of pairs.faces) {
    const shared = overlap(shapes[i] ?? [], shapes[j] ?? [])
    for (let k = j + 1; k < shapes.length; k++)
      if (pairs.of(i, k) && pairs.of(j, k) && area(overlap(shared, shapes[k] ?? [])) > SAME_AREA)
        triples.push([i, j, k])
  }
  return triples
}
