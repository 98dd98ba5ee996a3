import { CoreError } from '../errors'
import {
  lying,
  pointOf,
  relation,
  settled,
  sheetPoint,
  whereIs,
  type Bar,
  type FoldedState,
  type ShapeAct,
} from '../fold'
import {
  add,
  area,
  centre,
  contains,
  cross,
  distance,
  dot,
  inverse,
  less,
  minus,
  move,
  onTriangle,
  overlap,
  scaled,
  signedArea,
  sized,
  type Point,
  type Polygon,
  type Spot,
} from '../geometry'
import { CARRIED_THROUGH, SAME_AREA } from '../numeric'
import type { Patch } from './patches'
import type { ShapeSettings } from './settings'

type FillAct = Extract<ShapeAct, { act: 'fill' }>

/** A plane triangle of a wall, on the sheet and in space. */
interface Facet {
  readonly sheet: readonly [Point, Point, Point]
  readonly spots: readonly [Spot, Spot, Spot]
}

/** A hollow that was filled: its walls in facets, and on which wall's paper each face lies. */
export interface Fill {
  readonly walls: readonly (readonly Facet[])[]
  /** Of each face, its wall, and the face of that wall it lies on: itself where it is the wall. */
  readonly carried: readonly { readonly wall: number; readonly on: number }[]
}

/** How much of a face may lie beside its wall, as a share of the sheet: what rounding leaves over. */
const LEFT_OVER = 1e-6

/** Corners of all walls: the time to find them grows with their cube, and paper has no hollow of so many. */
const MOST_CORNERS = 40
/** What the lengths between corners may be off once they are found, in sides. */
const FOUND = 1e-5

const refuse = (value: string, at?: Point): CoreError =>
  new CoreError('OUT_OF_RANGE', { name: 'walls that are filled', value, ...(at ? { at } : {}) })

/**
 * A hollow between walls that are joined at their corners, filled until it is round: every wall is folded along a fan from
 * its first corner, and its corners are found from the lengths of paper between them. What lies on a wall goes with it.
 * Exact for a hollow that has one round shape, which a closed convex one always has (Alexandrov's theorem).
 * *Throws* `OUT_OF_RANGE` where a corner is not on the paper, where two walls differ about a length or the lengths leave
 * no shape, and where a face lies on no wall or beyond its wall. Walls that do not close tear the form, which its gate
 * refuses.
 */
export function fillOf(state: FoldedState, act: FillAct, settings: ShapeSettings): Fill {
  const here = { state, gauges: settings.gauges }
  const [foot, tip] = [pointOf(here, act.foot), pointOf(here, act.tip)]
  const walls = act.walls.map(({ corners, faces }) => ({
    faces,
    corners: corners.map(({ name, at }) => ({ name, at: sheetPoint(here, at) })),
  }))
  if (!(distance(foot, tip) > CARRIED_THROUGH)) throw refuse('the axis has no length', foot)
  const names = [...new Set(walls.flatMap(({ corners }) => corners.map(({ name }) => name)))]
  if (names.length > MOST_CORNERS) throw refuse(`${names.length} corners; at most ${MOST_CORNERS}`)
  const start = startOf(state, walls, names, foot, tip)
  const bars = barsOf(walls, names)
  const spots = settled(
    start,
    { bars, heights: [] },
    names.map(() => false),
  )
  const worst = bars.reduce((most, { one, other, length }) => {
    const [p, q] = [spots[one], spots[other]]
    return p && q ? Math.max(most, Math.abs(sized(less(p, q)) - length)) : most
  }, 0)
  if (!(worst < FOUND)) throw refuse('the lengths between their corners leave no shape')
  const spotOf = (name: string): Spot => spots[names.indexOf(name)] ?? { x: 0, y: 0, z: 0 }
  const facets = walls.map(({ corners }) =>
    fan(corners).map((three): Facet => ({
      sheet: [three[0].at, three[1].at, three[2].at],
      spots: [spotOf(three[0].name), spotOf(three[1].name), spotOf(three[2].name)],
    })),
  )
  return {
    walls: facets,
    carried: carriedBy(
      state,
      walls.map(({ corners }) => corners.map(({ at }) => at)),
    ),
  }
}

interface WallCorner {
  readonly name: string
  readonly at: Point
}
interface Wall {
  readonly faces: number
  readonly corners: readonly WallCorner[]
}

const fan = (corners: readonly WallCorner[]): readonly (readonly [WallCorner, WallCorner, WallCorner])[] =>
  corners.slice(2).flatMap((third, index) => {
    const [first, second] = [corners[0], corners[index + 1]]
    return first && second ? [[first, second, third] as const] : []
  })

/** The sides of all facets, each pair of corners once; the same pair on two walls has to be of one length. */
function barsOf(walls: readonly Wall[], names: readonly string[]): readonly Bar[] {
  const bars = new Map<string, Bar>()
  for (const { corners } of walls)
    for (const [a, b, c] of fan(corners))
      for (const [p, q] of [
        [a, b],
        [b, c],
        [c, a],
      ] as const) {
        const key = [p.name, q.name].sort().join(' ')
        const length = distance(p.at, q.at)
        const known = bars.get(key)
        if (known && Math.abs(known.length - length) > CARRIED_THROUGH)
          throw refuse(`from "${p.name}" to "${q.name}" two walls have different lengths`, p.at)
        bars.set(key, { one: names.indexOf(p.name), other: names.indexOf(q.name), length })
      }
  return [...bars.values()]
}

/** Corners held off the axis, each to where its walls face, as far as it lies from the axis in the flat piece. */
function startOf(
  state: FoldedState,
  walls: readonly Wall[],
  names: readonly string[],
  foot: Point,
  tip: Point,
): readonly Spot[] {
  const size = distance(foot, tip)
  const along = { x: (tip.x - foot.x) / size, y: (tip.y - foot.y) / size }
  const across = { x: along.y, y: -along.x }
  return names.map((name) => {
    const own = walls.filter(({ corners }) => corners.some((corner) => corner.name === name))
    const at = own[0]?.corners.find((corner) => corner.name === name)?.at ?? foot
    const lies = whereIs(state, at)
    if (!lies) throw refuse('a corner is not on the paper', at)
    const [up, off] = [dot(minus(lies, foot), along), Math.abs(dot(minus(lies, foot), across))]
    const towards = own.reduce<Spot>(
      (all, { faces }) => {
        const turn = (faces * Math.PI) / 180
        const side = Math.cos(turn)
        return add(all, { x: across.x * side, y: across.y * side, z: Math.sin(turn) })
      },
      { x: 0, y: 0, z: 0 },
    )
    const reach = sized(towards)
    const out = reach < CARRIED_THROUGH ? { x: 0, y: 0, z: 0 } : scaled(towards, (off * Math.SQRT2) / reach)
    return add({ x: foot.x + along.x * up, y: foot.y + along.y * up, z: 0 }, out)
  })
}

/** For every face its wall: its own where it is of one, else that of the nearest face of a wall in the stack. */
function carriedBy(state: FoldedState, walls: readonly Polygon[]): Fill['carried'] {
  const { faces } = state
  const around = walls.map((wall) => (signedArea(wall) > 0 ? wall : wall.toReversed()))
  const wallOf = faces.map(({ sheet }) => around.findIndex((wall) => sheet.every((at) => contains(wall, at))))
  const lays = faces.map(lying)
  return faces.map((_, face) => {
    const wall = wallOf[face] ?? -1
    if (wall >= 0) return { wall, on: face }
    const near = faces.flatMap((__, other) => {
      const common = (wallOf[other] ?? -1) < 0 ? [] : overlap(lays[face] ?? [], lays[other] ?? [])
      if (area(common) < SAME_AREA * 100) return []
      const place = centre(common)
      const side = relation(state, face, other)
      const between = faces.filter(
        (___, third) =>
          contains(lays[third] ?? [], place) &&
          relation(state, face, third) === side &&
          relation(state, third, other) === side,
      ).length
      return [{ other, between }]
    })
    const nearest = near.reduce<(typeof near)[number] | null>(
      (best, one) => (best === null || one.between < best.between ? one : best),
      null,
    )
    if (!nearest) throw refuse('a face lies on none of them', centre(lays[face] ?? []))
    return { wall: wallOf[nearest.other] ?? -1, on: nearest.other }
  })
}

/** Flat patches on the walls of a filled hollow, cut where the walls bend. *Throws* `OUT_OF_RANGE`, see `fillOf`. */
export function filledPatches(
  { faces }: FoldedState,
  patches: readonly Patch[],
  fill: Fill,
): readonly Patch[] {
  return patches.flatMap((patch): readonly Patch[] => {
    const { wall, on } = fill.carried[patch.face] ?? { wall: -1, on: patch.face }
    const [own, carrier] = [faces[patch.face], faces[on]]
    if (!own || !carrier) return []
    const [toWall, fromWall] = [inverse(carrier.pose), carrier.pose]
    const toSheet = inverse(own.pose)
    const onWall = patch.lay.map((at) => move(toWall, at))
    const turned = signedArea(onWall) < 0 ? onWall.toReversed() : onWall
    const parts = (fill.walls[wall] ?? []).flatMap(({ sheet, spots }): Patch[] => {
      const [a, b, c] = sheet
      const triangle = cross(minus(b, a), minus(c, a)) > 0 ? [a, b, c] : [a, c, b]
      const part = overlap(turned, triangle)
      if (area(part) < SAME_AREA) return []
      const lay = part.map((at) => move(fromWall, at))
      const patchOf = (order: readonly number[]): Patch => ({
        face: patch.face,
        lay: order.map((index) => lay[index] ?? a),
        sheet: order.map((index) => move(toSheet, lay[index] ?? a)),
        spots: order.map((index) => onTriangle(sheet, spots, part[index] ?? a)),
      })
      const order = part.map((_, index) => index)
      const straight = patchOf(order)
      // Corners run as on the sheet: counter-clockwise there.
      return [signedArea(straight.sheet) > 0 ? straight : patchOf(order.toReversed())]
    })
    const kept = parts.reduce((all, { sheet }) => all + area(sheet), 0)
    if (area(patch.sheet) - kept > LEFT_OVER) throw refuse('a face lies beyond its wall', centre(patch.lay))
    return parts
  })
}
