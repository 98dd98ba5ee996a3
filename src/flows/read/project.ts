import { cutOrder, type CutOrder, type CutPlan, type CutProblem } from '@/core/cut'
import {
  isReadyCut,
  type Baseline,
  type Delivery,
  type LayoutLeft,
  type NextDeed,
  type PlainLine,
  type ProjectFacts,
  type Standing,
  type Station,
  type StationKey,
} from '@/core/plan'
import type { SizeUm } from '@/core/sheet'
import { papersById } from '@/data/repositories/papers'
import { findProject } from '@/data/repositories/projects'
import type { RunSummary } from '@/data/repositories/runs'
import { shelfStock } from '@/data/repositories/shelf'
import { readBaseline } from '../baseline'
import type { FlowContext } from '../flow-context'
import { planningState, type PlanningState } from '../planning-state'
import { findPlanned, namesOf, paperIdsOf, type PlannedProject } from '../project-plan'
import { lineView, type LineView, type ShortageView } from './line-view'
import { paperView, sheetView, type PaperView, type SheetView } from './papers'

export interface JoinView {
  readonly line: LineView
  readonly parts: readonly LineView[]
  readonly pieces: number
  readonly joined: number
  readonly joinable: number
}

export interface OwedView {
  readonly line: LineView
  readonly pieces: number
  readonly handedOver: number
  readonly owed: number
  readonly ready: number
  /** As many as are folded and not handed over: no more can go. */
  readonly most: number
}

/** Sheets that were cut, newest first. */
export interface CutView {
  readonly id: string
  readonly proof: boolean
  readonly paperId: string
  readonly sheets: number
  readonly offcut: boolean
  readonly atMs: number
  readonly pieces: readonly { readonly lineId: string; readonly partKey: string; readonly count: number }[]
}

export interface DrawerSheets extends SheetView {
  /** Sheets of these that other projects were promised. */
  readonly heldElsewhere: number
}

/** Pieces that are cut and not folded, and what no sheet is there for. */
export interface PlainView extends PlainLine {
  readonly cut: number
  readonly toCut: number
  readonly shortage: ShortageView
}

/** A project that another is cut together with: what of it lies on its sheets. */
export interface CutWith {
  readonly id: string
  readonly name: string
  readonly lines: readonly LineView[]
  readonly plain: readonly PlainView[]
  readonly facts: ProjectFacts
}

export interface ProjectView {
  readonly id: string
  readonly name: string
  readonly dueOn: string | null
  readonly zone: string
  readonly certainty: number
  readonly note: string
  readonly yearly: boolean
  readonly shoppingDays: number
  /** Its day of a later year that was passed over. */
  readonly passedOver: string | null
  readonly archived: boolean
  readonly holdFirst: boolean
  readonly lines: readonly LineView[]
  /** Pieces that are cut and not folded. */
  readonly plain: readonly PlainView[]
  readonly papers: readonly (PaperView & { readonly sheets: readonly DrawerSheets[] })[]
  readonly cuts: readonly CutView[]
  readonly runs: readonly RunSummary[]
  readonly joins: readonly JoinView[]
  readonly owed: readonly OwedView[]
  readonly deliveries: readonly Delivery[]
  readonly cutPlan: {
    readonly id: string
    readonly madeAtMs: number
    readonly plan: CutPlan
    readonly layouts: readonly (LayoutLeft & {
      readonly paperId: string
      readonly offcut: boolean
      /** The sheet is the piece already. */
      readonly ready: boolean
      /** How one sheet of it is cut. */
      readonly order: CutOrder | null
    })[]
    /** What it was made from. */
    readonly problem: CutProblem
    /** The same, where a better one may be looked for: nothing of it is cut yet. */
    readonly open: CutProblem | null
    /** The size of every demand, by its name. */
    readonly sizes: ReadonlyMap<string, SizeUm>
  } | null
  /** Projects it is cut together with. */
  readonly together: readonly CutWith[]
  readonly standing: Standing
  readonly planning: PlanningState
  readonly baseline: Baseline | null
  readonly facts: ProjectFacts
  readonly stations: readonly Station[]
  readonly next: { readonly deed: NextDeed; readonly station: StationKey }
}

function cutPlanView({ records, plan, stock }: PlannedProject): ProjectView['cutPlan'] {
  const { cutPlan } = records
  if (cutPlan === null) return null
  return {
    id: cutPlan.id,
    madeAtMs: cutPlan.madeAtMs,
    plan: cutPlan.plan,
    layouts: plan.layouts.flatMap((layout) => {
      const sheets = stock.find(({ id }) => id === layout.stockId)
      return sheets
        ? [
            {
              ...layout,
              paperId: sheets.paper_id,
              offcut: sheets.offcut === 1,
              ready: isReadyCut(layout, cutPlan),
              order: cutOrder(layout, cutPlan.problem.demands, cutPlan.problem.tools),
            },
          ]
        : []
    }),
    problem: cutPlan.problem,
    open: cutPlan.ticked.length === 0 ? cutPlan.problem : null,
    sizes: new Map(cutPlan.problem.demands.map(({ key, sizeUm }) => [key, sizeUm])),
  }
}

/** Pages find lines by the plan's own: every one of those has a view. */
function byLine(plan: Pick<PlannedProject['plan'], 'joinings' | 'owed'>, lines: readonly LineView[]) {
  const view = (id: string) => lines.find((line) => line.id === id)
  return {
    joins: plan.joinings.flatMap(({ line, attached, pieces, joined, joinable }): JoinView[] => {
      const own = view(line.line.id)
      const parts = attached.flatMap((one) => view(one.line.id) ?? [])
      return own ? [{ line: own, parts, pieces, joined, joinable }] : []
    }),
    owed: plan.owed.flatMap(({ line, pieces, handedOver, owed, ready }): OwedView[] => {
      const own = view(line.line.id)
      const most = Math.max(0, Math.min(pieces, line.foldedPieces) - handedOver)
      return own ? [{ line: own, pieces, handedOver, owed, ready, most }] : []
    }),
  }
}

async function linesOf(
  context: FlowContext,
  { plan, records }: PlannedProject,
  papers: ReadonlyMap<string, PaperView>,
): Promise<readonly LineView[]> {
  const holders = plan.lines.flatMap(({ parts }) =>
    parts.flatMap(({ papers }) => papers.flatMap(({ shortage }) => shortage.holders)),
  )
  const projects = await namesOf(
    context,
    holders.map(({ projectId }) => projectId),
  )
  const shelf = await shelfStock(context.db)
  return plan.lines.map((line) => lineView(line, records.proofs, { papers, projects, shelf }))
}

const paperViews = async ({ db }: FlowContext, paperIds: readonly string[]) =>
  new Map((await papersById(db, paperIds)).map((paper) => [paper.id, paperView(paper)]))

async function plainViews(context: FlowContext, { plan }: PlannedProject): Promise<readonly PlainView[]> {
  const wanted = plan.plain.filter(({ line, cut }) => line.pieces + cut > 0)
  const holders = wanted.flatMap(({ shortage }) => shortage.holders.map(({ projectId }) => projectId))
  const names = await namesOf(context, holders)
  return wanted.map(({ line, cut, toCut, shortage }) => ({
    ...line,
    cut,
    toCut,
    shortage: {
      ...shortage,
      holders: shortage.holders.map((one) => ({ ...one, name: names.get(one.projectId) ?? '' })),
    },
  }))
}

/** Projects whose cuts are planned together with a project's. */
async function cutWith(context: FlowContext, { records }: PlannedProject): Promise<readonly CutWith[]> {
  const views: CutWith[] = []
  for (const id of records.cutPlan?.sharedWith ?? []) {
    const other = await findPlanned(context, id)
    if (!other) continue
    const lines = await linesOf(context, other, await paperViews(context, paperIdsOf(other)))
    views.push({
      id,
      name: other.row.name,
      lines,
      plain: await plainViews(context, other),
      facts: other.plan.facts,
    })
  }
  return views
}

async function viewOf(context: FlowContext, project: PlannedProject): Promise<ProjectView> {
  const { row, brief, plan, records, stock, reservations, runs } = project
  const paperIds = paperIdsOf(project)
  const found = await paperViews(context, paperIds)
  const lines = await linesOf(context, project, found)
  const own = [row.id, ...(records.cutPlan?.sharedWith ?? [])]
  return {
    id: row.id,
    name: row.name,
    dueOn: row.due_on,
    zone: row.zone,
    certainty: brief.certainty,
    note: row.note,
    yearly: row.yearly === 1,
    shoppingDays: row.shopping_days,
    passedOver: row.passed_over,
    archived: brief.archived,
    holdFirst: brief.holdFirst,
    lines,
    plain: await plainViews(context, project),
    papers: paperIds.flatMap((id) => {
      const paper = found.get(id)
      const sheets = stock
        .filter((line) => line.paper_id === id)
        .map((line): DrawerSheets => ({
          ...sheetView(line),
          heldElsewhere: reservations
            .filter((one) => one.stockId === line.id && !own.includes(one.projectId))
            .reduce((sum, one) => sum + one.sheets, 0),
        }))
      return paper ? [{ ...paper, sheets }] : []
    }),
    cuts: records.cuts.map(({ id, proof, paperId, sheets, offcut, atMs, pieces }) => ({
      id,
      proof,
      paperId,
      sheets,
      offcut,
      atMs,
      pieces,
    })),
    runs,
    ...byLine(plan, lines),
    deliveries: records.deliveries,
    cutPlan: cutPlanView(project),
    together: await cutWith(context, project),
    standing: plan.standing,
    planning: await planningState(context, own, paperIds),
    baseline: await readBaseline(context, row.id),
    facts: plan.facts,
    stations: plan.stations,
    next: plan.next,
  }
}

/** What a project is called; `null` where there is none of that id. */
export async function readProjectName(
  { db }: FlowContext,
  id: string,
): Promise<{ readonly id: string; readonly name: string } | null> {
  const row = await findProject(db, id)
  return row ? { id: row.id, name: row.name } : null
}

/** Whether there is a project of that id. */
export const hasProject = async ({ db }: FlowContext, id: string): Promise<boolean> =>
  (await findProject(db, id)) !== undefined

/** Everything the pages of one project show; `null` where there is none of that id. */
export async function readProject(context: FlowContext, id: string): Promise<ProjectView | null> {
  const project = await findPlanned(context, id)
  return project ? viewOf(context, project) : null
}
