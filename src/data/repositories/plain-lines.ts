import type { Insertable, Selectable } from 'kysely'
import type { Db } from '../db'
import type { PlainLineTable } from '../drawer-tables'

export type PlainLineRow = Selectable<PlainLineTable>

/** Plain pieces of some projects, in the order they were asked for. */
export const plainLinesOf = (db: Db, projectIds: readonly string[]): Promise<PlainLineRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('plain_line')
        .selectAll()
        .where('project_id', 'in', projectIds)
        .orderBy('at_ms')
        .orderBy('id')
        .execute()

export async function insertPlainLine(db: Db, line: Insertable<PlainLineTable>): Promise<void> {
  await db.insertInto('plain_line').values(line).execute()
}

export async function setPlainPieces(db: Db, id: string, pieces: number): Promise<void> {
  await db.updateTable('plain_line').set({ pieces }).where('id', '=', id).execute()
}

export async function deletePlainLine(db: Db, id: string): Promise<void> {
  await db.deleteFrom('plain_line').where('id', '=', id).execute()
}

/** How many cuts name plain pieces, undone ones too: the ledger names them. */
export async function cutsOfPlainLine(db: Db, id: string): Promise<number> {
  const row = await db
    .selectFrom('plain_cut_piece')
    .select((count) => count.fn.countAll<number>().as('n'))
    .where('line_id', '=', id)
    .executeTakeFirstOrThrow()
  return row.n
}
