import type { Selectable } from 'kysely'
import type { Db } from '../db'
import type { CutPlanTable, ReservationTable } from '../tables'

type ReservationRow = Selectable<ReservationTable>

type CutPlanRow = Selectable<CutPlanTable>

/** The cut plan of each project, where it has one. */
export const cutPlansOf = (
  db: Db,
  projectIds: readonly string[],
): Promise<(CutPlanRow & { project_id: string })[]> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('project_cut_plan as p')
        .innerJoin('cut_plan as c', 'c.id', 'p.cut_plan_id')
        .selectAll('c')
        .select('p.project_id')
        .where('p.project_id', 'in', projectIds)
        .execute()

/** Which projects have which of some plans: those that are cut together have the same. */
export const sharersOf = (
  db: Db,
  planIds: readonly string[],
): Promise<{ cut_plan_id: string; project_id: string }[]> =>
  planIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('project_cut_plan')
        .select(['cut_plan_id', 'project_id'])
        .where('cut_plan_id', 'in', planIds)
        .execute()

/** Projects whose plan one of these has, themselves too. */
export async function plannedWith(db: Db, projectIds: readonly string[]): Promise<readonly string[]> {
  if (projectIds.length === 0) return []
  const rows = await db
    .selectFrom('project_cut_plan as p')
    .innerJoin('project_cut_plan as other', 'other.cut_plan_id', 'p.cut_plan_id')
    .select('other.project_id')
    .distinct()
    .where('p.project_id', 'in', projectIds)
    .execute()
  return [...new Set([...projectIds, ...rows.map((row) => row.project_id)])]
}

/** Projects that are not put away and have no plan. */
export async function projectsWithoutPlan(db: Db): Promise<readonly string[]> {
  const rows = await db
    .selectFrom('project as j')
    .leftJoin('project_cut_plan as p', 'p.project_id', 'j.id')
    .select('j.id')
    .where('j.archived_at_ms', 'is', null)
    .where('p.cut_plan_id', 'is', null)
    .execute()
  return rows.map((row) => row.id)
}

/** Stores a plan and gives it to the projects it was made for in the place of those they had. */
export async function saveCutPlan(db: Db, projectIds: readonly string[], plan: CutPlanRow): Promise<void> {
  await db.insertInto('cut_plan').values(plan).execute()
  await db
    .insertInto('project_cut_plan')
    .values(projectIds.map((project_id) => ({ project_id, cut_plan_id: plan.id })))
    .onConflict((conflict) => conflict.column('project_id').doUpdateSet({ cut_plan_id: plan.id }))
    .execute()
  // A plan that no project has and nothing was cut by is of no use to anybody.
  await db
    .deleteFrom('cut_plan')
    .where('id', 'not in', (from) => from.selectFrom('project_cut_plan').select('cut_plan_id'))
    .where('id', 'not in', (from) =>
      from.selectFrom('cut').select('cut_plan_id').where('cut_plan_id', 'is not', null).$castTo<{
        cut_plan_id: string
      }>(),
    )
    .execute()
}

/** What every project has been promised of some sheets. */
export const reservationsOf = (db: Db, stockIds: readonly string[]): Promise<ReservationRow[]> =>
  stockIds.length === 0
    ? Promise.resolve([])
    : db.selectFrom('reservation').selectAll().where('stock_item_id', 'in', stockIds).execute()

/** All that projects have been promised. */
export const allReservations = (db: Db): Promise<ReservationRow[]> =>
  db.selectFrom('reservation').selectAll().execute()

/** Promises a project these sheets and no others. */
export async function replaceReservations(
  db: Db,
  projectId: string,
  sheets: ReadonlyMap<string, number>,
): Promise<void> {
  await db.deleteFrom('reservation').where('project_id', '=', projectId).execute()
  const rows = [...sheets].map(([stock_item_id, count]) => ({
    project_id: projectId,
    stock_item_id,
    sheets: count,
  }))
  if (rows.length > 0) await db.insertInto('reservation').values(rows).execute()
}

/** What was planned when work on a project began, as kept. */
export const findBaseline = async (db: Db, projectId: string): Promise<string | undefined> =>
  (await db.selectFrom('baseline').select('body').where('project_id', '=', projectId).executeTakeFirst())
    ?.body

/** Keeps what is planned as what work began with; what was kept before stays. */
export async function keepBaseline(db: Db, projectId: string, body: string, nowMs: number): Promise<void> {
  await db
    .insertInto('baseline')
    .values({ project_id: projectId, body, at_ms: nowMs })
    .onConflict((conflict) => conflict.column('project_id').doNothing())
    .execute()
}
