import { pairOf, type OrderConditions } from './conditions'
import { ParitySets } from './parity'
import { countComponent } from './search'
import { assign, OrderState } from './propagate'
import { Stopped, type SolveLimits } from './limits'

/** A pair whose order is known. */
export interface KnownOrder {
  readonly above: number
  readonly below: number
}

export type OrderResult =
  /** Face i above face j for each [i, j]; `orders` is how many there are, exact unless `atLeast`. */
  | {
      readonly status: 'ordered'
      readonly above: readonly (readonly [number, number])[]
      readonly orders: number
      readonly atLeast: boolean
    }
  | { readonly status: 'no order'; readonly faces: readonly number[] }
  | { readonly status: 'stopped' }

/**
 * Solves the order of layers: equalities by union-find with parity, then propagation, components and backtracking.
 * Counts of components multiply. *Returns* one order and how many there are, or the faces of a contradiction.
 */
export function solveOrder(
  conditions: OrderConditions,
  known: readonly KnownOrder[],
  limits: SolveLimits,
): OrderResult {
  const { pairs } = conditions
  const sets = new ParitySets(pairs.count)
  for (const { one, other, sign } of conditions.equal)
    if (!sets.tieInPlace(one, other, sign))
      return { status: 'no order', faces: facesOf(conditions, [one, other]) }
  const state = new OrderState(conditions, sets)
  for (const { above, below } of known) {
    const place = pairOf(pairs, above, below)
    if (!place) continue
    const failed = assign(state, place.pair, place.sign)
    if (failed !== null) return { status: 'no order', faces: facesOf(conditions, [place.pair, failed]) }
  }
  const alone = state.propagateAllInPlace()
  if (alone !== null) return { status: 'no order', faces: facesOf(conditions, [alone]) }
  const first = Int8Array.from(state.values)
  let orders = 1
  let atLeast = false
  const budget = { triesLeft: limits.mostTries ?? Infinity }
  try {
    for (const group of state.components()) {
      const count = countComponent(state, group, limits, budget, first)
      if (count === 0) return { status: 'no order', faces: facesOf(conditions, state.pairsOfUnits(group)) }
      atLeast ||= count >= limits.most && limits.most > 0
      orders *= count
    }
  } catch (error) {
    if (error instanceof Stopped) return { status: 'stopped' }
    throw error
  }
  const above = pairs.faces.map(([i, j], pair): readonly [number, number] =>
    (first[state.unitOf[pair] ?? 0] ?? 1) * (state.signOf[pair] ?? 1) < 0 ? [j, i] : [i, j],
  )
  return { status: 'ordered', above, orders, atLeast }
}

const facesOf = ({ pairs }: OrderConditions, numbers: readonly number[]): readonly number[] => [
  ...new Set(numbers.flatMap((pair) => pairs.faces[pair] ?? [])),
]
