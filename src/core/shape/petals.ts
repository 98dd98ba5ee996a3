import { CoreError } from '../errors'
import { amountOf, pointOf, relation, type FoldedState, type ShapeAct } from '../fold'
import {
  add,
  centre,
  distance,
  dot,
  lineAlong,
  minus,
  move,
  plus,
  scaled,
  signedDistance,
  times,
  type Line,
  type Point,
  type Spot,
} from '../geometry'
import { CARRIED_THROUGH } from '../numeric'
import { curveOf, onCurve, stripsOf, type Curve } from './curve'
import { fanBetween, inFan, type Fan } from './fan'
import { cutAlong, type Patch } from './patches'
import { facesBent } from './reach'
import { angleRad, type ShapeSettings } from './settings'

type PetalsAct = Extract<ShapeAct, { act: 'petals' }>

/** One half of a petal: all layers on one side of the axis that hang together. */
interface Page {
  readonly faces: ReadonlySet<number>
  /** Around the axis, from the viewer to the right. */
  readonly roundRad: number
  /** To which side, onwards 1 or back -1, the other half of its petal lies. */
  readonly mate: 1 | -1
}

/** Petals around an axis, read against the piece; in the plane it lies in, y along the axis and x away from it. */
export interface Petals {
  readonly foot: Point
  /** Along the axis, of length 1. */
  readonly along: Point
  readonly pages: readonly Page[]
  /** How far up the axis the ridges bend outwards. */
  readonly bendsAt: number
  readonly leanRad: number
  readonly fanFromRad: number
  readonly fanToRad: number
  readonly curve: Curve
}

const SECTORS = 10
const RADIANS = Math.PI / 180

/** Faces on one side of the axis as pages, the top one first. */
function pagesBeside(state: FoldedState, axis: Line): readonly ReadonlySet<number>[] {
  const pages: Set<number>[] = []
  const known = new Set<number>()
  for (const face of facesBent(state, axis, null)) {
    if (known.has(face)) continue
    const middle = centre(state.faces[face]?.sheet ?? [])
    const page = new Set(facesBent(state, axis, [middle]))
    for (const one of page) known.add(one)
    pages.push(page)
  }
  const over = (one: ReadonlySet<number>, other: ReadonlySet<number>): number =>
    [...one].reduce((sum, i) => [...other].reduce((all, j) => all + relation(state, i, j), sum), 0)
  return pages.sort((one, other) => over(other, one))
}

/** Whether two pages are joined on the axis as far up as `reach`: they are the halves of one petal. */
function joinedUpTo(
  state: FoldedState,
  { foot, along }: Pick<Petals, 'foot' | 'along'>,
  one: ReadonlySet<number>,
  other: ReadonlySet<number>,
  reach: number,
): boolean {
  return state.hinges.some(({ first, second, from, to }) => {
    if (!(one.has(first) && other.has(second)) && !(one.has(second) && other.has(first))) return false
    const pose = state.faces[first]?.pose
    const heights = pose ? [from, to].map((at) => dot(along, minus(move(pose, at), foot))) : []
    return heights.some((height) => height > reach - CARRIED_THROUGH)
  })
}

/** *Throws* `NO_SUCH_LAYER` unless the pages around the axis are as many on both sides, two to a petal. */
export function petalsOf(state: FoldedState, act: PetalsAct, settings: ShapeSettings): Petals {
  const here = { state, gauges: settings.gauges }
  const [foot, tip] = [pointOf(here, act.foot), pointOf(here, act.tip)]
  const length = distance(foot, tip)
  const along = times(minus(tip, foot), 1 / length)
  // Seen with the tip up: what lies right of the axis, from the top one down, then what lies left, from below up.
  const right = pagesBeside(state, lineAlong(tip, times(along, -1)))
  const left = pagesBeside(state, lineAlong(foot, along))
  const around = [...right, ...[...left].reverse()]
  const count = around.length
  const mates = around.map((page, index): 1 | -1 | 0 => {
    const [next, before] = [around[(index + 1) % count], around[(index + count - 1) % count]]
    const joined = (other: ReadonlySet<number> | undefined) =>
      other !== undefined && joinedUpTo(state, { foot, along }, page, other, length)
    return joined(next) ? 1 : joined(before) ? -1 : 0
  })
  if (right.length !== left.length || count < 4 || mates.includes(0))
    throw new CoreError('NO_SUCH_LAYER', {
      name: 'petals around an axis',
      value: `${right.length} pages on one side, ${left.length} on the other`,
    })
  return {
    foot,
    along,
    pages: around.map((faces, index) => ({
      faces,
      roundRad: ((index + 0.5) * 2 * Math.PI) / count,
      mate: mates[index] === 1 ? 1 : -1,
    })),
    bendsAt: amountOf(here, act.bendsAt),
    leanRad: angleRad(settings, act.lean),
    fanFromRad: act.fan[0] * RADIANS,
    fanToRad: act.fan[1] * RADIANS,
    curve: curveOf(act.curve, settings),
  }
}

/** Flat patches cut along the axis, along the sectors of the fan, and in strips where petals are rolled. */
export function cutForPetals(
  state: FoldedState,
  patches: readonly Patch[],
  { foot, along, bendsAt, fanFromRad, fanToRad, curve }: Petals,
): readonly Patch[] {
  const apex = plus(foot, times(along, bendsAt))
  const across = { x: along.y, y: -along.x }
  const cut = (all: readonly Patch[], line: Line): readonly Patch[] => {
    const { left, right } = cutAlong(state, all, line)
    return [...left, ...right]
  }
  const rays = (side: 1 | -1) =>
    Array.from({ length: SECTORS + 1 }, (_, sector) => {
      const angle = fanFromRad + ((fanToRad - fanFromRad) * sector) / SECTORS
      return lineAlong(apex, plus(times(across, side * Math.sin(angle)), times(along, -Math.cos(angle))))
    })
  const strips = stripsOf(curve, 1).map((height) => lineAlong(plus(apex, times(along, height)), across))
  const { left, right } = cutAlong(state, patches, lineAlong(foot, along))
  return [rays(-1).reduce(cut, left), rays(1).reduce(cut, right)].flatMap((half) => strips.reduce(cut, half))
}

/** The fan of a page in its own frame: x away from the axis, y along it, z onwards around it. */
function fanOf(
  petals: Petals,
  { mate }: Page,
): { readonly fan: Fan; readonly out: Spot; readonly aside: Spot } {
  const half = Math.PI / petals.pages.length
  const { leanRad, fanFromRad, fanToRad } = petals
  const out: Spot = { x: Math.cos(half), y: 0, z: mate * Math.sin(half) }
  const aside: Spot = { x: Math.sin(half), y: 0, z: -mate * Math.cos(half) }
  const ridge = add(scaled(out, Math.sin(leanRad)), { x: 0, y: Math.cos(leanRad), z: 0 })
  const from: Spot = { x: Math.sin(fanFromRad), y: -Math.cos(fanFromRad), z: 0 }
  const onward: Spot = { x: Math.cos(fanFromRad), y: Math.sin(fanFromRad), z: 0 }
  const to = add(scaled(ridge, -Math.cos(fanToRad)), scaled(aside, Math.sin(fanToRad)))
  return { fan: fanBetween(from, to, fanToRad - fanFromRad, SECTORS, onward), out, aside }
}

/** Where a place of a page is in its own frame. */
function inPage(petals: Petals, page: Page): (x: number, y: number) => Spot {
  const { bendsAt, leanRad, fanFromRad, fanToRad, curve } = petals
  const { fan, out, aside } = fanOf(petals, page)
  const up: Spot = { x: 0, y: 1, z: 0 }
  return (x, y) => {
    const high = y - bendsAt
    const angle = Math.atan2(x, -high)
    if (angle <= fanFromRad || Math.hypot(x, high) < CARRIED_THROUGH) return { x, y, z: 0 }
    const apex = { x: 0, y: bendsAt, z: 0 }
    if (angle < fanToRad)
      return add(apex, scaled(inFan(fan, fanToRad - fanFromRad, angle - fanFromRad), Math.hypot(x, high)))
    const on = onCurve(curve, high)
    const [sin, cos] = [Math.sin(leanRad), Math.cos(leanRad)]
    // Along the ridge as it leans, and square to it outwards and down.
    const ridge = add(scaled(out, on.x * sin + on.z * cos), scaled(up, on.x * cos - on.z * sin))
    return add(apex, add(ridge, scaled(aside, x)))
  }
}

/** Patches after the pages are spread evenly around the axis and the petals bent outwards. */
export function opened(patches: readonly Patch[], petals: Petals): readonly Patch[] {
  const { foot, along, pages } = petals
  const across = { x: along.y, y: -along.x }
  const axis = lineAlong(foot, along)
  const placed = pages.map((page) => {
    const inside = inPage(petals, page)
    const [sin, cos] = [Math.sin(page.roundRad), Math.cos(page.roundRad)]
    return ({ x, y }: Spot): Spot => {
      const from = minus({ x, y }, foot)
      const at = inside(Math.abs(dot(across, from)), dot(along, from))
      const sideways = at.x * sin + at.z * cos
      return {
        x: foot.x + along.x * at.y + across.x * sideways,
        y: foot.y + along.y * at.y + across.y * sideways,
        z: at.x * cos - at.z * sin,
      }
    }
  })
  return patches.map((patch) => {
    const right = signedDistance(axis, centre(patch.lay)) < 0
    const half = pages.length / 2
    const index = pages.findIndex(({ faces }, at) => at < half === right && faces.has(patch.face))
    const place = placed[index]
    return place ? { ...patch, spots: patch.spots.map(place) } : patch
  })
}
