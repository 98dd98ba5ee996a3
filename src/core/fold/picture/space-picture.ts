import { largest, least } from '../../numeric'
import {
  add,
  inner,
  less,
  normalOf,
  scaled,
  signedArea,
  type Point,
  type Polygon,
  type Spot,
} from '../../geometry'

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
  readonly parts: readonly SpacePart[]
}

export interface SpacePart {
  readonly side: 'front' | 'back'
  /** How much light falls on it, 1 for paper that lies on the table. */
  readonly light: number
  /** x, y by turns. */
  readonly outline: readonly number[]
  /** Edges of the paper and folds, as x, y, x, y. */
  readonly edges: readonly number[]
}

/**
 * From where paper in space is looked at: how far the view leans from straight above towards the near edge of the table,
 * and how far the paper is turned on the table before.
 */
export interface Eye {
  readonly leanDegrees: number
  readonly turnDegrees: number
}
/** Straight on: what lies left and right in the flat picture does so here. */
export const STRAIGHT_ON: Eye = { leanDegrees: 34, turnDegrees: 0 }
/** For what falls together evenly from all sides: straight on it would hide its own depth. */
export const ASLANT: Eye = { leanDegrees: 56, turnDegrees: 24 }

export interface Sight {
  /** Towards the viewer. */
  readonly towards: Spot
  readonly right: Spot
  readonly up: Spot
}
export function sightOf({ leanDegrees, turnDegrees }: Eye): Sight {
  const [lean, turn] = [(leanDegrees * Math.PI) / 180, (turnDegrees * Math.PI) / 180]
  const [sin, cos] = [Math.sin(turn), Math.cos(turn)]
  return {
    towards: { x: -sin * Math.sin(lean), y: -cos * Math.sin(lean), z: Math.cos(lean) },
    right: { x: cos, y: -sin, z: 0 },
    up: { x: sin * Math.cos(lean), y: cos * Math.cos(lean), z: Math.sin(lean) },
  }
}
const LAMP: Spot = { x: -0.42, y: 0.36, z: 0.83 }

/** Where a spot is seen. */
export const seenAt = ({ right, up }: Sight, spot: Spot): Point => ({
  x: inner(spot, right),
  y: inner(spot, up),
})
export const rounded = (value: number): number => Math.round(value * 1e4) / 1e4
export const lightOn = (normal: Spot): number => rounded(Math.abs(inner(normal, LAMP)) / LAMP.z)

/** A plane part of the paper in space and as it is seen. */
export interface Plane {
  readonly spots: readonly Spot[]
  readonly normal: Spot
  readonly seen: readonly Point[]
  /** The same, counter-clockwise. */
  readonly shape: Polygon
}

export function planeOf(sight: Sight, spots: readonly Spot[]): Plane {
  const seen = spots.map((spot) => seenAt(sight, spot))
  return { spots, normal: normalOf(spots), seen, shape: signedArea(seen) > 0 ? seen : seen.toReversed() }
}

/** Cosine of the angle to the sight line below which a plane is seen on its edge: 1.1 degrees. */
const ON_EDGE = 0.02

/** How near to the viewer a plane is at a place of the picture. */
export function nearness(sight: Sight, { spots, normal }: Plane, at: Point): number {
  const towards = inner(normal, sight.towards)
  const [base] = spots
  if (!base) return -Infinity
  // Seen on its edge it is as near as its nearest spot.
  if (Math.abs(towards) < ON_EDGE) return largest(spots.map((spot) => inner(spot, sight.towards)))
  // The point of the sight line through that place which lies in the plane through the origin, square to the sight.
  const foot = add(scaled(sight.right, at.x), scaled(sight.up, at.y))
  return inner(normal, less(base, foot)) / towards
}

/**
 * Things from the furthest to the nearest, where `covers` says whether one is painted over another, or `null` where
 * they do not meet. Where three or more cover one another in a round, the furthest on the whole is first.
 */
export function paintingOrder<Thing>(
  things: readonly Thing[],
  covers: (one: Thing, other: Thing) => boolean | null,
  near: (thing: Thing) => number,
): readonly Thing[] {
  const under = things.map(() => new Set<number>())
  things.forEach((one, i) =>
    things.slice(0, i).forEach((other, j) => {
      const over = covers(one, other)
      if (over === null) return
      if (over) under[i]?.add(j)
      else under[j]?.add(i)
    }),
  )
  const left = new Set(things.keys())
  const order: Thing[] = []
  const nears = things.map(near)
  while (left.size > 0) {
    const free = [...left].filter((index) => [...(under[index] ?? [])].every((lower) => !left.has(lower)))
    const candidates = free.length > 0 ? free : [...left]
    const next = candidates.reduce((best, index) => ((nears[index] ?? 0) < (nears[best] ?? 0) ? index : best))
    left.delete(next)
    const thing = things[next]
    if (thing !== undefined) order.push(thing)
  }
  return order
}

/** Parts painted in this order, with the box around all that is seen. */
export function spacePicture(parts: readonly SpacePart[], seen: readonly Point[]): HalfwayPicture {
  const [xs, ys] = [seen.map(({ x }) => x), seen.map(({ y }) => y)]
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
