import type { Db } from '../db'
import type { DeliveryRow } from '../tables'

/** Pieces joined, by line. */
export async function joinedByLine(db: Db, projectId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await db
    .selectFrom('join_move as m')
    .innerJoin('brief_line as l', 'l.id', 'm.line_id')
    .select((select) => ['m.line_id', select.fn.sum<number>('m.delta').as('joined')])
    .where('l.project_id', '=', projectId)
    .groupBy('m.line_id')
    .execute()
  return new Map(rows.map((row) => [row.line_id, row.joined]))
}

/** Adds a join unless its id is known; the same press counts once. */
export async function insertJoin(
  db: Db,
  move: { readonly id: string; readonly lineId: string; readonly delta: number; readonly atMs: number },
): Promise<void> {
  await db
    .insertInto('join_move')
    .values({ id: move.id, line_id: move.lineId, delta: move.delta, at_ms: move.atMs })
    .onConflict((conflict) => conflict.column('id').doNothing())
    .execute()
}

/** The hand-over of a project that stands, if any. */
export const deliveryOf = (db: Db, projectId: string): Promise<DeliveryRow | undefined> =>
  db
    .selectFrom('delivery')
    .selectAll()
    .where('project_id', '=', projectId)
    .where('undone_at_ms', 'is', null)
    .orderBy('handed_over_at_ms', 'desc')
    .executeTakeFirst()

export async function insertDelivery(db: Db, delivery: DeliveryRow): Promise<void> {
  await db.insertInto('delivery').values(delivery).execute()
}

export async function markDeliveryUndone(db: Db, projectId: string, nowMs: number): Promise<void> {
  await db
    .updateTable('delivery')
    .set({ undone_at_ms: nowMs })
    .where('project_id', '=', projectId)
    .where('undone_at_ms', 'is', null)
    .execute()
}
