import type { StockSheets } from '@/core/cut'
import { byPrecedence, sheetsFor, type Claimant, type Reservation } from '@/core/plan'
import type { Db } from '@/data/db'
import { allReservations, replaceReservations } from '@/data/repositories/cut-plans'
import { stockOf, type StockLine } from '@/data/repositories/stock'
import type { ProjectRow } from '@/data/tables'
import type { FlowContext } from './flow-context'
import { claimantOf, mayCut, paperIdsOf, stockSheets } from './project-plan'
import type { LoadedProject } from './project-records'

/**
 * Who was promised which sheets, while projects are planned one after another. What projects that are cut together take is
 * promised to the first of them.
 */
export class Promises {
  #reservations: readonly Reservation[]
  readonly #db: Db
  readonly #stock: readonly StockLine[]
  readonly #claimants: ReadonlyMap<string, Claimant>

  constructor(
    db: Db,
    stock: readonly StockLine[],
    reservations: readonly Reservation[],
    claimants: ReadonlyMap<string, Claimant>,
  ) {
    this.#db = db
    this.#stock = stock
    this.#reservations = reservations
    this.#claimants = claimants
  }

  /**
   * Sheets of their papers that some projects may be planned with: less what those before them were promised. Strips kept
   * for stems only where all of them roll some.
   */
  sheetsFor(projects: readonly LoadedProject[]): readonly StockSheets[] {
    const papers = new Set(projects.flatMap(paperIdsOf))
    const stock = this.#stock
      .filter((line) => papers.has(line.paper_id) && projects.every((one) => mayCut(one)(line)))
      .map(stockSheets)
    const together = projects.map(({ row }) => claimantOf(row))
    return sheetsFor(together, stock, this.#reservations, this.#claimants)
  }

  /** What some projects were promised together, by stock. */
  of(projectIds: readonly string[]): ReadonlyMap<string, number> {
    const promised = new Map<string, number>()
    for (const { projectId, stockId, sheets } of this.#reservations)
      if (projectIds.includes(projectId)) promised.set(stockId, (promised.get(stockId) ?? 0) + sheets)
    return promised
  }

  /** Promises projects that are cut together these sheets and no others, and stores that. */
  async replace(projectIds: readonly string[], sheets: ReadonlyMap<string, number>): Promise<void> {
    const [first, ...others] = projectIds.toSorted((a, b) => {
      const [one, other] = [this.#claimants.get(a), this.#claimants.get(b)]
      return one && other ? byPrecedence(one, other) : 0
    })
    if (first === undefined) return
    this.#reservations = [
      ...this.#reservations.filter((one) => !projectIds.includes(one.projectId)),
      ...[...sheets].map(([stockId, count]) => ({ projectId: first, stockId, sheets: count })),
    ]
    for (const id of others) await replaceReservations(this.#db, id, new Map())
    await replaceReservations(this.#db, first, sheets)
  }
}

/** Promises as they stand, for planning some of the projects that are not put away. */
export async function promisesOf(
  { db }: FlowContext,
  projects: readonly LoadedProject[],
  open: readonly ProjectRow[],
): Promise<Promises> {
  const stock = await stockOf(db, [...new Set(projects.flatMap(paperIdsOf))])
  const reservations = (await allReservations(db)).map((row) => ({
    projectId: row.project_id,
    stockId: row.stock_item_id,
    sheets: row.sheets,
  }))
  return new Promises(db, stock, reservations, new Map(open.map((row) => [row.id, claimantOf(row)])))
}
