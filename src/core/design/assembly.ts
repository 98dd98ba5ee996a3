import { largest, least } from '../numeric'
import { invariant } from '../errors'
import { lineOf, pointOf, silhouetteOf, type GaugeShares, type Piece } from '../fold'
import {
  cross,
  distance,
  length,
  meet,
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
  invariant(Math.abs(half) > 1e-9, 'a turn has an angle')
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

/** How far from the first end of `crosses` the next unit's edge leaves this unit, as a share of the side. */
export function sightOf(assembly: Assembly, piece: Piece, gauges: GaugeShares): number | null {
  const { sight } = assembly
  if (!sight) return null
  const table = { state: piece.state, gauges }
  const { centre, stepRad } = turnOf(assembly, piece, gauges)
  const [from, to] = sight.edge.map((spec) => turnedAbout(centre, stepRad, pointOf(table, spec)))
  const mark = lineOf(table, { through: sight.crosses })
  const at = from && to && meet(mark, { origin: from, direction: minus(to, from) })
  return at ? distance(pointOf(table, sight.crosses[0]), at) : null
}

const angleOf = ({ x, y }: Point): number => Math.atan2(y, x)

/** How far a ray from the origin reaches within a polygon; 0 where it misses. */
function reachOf(polygon: Polygon, angle: number): number {
  const ray = { x: Math.cos(angle), y: Math.sin(angle) }
  return polygon.reduce((far, p, index) => {
    const along = minus(polygon[(index + 1) % polygon.length] ?? p, p)
    const slope = cross(ray, along)
    if (Math.abs(slope) < 1e-12) return far
    const [reach, share] = [cross(p, along) / slope, cross(p, ray) / slope]
    return share > -1e-9 && share < 1 + 1e-9 && reach > far ? reach : far
  }, 0)
}

/** Crossings of the edges of two polygons. */
function crossings(one: Polygon, other: Polygon): readonly Point[] {
  const edges = (polygon: Polygon) =>
    polygon.map((p, index): readonly [Point, Point] => [p, polygon[(index + 1) % polygon.length] ?? p])
  return edges(one).flatMap(([p, q]) =>
    edges(other).flatMap(([r, s]): Point[] => {
      const [a, b] = [minus(q, p), minus(s, r)]
      const turn = cross(a, b)
      if (Math.abs(turn) < 1e-12) return []
      const [u, v] = [cross(minus(r, p), b) / turn, cross(minus(r, p), a) / turn]
      return u >= 0 && u <= 1 && v >= 0 && v <= 1 ? [plus(p, times(a, u))] : []
    }),
  )
}

/** Two directions closer than this are one, in radians. */
const BESIDE = 1e-6

/**
 * The outer outline of units around a centre, counter-clockwise from there: the farthest reach in every direction.
 * *Cost* the square of the units times their corners.
 */
export function assembledOutline({ centre, units }: Assembled): Polygon {
  const around = units.map((unit) => unit.map((at) => minus(at, centre)))
  const corners = around.flatMap((unit, index) => [
    ...unit,
    ...around.slice(index + 1).flatMap((other) => crossings(unit, other)),
  ])
  const farthest = (angle: number) => largest(around.map((unit) => reachOf(unit, angle)))
  const angles = corners
    .filter((at) => length(at) > 1e-6)
    .map(angleOf)
    .sort((one, other) => one - other)
  const distinct = angles.filter((angle, index) => index === 0 || angle - (angles[index - 1] ?? 0) > BESIDE)
  const outer = distinct.flatMap((angle) => {
    // Where one unit ends before another the outline jumps: it has a corner near and a corner far.
    const [before, after] = [farthest(angle - BESIDE / 2), farthest(angle + BESIDE / 2)]
    const at = (reach: number): Point =>
      corners.find(
        (one) => Math.abs(length(one) - reach) < 1e-5 && Math.abs(angleOf(one) - angle) <= BESIDE,
      ) ?? {
        x: Math.cos(angle) * reach,
        y: Math.sin(angle) * reach,
      }
    return Math.abs(after - before) < 1e-5 ? [at(before)] : [at(before), at(after)]
  })
  // Corners on a straight edge say nothing.
  return outer
    .filter((at, index) => {
      const [before, next] = [outer.at(index - 1) ?? at, outer[(index + 1) % outer.length] ?? at]
      return Math.abs(cross(minus(at, before), minus(next, at))) > 1e-7
    })
    .map((at) => plus(at, centre))
}

const fromOrigin = (p: Point, q: Point): number => {
  const along = minus(q, p)
  const share = Math.min(1, Math.max(0, -(p.x * along.x + p.y * along.y) / (length(along) ** 2 || 1)))
  return length(plus(p, times(along, share)))
}

/** A size of an assembled piece, as a share of the side. A hole is measured from flat to flat; none is 0. */
export function measureAssembled({ centre, units }: Assembled, measure: AssembledMeasure): number {
  const around = units.map((unit) => unit.map((at) => minus(at, centre)))
  if (measure === 'across') return 2 * largest(around.flat().map(length))
  const covered = around.some((unit) =>
    unit.every((p, index) => cross(minus(unit[(index + 1) % unit.length] ?? p, p), times(p, -1)) > -1e-9),
  )
  if (covered) return 0
  return (
    2 *
    least(
      around.flatMap((unit) => unit.map((p, index) => fromOrigin(p, unit[(index + 1) % unit.length] ?? p))),
    )
  )
}
