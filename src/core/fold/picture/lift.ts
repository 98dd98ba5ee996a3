import {
  area,
  centre,
  cross,
  distance,
  dot,
  flips,
  inner,
  less,
  minus,
  move,
  normalOf,
  outer,
  onTriangle,
  overlap,
  sized,
  type Point,
  type Polygon,
  type Spot,
} from '../../geometry'
import { CARRIED_THROUGH, NOTHING_TO_SEE, SAME_AREA, least } from '../../numeric'
import { relation, type Face, type FoldedState } from '../state/types'
import { bent, HOLDS, settled, worstBar, type Bar, type Height } from './plates'

/** A part of the paper that stays plane while a move is under way. */
export interface LiftedPart {
  /** Indices of its corners among the corners of the paper, counter-clockwise on the sheet's front. */
  readonly corners: readonly number[]
  /** The faces it belongs to before the move and after it. */
  readonly before: number
  readonly after: number
  readonly still: boolean
}

/** Paper half way through a move. */
export interface LiftedPaper {
  readonly parts: readonly LiftedPart[]
  readonly spots: readonly Spot[]
  /** The most that two corners of a part are nearer or further than on the sheet, in its sides: how much paper gives. */
  readonly strain: number
  /** The sine of the fold angle that is furthest from where it goes: negative where one folds to the wrong side. */
  readonly leastTurned: number
}

const posed = (one: Face, other: Face): boolean =>
  (['a', 'b', 'c', 'd', 'x', 'y'] as const).every(
    (key) => Math.abs(one.pose[key] - other.pose[key]) < CARRIED_THROUGH,
  )

/** Corners of the paper by their place on the sheet, each once. */
class Corners {
  readonly all: Point[] = []

  index(at: Point): number {
    const known = this.all.findIndex((one) => distance(one, at) < CARRIED_THROUGH)
    return known >= 0 ? known : this.all.push(at) - 1
  }
}

/** The outline of a part with every corner of another part that lies on its edges: parts hold together there. */
function withCornersOnEdges(outline: Polygon, corners: Corners): readonly number[] {
  return outline.flatMap((p, index) => {
    const q = outline[(index + 1) % outline.length] ?? p
    const along = minus(q, p)
    const size = distance(p, q)
    const between = corners.all
      .map((at, corner) => ({ corner, share: dot(along, minus(at, p)) / (size * size), at }))
      .filter(
        ({ share, at }) =>
          share * size > CARRIED_THROUGH &&
          (1 - share) * size > CARRIED_THROUGH &&
          Math.abs(cross(along, minus(at, p))) / size < CARRIED_THROUGH,
      )
      .sort((one, other) => one.share - other.share)
    return [corners.index(p), ...between.map(({ corner }) => corner)]
  })
}

/** The parts that are plane all the way: what is of one face before and of one after. */
function partsOf(before: FoldedState, after: FoldedState, corners: Corners): readonly LiftedPart[] {
  const shapes = after.faces.flatMap((face, now) =>
    before.faces.flatMap((was, index) => {
      const common = overlap(face.sheet, was.sheet)
      return area(common) > SAME_AREA * 100
        ? [{ common, before: index, after: now, still: posed(was, face) }]
        : []
    }),
  )
  for (const { common } of shapes) for (const at of common) corners.index(at)
  return shapes.map(({ common, ...part }) => ({ ...part, corners: withCornersOnEdges(common, corners) }))
}

/** What keeps a moving part as it is: the distances of its corners, and that they are in one plane. */
function shapesOf(parts: readonly LiftedPart[], sheet: readonly Point[]) {
  const bars = new Map<number, Bar>()
  const heights: Height[] = []
  const at = (corner: number): Point => sheet[corner] ?? { x: 0, y: 0 }
  for (const { corners, still } of parts) {
    if (still) continue
    let [base, widest]: [[number, number, number], number] = [[0, 0, 0], 0]
    corners.forEach((one, i) =>
      corners.slice(i + 1).forEach((other, k) => {
        const key = Math.min(one, other) * sheet.length + Math.max(one, other)
        bars.set(key, { one, other, length: distance(at(one), at(other)) })
        for (const third of corners.slice(i + k + 2)) {
          const size = Math.abs(cross(minus(at(other), at(one)), minus(at(third), at(one)))) / 2
          if (size > widest) [base, widest] = [[one, other, third], size]
        }
      }),
    )
    for (const corner of corners)
      if (!base.includes(corner)) heights.push({ base, corner, area: widest, height: 0, weight: 1 })
  }
  return { bars: [...bars.values()], heights }
}

/** Where two parts hold together: at a crease, or where there is none. */
interface Joint {
  readonly one: LiftedPart
  readonly other: LiftedPart
  /** Its ends, with the first part on the left. */
  readonly from: number
  readonly to: number
  /** How it is folded: towards the front of the sheet 1, away from it -1, not at all 0. */
  readonly was: number
  readonly will: number
}

const turns = ({ was, will }: Joint): boolean => was !== will

/** The fold between two faces, seen from the sheet's front: towards it 1, away -1, none 0. */
function senseOf(state: FoldedState, one: number, other: number): number {
  const [p, q] = [state.faces[one], state.faces[other]]
  if (!p || !q || flips(p.pose) === flips(q.pose)) return 0
  return flips(p.pose) ? relation(state, one, other) : relation(state, other, one)
}

function jointsOf(before: FoldedState, after: FoldedState, parts: readonly LiftedPart[]): readonly Joint[] {
  return parts.flatMap((one, i) =>
    one.corners.flatMap((from, index) => {
      const to = one.corners[(index + 1) % one.corners.length] ?? from
      return parts.slice(i + 1).flatMap((other): Joint[] => {
        if (!other.corners.includes(from) || !other.corners.includes(to)) return []
        const was = senseOf(before, one.before, other.before)
        const will = senseOf(after, one.after, other.after)
        return [{ one, other, from, to, was, will }]
      })
    }),
  )
}

/** What keeps two parts on one another, or in one plane, where the joint between them does not turn. */
function stacksOf(joints: readonly Joint[], lay: readonly Point[]): readonly Bar[] {
  return joints.flatMap((joint) =>
    turns(joint) || (joint.one.still && joint.other.still)
      ? []
      : joint.one.corners.flatMap((one) =>
          joint.other.corners.flatMap((other): Bar[] => {
            const [p, q] = [lay[one], lay[other]]
            const length = p && q ? distance(p, q) : 0
            return length < NOTHING_TO_SEE ? [] : [{ one, other, length }]
          }),
        ),
  )
}

/** What guides count beside the lengths of the paper, time after time: less and less, but all the way to the same side. */
const GUIDED = [0.25, 0.02]

/** Guides every turning crease towards its share of the way and to its own side, each weakly. */
function guidesOf(
  joints: readonly Joint[],
  sheet: readonly Point[],
  share: number,
  weight: number,
): readonly Height[] {
  const at = (corner: number): Point => sheet[corner] ?? { x: 0, y: 0 }
  return joints.filter(turns).map(({ one, other, from, to, was, will }) => {
    const along = minus(at(to), at(from))
    const off = (corner: number) =>
      Math.abs(cross(along, minus(at(corner), at(from)))) / distance(at(from), at(to))
    const furthest = ({ corners }: LiftedPart) =>
      corners.reduce((best, corner) => (off(corner) > off(best) ? corner : best))
    const [near, far] = [furthest(one), furthest(other)]
    const turned = Math.sin(Math.PI * (will !== 0 ? share : 1 - share))
    return {
      base: [from, to, near],
      corner: far,
      area: (off(near) * distance(at(from), at(to))) / 2,
      height: (was + will) * turned * off(far),
      // By the shorter of both levers, whichever part is the first: like creases are then guided alike.
      weight: (weight * Math.min(off(near), off(far))) / off(far),
    }
  })
}

/**
 * Sine of a fold angle that is on its way: ten degrees from open and from closed. Plates that cannot do a move (a twist,
 * a windmill) have shapes too, but with some of their folds done and others not begun; and a corner of four folds has a
 * second way to move.
 */
const ON_ITS_WAY = Math.sin((10 * Math.PI) / 180)

/** See `LiftedPaper`. */
function leastTurned(joints: readonly Joint[], spots: readonly Spot[]): number {
  const at = (corner: number): Spot => spots[corner] ?? { x: 0, y: 0, z: 0 }
  const upright = ({ corners }: LiftedPart) => normalOf(corners.map(at))
  return least(
    joints.filter(turns).map(({ one, other, from, to, was, will }) => {
      const edge = less(at(to), at(from))
      return ((was + will) * inner(outer(upright(other), upright(one)), edge)) / sized(edge)
    }),
  )
}

/** A share of the way between two states, with what is told of them. */
interface Way {
  readonly before: FoldedState
  readonly after: FoldedState
  readonly share: number
  readonly sheet: readonly Point[]
  /** Where every corner lies before and after. */
  readonly lay: readonly Point[]
  readonly will: readonly Point[]
  readonly parts: readonly LiftedPart[]
  readonly joints: readonly Joint[]
}

/** Every corner on the half circle from where it lies to where it will lie. */
function startOf({ parts, lay, will, after, share }: Way, pinned: readonly boolean[]): readonly Spot[] {
  const stillFaces = new Set(parts.filter(({ still }) => still).map((part) => part.after))
  const goesBehind = (part: LiftedPart) =>
    [...stillFaces].some((other) => relation(after, other, part.after) > 0)
  const angle = Math.PI * share
  return lay.map((from, corner): Spot => {
    const to = will[corner] ?? from
    const middle = centre([from, to])
    const behind = parts.every((part) => !part.corners.includes(corner) || goesBehind(part))
    return pinned[corner]
      ? { ...from, z: 0 }
      : {
          x: middle.x + (from.x - middle.x) * Math.cos(angle),
          y: middle.y + (from.y - middle.y) * Math.cos(angle),
          z: ((behind ? -1 : 1) * Math.sin(angle) * distance(from, to)) / 2,
        }
  })
}

/** The shape the paper takes. */
function shapeOf(way: Way): readonly Spot[] {
  const { sheet, share, lay, parts, joints } = way
  const pinned = sheet.map((_, corner) => parts.some((part) => part.still && part.corners.includes(corner)))
  const start = startOf(way, pinned)
  const own = shapesOf(parts, sheet)
  const shapes = { ...own, bars: [...own.bars, ...stacksOf(joints, lay)] }
  const guided = GUIDED.reduce<readonly Spot[]>((spots, weight) => {
    const guides = guidesOf(joints, sheet, share, weight)
    return settled(spots, { ...shapes, heights: [...shapes.heights, ...guides] }, pinned)
  }, start)
  const plane = settled(guided, shapes, pinned)
  return worstBar(plane, shapes.bars) < 10 * HOLDS && leastTurned(joints, plane) > ON_ITS_WAY
    ? plane
    : bent(start, shapes.bars, pinned)
}

const sizeOfPart = (sheet: readonly Point[], { corners }: LiftedPart): number =>
  area(corners.flatMap((corner) => sheet[corner] ?? []))

/** Parts that lie folded on a larger one all the way, each with that one. */
function ridersOf({ joints, sheet }: Way): ReadonlyMap<LiftedPart, LiftedPart> {
  const riders = new Map<LiftedPart, LiftedPart>()
  for (const joint of joints) {
    if (turns(joint) || joint.was === 0) continue
    const { one, other } = joint
    const [rider, carrier] = sizeOfPart(sheet, one) < sizeOfPart(sheet, other) ? [one, other] : [other, one]
    riders.set(rider, carrier)
  }
  return riders
}

/**
 * What the plane of a carrier does with places of the table: told by the edge its rider is folded at and the corner
 * furthest from that, for a carrier may bend elsewhere.
 */
function carriedBy(
  carrier: LiftedPart,
  rider: LiftedPart,
  lay: readonly Point[],
  spots: readonly Spot[],
): (p: Point) => Spot {
  const at = (corner: number): Point => lay[corner] ?? { x: 0, y: 0 }
  const space = (corner: number): Spot => spots[corner] ?? { x: 0, y: 0, z: 0 }
  const [a = 0, b = 0] = carrier.corners.filter((corner) => rider.corners.includes(corner))
  const doubled = (corner: number) => cross(minus(at(b), at(a)), minus(at(corner), at(a)))
  const c = carrier.corners.reduce((best, one) =>
    Math.abs(doubled(one)) > Math.abs(doubled(best)) ? one : best,
  )
  return (p) => onTriangle([at(a), at(b), at(c)], [space(a), space(b), space(c)], p)
}

/** The shape the paper takes with every rider opened out beside its carrier, and the riders then laid on again. */
function withRidersLaidOn(way: Way, riders: ReadonlyMap<LiftedPart, LiftedPart>): readonly Spot[] {
  const parts = way.parts.map((part): LiftedPart => {
    const carrier = riders.get(part)
    return carrier ? { ...part, before: carrier.before, after: carrier.after, still: carrier.still } : part
  })
  const opened = shapeOf(wayOf(way, parts))
  const carried = new Set(way.parts.flatMap((part) => (riders.has(part) ? [] : part.corners)))
  const spots = [...opened]
  for (const [rider, carrier] of riders) {
    const lie = carriedBy(carrier, rider, way.lay, opened)
    for (const corner of rider.corners) {
      const at = way.lay[corner]
      if (at && !carried.has(corner)) spots[corner] = lie(at)
    }
  }
  return spots
}

/** A way of these parts. */
function wayOf(
  { before, after, share, sheet }: Pick<Way, 'before' | 'after' | 'share' | 'sheet'>,
  parts: readonly LiftedPart[],
): Way {
  const places = (state: FoldedState, face: 'before' | 'after') =>
    sheet.map((at, corner): Point => {
      const part = parts.find(({ corners: own }) => own.includes(corner))
      const lies = part && state.faces[part[face]]
      return lies ? move(lies.pose, at) : at
    })
  return {
    before,
    after,
    share,
    sheet,
    lay: places(before, 'before'),
    will: places(after, 'after'),
    parts,
    joints: jointsOf(before, after, parts),
  }
}

/**
 * More corners than this on their way and no shape is looked for: the time it takes grows with their cube, and a hand
 * follows no picture of so many. Thirty, the most that ships, take under a second.
 */
const MOST_FREE = 60

/**
 * The paper a share of the way (0 to 1) from one flat state to another of the same sheet. Every corner starts on the
 * half circle from where it lies to where it will lie and is guided by how far each crease should have turned; then
 * parts take their own plane shapes again. Where plates cannot do the move, corners only nearly keep their distances.
 * Where a fold would go to the wrong side, flaps that ride on larger parts are opened out and laid on again.
 * What lies alike before and after stays on the table. `null` where nothing moves, or more than can be followed.
 * Layers are not kept from passing through one another.
 */
export function liftPaper(before: FoldedState, after: FoldedState, share: number): LiftedPaper | null {
  const corners = new Corners()
  const parts = partsOf(before, after, corners)
  if (parts.every(({ still }) => still)) return null
  const held = new Set(parts.flatMap((part) => (part.still ? part.corners : [])))
  if (corners.all.length - held.size > MOST_FREE) return null
  const way = wayOf({ before, after, share, sheet: corners.all }, parts)
  const bars = [...shapesOf(parts, way.sheet).bars, ...stacksOf(way.joints, way.lay)]
  const found = (spots: readonly Spot[]): LiftedPaper => ({
    parts,
    spots,
    strain: worstBar(spots, bars),
    leastTurned: leastTurned(way.joints, spots),
  })
  const whole = found(shapeOf(way))
  const riders = ridersOf(way)
  if (whole.leastTurned > -NOTHING_TO_SEE || riders.size === 0) return whole
  const laidOn = found(withRidersLaidOn(way, riders))
  return laidOn.leastTurned > whole.leastTurned ? laidOn : whole
}
