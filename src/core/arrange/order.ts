import { CoreError, requireCount } from '../errors'
import { searchOrder } from './exact'
import { clashesOf, fewestClashes } from './feasible'
import { arrangeOnNet, besideOf } from './net'
import { forcedClashes } from './net-bound'
import { otherOrder, quickOrder, type StringProblem } from './quick'
import type { Neighbours, Order, OrderProblem } from './types'

/** Most positions one arrangement may have. */
export const MOST_POSITIONS = 1000
/** Up to so many positions the order is proven. */
export const PROVEN_POSITIONS = 24

/**
 * The order of coloured pieces with the fewest like neighbours, each colour spread evenly: proven to 24 positions, good
 * beyond; that no order has fewer clashes is known for any number of a ring or a line where nothing is locked. A seed
 * other than 0 asks for another order with as few clashes.
 * *Throws* `NOT_INTEGER` or `OUT_OF_RANGE` for counts that are none, too many positions, or locks outside or of more
 * pieces than there are.
 */
export function arrangeInOrder(problem: OrderProblem): Order {
  const { neighbours, counts, locked, seed = 0 } = problem
  for (const count of counts) requireCount('count', count, 0, MOST_POSITIONS)
  const positions = counts.reduce((sum, count) => sum + count, 0)
  requireCount('positions', positions, 0, MOST_POSITIONS)
  const held = counts.map(() => 0)
  for (const [position, colour] of locked) {
    requireCount('locked position', position, 0, positions - 1)
    requireCount('locked colour', colour, 0, counts.length - 1)
    held[colour] = (held[colour] ?? 0) + 1
    if ((held[colour] ?? 0) > (counts[colour] ?? 0))
      throw new CoreError('OUT_OF_RANGE', {
        name: 'locked',
        value: held[colour] ?? 0,
        max: counts[colour] ?? 0,
      })
  }
  if (neighbours !== 'ring' && neighbours !== 'line') {
    const { colours, fewest } = arrangeOnNet(problem, neighbours, PROVEN_POSITIONS)
    return { colours, clashes: clashesOf(neighbours, colours), fewest, mostEven: false }
  }
  const string: StringProblem = { shape: neighbours, counts, locked }
  const { colours, whole } = stringOrder(string, seed)
  const clashes = clashesOf(neighbours, colours)
  return {
    colours,
    clashes,
    fewest: whole || clashes.length === fewestClashes(neighbours, counts),
    mostEven: whole,
  }
}

function stringOrder(problem: StringProblem, seed: number) {
  const quick = quickOrder(problem)
  const positions = quick.length
  if (seed !== 0) return { colours: otherOrder(problem, quick, seed), whole: false }
  return positions <= PROVEN_POSITIONS ? searchOrder(problem, quick) : { colours: quick, whole: false }
}

/** What an order that somebody made comes to. */
export function orderAs(
  neighbours: Neighbours,
  colours: readonly number[],
  counts: readonly number[],
): Order {
  const clashes = clashesOf(neighbours, colours)
  const least =
    neighbours === 'ring' || neighbours === 'line'
      ? fewestClashes(neighbours, counts)
      : forcedClashes(besideOf(colours.length, neighbours), counts)
  return {
    colours,
    clashes,
    fewest: clashes.length === least,
    mostEven: false,
  }
}
