import type { Point } from '../../geometry'
import type { FoldedState } from '../state/types'

/** A crease that is not folded now: it is seen on the sheet and cuts nothing. */
export interface SheetMark {
  readonly from: Point
  readonly to: Point
}

/** The piece on the table: how it is folded, and the creases it carries besides. */
export interface Piece {
  readonly state: FoldedState
  readonly marks: readonly SheetMark[]
}
