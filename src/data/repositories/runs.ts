import type { Db } from '../db'
import type { NewRun, RunEventRow, RunProgressRow, RunRow, RunUnitRow } from '../tables'
import type { Insertable } from 'kysely'
import type { RunEventTable } from '../tables'

export const findRun = (db: Db, id: string): Promise<RunRow | undefined> =>
  db.selectFrom('run').selectAll().where('id', '=', id).executeTakeFirst()

export async function insertRun(db: Db, run: NewRun): Promise<void> {
  await db.insertInto('run').values(run).execute()
}

export async function setRunArchived(db: Db, id: string, archivedAtMs: number | null): Promise<void> {
  await db.updateTable('run').set({ archived_at_ms: archivedAtMs }).where('id', '=', id).execute()
}

/** A run with how far it is and what it is of. */
export type RunSummary = RunRow &
  Omit<RunProgressRow, 'run_id'> & {
    readonly design_id: string
    readonly design_name: string
    readonly paper_name: string | null
    readonly project_name: string | null
  }

const summaries = (db: Db) =>
  db
    .selectFrom('run as r')
    .innerJoin('run_progress as p', 'p.run_id', 'r.id')
    .innerJoin('design_version as v', 'v.hash', 'r.design_hash')
    .innerJoin('design as d', 'd.id', 'v.design_id')
    .leftJoin('paper as a', 'a.id', 'r.paper_id')
    .leftJoin('project as j', 'j.id', 'r.project_id')
    .selectAll('r')
    .select([
      'p.total',
      'p.usable',
      'p.spoiled',
      'p.active_ms',
      'p.phase',
      'p.at_piece',
      'p.last_tap_at_ms',
      'd.id as design_id',
      'd.name as design_name',
      'a.name as paper_name',
      'j.name as project_name',
    ])

/** Runs of one project, the latest first. */
export const runsOfProject = (db: Db, projectId: string): Promise<RunSummary[]> =>
  summaries(db).where('r.project_id', '=', projectId).orderBy('r.started_at_ms', 'desc').execute()

/** All runs, the latest first; those put away only when asked for. */
export const listRuns = (db: Db, limit: number): Promise<RunSummary[]> =>
  summaries(db)
    .orderBy((order) => order.fn.coalesce('p.last_tap_at_ms', 'r.started_at_ms'), 'desc')
    .limit(limit)
    .execute()

/** Runs that wait for the next tap. */
export const openRuns = (db: Db): Promise<RunSummary[]> =>
  summaries(db)
    .where('p.phase', '<>', 'finished')
    .where('r.archived_at_ms', 'is', null)
    .orderBy((order) => order.fn.coalesce('p.last_tap_at_ms', 'r.started_at_ms'), 'desc')
    .execute()

export const eventsOfRun = (db: Db, runId: string): Promise<RunEventRow[]> =>
  db.selectFrom('run_event').selectAll().where('run_id', '=', runId).orderBy('seq').execute()

export type NewRunEvent = Insertable<RunEventTable>

/** Adds an event unless its id is known. *Returns* whether it was new. */
export async function insertRunEvent(db: Db, event: NewRunEvent): Promise<boolean> {
  const result = await db
    .insertInto('run_event')
    .values(event)
    .onConflict((conflict) => conflict.column('id').doNothing())
    .executeTakeFirst()
  return (result.numInsertedOrUpdatedRows ?? 0n) > 0n
}

/** Replaces the projections of one run. */
export async function saveRunProjection(
  db: Db,
  progress: RunProgressRow,
  units: readonly RunUnitRow[],
): Promise<void> {
  const { run_id, ...change } = progress
  await db
    .insertInto('run_progress')
    .values(progress)
    .onConflict((conflict) => conflict.column('run_id').doUpdateSet(change))
    .execute()
  await db.deleteFrom('run_unit').where('run_id', '=', run_id).execute()
  // SQLite takes a limited number of values in one statement.
  for (let start = 0; start < units.length; start += 500)
    await db
      .insertInto('run_unit')
      .values([...units.slice(start, start + 500)])
      .execute()
}

export const unitsOfRun = (db: Db, runId: string): Promise<RunUnitRow[]> =>
  db.selectFrom('run_unit').selectAll().where('run_id', '=', runId).orderBy('ordinal').execute()

export const unitsOfProject = (db: Db, projectId: string): Promise<RunUnitRow[]> =>
  db
    .selectFrom('run_unit as u')
    .innerJoin('run as r', 'r.id', 'u.run_id')
    .selectAll('u')
    .where('r.project_id', '=', projectId)
    .orderBy('u.run_id')
    .orderBy('u.ordinal')
    .execute()

export async function listRunIds(db: Db): Promise<readonly string[]> {
  return (await db.selectFrom('run').select('id').execute()).map((row) => row.id)
}
