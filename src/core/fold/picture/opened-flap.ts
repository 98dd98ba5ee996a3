import { NOTHING_TO_SEE, largest } from '../../numeric'
import {
  add,
  after,
  area,
  centre,
  dot,
  flips,
  inner,
  inverse,
  lineThrough,
  meet,
  minus,
  move,
  outer,
  overlap,
  reflection,
  scaled,
  signedDistance,
  type Line,
  type Point,
  type Spot,
} from '../../geometry'
import { halvesOf } from '../moves/grip'
import { piecesOf } from '../moves/pieces'
import { reversedSides } from '../moves/fold-between'
import { pointOf, type Frame, type GaugeShares } from '../program'
import { relation, type Face, type FoldedState } from '../state/types'
import {
  lightOn,
  nearness,
  paintingOrder,
  planeOf,
  rounded,
  seenAt,
  spacePicture,
  sightOf,
  STRAIGHT_ON,
  type HalfwayPicture,
  type Plane,
  type SpacePart,
} from './space-picture'
import { seenFrom, visibleRegions } from './visible'

const SIGHT = sightOf(STRAIGHT_ON)
/** How far each side of a flap is opened while its tip is turned, in degrees. */
const OPENED_DEGREES = 52
/** Up to this share of the way the flap is opened, from the second on it is closed again. */
const [OPEN_BY, CLOSES_FROM] = [0.35, 0.65]

/** A piece of a face, and which part of the flap it belongs to. */
interface FlapPiece {
  readonly face: Face
  readonly was: number
  readonly upper: boolean
  readonly tip: boolean
}

/** Where a flap turns: the folded edge both sides share, towards the tip, and the fold line, towards the paper. */
export interface FlapCorner {
  readonly at: Point
  /** Along the folded edge to the tip, square to it towards the paper. */
  readonly along: Point
  readonly square: Point
  /** The angle between the folded edge and the fold line, in the tip. */
  readonly angle: number
}

/** The folded edge of a flap whose two sides are told: all that joins them lies on one line, else `null`. */
function edgeBetween(
  { faces, hinges }: FoldedState,
  upper: ReadonlySet<number>,
  lower: ReadonlySet<number>,
): Line | null {
  const ends = hinges.flatMap(({ first, second, from, to }) => {
    const joins = (upper.has(first) && lower.has(second)) || (lower.has(first) && upper.has(second))
    const pose = faces[first]?.pose
    return joins && pose ? [move(pose, from), move(pose, to)] : []
  })
  const [from, to] = [ends[0], ends[1]]
  if (!from || !to) return null
  const line = lineThrough(from, to)
  return ends.every((end) => Math.abs(signedDistance(line, end)) < NOTHING_TO_SEE) ? line : null
}

function cornerOf(edge: Line, fold: Line, faces: readonly Face[]): FlapCorner | null {
  const at = meet(edge, fold)
  if (!at) return null
  const middle = centre(faces.flatMap(({ sheet, pose }) => sheet.map((p) => move(pose, p))))
  // The tip lies on the left of the fold line.
  const left = { x: -fold.direction.y, y: fold.direction.x }
  const along =
    dot(edge.direction, left) > 0 ? edge.direction : { x: -edge.direction.x, y: -edge.direction.y }
  const upright = { x: -along.y, y: along.x }
  const square = dot(upright, minus(middle, at)) > 0 ? upright : { x: -upright.x, y: -upright.y }
  const towards =
    dot(fold.direction, square) > 0 ? fold.direction : { x: -fold.direction.x, y: -fold.direction.y }
  return { at, along, square, angle: Math.atan2(dot(towards, square), dot(towards, along)) }
}

/** How the plane of the flap lies in space: where its two directions and its upper side point. */
export interface Lie {
  readonly along: Spot
  readonly square: Spot
  readonly up: Spot
}

const flatSpot = ({ x, y }: Point): Spot => ({ x, y, z: 0 })
const UP: Spot = { x: 0, y: 0, z: 1 }

/**
 * How a part of the flap lies once its sides stand `opening` from the table, up or down, and its tip is turned in or
 * not yet. A corner of four creases whose sides are alike: the folded edge of the tip stays in the plane between the
 * sides, and its angle with the fold line is kept. With the opening b and the angle t it has turned by
 * 2 atan(cos b tan t): all of twice t once the sides are closed.
 */
export function lieOf(
  { along, square, angle }: FlapCorner,
  opening: number,
  upper: boolean,
  turned: boolean,
): Lie {
  const sign = upper ? 1 : -1
  const [a, s] = [flatSpot(along), flatSpot(square)]
  const side = add(scaled(s, Math.cos(opening)), scaled(UP, sign * Math.sin(opening)))
  // Seen along the flap's own plane, its upper side keeps its hand.
  const hand = along.x * square.y - along.y * square.x > 0 ? 1 : -1
  if (!turned) return { along: a, square: side, up: scaled(outer(a, side), hand) }
  const turn = 2 * Math.atan2(Math.cos(opening) * Math.sin(angle), Math.cos(angle))
  const edge = add(scaled(a, Math.cos(turn)), scaled(s, Math.sin(turn)))
  const fold = add(scaled(a, Math.cos(angle)), scaled(side, Math.sin(angle)))
  const across = scaled(add(fold, scaled(edge, -Math.cos(angle))), 1 / Math.sin(angle))
  return { along: edge, square: across, up: scaled(outer(edge, across), hand) }
}

/** A part of the flap as it is seen: a stack of faces in one plane, with what of it shows. */
interface Stack {
  readonly planes: readonly Plane[]
  readonly parts: readonly SpacePart[]
  readonly seen: readonly Point[]
}

function stackOf(state: FoldedState, pieces: readonly FlapPiece[], corner: FlapCorner, lie: Lie): Stack {
  const above = new Int8Array(pieces.length ** 2)
  pieces.forEach((one, i) =>
    pieces.forEach((other, j) => {
      above[i * pieces.length + j] = relation(state, one.was, other.was)
    }),
  )
  const own: FoldedState = {
    outline: state.outline,
    faces: pieces.map(({ face }) => face),
    hinges: [],
    above,
  }
  const from = inner(lie.up, SIGHT.towards) > 0 ? 'above' : 'below'
  const spot = (p: Point): Spot => {
    const off = minus(p, corner.at)
    return add(
      add(flatSpot(corner.at), scaled(lie.along, dot(off, corner.along))),
      scaled(lie.square, dot(off, corner.square)),
    )
  }
  const seen = seenFrom(own, from)
  const light = lightOn(lie.up)
  const row = (p: Point): readonly number[] => {
    const { x, y } = seenAt(SIGHT, spot(p))
    return [rounded(x), rounded(y)]
  }
  const shown = visibleRegions(seen).flatMap(({ face, parts }) => {
    const turnedOver = flips(own.faces[face]?.pose ?? { a: 1, b: 0, c: 0, d: 1, x: 0, y: 0 })
    const side = turnedOver === (from === 'above') ? ('back' as const) : ('front' as const)
    return parts.map((part): SpacePart => ({ side, light, outline: part.flatMap(row), edges: [] }))
  })
  const edges = seen.edges
    .filter((edge) => edge.seen)
    .flatMap(({ from: start, to }) => [...row(start), ...row(to)])
  // Edges lie on all of the stack: with the part that is painted last.
  const last = shown.at(-1)
  const planes = seen.shapes.map((shape) => planeOf(SIGHT, shape.map(spot)))
  return {
    planes,
    parts: last ? [...shown.slice(0, -1), { ...last, edges }] : [],
    seen: planes.flatMap((plane) => plane.seen),
  }
}

/** Whether one stack is painted over another: where their faces are furthest apart, the nearer one. */
function covers(one: Stack, other: Stack): boolean | null {
  let most: number | null = null
  for (const plane of one.planes)
    for (const beside of other.planes) {
      const common = overlap(plane.shape, beside.shape)
      if (area(common) < NOTHING_TO_SEE) continue
      const middle = centre(common)
      for (const at of [middle, ...common.map((place) => centre([middle, place]))]) {
        const gap = nearness(SIGHT, plane, at) - nearness(SIGHT, beside, at)
        if (most === null || Math.abs(gap) > Math.abs(most)) most = gap
      }
    }
  return most === null ? null : most > 0
}

/**
 * The flap of an inside reverse fold alone, on its way: opened at its folded edge, its tip turned in between, closed
 * again. `null` for any other move, and for a flap whose two sides hang together along more than one line.
 */
export function openedFlap(
  { before: { state }, done }: Frame,
  gauges: GaugeShares,
  share: number,
): HalfwayPicture | null {
  const { spec, line, moving } = done
  if (spec.kind !== 'reverse' || spec.way !== 'inside' || !line) return null
  const { upper, lower } = reversedSides(state, {
    line,
    at: pointOf({ state, gauges }, spec.at),
    from: spec.from ?? 0,
    upper: spec.upper,
    layers: spec.layers,
  })
  // Layers that are pulled along belong to no side.
  if (moving.some((face) => !upper.has(face) && !lower.has(face))) return null
  const edge = edgeBetween(state, upper, lower)
  const faces = moving.flatMap((face) => state.faces[face] ?? [])
  const corner = edge && cornerOf(edge, line, faces)
  if (!corner) return null
  const back = reflection(line)
  const pieces = piecesOf(state, line, new Set(moving), halvesOf(state, line)).flatMap(
    ({ was, moved, face }): FlapPiece[] => {
      if (!upper.has(was) && !lower.has(was)) return []
      const lies = moved ? { ...face, pose: after(inverse(back), face.pose) } : face
      return [{ face: lies, was, upper: upper.has(was), tip: moved }]
    },
  )
  const opened = Math.min(1, share / OPEN_BY, (1 - share) / (1 - CLOSES_FROM))
  const opening = (Math.max(0, opened) * OPENED_DEGREES * Math.PI) / 180
  const stacks = [true, false].flatMap((isUpper) =>
    [true, false].flatMap((tip) => {
      const own = pieces.filter((piece) => piece.upper === isUpper && piece.tip === tip)
      const lie = lieOf(corner, opening, isUpper, tip && share > OPEN_BY)
      return own.length === 0 ? [] : [stackOf(state, own, corner, lie)]
    }),
  )
  const order = paintingOrder(stacks, covers, ({ planes }) =>
    largest(planes.flatMap(({ spots }) => spots.map((one) => inner(one, SIGHT.towards)))),
  )
  return spacePicture(
    order.flatMap(({ parts }) => parts),
    stacks.flatMap(({ seen }) => seen),
  )
}
