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
