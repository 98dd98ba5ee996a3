import { distance, inverse, move, signedDistance, lineThrough, type Point } from '../../geometry'
import { CARRIED_THROUGH, SAME_POINT, largest, least } from '../../numeric'
import { cellsOf } from '../state/cells'
import { figuresOf, type Figures } from '../state/figures'
import { lying } from '../state/start'
import { pointOf } from './resolve'
import type { Piece } from './piece'
import type { Frame, Trace } from './run'
import type { GaugeShares, MeasureSpec } from './types'

/** Where a crease meets a raw edge: on which edge of the sheet, and how far from its corners; shares of the side. */
export interface EdgeMark {
  readonly edge: number
  /** From the edge's first corner, counter-clockwise on the sheet. */
  readonly along: number
  readonly fromNearerCorner: number
}

/** What one move makes, lengths as shares of the side. */
export interface MoveFigures {
  /** The piece after it. */
  readonly after: Figures
  /** Length of the fold line over all the layers it bends, counted once, and how many layers lie there at most. */
  readonly foldLength: number
  readonly foldLayers: number
  /** For those who measure: the fold line's ends where they lie on raw edges. */
  readonly marks: readonly EdgeMark[]
  /** Folds and turnings so far, this one with them. */
  readonly folds: number
  readonly turns: number
}

/** A finished size: the extent in a direction, or the distance of two points of the sheet. */
export function measureAlong(piece: Piece, measure: MeasureSpec['measure'], gauges: GaugeShares): number {
  if ('between' in measure) {
    const table = { state: piece.state, gauges }
    return distance(pointOf(table, measure.between[0]), pointOf(table, measure.between[1]))
  }
  const angle = (measure.extentDegrees * Math.PI) / 180
  const along = ({ x, y }: Point) => x * Math.cos(angle) + y * Math.sin(angle)
  const places = piece.state.faces.flatMap((face) => lying(face).map(along))
  return largest(places) - least(places)
}

function foldLine({ done }: Frame): { readonly length: number; readonly layers: number } {
  const { line, creases } = done
  if (!line || creases.length === 0) return { length: 0, layers: 0 }
  const along = (p: Point) =>
    (p.x - line.origin.x) * line.direction.x + (p.y - line.origin.y) * line.direction.y
  const runs = creases
    .map(({ from, to }) => [along(from), along(to)].sort((a, b) => a - b))
    .map(([start = 0, end = 0]) => ({ start, end }))
    .sort((a, b) => a.start - b.start)
  let [length, reached] = [0, -Infinity]
  for (const { start, end } of runs) {
    length += Math.max(0, end - Math.max(start, reached))
    reached = Math.max(reached, end)
  }
  // Creases that only touch end to end do not lie on one another.
  const layersAt = (at: number) =>
    runs.filter(({ start, end }) => start < at + SAME_POINT && at + SAME_POINT < end).length
  const layers = largest(runs.map(({ start }) => layersAt(start)))
  return { length, layers }
}

function edgeMarks({ before, done }: Frame): readonly EdgeMark[] {
  const { outline, faces } = before.state
  const marks = done.creases.flatMap(({ face, from, to }) => {
    const pose = faces[face]?.pose
    return pose ? [from, to].map((at) => move(inverse(pose), at)) : []
  })
  const found = marks.flatMap((at): EdgeMark[] =>
    outline.flatMap((corner, edge): EdgeMark[] => {
      const next = outline[(edge + 1) % outline.length] ?? corner
      const along = distance(corner, at)
      const fromNearerCorner = Math.min(along, distance(at, next))
      const on =
        Math.abs(signedDistance(lineThrough(corner, next), at)) < CARRIED_THROUGH &&
        distance(at, next) > CARRIED_THROUGH
      return on && along < distance(corner, next) + CARRIED_THROUGH ? [{ edge, along, fromNearerCorner }] : []
    }),
  )
  return found.filter(
    (mark, index) =>
      found.findIndex(
        (one) => one.edge === mark.edge && Math.abs(one.along - mark.along) < CARRIED_THROUGH,
      ) === index,
  )
}

const FOLDS: ReadonlySet<string> = new Set(['fold', 'crease', 'unfold', 'reverse', 'refold', 'tuck'])

/** Figures of every move of a program. *Cost* the patches of each state that differs from the one before. */
export function figuresOfTrace({ frames }: Trace): readonly MoveFigures[] {
  let [folds, turns] = [0, 0]
  let last: { readonly state: Frame['after']['state']; readonly figures: Figures } | null = null
  return frames.map((frame) => {
    const { kind } = frame.done.spec
    if (FOLDS.has(kind)) folds++
    if (kind === 'turn over') turns++
    const { state } = frame.after
    // Creasing and opening leave the piece as it was.
    const after = last?.state === state ? last.figures : figuresOf(state, cellsOf(state))
    last = { state, figures: after }
    const { length, layers } = foldLine(frame)
    return { after, foldLength: length, foldLayers: layers, marks: edgeMarks(frame), folds, turns }
  })
}
