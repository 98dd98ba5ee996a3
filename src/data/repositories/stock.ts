import type { Selectable, Insertable } from 'kysely'
import { sizeAsKept } from '@/core/paper'
import type { SizeUm } from '@/core/sheet'
import type { Db } from '../db'
import type { StockItemTable, StockMoveTable } from '../drawer-tables'
import type { PaperRow } from '../tables'

type NewStockMove = Insertable<StockMoveTable>

type StockItemRow = Selectable<StockItemTable>

export interface StockLine extends StockItemRow, Pick<PaperRow, 'grain' | 'turnable' | 'tolerance_um'> {
  readonly amount: number
}

const stockLines = (db: Db) =>
  db
    .selectFrom('stock_item as i')
    .innerJoin('paper as p', 'p.id', 'i.paper_id')
    .leftJoin('stock_level as v', 'v.stock_item_id', 'i.id')
    .selectAll('i')
    .select(['p.grain', 'p.turnable', 'p.tolerance_um'])
    .select((select) => select.fn.coalesce('v.amount', select.lit(0)).as('amount'))

/** Sizes of some papers with what is there, whole sheets first, large before small. */
export const stockOf = (db: Db, paperIds: readonly string[]): Promise<StockLine[]> =>
  paperIds.length === 0
    ? Promise.resolve([])
    : stockLines(db)
        .where('i.paper_id', 'in', paperIds)
        .orderBy('i.offcut')
        .orderBy('i.width_um', 'desc')
        .orderBy('i.height_um', 'desc')
        .execute()

/** How many sheets there are, offcuts left out. */
export const wholeSheets = (lines: readonly StockLine[]): number =>
  lines.reduce((sum, { offcut, amount }) => sum + (offcut === 1 ? 0 : amount), 0)

export const findStockLine = (db: Db, id: string): Promise<StockLine | undefined> =>
  stockLines(db).where('i.id', '=', id).executeTakeFirst()

/** The stock item of a paper and size, made where it is new; see `sizeAsKept`. */
export async function stockItemFor(
  db: Db,
  item: { readonly id: string; readonly paperId: string; readonly sizeUm: SizeUm; readonly offcut: boolean },
): Promise<string> {
  const paper = await db
    .selectFrom('paper')
    .select(['grain', 'turnable'])
    .where('id', '=', item.paperId)
    .executeTakeFirstOrThrow()
  const { widthUm: width_um, heightUm: height_um } = sizeAsKept(
    { grain: paper.grain, turnable: paper.turnable === 1 },
    item.sizeUm,
    item.offcut,
  )
  const key = { paper_id: item.paperId, width_um, height_um, offcut: item.offcut ? 1 : 0 }
  await db
    .insertInto('stock_item')
    .values({ ...key, id: item.id, price_minor: null })
    .onConflict((conflict) => conflict.columns(['paper_id', 'width_um', 'height_um', 'offcut']).doNothing())
    .execute()
  const row = await db
    .selectFrom('stock_item')
    .select('id')
    .where('paper_id', '=', key.paper_id)
    .where('width_um', '=', width_um)
    .where('height_um', '=', height_um)
    .where('offcut', '=', key.offcut)
    .executeTakeFirstOrThrow()
  return row.id
}

export async function setPrice(db: Db, stockItemId: string, priceMinor: number): Promise<void> {
  await db.updateTable('stock_item').set({ price_minor: priceMinor }).where('id', '=', stockItemId).execute()
}

export async function setSoldAs(db: Db, stockItemId: string, soldAs: string): Promise<void> {
  await db.updateTable('stock_item').set({ sold_as: soldAs }).where('id', '=', stockItemId).execute()
}

export async function setKeptFor(db: Db, stockItemId: string, keptFor: StockLine['kept_for']): Promise<void> {
  await db.updateTable('stock_item').set({ kept_for: keptFor }).where('id', '=', stockItemId).execute()
}

/**
 * Lays the whole sheets of a paper as they are kept by what is said of it now. A size that is there both ways stays, and
 * so do offcuts: which way they were cut is known only as they lie.
 */
export async function layAsKept(db: Db, paperId: string): Promise<void> {
  const lines = (await stockOf(db, [paperId])).filter(({ offcut }) => offcut === 0)
  for (const { id, width_um, height_um, grain, turnable } of lines) {
    const as = sizeAsKept(
      { grain, turnable: turnable === 1 },
      { widthUm: width_um, heightUm: height_um },
      false,
    )
    const twin = lines.some((one) => one.width_um === as.widthUm && one.height_um === as.heightUm)
    if (!twin)
      await db
        .updateTable('stock_item')
        .set({ width_um: as.widthUm, height_um: as.heightUm })
        .where('id', '=', id)
        .execute()
  }
}

/** Adds moves to the ledger and carries the levels along. A level below zero is refused by the database. */
export async function addStockMoves(db: Db, moves: readonly NewStockMove[]): Promise<void> {
  for (const move of moves) {
    await db.insertInto('stock_move').values(move).execute()
    await db
      .insertInto('stock_level')
      .values({ stock_item_id: move.stock_item_id, amount: 0 })
      .onConflict((conflict) => conflict.column('stock_item_id').doNothing())
      .execute()
    await db
      .updateTable('stock_level')
      .set((set) => ({ amount: set('amount', '+', move.delta) }))
      .where('stock_item_id', '=', move.stock_item_id)
      .execute()
  }
}

/** Moves that a cut made, in their order. */
export const movesOfCut = (db: Db, cutId: string) =>
  db
    .selectFrom('stock_move')
    .select(['stock_item_id', 'delta', 'kind'])
    .where('cut_id', '=', cutId)
    .orderBy('seq')
    .execute()

/** A movement of the ledger with the size it is of, and whether another took it back. */
export interface StockMoveRow extends Selectable<StockMoveTable> {
  readonly paper_id: string
  readonly width_um: number
  readonly height_um: number
  readonly offcut: number
  readonly undone: number
}

const moves = (db: Db) =>
  db
    .selectFrom('stock_move as m')
    .innerJoin('stock_item as i', 'i.id', 'm.stock_item_id')
    .leftJoin('stock_move as u', 'u.undoes', 'm.id')
    .selectAll('m')
    .select(['i.paper_id', 'i.width_um', 'i.height_um', 'i.offcut'])
    .select((select) => select('u.id', 'is not', null).$castTo<number>().as('undone'))

/** The latest movements of a paper, newest first. */
export const latestMovesOf = (db: Db, paperId: string, most: number): Promise<StockMoveRow[]> =>
  moves(db).where('i.paper_id', '=', paperId).orderBy('m.seq', 'desc').limit(most).execute()

export const findMove = (db: Db, id: string): Promise<StockMoveRow | undefined> =>
  moves(db).where('m.id', '=', id).executeTakeFirst()

/** Projects that cut sheets of a stock item, and those that were promised some. */
export async function usersOfStock(db: Db, stockItemId: string): Promise<readonly string[]> {
  const promised = db
    .selectFrom('reservation as r')
    .innerJoin('project_cut_plan as own', 'own.project_id', 'r.project_id')
    .innerJoin('project_cut_plan as shared', 'shared.cut_plan_id', 'own.cut_plan_id')
    .innerJoin('project as p', 'p.id', 'shared.project_id')
    .select('p.name')
    .where('r.stock_item_id', '=', stockItemId)
  const cut = db
    .selectFrom('stock_move as m')
    .innerJoin('cut as c', 'c.id', 'm.cut_id')
    .innerJoin('project as p', 'p.id', 'c.project_id')
    .select('p.name')
    .where('m.stock_item_id', '=', stockItemId)
    .where('c.undone_at_ms', 'is', null)
  const rows = await promised.union(cut).orderBy('name').execute()
  return rows.map(({ name }) => name)
}

/** Makes the levels anew from the ledger. */
export async function rebuildStockLevels(db: Db): Promise<void> {
  await db.deleteFrom('stock_level').execute()
  await db
    .insertInto('stock_level')
    .columns(['stock_item_id', 'amount'])
    .expression((from) =>
      from
        .selectFrom('stock_move')
        .select((select) => ['stock_item_id', select.fn.sum<number>('delta').as('amount')])
        .groupBy('stock_item_id'),
    )
    .execute()
}
