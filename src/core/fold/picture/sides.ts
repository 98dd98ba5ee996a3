import {
  area,
  contains,
  minus,
  plus,
  signedArea,
  tidied,
  times,
  type Point,
  type Polygon,
} from '../../geometry'
import type { DrawnRegion } from './picture'

/** How much of each side of the paper is seen, as shares of all that is seen. */
export interface SidesShown {
  readonly front: number
  readonly back: number
}

const cornersOf = (row: readonly number[]): readonly Point[] =>
  Array.from({ length: Math.floor(row.length / 2) }, (_, at) => ({
    x: row[2 * at] ?? 0,
    y: row[2 * at + 1] ?? 0,
  }))

/**
 * Parts as polygons, their corners counter-clockwise whichever side they are seen from. What is kept of a picture is
 * rounded: of a sliver two corners may fall together, or nothing be left.
 */
const polygonsOf = ({ parts }: DrawnRegion): readonly Polygon[] =>
  parts.flatMap((row) => {
    const polygon = tidied(cornersOf(row))
    if (polygon.length === 0) return []
    return [signedArea(polygon) < 0 ? [...polygon].reverse() : polygon]
  })

const areaOf = (polygons: readonly Polygon[]): number =>
  polygons.reduce((sum, polygon) => sum + area(polygon), 0)

/** Areas of what is seen of each side; nothing seen is nothing of either. */
export function sidesShown({ regions }: { readonly regions: readonly DrawnRegion[] }): SidesShown {
  const seen = { front: 0, back: 0 }
  for (const region of regions) seen[region.side] += areaOf(polygonsOf(region))
  const all = seen.front + seen.back
  return all === 0 ? { front: 0, back: 0 } : { front: seen.front / all, back: seen.back / all }
}

/** How a side is seen: as a narrow strip along the outline, as narrow lines within, or as areas. */
export const SIDE_FORMS = ['border', 'line', 'area'] as const
export type SideForm = (typeof SIDE_FORMS)[number]

/** Points along an edge at which what lies beside it is looked up, as shares. */
const LOOKS = [0.1, 0.3, 0.5, 0.7, 0.9]
/** How far beside an edge it is looked, in sides of the sheet. */
const BESIDE = 1e-3
/** From this share of its rim on a strip counts as one along the outline. */
const ALONG_OUTLINE = 0.2

/** The rim of a region: how long it is, and how much of it is the outline of all that is seen. */
function rimOf(
  own: readonly Polygon[],
  all: readonly Polygon[],
): { readonly rim: number; readonly outer: number } {
  let [rim, outer] = [0, 0]
  for (const polygon of own)
    for (const [at, from] of polygon.entries()) {
      const along = minus(polygon[(at + 1) % polygon.length] ?? from, from)
      const length = Math.hypot(along.x, along.y)
      if (length < BESIDE) continue
      // Corners run counter-clockwise: to the right of an edge lies what is outside.
      const out = times({ x: along.y, y: -along.x }, BESIDE / length)
      for (const share of LOOKS) {
        const beside = plus(plus(from, times(along, share)), out)
        if (own.some((other) => contains(other, beside))) continue
        rim += length / LOOKS.length
        if (!all.some((other) => contains(other, beside))) outer += length / LOOKS.length
      }
    }
  return { rim, outer }
}

/**
 * In what forms a side is seen, as shares of all that is seen; those of nothing are left out. `narrow` is how wide a strip
 * may be on the whole to count as one, in sides of the sheet.
 */
export function formsShown(
  { regions }: { readonly regions: readonly DrawnRegion[] },
  side: DrawnRegion['side'],
  narrow: number,
): readonly { readonly form: SideForm; readonly share: number }[] {
  const polygons = regions.flatMap(polygonsOf)
  const all = areaOf(polygons)
  const seen = new Map<SideForm, number>()
  for (const region of regions) {
    if (region.side !== side) continue
    const own = polygonsOf(region)
    const size = areaOf(own)
    if (size === 0) continue
    const { rim, outer } = rimOf(own, polygons)
    // A strip's rim is both its long sides: twice its area by it is how wide it is.
    const wide = rim === 0 ? 0 : (2 * size) / rim
    const form = wide > narrow ? 'area' : outer / rim >= ALONG_OUTLINE ? 'border' : 'line'
    seen.set(form, (seen.get(form) ?? 0) + size / all)
  }
  return SIDE_FORMS.flatMap((form) => {
    const share = seen.get(form) ?? 0
    return share > 0 ? [{ form, share }] : []
  })
}
