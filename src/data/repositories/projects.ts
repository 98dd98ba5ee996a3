import type { Db } from '../db'
import type { BriefLinePaperRow, BriefLineRow, NewBriefLine, NewProject, ProjectRow } from '../tables'

export const listProjects = (db: Db, archived: boolean): Promise<ProjectRow[]> =>
  db
    .selectFrom('project')
    .selectAll()
    .where('archived_at_ms', archived ? 'is not' : 'is', null)
    .orderBy((order) => order.fn.coalesce('due_on', order.val('9999')))
    .orderBy('name')
    .execute()

export const findProject = (db: Db, id: string): Promise<ProjectRow | undefined> =>
  db.selectFrom('project').selectAll().where('id', '=', id).executeTakeFirst()

export async function insertProject(db: Db, project: NewProject): Promise<void> {
  await db.insertInto('project').values(project).execute()
}

export async function updateProject(db: Db, id: string, change: Partial<NewProject>): Promise<void> {
  await db.updateTable('project').set(change).where('id', '=', id).execute()
}

export const linesOf = (db: Db, projectId: string): Promise<BriefLineRow[]> =>
  db.selectFrom('brief_line').selectAll().where('project_id', '=', projectId).orderBy('ordinal').execute()

export const linePapersOf = (db: Db, lineIds: readonly string[]): Promise<BriefLinePaperRow[]> =>
  lineIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('brief_line_paper')
        .selectAll()
        .where('line_id', 'in', lineIds)
        .orderBy('ordinal')
        .execute()

/** Writes a line as it now is, with its papers. */
export async function saveLine(
  db: Db,
  line: NewBriefLine,
  papers: readonly { readonly paperId: string; readonly pieces: number }[],
): Promise<void> {
  const { id, ...change } = line
  await db
    .insertInto('brief_line')
    .values(line)
    .onConflict((conflict) => conflict.column('id').doUpdateSet(change))
    .execute()
  await db.deleteFrom('brief_line_paper').where('line_id', '=', id).execute()
  await db
    .insertInto('brief_line_paper')
    .values(
      papers.map((paper, ordinal) => ({
        line_id: id,
        paper_id: paper.paperId,
        ordinal,
        pieces: paper.pieces,
      })),
    )
    .execute()
}

export async function deleteLine(db: Db, id: string): Promise<void> {
  await db.deleteFrom('brief_line').where('id', '=', id).execute()
}

/** How many cuts (not undone), runs and joins depend on a line. */
export async function dependentsOfLine(
  db: Db,
  lineId: string,
): Promise<{ cuts: number; runs: number; joins: number }> {
  const row = await db
    .selectNoFrom((select) => [
      select
        .selectFrom('cut')
        .select((count) => count.fn.countAll<number>().as('n'))
        .where('line_id', '=', lineId)
        .as('cuts'),
      select
        .selectFrom('run')
        .select((count) => count.fn.countAll<number>().as('n'))
        .where('line_id', '=', lineId)
        .as('runs'),
      select
        .selectFrom('join_move')
        .select((count) => count.fn.countAll<number>().as('n'))
        .where('line_id', '=', lineId)
        .as('joins'),
    ])
    .executeTakeFirstOrThrow()
  return { cuts: row.cuts ?? 0, runs: row.runs ?? 0, joins: row.joins ?? 0 }
}
