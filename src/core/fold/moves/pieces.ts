import {
  after,
  inverse,
  leftPart,
  move,
  reflection,
  signedDistance,
  type Isometry,
  type Line,
  type Point,
  type Polygon,
} from '../../geometry'
import { SAME_POINT } from '../../numeric'
import type { Halves } from './grip'
import { lying } from '../state/start'
import type { Face, FoldedState, Hinge } from '../state/types'

/** A piece after the fold: which face it was, whether it moved, and its new face. */
export interface Piece {
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

/** The faces after a fold along a line of those that move. */
export function piecesOf(
  state: FoldedState,
  line: Line,
  moving: ReadonlySet<number>,
  halves: readonly Halves[],
): readonly Piece[] {
  const mirror = reflection(line)
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

/** Hinges carried to the new pieces, cut at the fold line, and the new ones along it. */
export function hingesOf(state: FoldedState, line: Line, pieces: readonly Piece[]): readonly Hinge[] {
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
