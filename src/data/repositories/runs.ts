import type { Db } from '../db'
import type { NewRun, RunEventRow, RunOutcomeRow, RunProgressRow, RunRow, RunUnitRow } from '../tables'
import { sql, type Insertable } from 'kysely'
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
export interface RunSummary {
  readonly id: string
  readonly projectId: string | null
  readonly projectName: string | null
  readonly lineId: string | null
  readonly partKey: string
  readonly designId: string
  readonly designName: string
  readonly variantKey: string
  readonly paperId: string | null
  readonly paperName: string | null
  readonly sheetUm: number
  readonly wanted: number
  readonly traySize: number
  readonly startedAtMs: number
  readonly archivedAtMs: number | null
  readonly total: number
  readonly usable: number
  readonly spoiled: number
  readonly activeMs: number
  readonly phase: RunProgressRow['phase']
  readonly atPiece: number | null
  readonly lastTapAtMs: number | null
}

const summaries = (db: Db) =>
  db
    .selectFrom('run as r')
    .innerJoin('run_progress as p', 'p.run_id', 'r.id')
    .innerJoin('design_version as v', 'v.hash', 'r.design_hash')
    .innerJoin('design as d', 'd.id', 'v.design_id')
    .leftJoin('paper as a', 'a.id', 'r.paper_id')
    .leftJoin('project as j', 'j.id', 'r.project_id')
    .select([
      'r.id',
      'r.project_id as projectId',
      'j.name as projectName',
      'r.line_id as lineId',
      'r.part_key as partKey',
      'd.id as designId',
      'd.name as designName',
      'r.variant_key as variantKey',
      'r.paper_id as paperId',
      'a.name as paperName',
      'r.sheet_um as sheetUm',
      'r.wanted',
      'r.tray_size as traySize',
      'r.started_at_ms as startedAtMs',
      'r.archived_at_ms as archivedAtMs',
      'p.total',
      'p.usable',
      'p.spoiled',
      'p.active_ms as activeMs',
      'p.phase',
      'p.at_piece as atPiece',
      'p.last_tap_at_ms as lastTapAtMs',
    ])

/** Runs of some projects, the latest first. */
export const runsOfProjects = (db: Db, projectIds: readonly string[]): Promise<RunSummary[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : summaries(db)
        .where('r.project_id', 'in', projectIds)
        .orderBy('r.started_at_ms', 'desc')
        .orderBy('r.id')
        .execute()

/** All runs, the latest first. */
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

/** A run's events after a sequence number, in order. */
export const eventsOfRun = (db: Db, runId: string, after = 0): Promise<RunEventRow[]> =>
  db
    .selectFrom('run_event')
    .selectAll()
    .where('run_id', '=', runId)
    .where('seq', '>', after)
    .orderBy('seq')
    .execute()

/** Events of a run that are about pieces from an ordinal on, and the looking over of trays, in order. */
export const eventsFromPiece = (db: Db, runId: string, piece: number): Promise<RunEventRow[]> => {
  const ofRun = () => db.selectFrom('run_event').selectAll().where('run_id', '=', runId)
  // Asked with "or", SQLite would walk the whole ledger in its order.
  return ofRun()
    .where('piece', '>=', piece)
    .unionAll(ofRun().where('piece', 'is', null))
    .orderBy('seq')
    .execute()
}

/** The sequence number of a run's last event; 0 where it has none. */
export async function latestSeq(db: Db, runId: string): Promise<number> {
  const row = await db
    .selectFrom('run_event')
    .select('seq')
    .where('run_id', '=', runId)
    .orderBy('seq', 'desc')
    .limit(1)
    .executeTakeFirst()
  return row?.seq ?? 0
}

/** Those of some event ids that stand in a run's ledger. */
export async function idsInRun(db: Db, runId: string, ids: readonly string[]): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set()
  const rows = await db
    .selectFrom('run_event')
    .select('id')
    .where('run_id', '=', runId)
    .where('id', 'in', ids)
    .execute()
  return new Set(rows.map((row) => row.id))
}

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
  outcomes: readonly RunOutcomeRow[],
): Promise<void> {
  await db.deleteFrom('run_unit').where('run_id', '=', progress.run_id).execute()
  await saveRunChange(db, progress, units, outcomes)
}

// SQLite takes a limited number of values in one statement.
const ROWS_AT_ONCE = 500

/** Writes what changed of a run: its progress, the units touched, and all its outcomes, of which there are few. */
export async function saveRunChange(
  db: Db,
  progress: RunProgressRow,
  units: readonly RunUnitRow[],
  outcomes: readonly RunOutcomeRow[],
): Promise<void> {
  const { run_id, ...change } = progress
  await db
    .insertInto('run_progress')
    .values(progress)
    .onConflict((conflict) => conflict.column('run_id').doUpdateSet(change))
    .execute()
  for (let start = 0; start < units.length; start += ROWS_AT_ONCE)
    await db
      .insertInto('run_unit')
      .values([...units.slice(start, start + ROWS_AT_ONCE)])
      .onConflict((conflict) =>
        conflict.columns(['run_id', 'ordinal']).doUpdateSet((row) => ({
          status: row.ref('excluded.status'),
          grade: row.ref('excluded.grade'),
          reason: row.ref('excluded.reason'),
          active_ms: row.ref('excluded.active_ms'),
          last_tap_at_ms: row.ref('excluded.last_tap_at_ms'),
          inspected: row.ref('excluded.inspected'),
        })),
      )
      .execute()
  await db.deleteFrom('run_outcome').where('run_id', '=', run_id).execute()
  if (outcomes.length > 0)
    await db
      .insertInto('run_outcome')
      .values([...outcomes])
      .execute()
}

/** Some of a run's units, in order. */
export const unitsOfRun = (
  db: Db,
  runId: string,
  { from, most }: { readonly from: number; readonly most: number },
): Promise<RunUnitRow[]> =>
  db
    .selectFrom('run_unit')
    .selectAll()
    .where('run_id', '=', runId)
    .orderBy('ordinal')
    .offset(from)
    .limit(most)
    .execute()

export async function countUnits(db: Db, runId: string): Promise<number> {
  const { n } = await db
    .selectFrom('run_unit')
    .select((select) => select.fn.countAll<number>().as('n'))
    .where('run_id', '=', runId)
    .executeTakeFirstOrThrow()
  return n
}

/** Mean time of folded units by groups of so many ordinals: the pace over a run. */
export const paceOfRun = (
  db: Db,
  runId: string,
  group: number,
): Promise<{ first: number; activeMs: number }[]> =>
  db
    .selectFrom('run_unit')
    .select((select) => [
      select.fn.min<number>('ordinal').as('first'),
      select.fn.avg<number>('active_ms').as('activeMs'),
    ])
    .where('run_id', '=', runId)
    .where('status', '=', 'folded')
    // A bound number would divide as a real one.
    .groupBy(sql`(ordinal - 1) / ${sql.lit(group)}`)
    .orderBy('first')
    .execute()

/** Runs whose projection was made by rules before these. */
export async function runsProjectedBefore(db: Db, rules: number): Promise<readonly string[]> {
  const rows = await db.selectFrom('run_progress').select('run_id').where('rules', '<', rules).execute()
  return rows.map((row) => row.run_id)
}

export async function listRunIds(db: Db): Promise<readonly string[]> {
  return (await db.selectFrom('run').select('id').execute()).map((row) => row.id)
}
