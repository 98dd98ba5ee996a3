import type { Insertable } from 'kysely'
import type { Db } from '../db'
import type { PaperTable } from '../drawer-tables'
import type { PaperRow } from '../tables'

type NewPaper = Insertable<PaperTable>

/** Papers in the drawer, by name. */
export const listPapers = (db: Db): Promise<PaperRow[]> =>
  db.selectFrom('paper').selectAll().where('archived_at_ms', 'is', null).orderBy('name').execute()

/** Papers by id, those put away too. */
export const papersById = (db: Db, ids: readonly string[]): Promise<PaperRow[]> =>
  ids.length === 0 ? Promise.resolve([]) : db.selectFrom('paper').selectAll().where('id', 'in', ids).execute()

export const findPaper = (db: Db, id: string): Promise<PaperRow | undefined> =>
  db.selectFrom('paper').selectAll().where('id', '=', id).executeTakeFirst()

export async function insertPaper(db: Db, paper: NewPaper): Promise<void> {
  await db.insertInto('paper').values(paper).execute()
}

export async function updatePaper(db: Db, id: string, change: Partial<NewPaper>): Promise<void> {
  await db.updateTable('paper').set(change).where('id', '=', id).execute()
}

/** Unfinished projects that plan with each of some papers. */
export const projectsByPaper = (db: Db) =>
  db
    .selectFrom('line_part_paper as p')
    .innerJoin('brief_line as l', 'l.id', 'p.line_id')
    .innerJoin('project as j', 'j.id', 'l.project_id')
    .select(['p.paper_id', 'j.id', 'j.name'])
    .distinct()
    .where('j.archived_at_ms', 'is', null)
    .union(
      db
        .selectFrom('plain_line as l')
        .innerJoin('project as j', 'j.id', 'l.project_id')
        .select(['l.paper_id', 'j.id', 'j.name'])
        .where('j.archived_at_ms', 'is', null),
    )
    .orderBy('name')
    .execute()

/** Names of the unfinished projects that plan with a paper. */
export async function projectsUsingPaper(db: Db, paperId: string): Promise<readonly string[]> {
  const rows = await db
    .selectFrom('line_part_paper as p')
    .innerJoin('brief_line as l', 'l.id', 'p.line_id')
    .innerJoin('project as j', 'j.id', 'l.project_id')
    .select('j.name')
    .distinct()
    .where('p.paper_id', '=', paperId)
    .where('j.archived_at_ms', 'is', null)
    .union(
      db
        .selectFrom('plain_line as l')
        .innerJoin('project as j', 'j.id', 'l.project_id')
        .select('j.name')
        .where('l.paper_id', '=', paperId)
        .where('j.archived_at_ms', 'is', null),
    )
    .execute()
  return rows.map((row) => row.name)
}
