import { boxOf, type Frame, type GaugeShares, type Piece } from '../program'
import type { Point } from '../../geometry'
import { acrossAt, sectionOf, type Section } from './section'
import { symbolsOf, type FoldSymbol } from './symbols'
import { edgesOf, marksSeen, seenFrom, visibleRegions, type Edge, type Seen, type Segment } from './visible'

/** Everything a drawing of one moment needs, without colours; plain data that can be kept and sent. */
export interface FoldPicture {
  readonly box: { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number }
  readonly regions: readonly { readonly side: 'front' | 'back'; readonly parts: readonly (readonly Point[])[] }[]
  readonly edges: readonly Edge[]
  readonly marks: readonly Segment[]
  readonly symbols: readonly FoldSymbol[]
  /** The stack cut across the fold line where it is thickest; which faces move. */
  readonly section: (Section & { readonly moving: readonly number[]; readonly foldAt: number }) | null
}

/** A piece as it lies, without a next move. */
export function pictureOfPiece(piece: Piece, seen: Seen = seenFrom(piece.state)): FoldPicture {
  const { left, right, bottom, top } = boxOf(piece.state)
  return {
    box: { left, right, bottom, top },
    regions: visibleRegions(seen).map(({ side, parts }) => ({ side, parts })),
    edges: edgesOf(seen),
    marks: marksSeen(seen, piece.marks),
    symbols: [],
    section: null,
  }
}

/** The place along the fold line where most layers lie. */
function thickest({ done }: Frame): Point | null {
  const { line, creases } = done
  if (!line || creases.length === 0) return null
  const along = (p: Point) => (p.x - line.origin.x) * line.direction.x + (p.y - line.origin.y) * line.direction.y
  const runs = creases.map(({ from, to }) => [along(from), along(to)].sort((a, b) => a - b))
  const count = (at: number) => runs.filter(([start = 0, end = 0]) => start < at && at < end).length
  const places = [...new Set(runs.flat())].sort((a, b) => a - b)
  const middles = places.slice(1).map((place, index) => (place + (places[index] ?? place)) / 2)
  const best = middles.reduce((most, at) => (count(at) > count(most) ? at : most), middles[0] ?? 0)
  return { x: line.origin.x + line.direction.x * best, y: line.origin.y + line.direction.y * best }
}

/** The piece before a move with the move drawn on it. */
export function pictureOf(frame: Frame, gauges: GaugeShares = {}): FoldPicture {
  const { line } = frame.done
  const at = thickest(frame)
  const section =
    line && at
      ? { ...sectionOf(frame.before.state, acrossAt(line, at)), moving: frame.done.moving, foldAt: 0 }
      : null
  const seen = seenFrom(frame.before.state)
  return { ...pictureOfPiece(frame.before, seen), symbols: symbolsOf(frame, seen, gauges), section }
}
