import type { Selectable } from 'kysely'
import type { Db } from '../db'
import type { DeliveryLineTable, DeliveryTable } from '../tables'

type DeliveryRow = Selectable<DeliveryTable>

type DeliveryLineRow = Selectable<DeliveryLineTable>

/** Pieces joined, by line, of some projects. */
export const joinedByLine = (
  db: Db,
  projectIds: readonly string[],
): Promise<{ project_id: string; line_id: string; joined: number }[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('join_move as m')
        .innerJoin('brief_line as l', 'l.id', 'm.line_id')
        .select((select) => ['l.project_id', 'm.line_id', select.fn.sum<number>('m.delta').as('joined')])
        .where('l.project_id', 'in', projectIds)
        .groupBy(['l.project_id', 'm.line_id'])
        .execute()

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

/** Hand-overs of some projects that stand, the first first. */
export const deliveriesOf = (db: Db, projectIds: readonly string[]): Promise<DeliveryRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('delivery')
        .selectAll()
        .where('project_id', 'in', projectIds)
        .where('undone_at_ms', 'is', null)
        .orderBy('handed_over_at_ms')
        .orderBy('id')
        .execute()

/** What went with those hand-overs. */
export const deliveryLinesOf = (db: Db, projectIds: readonly string[]): Promise<DeliveryLineRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('delivery_line as l')
        .innerJoin('delivery as d', 'd.id', 'l.delivery_id')
        .selectAll('l')
        .where('d.project_id', 'in', projectIds)
        .where('d.undone_at_ms', 'is', null)
        .execute()

export async function insertDelivery(
  db: Db,
  delivery: DeliveryRow,
  lines: readonly DeliveryLineRow[],
): Promise<void> {
  await db.insertInto('delivery').values(delivery).execute()
  await db
    .insertInto('delivery_line')
    .values([...lines])
    .execute()
}

/** Marks a hand-over as undone. *Returns* whether it still stood. */
export async function markDeliveryUndone(
  db: Db,
  { projectId, deliveryId, nowMs }: { projectId: string; deliveryId: string; nowMs: number },
): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('delivery')
    .set({ undone_at_ms: nowMs })
    .where('id', '=', deliveryId)
    .where('project_id', '=', projectId)
    .where('undone_at_ms', 'is', null)
    .executeTakeFirst()
  return numUpdatedRows > 0n
}
