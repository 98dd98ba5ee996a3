import { CoreError, requireCount } from '../errors'
import { searchOrder } from './exact'
import { clashesOf, fewestClashes } from './feasible'
import { quickOrder } from './quick'
import type { Order, OrderProblem } from './types'

/** Most positions one arrangement may have. */
export const MOST_POSITIONS = 1000
/** Up to so many positions the order is proven. */
export const PROVEN_POSITIONS = 24

/**
 * The order of coloured pieces with the fewest like neighbours, each colour spread evenly: proven to 24 positions, good
 * beyond; that no order has fewer clashes is known for any number where nothing is locked.
 * *Throws* `NOT_INTEGER` or `OUT_OF_RANGE` for counts that are none, too many positions, or locks outside or of more
 * pieces than there are.
 */
export function arrangeInOrder(problem: OrderProblem): Order {
  const { shape, counts, locked } = problem
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
  const quick = quickOrder(problem)
  const { colours, whole } =
    positions <= PROVEN_POSITIONS ? searchOrder(problem, quick) : { colours: quick, whole: false }
  const clashes = clashesOf(shape, colours)
  return {
    colours,
    clashes,
    fewest: whole || clashes.length === fewestClashes(shape, counts),
    mostEven: whole,
  }
}
