import {
  area,
  distance,
  flips,
  lineThrough,
  move,
  signedDistance,
  type Point,
  type Polygon,
} from '../../geometry'
import { CARRIED_THROUGH, NOTHING_TO_SEE, ROUNDING, SAME_AREA, SAME_POINT } from '../../numeric'
import { outside } from '../state/cells'
import type { Piece } from '../program'
import { lying } from '../state/start'
import { relation, type FoldedState } from '../state/types'

/** A stretch in the plane. */
export interface Segment {
  readonly from: Point
  readonly to: Point
}

/** What of one face is seen from above. */
export interface Region {
  readonly face: number
  /** The side that was up when the sheet lay flat at the start, or the other. */
  readonly side: 'front' | 'back'
  readonly parts: readonly Polygon[]
}

/** An edge as it lies; `raw` where the paper ends, `folded` where it goes on in another layer. */
export interface Edge extends Segment {
  readonly kind: 'raw' | 'folded'
  readonly seen: boolean
  readonly face: number
  /** A place beside it on the face it is an edge of. */
  readonly inner: Point
}

/** A state with what every question about it needs: shapes as they lie, and the layers above each face. */
interface Layers {
  readonly state: FoldedState
  readonly shapes: readonly Polygon[]
  readonly covers: readonly (readonly number[])[]
}

/** A state seen from one side; `edges` are those of every face, seen or hidden: a line shows where the top face changes. */
export interface Seen extends Layers {
  readonly edges: readonly Edge[]
}

/** The state as it is seen from above, or from below without turning it: what lies where stays. */
export function seenFrom(state: FoldedState, from: 'above' | 'below' = 'above'): Seen {
  const over = from === 'above' ? 1 : -1
  const covers: number[][] = state.faces.map(() => [])
  for (let face = 0; face < covers.length; face++)
    for (let other = 0; other < covers.length; other++)
      if (relation(state, other, face) === over) covers[face]?.push(other)
  const layers: Layers = { state, shapes: state.faces.map(lying), covers }
  return { ...layers, edges: edgesOf(layers) }
}

/** Every face that is seen, with the parts of it that no other covers. */
export function visibleRegions({ state, shapes, covers }: Seen): readonly Region[] {
  return state.faces.flatMap((face, index): Region[] => {
    let parts: readonly Polygon[] = [shapes[index] ?? []]
    for (const cover of covers[index] ?? []) {
      if (parts.length === 0) break
      const shape = shapes[cover] ?? []
      parts = parts.flatMap((part) => outside(part, shape)).filter((part) => area(part) > SAME_AREA * 100)
    }
    return parts.length === 0 ? [] : [{ face: index, side: flips(face.pose) ? 'back' : 'front', parts }]
  })
}

/** Distance of a point from the line through p and q, positive on its left. */
function offSide(p: Point, q: Point, at: Point): number {
  const [dx, dy] = [q.x - p.x, q.y - p.y]
  return (dx * (at.y - p.y) - dy * (at.x - p.x)) / Math.sqrt(dx * dx + dy * dy)
}

/** Shares of a stretch that run inside or along the inner side of a convex polygon; `inner` is a point on that side. */
export function coveredShare(
  { from, to }: Segment,
  shape: Polygon,
  inner: Point,
): readonly [number, number] | null {
  let [start, end] = [0, 1]
  for (let index = 0; index < shape.length; index++) {
    const [p, q] = [shape[index], shape[(index + 1) % shape.length]]
    if (!p || !q) continue
    const [a, b, within] = [offSide(p, q, from), offSide(p, q, to), offSide(p, q, inner)]
    if (Math.abs(a) < CARRIED_THROUGH && Math.abs(b) < CARRIED_THROUGH) {
      // Along this side of the cover: only the inner side of the stretch tells whether it is under it.
      if (within < 0) return null
      continue
    }
    if (a < SAME_POINT && b < SAME_POINT) return null
    if (a < 0 || b < 0) {
      const share = a / (a - b)
      if (a < 0) start = Math.max(start, share)
      else end = Math.min(end, share)
    }
  }
  return end - start > ROUNDING ? [start, end] : null
}

/** A stretch on a face cut into what is seen and what other layers cover. `inner` lies on the face beside the stretch. */
function seenParts(
  { shapes, covers }: Layers,
  face: number,
  stretch: Segment,
  inner: Point,
): readonly (Segment & { readonly seen: boolean })[] {
  const hidden = (covers[face] ?? [])
    .flatMap((cover) => {
      const share = coveredShare(stretch, shapes[cover] ?? [], inner)
      return share ? [share] : []
    })
    .sort((a, b) => a[0] - b[0])
  const at = (share: number): Point => ({
    x: stretch.from.x + (stretch.to.x - stretch.from.x) * share,
    y: stretch.from.y + (stretch.to.y - stretch.from.y) * share,
  })
  const parts: (Segment & { seen: boolean })[] = []
  let reached = 0
  const add = (from: number, to: number, seen: boolean) => {
    if ((to - from) * distance(stretch.from, stretch.to) > NOTHING_TO_SEE)
      parts.push({ from: at(from), to: at(to), seen })
  }
  for (const [start, end] of hidden) {
    if (start > reached) add(reached, start, true)
    if (end > reached) add(Math.max(reached, start), end, false)
    reached = Math.max(reached, end)
  }
  add(reached, 1, true)
  return parts
}

/** Whether a point lies in a convex polygon, its edges included. */
export const holds = (shape: readonly Point[], at: Point): boolean =>
  shape.every((p, index) => {
    const q = shape[(index + 1) % shape.length] ?? p
    return (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x) > -ROUNDING
  })

/** A hair, as a share of the way to the middle of a face. */
const HAIR_INWARD = 1e-4

const beside = (from: Point, to: Point, middle: Point): Point => {
  // A hair from the stretch towards the middle of its face.
  const at = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }
  return { x: at.x + (middle.x - at.x) * HAIR_INWARD, y: at.y + (middle.y - at.y) * HAIR_INWARD }
}
const middleOf = (shape: Polygon): Point => ({
  x: shape.reduce((sum, p) => sum + p.x, 0) / shape.length,
  y: shape.reduce((sum, p) => sum + p.y, 0) / shape.length,
})

function edgesOf(layers: Layers): readonly Edge[] {
  const { state, shapes } = layers
  return state.faces.flatMap((face, index): Edge[] => {
    const middle = middleOf(shapes[index] ?? [])
    const hinges = state.hinges.filter(({ first, second }) => first === index || second === index)
    return face.sheet.flatMap((from, corner): Edge[] => {
      const to = face.sheet[(corner + 1) % face.sheet.length] ?? from
      const line = lineThrough(from, to)
      const kind = hinges.some(
        (hinge) =>
          Math.abs(signedDistance(line, hinge.from)) < CARRIED_THROUGH &&
          Math.abs(signedDistance(line, hinge.to)) < CARRIED_THROUGH,
      )
        ? 'folded'
        : 'raw'
      const stretch = { from: move(face.pose, from), to: move(face.pose, to) }
      const inner = beside(stretch.from, stretch.to, middle)
      return seenParts(layers, index, stretch, inner).map((part) => ({ ...part, kind, face: index, inner }))
    })
  })
}

/** A stretch of the sheet as it lies on one face, with what of it is seen from above. */
export interface OnFace extends Segment {
  readonly face: number
  readonly seen: boolean
}

/** The part of a stretch inside a convex polygon. */
function inside({ from, to }: Segment, shape: Polygon): Segment | null {
  let [start, end] = [0, 1]
  for (let index = 0; index < shape.length; index++) {
    const [p, q] = [shape[index], shape[(index + 1) % shape.length]]
    if (!p || !q) continue
    const [a, b] = [offSide(p, q, from), offSide(p, q, to)]
    if (a < SAME_POINT && b < SAME_POINT) return null
    if (a < 0) start = Math.max(start, a / (a - b))
    else if (b < 0) end = Math.min(end, a / (a - b))
  }
  const at = (share: number): Point => ({
    x: from.x + (to.x - from.x) * share,
    y: from.y + (to.y - from.y) * share,
  })
  return end - start > NOTHING_TO_SEE ? { from: at(start), to: at(end) } : null
}

/** A stretch of the sheet, wherever it lies now. One that runs along a folded edge belongs to no face. */
export function onFaces(seen: Seen, stretch: Segment): readonly OnFace[] {
  return seen.state.faces.flatMap((face, index): OnFace[] => {
    const part = inside(stretch, face.sheet)
    if (!part) return []
    const [from, to] = [move(face.pose, part.from), move(face.pose, part.to)]
    return seenParts(seen, index, { from, to }, beside(from, to, middleOf(seen.shapes[index] ?? []))).map(
      (piece) => ({ ...piece, face: index }),
    )
  })
}

/** A stretch of one face given in the plane, with what of it is seen. */
export function onFace(seen: Seen, face: number, stretch: Segment): readonly OnFace[] {
  const inner = beside(stretch.from, stretch.to, middleOf(seen.shapes[face] ?? []))
  return seenParts(seen, face, stretch, inner).map((part) => ({ ...part, face }))
}

/** Creases that are not folded, where they are seen: they show on both sides of the paper. */
export const marksSeen = (seen: Seen, marks: Piece['marks']): readonly Segment[] =>
  marks.flatMap((mark) => onFaces(seen, mark).filter((part) => part.seen))
