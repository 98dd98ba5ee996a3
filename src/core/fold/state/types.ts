import type { Isometry, Point, Polygon } from '../../geometry'

/** One flat piece of the paper: its outline on the sheet, and where it lies now. Faces are known by their index. */
export interface Face {
  readonly sheet: Polygon
  readonly pose: Isometry
}

/** A stretch of crease between two faces, in sheet coordinates. Flat where both lie in one pose. */
export interface Hinge {
  readonly first: number
  readonly second: number
  readonly from: Point
  readonly to: Point
}

/** 1: the row's face lies above the column's; -1: below; 0: they do not overlap. */
export type Above = 1 | -1 | 0

/**
 * A flat-folded sheet, seen from above. Immutable: a move gives a new state.
 * Mountain and valley are not stored: they follow from which side faces up and which face lies above.
 */
export interface FoldedState {
  readonly outline: Polygon
  /** Paper cut off since, in convex parts of the sheet. */
  readonly cutAway?: readonly Polygon[]
  readonly faces: readonly Face[]
  readonly hinges: readonly Hinge[]
  /** Row-major n x n; `above[i * n + j]` is how face i lies to face j. Antisymmetric. */
  readonly above: Int8Array
}

/** How face `i` lies to face `j`. */
export const relation = (state: FoldedState, i: number, j: number): Above =>
  (state.above[i * state.faces.length + j] ?? 0) as Above
