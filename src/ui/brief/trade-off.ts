import type { SweepPoint } from '@/core/cut'
import { NOTHING_TO_SEE } from '@/core/numeric'

/** What another size would take, against the size that is asked for. */
export interface Trade {
  readonly sideMm: number
  readonly sheets: number
}

export interface Trades {
  readonly now: Trade
  /** The largest size that takes no more sheets; `null` where it is the one asked for. */
  readonly larger: Trade | null
  /** The next smaller size that takes fewer. */
  readonly smaller: Trade | null
}

const known = (point: SweepPoint | undefined): Trade | null =>
  point && point.sheets !== null ? { sideMm: point.sideMm, sheets: point.sheets } : null

/** What is worth knowing of a sweep: how far the same sheets reach, and where fewer would do. */
export function tradesOf(points: readonly SweepPoint[], sideMm: number): Trades | null {
  const at = points.findIndex((point) => Math.abs(point.sideMm - sideMm) < NOTHING_TO_SEE)
  const now = known(points[at])
  if (!now) return null
  const after = points.slice(at + 1)
  const dearer = after.findIndex(({ sheets }) => sheets === null || sheets > now.sheets)
  const reach = dearer === -1 ? after : after.slice(0, dearer)
  const fewer = points.slice(0, at).findLast(({ sheets }) => sheets !== null && sheets < now.sheets)
  return { now, larger: known(reach.at(-1)), smaller: known(fewer) }
}
