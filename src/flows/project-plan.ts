import type { StockSheets } from '@/core/cut'
import {
  papersOfBrief,
  planProject,
  versionOf,
  type Claimant,
  type ProjectPlan,
  type Reservation,
} from '@/core/plan'
import { reservationsOf } from '@/data/repositories/cut-plans'
import { findProject, projectsById } from '@/data/repositories/projects'
import { stockOf, type StockLine } from '@/data/repositories/stock'
import type { ProjectRow } from '@/data/tables'
import type { FlowContext } from './flow-context'
import { readLessons } from './lessons'
import { currentSettings } from './settings'
import { loadProjects, type LoadedProject } from './project-records'
import { RefusalError } from './deed'

/** A project's plan with what it was worked out from. */
export interface PlannedProject extends LoadedProject {
  readonly plan: ProjectPlan
  /** The sheets of its papers, as they are in the drawer. */
  readonly stock: readonly StockLine[]
  readonly reservations: readonly Reservation[]
}

export const stockSheets = (line: StockLine): StockSheets => ({
  stockId: line.id,
  paperId: line.paper_id,
  sizeUm: { widthUm: line.width_um, heightUm: line.height_um },
  available: line.amount,
  offcut: line.offcut === 1,
  priceMinor: line.price_minor,
  ...(line.tolerance_um === null ? {} : { toleranceUm: line.tolerance_um }),
  ...(line.turnable === 1 ? {} : { oneWay: true as const }),
})

export const claimantOf = (row: ProjectRow): Claimant => ({
  id: row.id,
  dueOn: row.due_on,
  createdAtMs: row.created_at_ms,
  holdFirst: row.hold_first === 1,
})

export const paperIdsOf = ({ brief }: Pick<LoadedProject, 'brief'>): readonly string[] => [
  ...papersOfBrief(brief),
]

const STEMS = 'rolled-stem'

/** Sheets a project may cut: strips that are kept for stems are for those who roll some. */
export const mayCut =
  ({ brief, designs }: Pick<LoadedProject, 'brief' | 'designs'>) =>
  ({ kept_for }: Pick<StockLine, 'kept_for'>): boolean =>
    kept_for === '' || brief.lines.some((line) => designs.get(versionOf(line))?.id === STEMS)

/** The sheets of some papers, and what every project has been promised of them. */
export async function readStock({ db }: FlowContext, paperIds: readonly string[]) {
  const stock = await stockOf(db, paperIds)
  const rows = await reservationsOf(
    db,
    stock.map(({ id }) => id),
  )
  const reservations = rows.map((row): Reservation => ({
    projectId: row.project_id,
    stockId: row.stock_item_id,
    sheets: row.sheets,
  }))
  return { stock, reservations }
}

export async function planned(context: FlowContext, loaded: LoadedProject): Promise<PlannedProject> {
  const { stock, reservations } = await readStock(context, paperIdsOf(loaded))
  const lessons = await readLessons(context)
  const { cutting } = await currentSettings(context)
  const plan = planProject({
    ...loaded,
    stock: stock.filter(mayCut(loaded)).map(stockSheets),
    reservations,
    lessons,
    tools: cutting,
  })
  return { ...loaded, plan, stock, reservations }
}

/** A project's plan; `null` where there is none of that id. */
export async function findPlanned(context: FlowContext, id: string): Promise<PlannedProject | null> {
  const row = await findProject(context.db, id)
  const [loaded] = row ? await loadProjects(context, [row]) : []
  return loaded ? planned(context, loaded) : null
}

/** For deeds. *Throws* `RefusalError` (NOT_FOUND). */
export async function plannedOr(context: FlowContext, id: string): Promise<PlannedProject> {
  const found = await findPlanned(context, id)
  if (!found) throw new RefusalError('NOT_FOUND')
  return found
}

/** Names of projects, for telling who holds what. */
export async function namesOf(
  { db }: FlowContext,
  ids: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const rows = await projectsById(db, [...new Set(ids)])
  return new Map(rows.map((row) => [row.id, row.name]))
}
