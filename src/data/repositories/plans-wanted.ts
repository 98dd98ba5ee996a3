import type { Selectable } from 'kysely'
import type { Db } from '../db'
import type { PlanWantedTable } from '../tables'

export type PlanWantedRow = Selectable<PlanWantedTable>

/** All that has to be planned anew, in the order it was asked for; also what was given up. */
export const plansWanted = (db: Db): Promise<PlanWantedRow[]> =>
  db.selectFrom('plan_wanted').selectAll().orderBy('id').execute()

/** The first that is still to be planned. */
export const firstWanted = (db: Db): Promise<PlanWantedRow | undefined> =>
  db.selectFrom('plan_wanted').selectAll().where('gave_up', '=', 0).orderBy('id').executeTakeFirst()

/** Asks for a plan; the same asked for before, and not begun or given up, is asked for anew. */
export async function wantPlan(db: Db, moved: string, atMs: number): Promise<void> {
  await db.deleteFrom('plan_wanted').where('moved', '=', moved).execute()
  await db.insertInto('plan_wanted').values({ moved, at_ms: atMs }).execute()
}

/** What was planned is wanted no more. By its words too: another database may stand in the place of the one it was of. */
export async function forgetWanted(
  db: Db,
  { id, moved }: Pick<PlanWantedRow, 'id' | 'moved'>,
): Promise<void> {
  await db.deleteFrom('plan_wanted').where('id', '=', id).where('moved', '=', moved).execute()
}

/** What was given up is tried again: somebody asks for it. */
export async function tryAgain(db: Db): Promise<void> {
  await db.updateTable('plan_wanted').set({ gave_up: 0 }).where('gave_up', '=', 1).execute()
}

/** It was tried and could not be planned; whoever looks at it is told. */
export async function giveUpWanted(
  db: Db,
  { id, moved }: Pick<PlanWantedRow, 'id' | 'moved'>,
): Promise<void> {
  await db
    .updateTable('plan_wanted')
    .set({ gave_up: 1 })
    .where('id', '=', id)
    .where('moved', '=', moved)
    .execute()
}
