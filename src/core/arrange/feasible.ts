import type { Neighbours, Pair, Shape } from './types'

const totalOf = (counts: readonly number[]): number => counts.reduce((sum, count) => sum + count, 0)

/**
 * The fewest pairs of like neighbours that any order has, nothing locked.
 * *Source* derived: pieces of the colour that comes most need one of another colour between them, on a ring as many as
 * there are of it, on a line one less; each that is missing is a clash. `test/oracles/orders-by-search.ts` tries all.
 */
export function fewestClashes(shape: Shape, counts: readonly number[]): number {
  const positions = totalOf(counts)
  if (positions < 2) return 0
  const most = counts.reduce((largest, count) => Math.max(largest, count), 0)
  return Math.max(0, 2 * most - positions - (shape === 'line' ? 1 : 0))
}

/** Neighbours of the same colour. */
export function clashesOf(neighbours: Neighbours, colours: readonly number[]): readonly Pair[] {
  return pairsOf(neighbours, colours.length).filter(([one, other]) => colours[one] === colours[other])
}

/** What lies beside what, pair by pair. Two in a ring are beside each other on both sides. */
export function pairsOf(neighbours: Neighbours, positions: number): readonly Pair[] {
  if (neighbours !== 'ring' && neighbours !== 'line') return neighbours
  const along = Array.from({ length: Math.max(0, positions - 1) }, (_, at): Pair => [at, at + 1])
  return neighbours === 'ring' && positions > 1 ? [...along, [positions - 1, 0]] : along
}

/** A cycle repeated all along: whether it closes, and the numbers of positions next to the one asked that do. */
export interface Closing {
  readonly closes: boolean
  /** The next fewer positions that close; `null` where there are none. */
  readonly fewer: number | null
  readonly more: number
}

/**
 * Whether a cycle of colours, repeated from position to position, closes around a ring of so many.
 * It does where whole cycles fit and its end does not meet its own beginning in the same colour.
 */
export function closingOf(cycleLength: number, positions: number): Closing {
  const over = positions % cycleLength
  const fewer = positions - (over === 0 ? cycleLength : over)
  return {
    closes: over === 0 && positions > 0,
    fewer: fewer > 0 ? fewer : null,
    more: positions - over + cycleLength,
  }
}
