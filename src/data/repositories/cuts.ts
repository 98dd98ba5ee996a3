import type { Db } from '../db'
import type { CutRow, NewCut, ProofRow } from '../tables'

/** Cuts of a project that stand, newest first. */
export const cutsOfProject = (db: Db, projectId: string): Promise<CutRow[]> =>
  db
    .selectFrom('cut')
    .selectAll()
    .where('project_id', '=', projectId)
    .where('undone_at_ms', 'is', null)
    .orderBy('at_ms', 'desc')
    .execute()

export const findCut = (db: Db, id: string): Promise<CutRow | undefined> =>
  db.selectFrom('cut').selectAll().where('id', '=', id).executeTakeFirst()

export async function insertCut(db: Db, cut: NewCut): Promise<void> {
  await db.insertInto('cut').values(cut).execute()
}

export async function markCutUndone(db: Db, id: string, nowMs: number): Promise<void> {
  await db.updateTable('cut').set({ undone_at_ms: nowMs }).where('id', '=', id).execute()
}

export const proofsOf = (db: Db, lineIds: readonly string[]): Promise<ProofRow[]> =>
  lineIds.length === 0
    ? Promise.resolve([])
    : db.selectFrom('proof').selectAll().where('line_id', 'in', lineIds).execute()

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
