import { letterOf, relation, faceAt, lying, type FoldedState, type Letter, type Piece } from '@/core/fold'
import {
  area,
  centre,
  flips,
  move,
  overlap,
  subdivide,
  type Point,
  type Polygon,
  type Segment,
} from '@/core/geometry'
import { SAME_AREA } from '@/core/numeric'
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
  // A crease that was made part of the way ends inside a face, which is no convex polygon then: its middle still lies in it.
  const owners = polygons.map((polygon) => faceAt(state.faces, centre(polygon)))
  return { division, polygons, owners }
}

/**
 * A folded piece as a FOLD 1.2 file: its crease pattern, and as a second frame the folded form with the order of faces.
 * Coordinates in mm, eleven digits behind the point: read again, layers that only touch must not overlap by a rounding.
 */
export function writeFoldFile(piece: Piece, { title, description, sideMm }: FileWords): FoldFile {
  const { state } = piece
  const { division, polygons, owners } = cutUp(piece)
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
          kept.map((face) => ({ polygon: polygons[face] ?? [], owner: owners[face] ?? -1 })),
        ),
      },
    ],
  }
}

/** `[f, g, s]`: face f lies on the side of g's normal (1) or behind it (-1), for every two that overlap. */
function ordersOf(
  state: FoldedState,
  faces: readonly { readonly polygon: Polygon; readonly owner: number }[],
): [number, number, 1 | -1][] {
  const shapes = faces.map(({ polygon, owner }) => {
    const face = state.faces[owner]
    return face ? lying({ sheet: polygon, pose: face.pose }) : []
  })
  return faces.flatMap((one, f) =>
    faces.slice(0, f).flatMap((other, g): [number, number, 1 | -1][] => {
      const over = relation(state, one.owner, other.owner)
      const pose = state.faces[other.owner]?.pose
      if (over === 0 || !pose) return []
      if (area(overlap(shapes[f] ?? [], shapes[g] ?? [])) <= SAME_AREA) return []
      return [[f, g, (flips(pose) ? -over : over) as 1 | -1]]
    }),
  )
}
