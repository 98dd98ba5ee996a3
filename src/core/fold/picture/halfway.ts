import { NOTHING_TO_SEE, largest, least } from '../../numeric'
import {
  area,
  centre,
  flips,
  inner,
  less,
  normalOf,
  overlap,
  signedArea,
  type Point,
  type Polygon,
  type Spot,
} from '../../geometry'
import type { Frame } from '../program'
import { relation, type FoldedState } from '../state/types'
import { liftPaper, type LiftedPaper, type LiftedPart } from './lift'

/**
 * A move half done, seen from above the near edge of the table: plane parts of the paper from the furthest to the
 * nearest, to be painted in this order. Plain data that can be kept and sent; shares of the side, rounded to 1e-4.
 */
export interface HalfwayPicture {
  readonly box: {
    readonly left: number
    readonly right: number
    readonly bottom: number
    readonly top: number
  }
  readonly parts: readonly {
    readonly side: 'front' | 'back'
    /** How much light falls on it, 1 for paper that lies on the table. */
    readonly light: number
    /** x, y by turns. */
    readonly outline: readonly number[]
    /** Edges of the paper and folds, as x, y, x, y. */
    readonly edges: readonly number[]
  }[]
}

/** How far the move is: a little past the middle, where flaps have passed the upright. */
export const HALFWAY_SHARE = 0.58
/** How far the view leans from straight above, towards the near edge of the table. */
export const HALFWAY_LEAN_DEGREES = 34
const LEAN = (HALFWAY_LEAN_DEGREES * Math.PI) / 180
const VIEW: Spot = { x: 0, y: -Math.sin(LEAN), z: Math.cos(LEAN) }
const LAMP: Spot = { x: -0.42, y: 0.36, z: 0.83 }
/** More than this and no sheet of paper takes that shape: no picture then. */
const MOST_STRAIN = 0.015

/** Where a spot is seen. */
const seenAt = ({ x, y, z }: Spot): Point => ({ x, y: y * Math.cos(LEAN) + z * Math.sin(LEAN) })
const rounded = (value: number): number => Math.round(value * 1e4) / 1e4

interface Plane {
  readonly part: LiftedPart
  readonly spots: readonly Spot[]
  readonly normal: Spot
  readonly seen: readonly Point[]
  /** The same, counter-clockwise. */
  readonly shape: Polygon
}

function planesOf({ parts, spots }: LiftedPaper): readonly Plane[] {
  return parts.map((part) => {
    const own = part.corners.flatMap((corner) => spots[corner] ?? [])
    const seen = own.map(seenAt)
    return {
      part,
      spots: own,
      normal: normalOf(own),
      seen,
      shape: signedArea(seen) > 0 ? seen : seen.toReversed(),
    }
  })
}

/** How near to the viewer a plane is at a place of the picture. */
function nearness({ spots, normal }: Plane, at: Point): number {
  const towards = inner(normal, VIEW)
  const [base] = spots
  if (!base) return -Infinity
  // Seen on its edge it is as near as its nearest spot.
  if (Math.abs(towards) < ON_EDGE) return largest(spots.map((spot) => inner(spot, VIEW)))
  // The point of the sight line through that place which lies in the table's plane turned to the viewer.
  const foot: Spot = { x: at.x, y: at.y * Math.cos(LEAN), z: at.y * Math.sin(LEAN) }
  return inner(normal, less(base, foot)) / towards
}

/** Cosine of the angle to the sight line below which a plane is seen on its edge: 1.1 degrees. */
const ON_EDGE = 0.02
/** Planes whose normals' cosine is above this lean alike (1.8 degrees), and this near, in sides, are one for the eye. */
const SAME_LEAN = 0.9995
const SAME_PLANE = 2e-3

const coplanar = (one: Plane, other: Plane): boolean =>
  Math.abs(inner(one.normal, other.normal)) > SAME_LEAN &&
  other.spots.every((spot) => {
    const [base = spot] = one.spots
    return Math.abs(inner(one.normal, less(spot, base))) < SAME_PLANE
  })

/** Whether the first is painted over the second; `null` where they do not overlap in the picture. */
function covers(before: FoldedState, one: Plane, other: Plane): boolean | null {
  const common = overlap(one.shape, other.shape)
  if (area(common) < NOTHING_TO_SEE) return null
  if (coplanar(one, other)) {
    // A stack that moves as one: its order from before, or the other way round where it is seen from its other side.
    const face = before.faces[one.part.before]
    const frontWasUp = face !== undefined && !flips(face.pose)
    const frontIsSeen = inner(one.normal, VIEW) > 0
    const over = relation(before, one.part.before, other.part.before)
    if (over !== 0) return over > 0 === (frontWasUp === frontIsSeen)
  }
  // Where they are furthest apart: at a hinge, or where paper bends, what is nearer is within the error.
  const middle = centre(common)
  const apart = [middle, ...common.map((corner) => centre([middle, corner]))].map(
    (at) => nearness(one, at) - nearness(other, at),
  )
  return apart.reduce((most, gap) => (Math.abs(gap) > Math.abs(most) ? gap : most)) > 0
}

/** From the furthest to the nearest. Where three or more cover one another in a round, the furthest on the whole is first. */
function paintingOrder(before: FoldedState, planes: readonly Plane[]): readonly Plane[] {
  const under = planes.map(() => new Set<number>())
  planes.forEach((one, i) =>
    planes.slice(0, i).forEach((other, j) => {
      const over = covers(before, one, other)
      if (over === null) return
      if (over) under[i]?.add(j)
      else under[j]?.add(i)
    }),
  )
  const left = new Set(planes.keys())
  const order: Plane[] = []
  const near = planes.map((plane) => largest(plane.spots.map((spot) => inner(spot, VIEW))))
  while (left.size > 0) {
    const free = [...left].filter((index) => [...(under[index] ?? [])].every((lower) => !left.has(lower)))
    const candidates = free.length > 0 ? free : [...left]
    const next = candidates.reduce((best, index) => ((near[index] ?? 0) < (near[best] ?? 0) ? index : best))
    left.delete(next)
    const plane = planes[next]
    if (plane) order.push(plane)
  }
  return order
}

/**
 * The picture of a squash, petal fold, collapse or twist half done; `null` for every other move, and where no shape of
 * the paper was found that goes the right way.
 */
export function halfwayOf({ before, after, done }: Frame): HalfwayPicture | null {
  if (done.spec.kind !== 'refold') return null
  const paper = liftPaper(before.state, after.state, HALFWAY_SHARE)
  if (!paper || !(paper.strain <= MOST_STRAIN && paper.leastTurned >= 0)) return null
  const planes = planesOf(paper)
  const besides = (edge: readonly [number, number]) =>
    planes.filter(({ part: { corners } }) => corners.includes(edge[0]) && corners.includes(edge[1]))
  const parts = paintingOrder(before.state, planes).map(({ part, normal, seen }) => ({
    side: signedArea(seen) > 0 ? ('front' as const) : ('back' as const),
    light: rounded(Math.abs(inner(normal, LAMP)) / LAMP.z),
    outline: seen.flatMap(({ x, y }) => [rounded(x), rounded(y)]),
    edges: part.corners.flatMap((corner, index) => {
      const next = part.corners[(index + 1) % part.corners.length] ?? corner
      const other = besides([corner, next]).find((one) => one.part !== part)
      const flat = other && inner(other.normal, normal) > SAME_LEAN
      const [from, to] = [seen[index], seen[(index + 1) % seen.length]]
      return flat || !from || !to ? [] : [from.x, from.y, to.x, to.y].map(rounded)
    }),
  }))
  const all = planes.flatMap(({ seen }) => seen)
  const [xs, ys] = [all.map(({ x }) => x), all.map(({ y }) => y)]
  return {
    box: {
      left: rounded(least(xs)),
      right: rounded(largest(xs)),
      bottom: rounded(least(ys)),
      top: rounded(largest(ys)),
    },
    parts,
  }
}
