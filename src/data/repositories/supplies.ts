import type { Insertable, Selectable } from 'kysely'
import type { Db } from '../db'
import type { SupplyMoveTable, SupplyTable } from '../drawer-tables'

/** A supply with what is there of it: pieces, or micrometres of what is measured. */
export interface SupplyRow extends Selectable<SupplyTable> {
  readonly amount: number
}

const supplies = (db: Db) =>
  db
    .selectFrom('supply as s')
    .leftJoin('supply_level as v', 'v.supply_id', 's.id')
    .selectAll('s')
    .select((select) => select.fn.coalesce('v.amount', select.lit(0)).as('amount'))

/** What is in use, by name. */
export const listSupplies = (db: Db): Promise<SupplyRow[]> =>
  supplies(db).where('s.archived_at_ms', 'is', null).orderBy('s.name').execute()

export const findSupply = (db: Db, id: string): Promise<SupplyRow | undefined> =>
  supplies(db).where('s.id', '=', id).executeTakeFirst()

export async function insertSupply(db: Db, supply: Insertable<SupplyTable>): Promise<void> {
  await db.insertInto('supply').values(supply).execute()
}

export async function archiveSupply(db: Db, id: string, atMs: number): Promise<void> {
  await db.updateTable('supply').set({ archived_at_ms: atMs }).where('id', '=', id).execute()
}

/** Adds a movement to the ledger and carries the level along. A level below zero is refused by the database. */
export async function addSupplyMove(db: Db, move: Insertable<SupplyMoveTable>): Promise<void> {
  await db.insertInto('supply_move').values(move).execute()
  await db
    .insertInto('supply_level')
    .values({ supply_id: move.supply_id, amount: 0 })
    .onConflict((conflict) => conflict.column('supply_id').doNothing())
    .execute()
  await db
    .updateTable('supply_level')
    .set((set) => ({ amount: set('amount', '+', move.delta) }))
    .where('supply_id', '=', move.supply_id)
    .execute()
}

/** A movement with whether another took it back. */
export interface SupplyMoveRow extends Selectable<SupplyMoveTable> {
  readonly undone: number
}

const moves = (db: Db) =>
  db
    .selectFrom('supply_move as m')
    .leftJoin('supply_move as u', 'u.undoes', 'm.id')
    .selectAll('m')
    .select((select) => select('u.id', 'is not', null).$castTo<number>().as('undone'))

/** The latest movements of all supplies, newest first. */
export const latestSupplyMoves = (db: Db, most: number): Promise<SupplyMoveRow[]> =>
  moves(db).orderBy('m.seq', 'desc').limit(most).execute()

export const findSupplyMove = (db: Db, id: string): Promise<SupplyMoveRow | undefined> =>
  moves(db).where('m.id', '=', id).executeTakeFirst()
