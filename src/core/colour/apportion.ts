import { CoreError, requireCount, requireRange } from '../errors'
import { ROUNDING } from '../numeric'

/**
 * How shares become whole numbers. *Largest remainder* is as near the shares as whole numbers come, for a table made once.
 * *Sainte-Lague* (highest averages over 1, 3, 5 ...) never takes one away from a share when the total grows, for a table
 * whose total is edited.
 */
export const SHARING_METHODS = ['largest remainder', 'sainte-lague'] as const
export type SharingMethod = (typeof SHARING_METHODS)[number]

export interface Share {
  /** Percent, parts or any other measure: only the ratio to the others counts. */
  readonly weight: number
  /** Held as it is, whatever the weight; `null` where it is free. */
  readonly locked: number | null
}

/** Most that can be shared out at once. */
export const MOST_SHARED = 100_000
const MOST_WEIGHT = 1e9

/**
 * Whole numbers in the ratio of the weights, locks held, whose sum is `total`. Equal claims go to the one named first.
 * *Throws* `NOT_INTEGER` or `OUT_OF_RANGE`: for a total or a lock that is no count, a weight below 0 or not finite,
 * locks that exceed the total, or weights that are all 0 while something is left to share.
 */
export function apportion(total: number, shares: readonly Share[], method: SharingMethod): readonly number[] {
  requireCount('total', total, 0, MOST_SHARED)
  for (const { weight, locked } of shares) {
    requireRange('weight', weight, '', 0, MOST_WEIGHT)
    if (locked !== null) requireCount('locked', locked, 0, MOST_SHARED)
  }
  const held = shares.reduce((sum, { locked }) => sum + (locked ?? 0), 0)
  const free = shares.flatMap(({ weight, locked }, index) => (locked === null ? [{ weight, index }] : []))
  const weights = free.reduce((sum, { weight }) => sum + weight, 0)
  const left = total - held
  if (left < 0 || (left > 0 && weights === 0))
    throw new CoreError('OUT_OF_RANGE', { name: 'shares', value: held, max: total })
  const given =
    left === 0
      ? free.map(() => 0)
      : SHARE_OUT[method](
          left,
          free.map(({ weight }) => weight / weights),
        )
  const counts = shares.map(({ locked }) => locked ?? 0)
  free.forEach(({ index }, at) => (counts[index] = given[at] ?? 0))
  return counts
}

const SHARE_OUT: Readonly<
  Record<SharingMethod, (total: number, shares: readonly number[]) => readonly number[]>
> = {
  'largest remainder': (total, shares) => {
    const exact = shares.map((share) => share * total)
    const counts = exact.map((value) => Math.floor(value + ROUNDING))
    const byRemainder = exact
      .map((value, index) => ({ index, remainder: value - (counts[index] ?? 0) }))
      .sort((one, other) =>
        Math.abs(other.remainder - one.remainder) > ROUNDING
          ? other.remainder - one.remainder
          : one.index - other.index,
      )
    const left = total - counts.reduce((sum, count) => sum + count, 0)
    for (const { index } of byRemainder.slice(0, left)) counts[index] = (counts[index] ?? 0) + 1
    return counts
  },
  'sainte-lague': (total, shares) => {
    const counts = shares.map(() => 0)
    for (let given = 0; given < total; given++) {
      let next = 0
      let best = -1
      shares.forEach((share, index) => {
        const average = share / (2 * (counts[index] ?? 0) + 1)
        if (average > best * (1 + ROUNDING)) [next, best] = [index, average]
      })
      counts[next] = (counts[next] ?? 0) + 1
    }
    return counts
  },
}
