import { CARRIED_THROUGH, NOTHING_TO_SEE, ROUNDING, largest, least } from '../numeric'
import { outside, type FoldPicture } from '../fold'
import { area, cross, minus, plus, type Point, type Polygon } from '../geometry'
import { turnedAbout, type Assembled } from './assembly'
import type { Assembly } from './types'

const pointsOf = (row: readonly number[]): readonly Point[] =>
  row.flatMap((x, index) => (index % 2 === 0 ? [{ x, y: row[index + 1] ?? 0 }] : []))
const rounded = (value: number): number => Math.round(value * 1e4) / 1e4
const rowOf = (points: readonly Point[]): readonly number[] =>
  points.flatMap(({ x, y }) => [rounded(x), rounded(y)])

/** The parts of a stretch that no convex polygon covers. */
function stretchOutside(from: Point, to: Point, cover: Polygon): readonly (readonly [Point, Point])[] {
  let [start, end] = [0, 1]
  for (let index = 0; index < cover.length; index++) {
    const [p, q] = [cover[index], cover[(index + 1) % cover.length]]
    if (!p || !q) continue
    const along = minus(q, p)
    const [a, b] = [cross(along, minus(from, p)), cross(along, minus(to, p))]
    // A stretch along an edge of the cover is still seen.
    if (a < ROUNDING && b < ROUNDING) return [[from, to]]
    if (a < 0) start = Math.max(start, a / (a - b))
    else if (b < 0) end = Math.min(end, a / (a - b))
  }
  if (end - start < NOTHING_TO_SEE) return [[from, to]]
  const at = (share: number): Point => ({
    x: from.x + (to.x - from.x) * share,
    y: from.y + (to.y - from.y) * share,
  })
  return [
    ...(start > NOTHING_TO_SEE ? [[from, at(start)] as const] : []),
    ...(end < 1 - NOTHING_TO_SEE ? [[at(end), to] as const] : []),
  ]
}

/** Which units are drawn, and how far off its place each of them is held. */
export interface Held {
  readonly unit: number
  readonly off?: Point
}

/** What is seen of one unit where it is laid, under what covers it. */
function laidUnder(
  { regions, edges }: FoldPicture,
  onPlace: (at: Point) => Point,
  covers: readonly Polygon[],
): { readonly regions: FoldPicture['regions']; readonly seen: readonly number[] } {
  const uncovered = (part: Polygon): readonly Polygon[] =>
    covers.reduce<readonly Polygon[]>(
      (left, cover) =>
        left.flatMap((shape) => outside(shape, cover)).filter((shape) => area(shape) > CARRIED_THROUGH),
      [part],
    )
  const stretches = pointsOf(edges.seen)
  return {
    regions: regions.map(({ side, parts }) => ({
      side,
      parts: parts.flatMap((part) => uncovered(pointsOf(part).map(onPlace)).map(rowOf)),
    })),
    seen: stretches.flatMap((from, index) => {
      const to = stretches[index + 1]
      if (index % 2 === 1 || !to) return []
      return covers
        .reduce<readonly (readonly [Point, Point])[]>(
          (left, cover) => left.flatMap(([a, b]) => stretchOutside(a, b, cover)),
          [[onPlace(from), onPlace(to)]],
        )
        .flatMap(([a, b]) => rowOf([a, b]))
    }),
  }
}

/**
 * Units of an assembled piece as a picture: the unit's own, laid around the centre. Where units overlap, half of the
 * ring on one side of a unit lies over it and the other half under it, so the last one closes as all the others do. A
 * unit that is held off its place lies over all others.
 */
export function assembledPicture(
  picture: FoldPicture,
  { centre, stepRad, units }: Assembled,
  next: Assembly['next'],
  held: readonly Held[] = units.map((_, unit) => ({ unit })),
): FoldPicture {
  const count = units.length
  const near = Math.floor((count - 1) / 2)
  const moved = ({ unit, off = { x: 0, y: 0 } }: Held): Polygon =>
    (units[unit] ?? []).map((at) => plus(at, off))
  const inHand = held.filter(({ off }) => off)
  const coversOf = ({ unit, off }: Held): readonly Polygon[] => {
    if (off) return []
    const neighbours = Array.from({ length: near }, (_, index) => {
      const other = next === 'over' ? unit + index + 1 : unit - index - 1
      return (other + count) % count
    })
    const laid = neighbours.filter((other) => held.some((one) => one.unit === other && !one.off))
    return [...laid.map((other) => units[other] ?? []), ...inHand.map(moved)]
  }
  const laid = held.map((one) => {
    const { unit, off = { x: 0, y: 0 } } = one
    return laidUnder(picture, (at) => plus(turnedAbout(centre, unit * stepRad, at), off), coversOf(one))
  })
  const all = held.flatMap(moved)
  return {
    box: {
      left: rounded(least(all.map(({ x }) => x))),
      right: rounded(largest(all.map(({ x }) => x))),
      bottom: rounded(least(all.map(({ y }) => y))),
      top: rounded(largest(all.map(({ y }) => y))),
    },
    regions: laid.flatMap(({ regions }) => regions.filter(({ parts }) => parts.length > 0)),
    edges: { seen: laid.flatMap(({ seen }) => seen), hidden: [], open: [] },
    marks: [],
    symbols: [],
    section: null,
  }
}
