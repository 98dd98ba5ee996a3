import type { Brief, Reservation } from './types'
import type { StockSheets } from '../cut'
import { sum } from './progress'

export type Claimant = Pick<Brief, 'id' | 'dueOn' | 'createdAtMs' | 'holdFirst'>

const NEVER = '9999-12-31'

/**
 * Whose sheets come first: the user's own choice, then the earlier date, then the older project. A project without a
 * date comes after all that have one.
 */
export function byPrecedence(a: Claimant, b: Claimant): number {
  const [due, other] = [a.dueOn ?? NEVER, b.dueOn ?? NEVER]
  return (
    Number(b.holdFirst) - Number(a.holdFirst) ||
    (due < other ? -1 : due > other ? 1 : 0) ||
    a.createdAtMs - b.createdAtMs ||
    (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
  )
}

/**
 * Sheets that projects planned together may plan with: what is in the drawer less what projects before them have been
 * promised. They come where the first of them comes.
 */
export function sheetsFor(
  together: readonly Claimant[],
  stock: readonly StockSheets[],
  reservations: readonly Reservation[],
  others: ReadonlyMap<string, Claimant>,
): readonly StockSheets[] {
  const own = new Set(together.map(({ id }) => id))
  const before = reservations.filter(({ projectId }) => {
    const other = others.get(projectId)
    return !own.has(projectId) && other !== undefined && together.every((one) => byPrecedence(other, one) < 0)
  })
  return stock.map((one) => ({
    ...one,
    available: Math.max(
      0,
      one.available -
        sum(
          before.filter(({ stockId }) => stockId === one.stockId),
          ({ sheets }) => sheets,
        ),
    ),
  }))
}
