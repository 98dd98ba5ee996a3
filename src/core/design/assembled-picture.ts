import { CARRIED_THROUGH, NOTHING_TO_SEE, ROUNDING, largest, least } from '../numeric'
import { outside, type FoldPicture } from '../fold'
import { area, cross, minus, type Point, type Polygon } from '../geometry'
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

/**
 * An assembled piece as a picture: the unit's own, laid around the centre. Where units overlap, half of the ring on
 * one side of a unit lies over it and the other half under it, so the last one closes as all the others do.
 */
export function assembledPicture(
  picture: FoldPicture,
  { centre, stepRad, units }: Assembled,
  next: Assembly['next'],
): FoldPicture {
  const count = units.length
  const near = Math.floor((count - 1) / 2)
  const coversOf = (unit: number): readonly Polygon[] =>
    Array.from({ length: near }, (_, index) => {
      const other = next === 'over' ? unit + index + 1 : unit - index - 1
      return units[(other + count) % count] ?? []
    })
  const laid = units.map((_, unit) => {
    const place = (row: readonly number[]) =>
      pointsOf(row).map((at) => turnedAbout(centre, unit * stepRad, at))
    const covers = coversOf(unit)
    const regions = picture.regions.map(({ side, parts }) => ({
      side,
      parts: parts.flatMap((part) =>
        covers
          .reduce<readonly Polygon[]>(
            (left, cover) =>
              left.flatMap((one) => outside(one, cover)).filter((one) => area(one) > CARRIED_THROUGH),
            [place(part)],
          )
          .map(rowOf),
      ),
    }))
    const stretches = pointsOf(picture.edges.seen)
    const seen = stretches.flatMap((from, index) => {
      const to = stretches[index + 1]
      if (index % 2 === 1 || !to) return []
      const [p, q] = [from, to].map((at) => turnedAbout(centre, unit * stepRad, at))
      if (!p || !q) return []
      return covers
        .reduce<readonly (readonly [Point, Point])[]>(
          (left, cover) => left.flatMap(([a, b]) => stretchOutside(a, b, cover)),
          [[p, q]],
        )
        .flatMap(([a, b]) => rowOf([a, b]))
    })
    return { regions, seen }
  })
  const all = units.flat()
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
