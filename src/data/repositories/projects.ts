import type { Db } from '../db'
import type {
  BriefLineRow,
  LinePartPaperRow,
  LinePartRow,
  NewBriefLine,
  NewProject,
  ProjectRow,
} from '../tables'

/** Projects by date, some of them. */
export const listProjects = (
  db: Db,
  { archived, from, most }: { readonly archived: boolean; readonly from: number; readonly most: number },
): Promise<ProjectRow[]> =>
  db
    .selectFrom('project')
    .selectAll()
    .where('archived_at_ms', archived ? 'is not' : 'is', null)
    .orderBy((order) => order.fn.coalesce('due_on', order.val('9999')))
    .orderBy('name')
    .orderBy('id')
    .offset(from)
    .limit(most)
    .execute()

export async function countProjects(db: Db, archived: boolean): Promise<number> {
  const { n } = await db
    .selectFrom('project')
    .select((select) => select.fn.countAll<number>().as('n'))
    .where('archived_at_ms', archived ? 'is not' : 'is', null)
    .executeTakeFirstOrThrow()
  return n
}

/** Projects that are not put away and of which anything is still owed: a line's pieces, or a brief. */
const owing = (db: Db) =>
  db
    .selectFrom('project as j')
    .where('j.archived_at_ms', 'is', null)
    .where((where) =>
      where.or([
        where.not(
          where.exists(
            where.selectFrom('brief_line as l').select('l.id').whereRef('l.project_id', '=', 'j.id'),
          ),
        ),
        where.exists(
          where
            .selectFrom('brief_line as l')
            .select('l.id')
            .whereRef('l.project_id', '=', 'j.id')
            .where('l.attached_to', 'is', null)
            .where('l.pieces', '>', (given) =>
              given
                .selectFrom('delivery_line as w')
                .innerJoin('delivery as d', 'd.id', 'w.delivery_id')
                .select((select) =>
                  select.fn.coalesce(select.fn.sum<number>('w.pieces'), select.lit(0)).as('n'),
                )
                .whereRef('w.line_id', '=', 'l.id')
                .where('d.undone_at_ms', 'is', null),
            ),
        ),
      ]),
    )

/** The first of them by date. */
export const listOwing = (db: Db, most: number): Promise<ProjectRow[]> =>
  owing(db)
    .selectAll('j')
    .orderBy((order) => order.fn.coalesce('j.due_on', order.val('9999')))
    .orderBy('j.name')
    .orderBy('j.id')
    .limit(most)
    .execute()

export async function countOwing(db: Db): Promise<number> {
  const { n } = await owing(db)
    .select((select) => select.fn.countAll<number>().as('n'))
    .executeTakeFirstOrThrow()
  return n
}

/** Names of the projects that were planned last, put away or not. */
export const latestProjects = (db: Db, most: number): Promise<Pick<ProjectRow, 'id' | 'name' | 'due_on'>[]> =>
  db
    .selectFrom('project')
    .select(['id', 'name', 'due_on'])
    .orderBy('created_at_ms', 'desc')
    .orderBy('id')
    .limit(most)
    .execute()

/**
 * Occasions of every year whose day has passed, put away or not; but those that were planned again, where that one comes
 * again itself or is still to come.
 */
export const yearlyWithoutNext = (db: Db, today: string): Promise<(ProjectRow & { due_on: string })[]> =>
  db
    .selectFrom('project as j')
    .selectAll('j')
    .where('j.yearly', '=', 1)
    .where('j.due_on', '<', today)
    .where((where) =>
      where.not(
        where.exists(
          where
            .selectFrom('project as next')
            .select('next.id')
            .whereRef('next.again_of', '=', 'j.id')
            .where((one) => one.or([one('next.yearly', '=', 1), one('next.due_on', '>=', today)])),
        ),
      ),
    )
    .$narrowType<{ due_on: string }>()
    .execute()

/** Projects that are not put away. */
export const listOpenProjects = (db: Db): Promise<ProjectRow[]> =>
  db.selectFrom('project').selectAll().where('archived_at_ms', 'is', null).execute()

/** Projects that are not put away and have no lines yet, or a line of which pieces are still owed. */
export const listOwingProjects = (db: Db): Promise<ProjectRow[]> =>
  db
    .selectFrom('project as p')
    .selectAll('p')
    .where('p.archived_at_ms', 'is', null)
    .where((where) =>
      where.or([
        where.not(
          where.exists(where.selectFrom('brief_line').select('id').whereRef('project_id', '=', 'p.id')),
        ),
        where.exists(
          where
            .selectFrom('brief_line as l')
            .select('l.id')
            .whereRef('l.project_id', '=', 'p.id')
            .where('l.attached_to', 'is', null)
            .where('l.pieces', '>', (handed) =>
              handed
                .selectFrom('delivery_line as d')
                .innerJoin('delivery as h', 'h.id', 'd.delivery_id')
                .select((sum) => sum.fn.coalesce(sum.fn.sum<number>('d.pieces'), sum.lit(0)).as('pieces'))
                .whereRef('d.line_id', '=', 'l.id')
                .where('h.undone_at_ms', 'is', null),
            ),
        ),
      ]),
    )
    .execute()

/** Ids of the projects, not put away, that use any of some papers. */
export async function projectsUsingPapers(db: Db, paperIds: readonly string[]): Promise<readonly string[]> {
  if (paperIds.length === 0) return []
  const rows = await db
    .selectFrom('line_part_paper as p')
    .innerJoin('brief_line as l', 'l.id', 'p.line_id')
    .innerJoin('project as j', 'j.id', 'l.project_id')
    .select('j.id')
    .distinct()
    .where('p.paper_id', 'in', paperIds)
    .where('j.archived_at_ms', 'is', null)
    .union(
      db
        .selectFrom('plain_line as l')
        .innerJoin('project as j', 'j.id', 'l.project_id')
        .select('j.id')
        .where('l.paper_id', 'in', paperIds)
        .where('j.archived_at_ms', 'is', null),
    )
    .execute()
  return rows.map((row) => row.id)
}

export const findProject = (db: Db, id: string): Promise<ProjectRow | undefined> =>
  db.selectFrom('project').selectAll().where('id', '=', id).executeTakeFirst()

export async function insertProject(db: Db, project: NewProject): Promise<void> {
  await db.insertInto('project').values(project).execute()
}

export async function updateProject(db: Db, id: string, change: Partial<NewProject>): Promise<void> {
  await db.updateTable('project').set(change).where('id', '=', id).execute()
}

export const projectsById = (db: Db, ids: readonly string[]): Promise<ProjectRow[]> =>
  ids.length === 0
    ? Promise.resolve([])
    : db.selectFrom('project').selectAll().where('id', 'in', ids).execute()

export const linesOf = (db: Db, projectIds: readonly string[]): Promise<BriefLineRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('brief_line')
        .selectAll()
        .where('project_id', 'in', projectIds)
        .orderBy('project_id')
        .orderBy('ordinal')
        .execute()

export const findLine = (db: Db, id: string): Promise<BriefLineRow | undefined> =>
  db.selectFrom('brief_line').selectAll().where('id', '=', id).executeTakeFirst()

export const lineParts = (db: Db, projectIds: readonly string[]): Promise<LinePartRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('line_part as p')
        .innerJoin('brief_line as l', 'l.id', 'p.line_id')
        .selectAll('p')
        .where('l.project_id', 'in', projectIds)
        .orderBy('p.ordinal')
        .execute()

export const linePartPapers = (db: Db, projectIds: readonly string[]): Promise<LinePartPaperRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('line_part_paper as p')
        .innerJoin('brief_line as l', 'l.id', 'p.line_id')
        .selectAll('p')
        .where('l.project_id', 'in', projectIds)
        .orderBy('p.ordinal')
        .execute()

export interface PartToSave {
  readonly key: string
  readonly widthUm: number
  readonly heightUm: number
  readonly unitsPerPiece: number
  readonly papers: readonly { readonly paperId: string; readonly units: number }[]
}

/** Writes a line as it now is, with its parts and their papers. */
export async function saveLine(db: Db, line: NewBriefLine, parts: readonly PartToSave[]): Promise<void> {
  const { id, ...change } = line
  await db
    .insertInto('brief_line')
    .values(line)
    .onConflict((conflict) => conflict.column('id').doUpdateSet(change))
    .execute()
  await db.deleteFrom('line_part').where('line_id', '=', id).execute()
  for (const [ordinal, part] of parts.entries()) {
    await db
      .insertInto('line_part')
      .values({
        line_id: id,
        part_key: part.key,
        ordinal,
        width_um: part.widthUm,
        height_um: part.heightUm,
        units_per_piece: part.unitsPerPiece,
      })
      .execute()
    for (const [place, { paperId, units }] of part.papers.entries())
      await db
        .insertInto('line_part_paper')
        .values({ line_id: id, part_key: part.key, paper_id: paperId, ordinal: place, units })
        .execute()
  }
}

/** Changes what is said of a line that is there. */
export async function updateLine(db: Db, id: string, change: Partial<NewBriefLine>): Promise<void> {
  await db.updateTable('brief_line').set(change).where('id', '=', id).execute()
}

/** Gives every part of a line other papers, each in the place and with the units of one it has. */
export async function putPapersInstead(
  db: Db,
  lineId: string,
  become: (paperId: string) => string,
): Promise<void> {
  const rows = await db.selectFrom('line_part_paper').selectAll().where('line_id', '=', lineId).execute()
  await db.deleteFrom('line_part_paper').where('line_id', '=', lineId).execute()
  for (const row of rows)
    await db
      .insertInto('line_part_paper')
      .values({ ...row, paper_id: become(row.paper_id) })
      .execute()
}

export async function deleteLine(db: Db, id: string): Promise<void> {
  await db.deleteFrom('brief_line').where('id', '=', id).execute()
}

/** How many cuts (undone ones too: the ledger names them), runs, joins, hand-overs and shelf moves name a line. */
export async function dependentsOfLine(
  db: Db,
  lineId: string,
): Promise<{ cuts: number; runs: number; joins: number; deliveries: number; shelf: number }> {
  const row = await db
    .selectNoFrom((select) => [
      select
        .selectFrom('cut_piece')
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
      select
        .selectFrom('delivery_line')
        .select((count) => count.fn.countAll<number>().as('n'))
        .where('line_id', '=', lineId)
        .as('deliveries'),
      select
        .selectFrom('shelf_move')
        .select((count) => count.fn.countAll<number>().as('n'))
        .where('line_id', '=', lineId)
        .as('shelf'),
    ])
    .executeTakeFirstOrThrow()
  return {
    cuts: row.cuts ?? 0,
    runs: row.runs ?? 0,
    joins: row.joins ?? 0,
    deliveries: row.deliveries ?? 0,
    shelf: row.shelf ?? 0,
  }
}
