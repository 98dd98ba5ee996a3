/** Up to so many positions that hang together the largest set of which no two are beside each other is found exactly. */
const EXACT_POSITIONS = 24

/**
 * Like neighbours that no order avoids: of each colour, the pieces beyond the most that can lie with no two beside each
 * other. *Source* derived: take one of each clashing pair of a colour away, and what is left lies apart.
 */
export function forcedClashes(beside: readonly (readonly number[])[], counts: readonly number[]): number {
  const apart = partsOf(beside).reduce((sum, part) => sum + mostApart(beside, part), 0)
  return counts.reduce((sum, count) => sum + Math.max(0, count - apart), 0)
}

/** Positions that hang together. */
function partsOf(beside: readonly (readonly number[])[]): readonly (readonly number[])[] {
  const seen = new Set<number>()
  return beside.flatMap((_, from) => {
    if (seen.has(from)) return []
    const part = [from]
    seen.add(from)
    for (const at of part)
      for (const other of beside[at] ?? [])
        if (!seen.has(other)) {
          seen.add(other)
          part.push(other)
        }
    return [part]
  })
}

/** The most positions of a part with no two beside each other; of a large part, a number that is not less. */
function mostApart(beside: readonly (readonly number[])[], part: readonly number[]): number {
  if (part.length > EXACT_POSITIONS) return part.length - pairedUp(beside, part)
  const masks = part.map((at) =>
    (beside[at] ?? []).reduce((mask, other) => mask | (1 << part.indexOf(other)), 0),
  )
  const most = (left: number): number => {
    if (left === 0) return 0
    const at = 31 - Math.clz32(left)
    const others = left & ~(1 << at)
    const touching = masks[at] ?? 0
    const taken = 1 + most(others & ~touching)
    // One with at most one neighbour left is never worse to take.
    const near = others & touching
    return (near & (near - 1)) === 0 ? taken : Math.max(taken, most(others))
  }
  return most(2 ** part.length - 1)
}

/** Pairs of neighbours without a position in common: of each at most one can lie apart. */
function pairedUp(beside: readonly (readonly number[])[], part: readonly number[]): number {
  const taken = new Set<number>()
  let pairs = 0
  for (const at of part) {
    const other = taken.has(at) ? undefined : (beside[at] ?? []).find((one) => !taken.has(one) && one !== at)
    if (other === undefined) continue
    taken.add(at)
    taken.add(other)
    pairs++
  }
  return pairs
}
