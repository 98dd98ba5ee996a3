/** Every distinct order of so many pieces of each colour. Slow: for small numbers only. */
export function* ordersOf(
  counts: readonly number[],
  before: readonly number[] = [],
): Generator<readonly number[]> {
  if (counts.every((count) => count === 0)) yield before
  for (const [colour, count] of counts.entries())
    if (count > 0)
      yield* ordersOf(
        counts.map((one, index) => (index === colour ? one - 1 : one)),
        [...before, colour],
      )
}

/** Pairs of like neighbours, counted from the definition. */
export function likeNeighbours(shape: 'ring' | 'line', order: readonly number[]): number {
  const pairs = order.slice(1).filter((colour, at) => colour === order[at]).length
  return pairs + Number(shape === 'ring' && order.length > 1 && order.at(0) === order.at(-1))
}
