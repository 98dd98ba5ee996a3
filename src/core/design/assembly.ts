import { CARRIED_THROUGH, NEGLIGIBLE, NOTHING_TO_SEE, ROUNDING, largest, least } from '../numeric'
import { invariant } from '../errors'
import { pointOf, silhouetteOf, type GaugeShares, type Piece } from '../fold'
import {
  cross,
  distance,
  length,
  minus,
  move,
  plus,
  rotation,
  times,
  type Point,
  type Polygon,
} from '../geometry'
import type { AssembledMeasure, Assembly } from './types'

/** Units of one kind around their common centre; all in shares of the side, in the plane the first unit lies in. */
export interface Assembled {
  readonly centre: Point
  /** From one unit to the next, counter-clockwise. */
  readonly stepRad: number
  /** Outlines of the units, the first as it was folded. */
  readonly units: readonly Polygon[]
}

/** A point turned about another. */
export const turnedAbout = (centre: Point, angleRad: number, at: Point): Point =>
  plus(centre, move(rotation(angleRad), minus(at, centre)))

/**
 * The centre about which `tab` turned by the angle comes to `seat`: the one fixed point of that motion.
 * *Throws* `InvariantError` for a turn by nothing.
 */
export function centreOfTurn(tab: Point, seat: Point, angleRad: number): Point {
  const half = Math.tan(angleRad / 2)
  invariant(Math.abs(half) > ROUNDING, 'a turn has an angle')
  // Seen from the middle between both, the centre lies square to their stretch.
  const from = minus(seat, tab)
  return plus(times(plus(tab, seat), 0.5), times({ x: -from.y, y: from.x }, 0.5 / half))
}

/** The centre of a piece and the turn from unit to unit. *Throws* what a place that is not on the paper throws. */
function turnOf(
  { units, join, turns }: Assembly,
  { state }: Piece,
  gauges: GaugeShares,
): Pick<Assembled, 'centre' | 'stepRad'> {
  const stepRad = ((turns === 'left' ? 1 : -1) * 2 * Math.PI) / units
  const table = { state, gauges }
  const centre =
    'centre' in join
      ? pointOf(table, join.centre)
      : centreOfTurn(pointOf(table, join.tab), pointOf(table, join.seat), stepRad)
  return { centre, stepRad }
}

/** The units of a piece, laid around their centre. *Throws* what a place that is not on the paper throws. */
export function assemble(assembly: Assembly, piece: Piece, gauges: GaugeShares): Assembled {
  const { centre, stepRad } = turnOf(assembly, piece, gauges)
  const unit = silhouetteOf(piece.state)
  return {
    centre,
    stepRad,
    units: Array.from({ length: assembly.units }, (_, index) =>
      unit.map((at) => turnedAbout(centre, index * stepRad, at)),
    ),
  }
}

/**
 * How far from the first end of `crosses` the next unit's edge leaves this unit, as a share of the side; `null` where the
 * two edges do not cross.
 */
export function sightOf(assembly: Assembly, piece: Piece, gauges: GaugeShares): number | null {
  const { sight } = assembly
  if (!sight) return null
  const table = { state: piece.state, gauges }
  const { centre, stepRad } = turnOf(assembly, piece, gauges)
  const [from, to] = sight.edge.map((spec) => turnedAbout(centre, stepRad, pointOf(table, spec)))
  const [first, last] = sight.crosses.map((spec) => pointOf(table, spec))
  // Both are edges of paper, and end: where they would cross beyond an end there is nothing to look at.
  const [at] = from && to && first && last ? crossings([from, to], [first, last]) : []
  return at && first ? distance(first, at) : null
}

const angleOf = ({ x, y }: Point): number => Math.atan2(y, x)

/** How far a ray from the origin reaches within a polygon; 0 where it misses. */
function reachOf(polygon: Polygon, angle: number): number {
  const ray = { x: Math.cos(angle), y: Math.sin(angle) }
  return polygon.reduce((far, p, index) => {
    const along = minus(polygon[(index + 1) % polygon.length] ?? p, p)
    const slope = cross(ray, along)
    if (Math.abs(slope) < NEGLIGIBLE) return far
    const [reach, share] = [cross(p, along) / slope, cross(p, ray) / slope]
    return share > -ROUNDING && share < 1 + ROUNDING && reach > far ? reach : far
  }, 0)
}

/** Whether a share of a stretch is on it, its ends with it. */
const onStretch = (share: number): boolean => share > -ROUNDING && share < 1 + ROUNDING

/** Crossings of the edges of two polygons. */
function crossings(one: Polygon, other: Polygon): readonly Point[] {
  const edges = (polygon: Polygon) =>
    polygon.map((p, index): readonly [Point, Point] => [p, polygon[(index + 1) % polygon.length] ?? p])
  return edges(one).flatMap(([p, q]) =>
    edges(other).flatMap(([r, s]): Point[] => {
      const [a, b] = [minus(q, p), minus(s, r)]
      const turn = cross(a, b)
      if (Math.abs(turn) < NEGLIGIBLE) return []
      const [u, v] = [cross(minus(r, p), b) / turn, cross(minus(r, p), a) / turn]
      return onStretch(u) && onStretch(v) ? [plus(p, times(a, u))] : []
    }),
  )
}

/** Two directions closer than this are one, in radians. */
const BESIDE = 1e-6
/** Two reaches closer than this are one, in sides: what the little turns of `BESIDE` change, and room. */
const SAME_REACH = 1e-5

/** Corners that an outline of laid units can have, seen from their centre: theirs, and where their edges cross. */
function cornersAround(around: readonly Polygon[]): readonly Point[] {
  return around.flatMap((unit, index) => [
    ...unit,
    ...around.slice(index + 1).flatMap((other) => crossings(unit, other)),
  ])
}

/**
 * The outline that a reach in every direction gives, counter-clockwise, seen from the centre. It may have corners only
 * at `corners`; where the reach jumps it has one near and one far.
 */
function outlineOf(corners: readonly Point[], reach: (angle: number) => number): Polygon {
  const angles = corners
    .filter((at) => length(at) > NOTHING_TO_SEE)
    .map(angleOf)
    .sort((one, other) => one - other)
  const distinct = angles.filter((angle, index) => index === 0 || angle - (angles[index - 1] ?? 0) > BESIDE)
  const whole = distinct.flatMap((angle) => {
    const [before, after] = [reach(angle - BESIDE / 2), reach(angle + BESIDE / 2)]
    const at = (far: number): Point =>
      corners.find(
        (one) => Math.abs(length(one) - far) < SAME_REACH && Math.abs(angleOf(one) - angle) <= BESIDE,
      ) ?? {
        x: Math.cos(angle) * far,
        y: Math.sin(angle) * far,
      }
    return Math.abs(after - before) < SAME_REACH ? [at(before)] : [at(before), at(after)]
  })
  // Corners on a straight edge say nothing.
  return whole.filter((at, index) => {
    const [before, next] = [whole.at(index - 1) ?? at, whole[(index + 1) % whole.length] ?? at]
    return Math.abs(cross(minus(at, before), minus(next, at))) > CARRIED_THROUGH
  })
}

const seenFromCentre = ({ centre, units }: Assembled): readonly Polygon[] =>
  units.map((unit) => unit.map((at) => minus(at, centre)))

/**
 * The outer outline of units around a centre, counter-clockwise from there: the farthest reach in every direction.
 * *Cost* the square of the units times their corners.
 */
export function assembledOutline(laid: Assembled): Polygon {
  const around = seenFromCentre(laid)
  const farthest = (angle: number) => largest(around.map((unit) => reachOf(unit, angle)))
  return outlineOf(cornersAround(around), farthest).map((at) => plus(at, laid.centre))
}

/** How near a ray from the origin meets a polygon that does not hold it; `Infinity` where it misses. */
function nearOf(polygon: Polygon, angle: number): number {
  const ray = { x: Math.cos(angle), y: Math.sin(angle) }
  return polygon.reduce((near, p, index) => {
    const along = minus(polygon[(index + 1) % polygon.length] ?? p, p)
    const slope = cross(ray, along)
    if (Math.abs(slope) < NEGLIGIBLE) return near
    const [reach, share] = [cross(p, along) / slope, cross(p, ray) / slope]
    return onStretch(share) && reach > 0 && reach < near ? reach : near
  }, Infinity)
}

const holdsOrigin = (unit: Polygon): boolean =>
  unit.every((p, index) => cross(minus(unit[(index + 1) % unit.length] ?? p, p), times(p, -1)) > -ROUNDING)

/** The outline of the hole in the middle, seen from the centre; empty where there is none, or none that is closed. */
export function holeOutline(laid: Assembled): Polygon {
  const around = seenFromCentre(laid)
  if (around.some(holdsOrigin)) return []
  const nearest = (angle: number) => least(around.map((unit) => nearOf(unit, angle)))
  const hole = outlineOf(cornersAround(around), nearest)
  return hole.every(({ x, y }) => Number.isFinite(x) && Number.isFinite(y)) ? hole : []
}

/** The farthest that two of some points lie from one another: what a caliper reads; 0 for none. */
const widest = (points: readonly Point[]): number =>
  largest(
    points.map((p, index) =>
      largest(
        points.slice(index + 1).map((q) => distance(p, q)),
        0,
      ),
    ),
    0,
  )

const fromOrigin = (p: Point, q: Point): number => {
  const along = minus(q, p)
  const share = Math.min(1, Math.max(0, -(p.x * along.x + p.y * along.y) / (length(along) ** 2 || 1)))
  return length(plus(p, times(along, share)))
}

/** A size of an assembled piece, as a share of the side; of a hole that is none, 0. */
export function measureAssembled(laid: Assembled, measure: AssembledMeasure): number {
  switch (measure) {
    case 'across':
      return widest(assembledOutline(laid))
    case 'hole-widest':
      return widest(holeOutline(laid))
    case 'hole-circle':
      return 2 * largest(holeOutline(laid).map(length), 0)
    case 'hole': {
      const hole = holeOutline(laid)
      const edges = hole.map((p, index) => fromOrigin(p, hole[(index + 1) % hole.length] ?? p))
      return hole.length === 0 ? 0 : 2 * least(edges)
    }
  }
}
