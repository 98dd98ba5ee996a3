import { NOTHING_TO_SEE, largest } from '../../numeric'
import { area, centre, flips, inner, less, overlap, signedArea } from '../../geometry'
import type { Frame, GaugeShares } from '../program'
import { relation, type FoldedState } from '../state/types'
import { HOLDS } from './plates'
import { liftPaper, type LiftedPaper, type LiftedPart } from './lift'
import { openedFlap } from './opened-flap'
import {
  lightOn,
  nearness,
  paintingOrder,
  planeOf,
  rounded,
  spacePicture,
  ASLANT,
  sightOf,
  STRAIGHT_ON,
  type HalfwayPicture,
  type Plane,
  type Sight,
} from './space-picture'

/** How far the move is: a little past the middle, where flaps have passed the upright. */
export const HALFWAY_SHARE = 0.58
/** More than this and no sheet of paper takes that shape: no picture then. */
const MOST_STRAIN = 0.015

interface PartInSpace extends Plane {
  readonly part: LiftedPart
}

const planesOf = (sight: Sight, { parts, spots }: LiftedPaper): readonly PartInSpace[] =>
  parts.map((part) => ({
    part,
    ...planeOf(
      sight,
      part.corners.flatMap((corner) => spots[corner] ?? []),
    ),
  }))

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
function covers(before: FoldedState, sight: Sight, one: PartInSpace, other: PartInSpace): boolean | null {
  const common = overlap(one.shape, other.shape)
  if (area(common) < NOTHING_TO_SEE) return null
  if (coplanar(one, other)) {
    // A stack that moves as one: its order from before, or the other way round where it is seen from its other side.
    const face = before.faces[one.part.before]
    const frontWasUp = face !== undefined && !flips(face.pose)
    const frontIsSeen = inner(one.normal, sight.towards) > 0
    const over = relation(before, one.part.before, other.part.before)
    if (over !== 0) return over > 0 === (frontWasUp === frontIsSeen)
  }
  // Where they are furthest apart: at a hinge, or where paper bends, what is nearer is within the error.
  const middle = centre(common)
  const apart = [middle, ...common.map((corner) => centre([middle, corner]))].map(
    (at) => nearness(sight, one, at) - nearness(sight, other, at),
  )
  return apart.reduce((most, gap) => (Math.abs(gap) > Math.abs(most) ? gap : most)) > 0
}

/** The paper a share of the way, where a shape of it was found that goes the right way. */
function liftedAt({ before, after, done }: Frame, share: number): HalfwayPicture | null {
  const paper = liftPaper(before.state, after.state, share)
  if (!paper || !(paper.strain <= MOST_STRAIN && paper.leastTurned >= 0)) return null
  // Bent paper is painted as if its parts were plane: the steeper the sight, the less that shows.
  const evenly = done.spec.kind === 'refold' && done.spec.name === 'collapse' && paper.strain < HOLDS * 10
  const sight = sightOf(evenly ? ASLANT : STRAIGHT_ON)
  const planes = planesOf(sight, paper)
  const besides = (edge: readonly [number, number]) =>
    planes.filter(({ part: { corners } }) => corners.includes(edge[0]) && corners.includes(edge[1]))
  const order = paintingOrder(
    planes,
    (one, other) => covers(before.state, sight, one, other),
    ({ spots }) => largest(spots.map((spot) => inner(spot, sight.towards))),
  )
  const parts = order.map(({ part, normal, seen }) => ({
    side: signedArea(seen) > 0 ? ('front' as const) : ('back' as const),
    light: lightOn(normal),
    outline: seen.flatMap(({ x, y }) => [rounded(x), rounded(y)]),
    edges: part.corners.flatMap((corner, index) => {
      const next = part.corners[(index + 1) % part.corners.length] ?? corner
      const other = besides([corner, next]).find((one) => one.part !== part)
      const flat = other && inner(other.normal, normal) > SAME_LEAN
      const [from, to] = [seen[index], seen[(index + 1) % seen.length]]
      return flat || !from || !to ? [] : [from.x, from.y, to.x, to.y].map(rounded)
    }),
  }))
  return spacePicture(
    parts,
    planes.flatMap(({ seen }) => seen),
  )
}

/**
 * The picture of a squash, petal fold, collapse, twist, tuck or reverse fold a share of the way (0 to 1); `null` for every
 * other move, and where no shape of the paper was found that goes the right way.
 */
export function onItsWay(
  frame: Frame,
  gauges: GaugeShares = {},
  share: number = HALFWAY_SHARE,
): HalfwayPicture | null {
  const { kind } = frame.done.spec
  if (kind === 'reverse') return openedFlap(frame, gauges, share)
  return kind === 'refold' || kind === 'tuck' ? liftedAt(frame, share) : null
}

/** The same half done. */
export const halfwayOf = (frame: Frame, gauges: GaugeShares = {}): HalfwayPicture | null =>
  onItsWay(frame, gauges)

/** Shares of the way that tell a move from its start to its end. */
const STAGE_SHARES = [0.2, 0.4, HALFWAY_SHARE, 0.72, 0.86]

/** A move in stages, from its start to its end, those of which a shape was found; each is worked out when it is asked for. */
export function* stagesOf(frame: Frame, gauges: GaugeShares = {}): Generator<HalfwayPicture> {
  for (const share of STAGE_SHARES) {
    const stage = onItsWay(frame, gauges, share)
    if (stage) yield stage
  }
}
