import type { Point } from '../../geometry'
import type { Letter } from '../pattern/crease-pattern'
import type { FoldedState } from '../state/types'

/** A crease that is not folded now: it is seen on the sheet and cuts nothing. */
export interface SheetMark {
  readonly from: Point
  readonly to: Point
  /** Which way it was creased, seen from the front of the sheet; `U` where that is not known. */
  readonly letter: Letter
  /** The step of its program that made it, and which time of it, from 0. */
  readonly step?: number
  readonly round?: number
}

/** The piece on the table: how it is folded, and the creases it carries besides. */
export interface Piece {
  readonly state: FoldedState
  readonly marks: readonly SheetMark[]
}
