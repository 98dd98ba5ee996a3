import type { Point, Polygon, Subdivision } from '../../geometry'
import type { FoldedState } from '../state/types'

/** M: mountain, V: valley, seen with the sheet's front towards you; U: folded, either way; F: flat, creased only. */
export type Letter = 'M' | 'V' | 'U' | 'F'

export interface Crease {
  readonly from: Point
  readonly to: Point
  readonly letter: Letter
}

/** "This point of the sheet lies above that one", or "on that one's front (or back), whichever way it faces". */
export type Hint =
  | { readonly above: Point; readonly below: Point }
  | { readonly upon: Point; readonly side: 'front' | 'back'; readonly of: Point }

export interface CreasePattern {
  readonly outline: Polygon
  readonly creases: readonly Crease[]
  readonly hints?: readonly Hint[]
}

/** Why a pattern does not fold flat, and where on the sheet. */
export type PatternFault =
  | { readonly code: 'ANGLE_SUM'; readonly at: Point; readonly alternateSumDeg: number }
  | { readonly code: 'ODD_DEGREE'; readonly at: Point; readonly creases: number }
  | { readonly code: 'FOLD_PARITY'; readonly at: Point; readonly mountains: number; readonly valleys: number }
  | { readonly code: 'DANGLING_CREASE'; readonly at: Point }
  | { readonly code: 'CLOSURE_GAP'; readonly at: Point; readonly gap: number }
  /** No layer order fits; the points are the middles of faces that contradict one another. */
  | { readonly code: 'NO_ORDER'; readonly faces: readonly number[]; readonly at: readonly Point[] }
  | { readonly code: 'STOPPED' }

export type PatternResult =
  | { readonly ok: true; readonly state: FoldedState; readonly orders: number; readonly atLeast: boolean }
  | { readonly ok: false; readonly faults: readonly PatternFault[] }

/** What an edge of the cut-up sheet is: a crease with its letter, or where the paper ends. */
export type Mark = Letter | 'edge'
export type CutUpSheet = Subdivision<Mark>
