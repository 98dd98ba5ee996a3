import type { Db } from '../db'

export interface DeedDone {
  readonly inputHash: string
  readonly answer: string
}

/** What a deed of this id answered; `undefined` where it was never done. */
export async function findDeedDone(db: Db, id: string): Promise<DeedDone | undefined> {
  const row = await db.selectFrom('deed_done').selectAll().where('id', '=', id).executeTakeFirst()
  return row && { inputHash: row.input_hash, answer: row.answer }
}

export async function insertDeedDone(
  db: Db,
  deed: DeedDone & { readonly id: string; readonly nowMs: number },
): Promise<void> {
  await db
    .insertInto('deed_done')
    .values({ id: deed.id, input_hash: deed.inputHash, answer: deed.answer, at_ms: deed.nowMs })
    .execute()
}

export async function forgetDeedsDoneBefore(db: Db, beforeMs: number): Promise<void> {
  await db.deleteFrom('deed_done').where('at_ms', '<', beforeMs).execute()
}
