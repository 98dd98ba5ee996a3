import { sql, type Insertable, type Selectable } from 'kysely'
import type { Db } from '../db'
import type { LineOrderTable } from '../tables'

export type LineOrderRow = Selectable<LineOrderTable>

/** A step that no later one of its line follows. */
const isLast = sql<boolean>`o.step = (select max(later.step) from line_order as later where later.line_id = o.line_id)`

/** The last step of every line of some projects that has one, without what it says. */
export const lastOrdersOf = (
  db: Db,
  projectIds: readonly string[],
): Promise<{ project_id: string; line_id: string; made_of: string }[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('line_order as o')
        .innerJoin('brief_line as l', 'l.id', 'o.line_id')
        .select(['l.project_id', 'o.line_id', 'o.made_of'])
        .where('l.project_id', 'in', projectIds)
        .where(isLast)
        .execute()

/** The last step of some lines; the steps before it, of which there can be many, are not read. */
export const ordersOfLines = (db: Db, lineIds: readonly string[]): Promise<readonly LineOrderRow[]> =>
  lineIds.length === 0
    ? Promise.resolve([])
    : db.selectFrom('line_order as o').selectAll().where('o.line_id', 'in', lineIds).where(isLast).execute()

/** One more step of a line; none where the last one says the same: a press that is sent again counts once. */
export async function addOrder(db: Db, row: Omit<Insertable<LineOrderTable>, 'step'>): Promise<void> {
  const [last] = await ordersOfLines(db, [row.line_id])
  if (last?.body === row.body && last.made_of === row.made_of && last.seed === row.seed) return
  await db
    .insertInto('line_order')
    .values({ ...row, step: (last?.step ?? 0) + 1 })
    .execute()
}

/** Forgets one step of a line. */
export async function dropOrder(db: Db, lineId: string, step: number): Promise<void> {
  await db.deleteFrom('line_order').where('line_id', '=', lineId).where('step', '=', step).execute()
}
