import { letterOf, relation, faceAt, lying, type FoldedState, type Letter, type Piece } from '@/core/fold'
import {
  area,
  centre,
  cross,
  flips,
  minus,
  move,
  overlap,
  plus,
  subdivide,
  times,
  type Point,
  type Polygon,
  type Segment,
} from '@/core/geometry'
import { largest, least, SAME_AREA, SAME_POINT } from '@/core/numeric'
import type { FoldFile } from './file-schema'

/** What is said about a file besides its folds. */
export interface FileWords {
  readonly title: string
  readonly description: string
  /** The sheet's side in mm: coordinates are written in mm. */
  readonly sideMm: number
}

const edgesOf = (polygon: Polygon): readonly Segment<Letter | 'B'>[] =>
  polygon.map((from, index) => ({
    from,
    to: polygon[(index + 1) % polygon.length] ?? from,
    mark: 'B',
  }))

/** What is left of the sheet, cut up along every crease, folded or not; faces by their number here. */
function cutUp({ state, marks }: Piece) {
  const { outline, cutAway = [], hinges } = state
  const flat = (from: Point, to: Point) => ({ from, to, mark: 'F' as const })
  const division = subdivide<Letter | 'B'>([
    ...edgesOf(outline),
    ...cutAway.flatMap(edgesOf),
    ...hinges.map((hinge) => ({
      from: hinge.from,
      to: hinge.to,
      mark: letterOf(state, hinge),
    })),
    ...marks.map(({ from, to }) => flat(from, to)),
  ])
  const polygons = division.faces.map((corners) =>
    corners.flatMap((corner) => division.corners[corner] ?? []),
  )
  const flats = division.edges.flatMap(({ from, to, mark }) => {
    const [p, q] = [division.corners[from], division.corners[to]]
    return mark === 'F' && p && q ? [{ from: p, to: q }] : []
  })
  const cells = convexCells(state, flats)
  const parts = polygons.map((polygon) => cells.filter((cell) => around(polygon, centre(cell))))
  const owners = parts.map(([part]) => (part ? faceAt(state.faces, centre(part)) : -1))
  return { division, parts, owners }
}

/** A crease made part of the way ends inside a face, which is not convex then: run on across its face it leaves parts. */
function convexCells(
  state: FoldedState,
  flats: readonly { readonly from: Point; readonly to: Point }[],
): readonly Polygon[] {
  const across = flats.flatMap(({ from, to }): Segment<null>[] => {
    const face = state.faces[faceAt(state.faces, { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 })]
    const chord = face && chordOf(face.sheet, from, to)
    return chord ? [{ from: chord[0], to: chord[1], mark: null }] : []
  })
  const sides = state.faces.flatMap(({ sheet }) =>
    sheet.map((from, index) => ({ from, to: sheet[(index + 1) % sheet.length] ?? from, mark: null })),
  )
  const { faces, corners } = subdivide<null>([...sides, ...across])
  return faces.map((face) => face.flatMap((corner) => corners[corner] ?? []))
}

/** Where the line through two points runs in a convex polygon; `null` where it misses. */
function chordOf(polygon: Polygon, from: Point, to: Point): readonly [Point, Point] | null {
  const along = minus(to, from)
  const shares = polygon.flatMap((p, index) => {
    const edge = minus(polygon[(index + 1) % polygon.length] ?? p, p)
    const turn = cross(along, edge)
    if (Math.abs(turn) < SAME_POINT) return []
    const at = cross(minus(p, from), along) / turn
    return at > -SAME_POINT && at < 1 + SAME_POINT ? [cross(minus(p, from), edge) / turn] : []
  })
  if (shares.length < 2) return null
  const at = (share: number) => plus(from, times(along, share))
  return [at(least(shares)), at(largest(shares))]
}

/** Whether a polygon, convex or not, holds a point that is on none of its edges. */
function around(polygon: Polygon, { x, y }: Point): boolean {
  let inside = false
  polygon.forEach((p, index) => {
    const q = polygon[(index + 1) % polygon.length] ?? p
    if (p.y > y !== q.y > y && x < p.x + ((y - p.y) / (q.y - p.y)) * (q.x - p.x)) inside = !inside
  })
  return inside
}

/**
 * A folded piece as a FOLD 1.2 file: its crease pattern, and as a second frame the folded form with the order of faces.
 * Coordinates in mm, eleven digits behind the point: read again, layers that only touch must not overlap by a rounding.
 */
export function writeFoldFile(piece: Piece, { title, description, sideMm }: FileWords): FoldFile {
  const { state } = piece
  const { division, parts, owners } = cutUp(piece)
  const kept = owners.flatMap((owner, face) => (owner < 0 ? [] : [face]))
  const number = new Map(kept.map((face, index) => [face, index]))
  const edges = division.edges.flatMap(({ from, to, mark }, edge) => {
    const { left = -1, right = -1 } = division.sides[edge] ?? {}
    const sides = [left, right].filter((face) => number.has(face)).length
    if (sides === 0) return []
    return [{ ends: [from, to] as [number, number], letter: sides === 1 ? ('B' as const) : mark }]
  })
  const used = [...new Set(edges.flatMap(({ ends }) => ends))].sort((a, b) => a - b)
  const corner = new Map(used.map((old, index) => [old, index]))
  const renamed = (old: number) => corner.get(old) ?? 0
  const mm = (value: number) => Math.round(value * sideMm * 1e11) / 1e11
  const written = ({ x, y }: Point): number[] => [mm(x), mm(y)]
  const at = (old: number): Point => division.corners[old] ?? { x: 0, y: 0 }
  const poseAt = new Map(
    kept.flatMap((face) =>
      (division.faces[face] ?? []).map((old) => [old, state.faces[owners[face] ?? -1]?.pose] as const),
    ),
  )
  const folded = (old: number): Point => {
    const pose = poseAt.get(old)
    return pose ? move(pose, at(old)) : at(old)
  }
  return {
    file_spec: 1.2,
    file_creator: 'Kelpfield',
    file_classes: ['singleModel'],
    file_title: title,
    file_description: description,
    frame_classes: ['creasePattern'],
    frame_attributes: ['2D'],
    frame_unit: 'mm',
    vertices_coords: used.map((old) => written(at(old))),
    edges_vertices: edges.map(({ ends: [from, to] }) => [renamed(from), renamed(to)]),
    edges_assignment: edges.map(({ letter }) => letter),
    faces_vertices: kept.map((face) => (division.faces[face] ?? []).map(renamed)),
    file_frames: [
      {
        frame_classes: ['foldedForm'],
        frame_attributes: ['2D'],
        frame_parent: 0,
        frame_inherit: true,
        vertices_coords: used.map((old) => written(folded(old))),
        faceOrders: ordersOf(
          state,
          kept.map((face) => ({ parts: parts[face] ?? [], owner: owners[face] ?? -1 })),
        ),
      },
    ],
  }
}

/** `[f, g, s]`: face f lies on the side of g's normal (1) or behind it (-1), for every two that overlap. */
function ordersOf(
  state: FoldedState,
  faces: readonly { readonly parts: readonly Polygon[]; readonly owner: number }[],
): [number, number, 1 | -1][] {
  const shapes = faces.map(({ parts, owner }) => {
    const face = state.faces[owner]
    return face ? parts.map((sheet) => lying({ sheet, pose: face.pose })) : []
  })
  const overlapping = (f: number, g: number): boolean =>
    (shapes[f] ?? []).some((one) => (shapes[g] ?? []).some((other) => area(overlap(one, other)) > SAME_AREA))
  return faces.flatMap((one, f) =>
    faces.slice(0, f).flatMap((other, g): [number, number, 1 | -1][] => {
      const over = relation(state, one.owner, other.owner)
      const pose = state.faces[other.owner]?.pose
      if (over === 0 || !pose) return []
      if (!overlapping(f, g)) return []
      return [[f, g, (flips(pose) ? -over : over) as 1 | -1]]
    }),
  )
}
