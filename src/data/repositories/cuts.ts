import type { Selectable, Insertable } from 'kysely'
import { PLAIN_PART } from '@/core/plan'
import type { Db } from '../db'
import type { CutPieceRow, CutRow, Flag, ProofTable, CutTable } from '../tables'

type NewCut = Insertable<CutTable>

type ProofRow = Selectable<ProofTable>

/** Cuts that were made for some projects or gave them pieces: those cut together with others count for each. */
const cutsFor = (db: Db, projectIds: readonly string[]) =>
  db
    .selectFrom('cut')
    .select(['project_id as for_project', 'id as cut_id'])
    .where('project_id', 'in', projectIds)
    .union(
      db
        .selectFrom('cut_piece as p')
        .innerJoin('brief_line as l', 'l.id', 'p.line_id')
        .select(['l.project_id as for_project', 'p.cut_id'])
        .where('l.project_id', 'in', projectIds),
    )
    .union(
      db
        .selectFrom('plain_cut_piece as p')
        .innerJoin('plain_line as l', 'l.id', 'p.line_id')
        .select(['l.project_id as for_project', 'p.cut_id'])
        .where('l.project_id', 'in', projectIds),
    )

/** Cuts that stand, of each project they were made for or gave pieces, newest first. */
export const cutsOf = (
  db: Db,
  projectIds: readonly string[],
): Promise<(CutRow & { readonly for_project: string; readonly offcut: Flag })[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom(cutsFor(db, projectIds).as('f'))
        .innerJoin('cut as c', 'c.id', 'f.cut_id')
        .selectAll('c')
        .select('f.for_project')
        .select((cut) =>
          cut
            .selectFrom('stock_move as m')
            .innerJoin('stock_item as i', 'i.id', 'm.stock_item_id')
            .select((item) => item.fn.coalesce(item.fn.max('i.offcut'), item.lit(0)).as('offcut'))
            .whereRef('m.cut_id', '=', 'c.id')
            .where('m.kind', '=', 'cut')
            .$castTo<{ offcut: Flag }>()
            .$asScalar()
            .$notNull()
            .as('offcut'),
        )
        .where('c.undone_at_ms', 'is', null)
        .orderBy('c.at_ms', 'desc')
        .orderBy('c.id')
        .execute()

/** What those cuts gave, for whichever project; plain pieces are their line's only part. */
export async function cutPiecesOf(db: Db, projectIds: readonly string[]): Promise<readonly CutPieceRow[]> {
  if (projectIds.length === 0) return []
  const cutIds = db.selectFrom(cutsFor(db, projectIds).as('f')).select('f.cut_id')
  const folded = await db.selectFrom('cut_piece').selectAll().where('cut_id', 'in', cutIds).execute()
  const plain = await db.selectFrom('plain_cut_piece').selectAll().where('cut_id', 'in', cutIds).execute()
  return [...folded, ...plain.map((row) => ({ ...row, part_key: PLAIN_PART }))]
}

/** Projects that a cut gave pieces, and the one it was made for. */
export async function projectsOfCut(db: Db, cutId: string): Promise<readonly string[]> {
  const rows = await db
    .selectFrom('cut')
    .select('project_id')
    .where('id', '=', cutId)
    .union(
      db
        .selectFrom('cut_piece as p')
        .innerJoin('brief_line as l', 'l.id', 'p.line_id')
        .select('l.project_id')
        .where('p.cut_id', '=', cutId),
    )
    .union(
      db
        .selectFrom('plain_cut_piece as p')
        .innerJoin('plain_line as l', 'l.id', 'p.line_id')
        .select('l.project_id')
        .where('p.cut_id', '=', cutId),
    )
    .execute()
  return rows.map((row) => row.project_id)
}

/** Sheets of the layouts of some plans that were cut and stand. */
export const ticksOf = async (
  db: Db,
  planIds: readonly string[],
): Promise<
  readonly { readonly cut_plan_id: string; readonly layout_id: string; readonly sheets: number }[]
> =>
  planIds.length === 0
    ? []
    : db
        .selectFrom('cut')
        .select(['cut_plan_id', 'layout_id', 'sheets'])
        .where('cut_plan_id', 'in', planIds)
        .where('layout_id', 'is not', null)
        .where('undone_at_ms', 'is', null)
        .$narrowType<{ cut_plan_id: string; layout_id: string }>()
        .execute()

export const findCut = (db: Db, id: string): Promise<CutRow | undefined> =>
  db.selectFrom('cut').selectAll().where('id', '=', id).executeTakeFirst()

/** Stores a cut with what it gave; pieces of the part `PLAIN_PART` are plain ones. */
export async function insertCut(db: Db, cut: NewCut, pieces: readonly CutPieceRow[]): Promise<void> {
  await db.insertInto('cut').values(cut).execute()
  const folded = pieces.filter(({ part_key }) => part_key !== PLAIN_PART)
  const plain = pieces.filter(({ part_key }) => part_key === PLAIN_PART).map(({ part_key: _, ...row }) => row)
  if (folded.length > 0) await db.insertInto('cut_piece').values(folded).execute()
  if (plain.length > 0) await db.insertInto('plain_cut_piece').values(plain).execute()
}

/** Marks a cut as undone. *Returns* whether it still stood. */
export async function markCutUndone(db: Db, id: string, nowMs: number): Promise<boolean> {
  const { numUpdatedRows } = await db
    .updateTable('cut')
    .set({ undone_at_ms: nowMs })
    .where('id', '=', id)
    .where('undone_at_ms', 'is', null)
    .executeTakeFirst()
  return numUpdatedRows > 0n
}

export const proofsOf = (db: Db, projectIds: readonly string[]): Promise<ProofRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('proof as p')
        .innerJoin('brief_line as l', 'l.id', 'p.line_id')
        .selectAll('p')
        .where('l.project_id', 'in', projectIds)
        .execute()

export async function saveProof(db: Db, proof: ProofRow): Promise<void> {
  const { line_id: _, ...change } = proof
  await db
    .insertInto('proof')
    .values(proof)
    .onConflict((conflict) => conflict.column('line_id').doUpdateSet(change))
    .execute()
}

export async function deleteProof(db: Db, lineId: string): Promise<void> {
  await db.deleteFrom('proof').where('line_id', '=', lineId).execute()
}
