import { distance, meet, lineThrough, signedDistance, type Line, type Point } from '../../geometry'
import { CARRIED_THROUGH, NOTHING_TO_SEE, SAME_POINT } from '../../numeric'
import type { Piece } from '../program'
import { onFaces, seenFrom, type Seen, type Segment } from './visible'

/** A line the hand sees or feels on the piece as it lies: where paper ends, where it is folded, or a crease. */
export interface SeenLine extends Segment {
  readonly kind: 'raw' | 'folded' | 'crease'
  /** The face it is an edge of. */
  readonly face?: number
  /** The step that made a crease, and which time of it, from 0. */
  readonly step?: number
  readonly round?: number
}

/** A place the hand can aim at: where lines that are seen meet. */
export interface Place {
  readonly at: Point
  readonly lines: readonly SeenLine[]
}

/** Every line that is seen on the piece, its edges and its creases: from above unless it is given as seen otherwise. */
export function linesSeen({ state, marks }: Piece, seen: Seen = seenFrom(state)): readonly SeenLine[] {
  return [
    ...seen.edges.filter((edge) => edge.seen),
    ...marks.flatMap(({ step, round, ...mark }) =>
      onFaces(seen, mark)
        .filter((part) => part.seen)
        .map(({ from: start, to }): SeenLine => ({
          kind: 'crease',
          from: start,
          to,
          ...(step === undefined ? {} : { step }),
          ...(round === undefined ? {} : { round }),
        })),
    ),
  ]
}

/** Lines between the layers, that show when the piece is opened a little. */
export const linesFelt = ({ edges }: Seen): readonly SeenLine[] => edges.filter(({ seen }) => !seen)

/** What hands and eyes take for one place, in sides: a hundredth of a millimetre on 15 cm. */
export const ONE_PLACE = 1e-4

export const sizeOf = (parts: readonly Segment[]): number =>
  parts.reduce((sum, { from, to }) => sum + distance(from, to), 0)

/** Whether a point lies on a stretch, its ends included. */
function lies(at: Point, { from, to }: Segment): boolean {
  const size = distance(from, to)
  if (size < SAME_POINT) return false
  if (Math.abs(signedDistance(lineThrough(from, to), at)) > ONE_PLACE) return false
  return distance(at, from) < size + ONE_PLACE && distance(at, to) < size + ONE_PLACE
}

const direction = ({ from, to }: Segment): Point => {
  const size = distance(from, to)
  return { x: (to.x - from.x) / size, y: (to.y - from.y) / size }
}
const crosses = (one: Segment, other: Segment): boolean => {
  const [a, b] = [direction(one), direction(other)]
  return Math.abs(a.x * b.y - a.y * b.x) > 1e-3
}

/** The place at a point, where two lines that are seen meet there; else `null`. */
export function placeAt(lines: readonly SeenLine[], at: Point): Place | null {
  const here = lines.filter((line) => lies(at, line))
  return here.some((one, index) => here.slice(index + 1).some((other) => crosses(one, other)))
    ? { at, lines: here }
    : null
}

/** The lines that are seen along a line, over some of its length. */
export const linesAlong = (lines: readonly SeenLine[], line: Line): readonly SeenLine[] =>
  lines.filter(
    ({ from, to }) =>
      Math.abs(signedDistance(line, from)) < ONE_PLACE && Math.abs(signedDistance(line, to)) < ONE_PLACE,
  )

/** Stretches on one line joined where they meet or overlap. */
export function joined(stretches: readonly Segment[]): readonly Segment[] {
  const [first] = stretches
  if (!first) return []
  const { from, to } = stretches.reduce(
    (longest, one) => (distance(one.from, one.to) > distance(longest.from, longest.to) ? one : longest),
    first,
  )
  const size = distance(from, to)
  const place = (p: Point) => ((p.x - from.x) * (to.x - from.x) + (p.y - from.y) * (to.y - from.y)) / size
  const at = (value: number): Point => ({
    x: from.x + ((to.x - from.x) * value) / size,
    y: from.y + ((to.y - from.y) * value) / size,
  })
  const runs = stretches
    .map((one): [number, number] => {
      const [a, b] = [place(one.from), place(one.to)]
      return [Math.min(a, b), Math.max(a, b)]
    })
    .sort((a, b) => a[0] - b[0])
  const all: [number, number][] = []
  for (const [start, end] of runs) {
    const last = all.at(-1)
    if (last && start < last[1] + NOTHING_TO_SEE) last[1] = Math.max(last[1], end)
    else all.push([start, end])
  }
  return all.map(([start, end]) => ({ from: at(start), to: at(end) }))
}

/** What a line is called: what kind it is, and the steps that made it where it is a crease. */
export interface LineName {
  readonly kind: SeenLine['kind']
  readonly steps: readonly number[]
}

export function lineName(lines: readonly SeenLine[]): LineName | null {
  // Where a crease runs along an edge, the edge is what is seen first.
  const kind = (['raw', 'folded', 'crease'] as const).find((one) => lines.some((line) => line.kind === one))
  const steps = lines.flatMap((line) => (line.kind === 'crease' ? (line.step ?? []) : []))
  return kind ? { kind, steps: kind === 'crease' ? [...new Set(steps)].sort((a, b) => a - b) : [] } : null
}

/** What a place is called: a corner of the paper or of the folded piece, or where these lines meet. */
export type PlaceName =
  | { readonly kind: 'corner' | 'folded corner' }
  | { readonly kind: 'meeting'; readonly lines: readonly LineName[] }

/** Where two edges of one face end: a corner of the paper where they are raw, of the folded piece where they are not. */
const isCorner = ({ at, lines }: Place, kind: SeenLine['kind']): boolean => {
  const ending = lines.filter(
    (line) => line.kind === kind && [line.from, line.to].some((end) => distance(end, at) < ONE_PLACE),
  )
  return ending.some((one) => ending.some((other) => one.face === other.face && crosses(one, other)))
}

export function placeName(place: Place): PlaceName {
  if (isCorner(place, 'raw')) return { kind: 'corner' }
  if (isCorner(place, 'folded')) return { kind: 'folded corner' }
  // One name for the lines in each direction, those that are easiest to see first.
  const directions: SeenLine[][] = []
  for (const line of place.lines) {
    const same = directions.find((group) => group[0] && !crosses(group[0], line))
    if (same) same.push(line)
    else directions.push([line])
  }
  const rank = { raw: 0, folded: 1, crease: 2 } as const
  const names = directions
    .flatMap((group) => lineName(group) ?? [])
    .sort((one, other) => rank[one.kind] - rank[other.kind])
  const [first, ...others] = names
  // A crease was made to be aimed at.
  const second = others.find(({ kind }) => kind === 'crease') ?? others[0]
  return { kind: 'meeting', lines: [first, second].flatMap((one) => one ?? []) }
}

/** Every place on a stretch, in order along it. */
export function placesOn(lines: readonly SeenLine[], stretch: Segment): readonly Place[] {
  const line = lineThrough(stretch.from, stretch.to)
  const points = lines.flatMap((one): readonly Point[] => {
    if (!crosses(one, stretch)) return []
    const at = meet(line, lineThrough(one.from, one.to))
    return at && lies(at, stretch) && lies(at, one) ? [at] : []
  })
  const along = (at: Point) => distance(stretch.from, at)
  const apart = [...points]
    .sort((a, b) => along(a) - along(b))
    .filter((at, index, all) => index === 0 || distance(at, all[index - 1] ?? at) > CARRIED_THROUGH)
  return apart.flatMap((at) => placeAt(lines, at) ?? [])
}
