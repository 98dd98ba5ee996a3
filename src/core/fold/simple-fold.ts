import { CoreError } from '../errors'
import {
  after,
  contains,
  inverse,
  leftPart,
  move,
  overlap,
  reflection,
  reversed,
  signedDistance,
  type Isometry,
  type Line,
  type Point,
  type Polygon,
} from '../geometry'
import { SAME_POINT } from '../numeric'
import { lying } from './start'
import { relation, type Above, type Face, type FoldedState, type Hinge } from './types'

/** Which layers a fold takes: all, or so many from the side it folds to, at a point of the moving part. */
export type Grip = 'all' | { readonly at: Point; readonly layers: number }

export interface SimpleFold {
  /** In the folded plane; what lies on its left moves. */
  readonly line: Line
  /** Valley: the moving part comes over the top. Mountain: it goes behind. */
  readonly way: 'valley' | 'mountain'
  readonly grip: Grip
}

interface Halves {
  readonly moving: Polygon
  readonly staying: Polygon
}

/** Faces from the side the fold goes to, at a point. */
function stackAt(state: FoldedState, at: Point, way: SimpleFold['way']): readonly number[] {
  const here = state.faces.flatMap((face, index) => (contains(lying(face), at) ? [index] : []))
  return here.sort((i, j) => (way === 'valley' ? -1 : 1) * relation(state, i, j))
}

function firstGrip(
  state: FoldedState,
  { grip, way }: SimpleFold,
  halves: readonly Halves[],
): ReadonlySet<number> {
  const movable = (index: number) => (halves[index]?.moving.length ?? 0) > 0
  if (grip === 'all') return new Set(state.faces.flatMap((_, index) => (movable(index) ? [index] : [])))
  const stack = stackAt(state, grip.at, way).filter(movable)
  if (grip.layers < 1 || stack.length < grip.layers)
    throw new CoreError('NO_SUCH_LAYER', {
      name: 'layers taken',
      value: grip.layers,
      min: 1,
      max: stack.length,
    })
  return new Set(stack.slice(0, grip.layers))
}

/** The part of a hinge strictly on the moving side makes its two faces move together. */
const pulls = (state: FoldedState, hinge: Hinge, line: Line): boolean => {
  const pose = state.faces[hinge.first]?.pose
  if (!pose) return false
  return (
    Math.max(signedDistance(line, move(pose, hinge.from)), signedDistance(line, move(pose, hinge.to))) >
    SAME_POINT
  )
}

/**
 * The least set of faces that can move: what hangs on a moving face beyond the line moves with it, and so does what
 * lies on it on the side the fold goes to.
 */
function closeGrip(state: FoldedState, fold: SimpleFold, halves: readonly Halves[]): ReadonlySet<number> {
  const moving = new Set(firstGrip(state, fold, halves))
  const inTheWay: Above = fold.way === 'valley' ? 1 : -1
  const queue = [...moving]
  const take = (index: number) => {
    if (moving.has(index)) return
    moving.add(index)
    queue.push(index)
  }
  for (let index = queue.pop(); index !== undefined; index = queue.pop()) {
    for (const hinge of state.hinges) {
      if (hinge.first !== index && hinge.second !== index) continue
      if (pulls(state, hinge, fold.line)) take(hinge.first === index ? hinge.second : hinge.first)
    }
    const part = halves[index]?.moving ?? []
    state.faces.forEach((_, other) => {
      if (relation(state, other, index) === inTheWay && overlap(part, halves[other]?.moving ?? []).length > 0)
        take(other)
    })
  }
  return moving
}

/** A piece after the fold: which face it was, whether it moved, and its new face. */
interface Piece {
  readonly was: number
  readonly moved: boolean
  /** Whether the fold line cut its face: only then can it have come clear of what it overlapped. */
  readonly cut: boolean
  readonly face: Face
}

const onSheet = (pose: Isometry, polygon: Polygon): Polygon => {
  const back = inverse(pose)
  const corners = polygon.map((p) => move(back, p))
  // A face that lies turned over is clockwise on the way back.
  return pose.a * pose.d - pose.b * pose.c < 0 ? corners.reverse() : corners
}

function piecesOf(
  state: FoldedState,
  fold: SimpleFold,
  moving: ReadonlySet<number>,
  halves: readonly Halves[],
): readonly Piece[] {
  const mirror = reflection(fold.line)
  return state.faces.flatMap((face, was): Piece[] => {
    if (!moving.has(was)) return [{ was, moved: false, cut: false, face }]
    const { moving: goes, staying: stays } = halves[was] ?? { moving: [], staying: [] }
    const turned = after(mirror, face.pose)
    if (stays.length === 0)
      return [{ was, moved: true, cut: false, face: { sheet: face.sheet, pose: turned } }]
    return [
      { was, moved: false, cut: true, face: { sheet: onSheet(face.pose, stays), pose: face.pose } },
      { was, moved: true, cut: true, face: { sheet: onSheet(face.pose, goes), pose: turned } },
    ]
  })
}

/** The relation of two pieces that overlap now. */
function relationNow(state: FoldedState, first: Piece, second: Piece, way: SimpleFold['way']): Above {
  if (first.moved === second.moved) {
    const before = relation(state, first.was, second.was)
    return first.moved ? (-before as Above) : before
  }
  return first.moved === (way === 'valley') ? 1 : -1
}

function orderOf(state: FoldedState, pieces: readonly Piece[], way: SimpleFold['way']): Int8Array {
  const count = pieces.length
  const above = new Int8Array(count * count)
  const shapes = pieces.map(({ face }) => lying(face))
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++) {
      const [first, second] = [pieces[i], pieces[j]]
      if (!first || !second) continue
      const now = relationNow(state, first, second, way)
      // Two whole pieces that kept their places to one another overlap as before.
      const asBefore = first.moved === second.moved && !first.cut && !second.cut
      if (now === 0 || (!asBefore && overlap(shapes[i] ?? [], shapes[j] ?? []).length === 0)) continue
      above[i * count + j] = now
      above[j * count + i] = -now
    }
  return above
}

/** Hinges carried to the new pieces, cut at the fold line, and the new ones along it. */
function hingesOf(state: FoldedState, line: Line, pieces: readonly Piece[]): readonly Hinge[] {
  const hinges: Hinge[] = []
  const part = (was: number, moved: boolean) =>
    pieces.findIndex((piece) => piece.was === was && piece.moved === moved)
  const either = (was: number, moved: boolean) => {
    const exact = part(was, moved)
    return exact >= 0 ? exact : part(was, !moved)
  }
  for (const hinge of state.hinges) {
    const pose = state.faces[hinge.first]?.pose
    if (!pose) continue
    const stretches = cutStretch(line, pose, hinge)
    for (const { from, to, beyond } of stretches)
      hinges.push({ first: either(hinge.first, beyond), second: either(hinge.second, beyond), from, to })
  }
  state.faces.forEach((face, was) => {
    const [stays, goes] = [part(was, false), part(was, true)]
    if (stays < 0 || goes < 0) return
    const edge = creaseOn(lying(face), line)
    const back = inverse(face.pose)
    if (edge) hinges.push({ first: stays, second: goes, from: move(back, edge[0]), to: move(back, edge[1]) })
  })
  return hinges
}

function cutStretch(
  line: Line,
  pose: Isometry,
  { from, to }: Hinge,
): readonly { from: Point; to: Point; beyond: boolean }[] {
  const [a, b] = [signedDistance(line, move(pose, from)), signedDistance(line, move(pose, to))]
  if (Math.min(a, b) > -SAME_POINT) return [{ from, to, beyond: Math.max(a, b) > SAME_POINT }]
  if (Math.max(a, b) < SAME_POINT) return [{ from, to, beyond: false }]
  const share = a / (a - b)
  const cut = { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share }
  return [
    { from, to: cut, beyond: a > 0 },
    { from: cut, to, beyond: b > 0 },
  ]
}

/** The stretch of a line inside a convex polygon it crosses. */
export function creaseOn(polygon: Polygon, line: Line): readonly [Point, Point] | null {
  const half = leftPart(polygon, line)
  const on = half.filter((p) => Math.abs(signedDistance(line, p)) < SAME_POINT)
  const [from, to] = [on[0], on.at(-1)]
  return on.length < 2 || !from || !to ? null : [from, to]
}

/**
 * One straight fold of one, several or all layers.
 * *Returns* a new state; faces the line crosses are cut. *Throws* `NO_SUCH_LAYER` where fewer layers lie at the grip;
 * `OFF_THE_SHEET` where nothing lies on the moving side.
 * *Cost* faces squared times corners.
 */
export function simpleFold(state: FoldedState, fold: SimpleFold): FoldedState {
  const halves = state.faces.map((face): Halves => {
    const shape = lying(face)
    return { moving: leftPart(shape, fold.line), staying: leftPart(shape, reversed(fold.line)) }
  })
  if (halves.every((half) => half.moving.length === 0))
    throw new CoreError('OFF_THE_SHEET', { name: 'fold line', value: 'nothing lies on its moving side' })
  const moving = closeGrip(state, fold, halves)
  const pieces = piecesOf(state, fold, moving, halves)
  return {
    outline: state.outline,
    faces: pieces.map((piece) => piece.face),
    hinges: hingesOf(state, fold.line, pieces),
    above: orderOf(state, pieces, fold.way),
  }
}

/** The whole piece turned over left to right: what was on top is below. */
export function turnOver(state: FoldedState, axis: Line): FoldedState {
  const mirror = reflection(axis)
  return {
    ...state,
    faces: state.faces.map(({ sheet, pose }) => ({ sheet, pose: after(mirror, pose) })),
    above: state.above.map((value) => -value),
  }
}

/** The whole piece moved in the plane: order and sides stay. */
export const moveWhole = (state: FoldedState, by: Isometry): FoldedState => ({
  ...state,
  faces: state.faces.map(({ sheet, pose }) => ({ sheet, pose: after(by, pose) })),
})
