import { area, leftPart, lineThrough, overlap, reversed, type Polygon } from '../../geometry'
import { lying } from './start'
import { relation, type FoldedState } from './types'

/** A convex patch of the folded piece and the faces that lie there, the top one first. */
export interface Cell {
  readonly shape: Polygon
  readonly stack: readonly number[]
}

/** What of a convex polygon lies outside another, in convex parts. */
export function outside(shape: Polygon, cutter: Polygon): readonly Polygon[] {
  const parts: Polygon[] = []
  let rest = shape
  for (let index = 0; index < cutter.length && rest.length > 0; index++) {
    const [p, q] = [cutter[index], cutter[(index + 1) % cutter.length]]
    if (!p || !q) continue
    const edge = lineThrough(p, q)
    const part = leftPart(rest, reversed(edge))
    if (part.length > 0) parts.push(part)
    rest = leftPart(rest, edge)
  }
  return parts
}

/** The folded piece as patches with their stacks; together they cover it once. */
export function cellsOf(state: FoldedState): readonly Cell[] {
  let cells: Cell[] = []
  state.faces.forEach((face, index) => {
    const shape = lying(face)
    let fresh: readonly Polygon[] = [shape]
    const next: Cell[] = []
    for (const cell of cells) {
      const shared = overlap(cell.shape, shape)
      if (shared.length === 0) {
        next.push(cell)
        continue
      }
      next.push({ shape: shared, stack: [...cell.stack, index] })
      for (const part of outside(cell.shape, shape)) next.push({ shape: part, stack: cell.stack })
      fresh = fresh.flatMap((part) =>
        overlap(part, cell.shape).length === 0 ? [part] : outside(part, cell.shape),
      )
    }
    cells = [...next, ...fresh.map((part) => ({ shape: part, stack: [index] }))]
  })
  return cells.map(({ shape, stack }) => ({
    shape,
    stack: [...stack].sort((i, j) => -relation(state, i, j)),
  }))
}

/** Area of the outline the piece shows, each patch once. */
export const shownArea = (cells: readonly Cell[]): number =>
  cells.reduce((sum, cell) => sum + area(cell.shape), 0)
