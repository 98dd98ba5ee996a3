import { largest, least } from '../../numeric'
import { area, flips, type Polygon } from '../../geometry'
import { cellsOf, shownArea, type Cell } from './cells'
import { lying } from './start'
import type { FoldedState } from './types'

/** What the folds alone decide; lengths and areas with the sheet's side as 1. */
export interface Figures {
  readonly width: number
  readonly height: number
  /** Area of the silhouette. */
  readonly shown: number
  readonly mostLayers: number
  readonly fewestLayers: number
  /** Sum over patches of area x layers: the paper that is there. */
  readonly paper: number
  /** Area seen from above with the sheet's front, and with its back, showing. */
  readonly frontSeen: number
  readonly backSeen: number
  /** The same from below. */
  readonly frontSeenBelow: number
  readonly backSeenBelow: number
}

const span = (values: readonly number[]): number => largest(values) - least(values)

/** Figures of a state. Width and height along the plane's own axes. */
export function figuresOf(state: FoldedState, cells: readonly Cell[] = cellsOf(state)): Figures {
  const corners = state.faces.flatMap((face): Polygon => lying(face))
  const layers = cells.map((cell) => cell.stack.length)
  const seen = (back: boolean, from: 0 | -1) =>
    cells.reduce((sum, cell) => {
      const outer = state.faces[cell.stack.at(from) ?? -1]
      const turned = outer && (from === 0) !== flips(outer.pose)
      return turned === !back ? sum + area(cell.shape) : sum
    }, 0)
  return {
    width: span(corners.map((p) => p.x)),
    height: span(corners.map((p) => p.y)),
    shown: shownArea(cells),
    mostLayers: largest(layers),
    fewestLayers: least(layers),
    paper: cells.reduce((sum, cell) => sum + area(cell.shape) * cell.stack.length, 0),
    frontSeen: seen(false, 0),
    backSeen: seen(true, 0),
    frontSeenBelow: seen(false, -1),
    backSeenBelow: seen(true, -1),
  }
}
