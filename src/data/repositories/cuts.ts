import type { Selectable, Insertable } from 'kysely'
import type { Db } from '../db'
import type { CutPieceRow, CutRow, Flag, ProofTable, CutTable } from '../tables'

type NewCut = Insertable<CutTable>

type ProofRow = Selectable<ProofTable>

/** Cuts of some projects that stand, newest first. */
export const cutsOf = (
  db: Db,
  projectIds: readonly string[],
): Promise<(CutRow & { readonly offcut: Flag })[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('cut as c')
        .selectAll('c')
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
        .where('c.project_id', 'in', projectIds)
        .where('c.undone_at_ms', 'is', null)
        .orderBy('c.at_ms', 'desc')
        .orderBy('c.id')
        .execute()

/** What those cuts gave. */
export const cutPiecesOf = (db: Db, projectIds: readonly string[]): Promise<CutPieceRow[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('cut_piece as p')
        .innerJoin('cut as c', 'c.id', 'p.cut_id')
        .selectAll('p')
        .where('c.project_id', 'in', projectIds)
        .where('c.undone_at_ms', 'is', null)
        .execute()

export const findCut = (db: Db, id: string): Promise<CutRow | undefined> =>
  db.selectFrom('cut').selectAll().where('id', '=', id).executeTakeFirst()

export async function insertCut(db: Db, cut: NewCut, pieces: readonly CutPieceRow[]): Promise<void> {
  await db.insertInto('cut').values(cut).execute()
  await db
    .insertInto('cut_piece')
    .values([...pieces])
    .execute()
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
