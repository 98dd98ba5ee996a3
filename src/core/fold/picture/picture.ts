import { boxOf, type Frame, type GaugeShares, type Piece } from '../program'
import { distance, footOf, lineThrough, signedDistance, type Point } from '../../geometry'
import { CARRIED_THROUGH, NOTHING_TO_SEE } from '../../numeric'
import { acrossAt, sectionOf, type Section } from './section'
import { symbolsOf, type FoldSymbol } from './symbols'
import { marksSeen, seenFrom, visibleRegions, type Edge, type Seen, type Segment } from './visible'

/**
 * Everything a drawing of one moment needs, without colours; plain data that can be kept and sent.
 * Shares of the side, rounded to 1e-4 (15 micrometres on 15 cm, a tenth of a unit as drawn).
 */
export interface FoldPicture {
  readonly box: {
    readonly left: number
    readonly right: number
    readonly bottom: number
    readonly top: number
  }
  readonly regions: readonly DrawnRegion[]
  /**
   * Stretches as x, y, x, y: edges that are seen, and those that other layers cover. `open`: raw edges right under a raw
   * edge that is seen, as x, y, x, y, how many, and the direction away from the paper as x, y.
   */
  readonly edges: {
    readonly seen: readonly number[]
    readonly hidden: readonly number[]
    readonly open: readonly number[]
  }
  /** Creases that are not folded, likewise. */
  readonly marks: readonly number[]
  readonly symbols: readonly FoldSymbol[]
  /** The stack cut across the fold line where it is thickest; which faces move. */
  readonly section: (Section & { readonly moving: readonly number[] }) | null
}

/** Parts of one side of the paper that are seen, each as x, y by turns. */
export interface DrawnRegion {
  readonly side: 'front' | 'back'
  readonly parts: readonly (readonly number[])[]
}

const rounded = (value: number): number => Math.round(value * 1e4) / 1e4

/** The same data with every number in it rounded. */
function roundedAll<Data>(data: Data): Data {
  const walk = (value: unknown): unknown => {
    if (typeof value === 'number') return rounded(value)
    if (Array.isArray(value)) return value.map(walk)
    if (typeof value !== 'object' || value === null) return value
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, walk(inner)]))
  }
  return walk(data) as Data
}

/** A stretch as it is drawn, and its name whatever its direction. */
function drawnStretch({ from, to }: Segment): { readonly name: string; readonly row: readonly number[] } {
  const [a, b, c, d] = [rounded(from.x), rounded(from.y), rounded(to.x), rounded(to.y)]
  const onward = a < c || (a === c && b < d)
  return { name: onward ? `${a},${b},${c},${d}` : `${c},${d},${a},${b}`, row: [a, b, c, d] }
}

/** Stretches in a row of numbers, each once; without those known already, and known from now on. */
function flatInPlace(known: Set<string>, stretches: readonly Segment[]): readonly number[] {
  return stretches.flatMap((stretch) => {
    const { name, row } = drawnStretch(stretch)
    if (known.has(name)) return []
    known.add(name)
    return row
  })
}

/** The stretch of another line's edge that lies on this one, as places along it; `null` where none does. */
function lyingOn(edge: Segment, other: Segment): readonly [number, number] | null {
  const line = lineThrough(edge.from, edge.to)
  if ([other.from, other.to].some((end) => Math.abs(signedDistance(line, end)) > CARRIED_THROUGH)) return null
  const along = (at: Point) =>
    (at.x - edge.from.x) * line.direction.x + (at.y - edge.from.y) * line.direction.y
  const [a, b] = [along(other.from), along(other.to)]
  const [start, end] = [Math.max(0, Math.min(a, b)), Math.min(distance(edge.from, edge.to), Math.max(a, b))]
  return end - start > NOTHING_TO_SEE ? [start, end] : null
}

/** Raw edges in a stack, edge on edge: an open edge of several layers, which one line would not tell from one of one. */
function openEdges(edges: readonly Edge[]): readonly number[] {
  const raw = edges.filter(({ kind }) => kind === 'raw')
  const under = raw.filter(({ seen }) => !seen)
  const known = new Set<string>()
  return raw.flatMap((edge): readonly number[] => {
    const { name } = drawnStretch(edge)
    if (!edge.seen || known.has(name)) return []
    known.add(name)
    const runs = under.flatMap((other) => {
      const run = lyingOn(edge, other)
      return run ? [run] : []
    })
    const ends = [...new Set(runs.flat())].sort((a, b) => a - b)
    const foot = footOf(lineThrough(edge.from, edge.to), edge.inner)
    const away = { x: foot.x - edge.inner.x, y: foot.y - edge.inner.y }
    const [size, whole] = [Math.hypot(away.x, away.y), distance(edge.from, edge.to)]
    const at = (place: number): Point => ({
      x: edge.from.x + ((edge.to.x - edge.from.x) * place) / whole,
      y: edge.from.y + ((edge.to.y - edge.from.y) * place) / whole,
    })
    return ends.slice(1).flatMap((end, index) => {
      const start = ends[index] ?? end
      const count = runs.filter(
        ([from, to]) => from < end - NOTHING_TO_SEE && to > start + NOTHING_TO_SEE,
      ).length
      if (count === 0 || end - start < NOTHING_TO_SEE) return []
      const { row } = drawnStretch({ from: at(start), to: at(end) })
      return [...row, count, rounded(away.x / size), rounded(away.y / size)]
    })
  })
}

/** What is seen of a piece: regions of the two sides, and edges. */
export function drawn(seen: Seen): Pick<FoldPicture, 'regions' | 'edges'> {
  const { edges } = seen
  const known = new Set<string>()
  const open = flatInPlace(
    known,
    edges.filter((edge) => edge.seen),
  )
  return {
    regions: visibleRegions(seen).map(({ side, parts }) => ({
      side,
      parts: parts.map((part) => part.flatMap(({ x, y }) => [rounded(x), rounded(y)])),
    })),
    edges: {
      seen: open,
      // An edge right under one that is seen would only blur it.
      hidden: flatInPlace(
        known,
        edges.filter((edge) => !edge.seen),
      ),
      open: openEdges(edges),
    },
  }
}

/** A piece as it lies, without a next move. */
export function pictureOfPiece(piece: Piece, seen: Seen = seenFrom(piece.state)): FoldPicture {
  const { left, right, bottom, top } = boxOf(piece.state)
  return {
    box: { left, right, bottom, top },
    ...drawn(seen),
    marks: flatInPlace(new Set(), marksSeen(seen, piece.marks)),
    symbols: [],
    section: null,
  }
}

/** The place along the fold line where most layers lie. */
function thickest({ done }: Frame): Point | null {
  const { line, creases } = done
  if (!line || creases.length === 0) return null
  const along = (p: Point) =>
    (p.x - line.origin.x) * line.direction.x + (p.y - line.origin.y) * line.direction.y
  const runs = creases.map(({ from, to }) => [along(from), along(to)].sort((a, b) => a - b))
  const count = (at: number) => runs.filter(([start = 0, end = 0]) => start < at && at < end).length
  const places = [...new Set(runs.flat())].sort((a, b) => a - b)
  const middles = places.slice(1).map((place, index) => (place + (places[index] ?? place)) / 2)
  const best = middles.reduce((most, at) => (count(at) > count(most) ? at : most), middles[0] ?? 0)
  return { x: line.origin.x + line.direction.x * best, y: line.origin.y + line.direction.y * best }
}

/** The piece before a move with the move drawn on it. */
export function pictureOf(frame: Frame, gauges: GaugeShares = {}): FoldPicture {
  const { line, moving } = frame.done
  const at = thickest(frame)
  const section = line && at ? { ...sectionOf(frame.before.state, acrossAt(line, at)), moving } : null
  const seen = seenFrom(frame.before.state)
  return {
    ...pictureOfPiece(frame.before, seen),
    symbols: roundedAll(symbolsOf(frame, seen, gauges)),
    section: roundedAll(section),
  }
}
