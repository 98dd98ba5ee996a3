import { assign, type OrderState } from './propagate'
import { Stopped, type SolveLimits } from './limits'

/** Work left, shared by all components of one problem. */
interface Budget {
  triesLeft: number
}

/**
 * Counts the orders of one component up to `limits.most`, leaving the first one in `first`.
 * Depth first over the units in the order of their faces, so that each guess concerns faces already arranged among
 * themselves. *Throws* `Stopped` when the budget is used up or the caller wants no more.
 */
export function countComponent(
  state: OrderState,
  group: readonly number[],
  limits: SolveLimits,
  budget: Budget,
  first: Int8Array,
): number {
  const order = inFaceOrder(state, group)
  let found = 0
  /** Guesses open now: where in the order, how long the trail was before it, which sign is tried. */
  const open: { at: number; trail: number; sign: number }[] = []
  let at = 0
  const start = state.trail.length
  for (;;) {
    while (at < order.length && (state.values[order[at] ?? 0] ?? 0) !== 0) at++
    let retreat = false
    if (at === order.length) {
      if (found === 0) for (const unit of group) first[unit] = state.values[unit] ?? 0
      found++
      if (found >= limits.most) break
      retreat = true
    } else {
      open.push({ at, trail: state.trail.length, sign: 1 })
      retreat = !attempt(state, order[at] ?? 0, 1, limits, budget)
    }
    while (retreat) {
      const last = open.at(-1)
      if (!last) break
      state.undoInPlace(last.trail)
      if (last.sign < 0) {
        open.pop()
        continue
      }
      last.sign = -1
      at = last.at
      retreat = !attempt(state, order[at] ?? 0, -1, limits, budget)
    }
    if (retreat) break
  }
  state.undoInPlace(start)
  return found
}

function attempt(
  state: OrderState,
  unit: number,
  sign: number,
  limits: SolveLimits,
  budget: Budget,
): boolean {
  if (budget.triesLeft-- <= 0 || limits.shouldStop?.()) throw new Stopped()
  const pair = state.members[unit]?.[0] ?? 0
  return assign(state, pair, sign * (state.signOf[pair] ?? 1)) === null
}

/** Units by the later face of their earliest pair: faces are put in one after another. */
function inFaceOrder(state: OrderState, group: readonly number[]): readonly number[] {
  const { faces, faceCount } = state.conditions.pairs
  const rank = (unit: number) =>
    (state.members[unit] ?? []).reduce((least, pair) => {
      const [i = 0, j = 0] = faces[pair] ?? []
      return Math.min(least, Math.max(i, j) * faceCount + Math.min(i, j))
    }, Infinity)
  return group
    .map((unit) => ({ unit, rank: rank(unit) }))
    .sort((a, b) => a.rank - b.rank)
    .map(({ unit }) => unit)
}
