import { area } from '../../geometry'
import type { DrawnRegion } from './picture'

/** How much of each side of the paper is seen, as shares of all that is seen. */
export interface SidesShown {
  readonly front: number
  readonly back: number
}

const partArea = (row: readonly number[]): number =>
  area(
    Array.from({ length: Math.floor(row.length / 2) }, (_, at) => ({
      x: row[2 * at] ?? 0,
      y: row[2 * at + 1] ?? 0,
    })),
  )

/** Areas of what is seen of each side; nothing seen is nothing of either. */
export function sidesShown({ regions }: { readonly regions: readonly DrawnRegion[] }): SidesShown {
  const seen = { front: 0, back: 0 }
  for (const { side, parts } of regions) for (const part of parts) seen[side] += partArea(part)
  const all = seen.front + seen.back
  return all === 0 ? { front: 0, back: 0 } : { front: seen.front / all, back: seen.back / all }
}

/** How a side is seen: as a narrow strip along the outline, as narrow lines within, or as areas. */
export const SIDE_FORMS = ['border', 'line', 'area'] as const
export type SideForm = (typeof SIDE_FORMS)[number]

type Row = readonly number[]

/** Points along an edge at which what lies beside it is looked up, as shares. */
const LOOKS = [0.1, 0.3, 0.5, 0.7, 0.9]
/** How far beside an edge it is looked, in sides of the sheet. */
const BESIDE = 1e-3
/** From this share of its rim on a strip counts as one along the outline. */
const ALONG_OUTLINE = 0.2

function within(row: Row, x: number, y: number): boolean {
  let [less, more] = [false, false]
  for (let at = 0; at < row.length; at += 2) {
    const [x1 = 0, y1 = 0] = [row[at], row[at + 1]]
    const [x2 = 0, y2 = 0] = [row[(at + 2) % row.length], row[(at + 3) % row.length]]
    const turn = (x2 - x1) * (y - y1) - (y2 - y1) * (x - x1)
    less ||= turn < 0
    more ||= turn > 0
  }
  return !(less && more)
}

/** The rim of a region: how long it is, and how much of it is the outline of all that is seen. */
function rimOf(
  { parts }: DrawnRegion,
  all: readonly Row[],
): { readonly rim: number; readonly outer: number } {
  let [rim, outer] = [0, 0]
  for (const row of parts)
    for (let at = 0; at < row.length; at += 2) {
      const [x1 = 0, y1 = 0] = [row[at], row[at + 1]]
      const [x2 = 0, y2 = 0] = [row[(at + 2) % row.length], row[(at + 3) % row.length]]
      const length = Math.hypot(x2 - x1, y2 - y1)
      if (length < BESIDE) continue
      const [nx, ny] = [((y2 - y1) / length) * BESIDE, (-(x2 - x1) / length) * BESIDE]
      for (const share of LOOKS) {
        const [x, y] = [x1 + (x2 - x1) * share, y1 + (y2 - y1) * share]
        // Whichever way the corners run, one of the two lies outside the part.
        const [px, py] = within(row, x + nx, y + ny) ? [x - nx, y - ny] : [x + nx, y + ny]
        if (parts.some((other) => within(other, px, py))) continue
        rim += length / LOOKS.length
        if (!all.some((other) => within(other, px, py))) outer += length / LOOKS.length
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
  const rows = regions.flatMap(({ parts }) => parts)
  const all = rows.reduce((sum, row) => sum + partArea(row), 0)
  const seen = new Map<SideForm, number>()
  for (const region of regions) {
    if (region.side !== side) continue
    const size = region.parts.reduce((sum, row) => sum + partArea(row), 0)
    const { rim, outer } = rimOf(region, rows)
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
