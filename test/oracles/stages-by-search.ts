import type { SizeUm } from '@/core/sheet'

/** Sheets of one size that a few pieces may come off. */
export interface SearchedSheets {
  readonly sizeUm: SizeUm
  readonly available: number
  readonly cost: number
}

export interface SearchedPiece {
  readonly sizeUm: SizeUm
  readonly turnable: boolean
}

/**
 * Whether some pieces come off one region in so many stages and a trim, by trying every cut in whole units: a stage cuts
 * along one axis as often as it likes, what comes off goes on to the next stage along the other.
 */
function cutsAll(pieces: readonly SearchedPiece[]) {
  const known = new Map<string, boolean>()
  const is = (index: number, width: number, height: number): boolean => {
    const piece = pieces[index]
    if (!piece) return false
    const { widthUm, heightUm } = piece.sizeUm
    return (
      (widthUm === width && heightUm === height) ||
      (piece.turnable && heightUm === width && widthUm === height)
    )
  }
  const can = (width: number, height: number, mask: number, across: boolean, stages: number): boolean => {
    if (mask === 0) return true
    const only = Math.log2(mask)
    const single = Number.isInteger(only)
    if (single && is(only, width, height)) return true
    // Behind the last stage one cut trims one piece.
    if (stages < 0 || (stages === 0 && !single)) return false
    const key = `${width} ${height} ${mask} ${across} ${stages}`
    const before = known.get(key)
    if (before !== undefined) return before
    const answer = tries(width, height, mask, across, stages)
    known.set(key, answer)
    return answer
  }
  const tries = (width: number, height: number, mask: number, across: boolean, stages: number): boolean => {
    const long = across ? height : width
    for (let at = 1; at <= long; at++) {
      const [first, rest] = across
        ? ([
            [width, at],
            [width, height - at],
          ] as const)
        : ([
            [at, height],
            [width - at, height],
          ] as const)
      for (let part = mask; part > 0; part = (part - 1) & mask)
        if (
          can(...first, part, !across, stages - 1) &&
          (part === mask || can(...rest, mask & ~part, across, stages))
        )
          return true
    }
    return false
  }
  return can
}

/**
 * The least that a few pieces cost, by trying everything: sizes in whole units of one digit, at most six pieces.
 * *Returns* `null` where the sheets are not enough.
 */
export function leastCostOf(
  sheets: readonly SearchedSheets[],
  pieces: readonly SearchedPiece[],
  stages: 2 | 3,
): number | null {
  const can = cutsAll(pieces)
  const fits = (one: SearchedSheets, mask: number) => {
    const { widthUm, heightUm } = one.sizeUm
    return can(widthUm, heightUm, mask, true, stages) || can(widthUm, heightUm, mask, false, stages)
  }
  const known = new Map<string, number | null>()
  const least = (mask: number, left: readonly number[]): number | null => {
    if (mask === 0) return 0
    const key = `${mask} ${left.join(' ')}`
    const before = known.get(key)
    if (before !== undefined) return before
    const lowest = mask & -mask
    let best: number | null = null
    sheets.forEach((one, index) => {
      if ((left[index] ?? 0) === 0) return
      const fewer = left.map((count, at) => (at === index ? count - 1 : count))
      for (let part = mask; part > 0; part = (part - 1) & mask) {
        if ((part & lowest) === 0 || !fits(one, part)) continue
        const rest = least(mask & ~part, fewer)
        if (rest !== null && (best === null || rest + one.cost < best)) best = rest + one.cost
      }
    })
    known.set(key, best)
    return best
  }
  return least(
    2 ** pieces.length - 1,
    sheets.map(({ available }) => available),
  )
}

/**
 * The least that can be left undone, of those of the first party first: tries every choice of pieces to leave out.
 * *Returns* how many of each party are missing.
 */
export function leastMissingOf(
  sheets: readonly SearchedSheets[],
  pieces: readonly (SearchedPiece & { readonly party: number })[],
  stages: 2 | 3,
): readonly number[] {
  const parties = Math.max(...pieces.map(({ party }) => party)) + 1
  const all = 2 ** pieces.length
  const missingIn = (mask: number) =>
    Array.from(
      { length: parties },
      (_, party) => pieces.filter((one, at) => one.party === party && (mask & (1 << at)) === 0).length,
    )
  const before = (a: readonly number[], b: readonly number[]) => {
    const at = a.findIndex((count, index) => count !== b[index])
    return at === -1 ? 0 : (a[at] ?? 0) - (b[at] ?? 0)
  }
  const choices = Array.from({ length: all }, (_, mask) => ({ mask, missing: missingIn(mask) })).sort(
    (a, b) => before(a.missing, b.missing),
  )
  const found = choices.find(
    ({ mask }) =>
      leastCostOf(
        sheets,
        pieces.filter((_, at) => (mask & (1 << at)) !== 0),
        stages,
      ) !== null,
  )
  return found?.missing ?? missingIn(0)
}
