import { nanoid } from 'nanoid'
import {
  checkCutPlan,
  AT_ONCE,
  BY_RULE,
  planExactly,
  type CutPlan,
  type CutProblem,
  type CutTools,
  type Effort,
  type LinearSolver,
  type StockSheets,
} from '@/core/cut'
import { invariant } from '@/core/errors'
import {
  allDelivered,
  byPrecedence,
  cutDemands,
  sheetsFor,
  sheetsTaken,
  surveyProject,
  type Claimant,
  type Lessons,
  type ProjectSurvey,
  type Reservation,
} from '@/core/plan'
import { allReservations, replaceReservations, saveCutPlan } from '@/data/repositories/cut-plans'
import { findProject, listOpenProjects, projectsUsingPapers } from '@/data/repositories/projects'
import { stockOf, type StockLine } from '@/data/repositories/stock'
import { theSolver } from '@/solvers/on-the-server'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'
import { readLessons } from './lessons'
import { claimantOf, mayCut, paperIdsOf, stockSheets } from './project-plan'
import { loadProjects, type LoadedProject } from './project-records'
import { currentSettings } from './settings'

/** What plans are made with: what the user cuts with, and a solver. */
interface Planning {
  readonly lessons: Lessons
  readonly tools: CutTools
  readonly solver: LinearSolver
  readonly effort: Effort
}

/** The drawer while projects are planned one after another: what is there, and who was promised what. */
class Promises {
  #reservations: readonly Reservation[]
  readonly #stock: readonly StockLine[]
  readonly #claimants: ReadonlyMap<string, Claimant>

  constructor(
    stock: readonly StockLine[],
    reservations: readonly Reservation[],
    claimants: ReadonlyMap<string, Claimant>,
  ) {
    this.#stock = stock
    this.#reservations = reservations
    this.#claimants = claimants
  }

  /** Sheets of its papers that a project may plan with: less what those before it were promised. */
  sheetsFor(project: LoadedProject): readonly StockSheets[] {
    const papers = new Set(paperIdsOf(project))
    const stock = this.#stock
      .filter((line) => papers.has(line.paper_id) && mayCut(project)(line))
      .map(stockSheets)
    return sheetsFor(claimantOf(project.row), stock, this.#reservations, this.#claimants)
  }

  of(projectId: string): ReadonlyMap<string, number> {
    return new Map(
      this.#reservations
        .filter((one) => one.projectId === projectId)
        .map(({ stockId, sheets }) => [stockId, sheets]),
    )
  }

  replace(projectId: string, sheets: ReadonlyMap<string, number>): void {
    this.#reservations = [
      ...this.#reservations.filter((one) => one.projectId !== projectId),
      ...[...sheets].map(([stockId, count]) => ({ projectId, stockId, sheets: count })),
    ]
  }
}

/** Whether what a project was promised is still its to have, is what its plan takes, and could not be better now. */
function holds(
  { records }: LoadedProject,
  { layouts, facts }: ProjectSurvey,
  may: readonly StockSheets[],
  promised: ReadonlyMap<string, number>,
): boolean {
  if (records.cutPlan === null) return facts.lines === 0
  // One that is short looks again whenever sheets of its papers move.
  if (records.cutPlan.plan.status === 'short' && facts.shortUnits > 0) return false
  const taken = sheetsTaken(layouts)
  const there = new Map(may.map(({ stockId, available }) => [stockId, available]))
  return (
    taken.size === promised.size &&
    [...taken].every(
      ([stockId, sheets]) => (there.get(stockId) ?? 0) >= sheets && promised.get(stockId) === sheets,
    )
  )
}

/** Stores a plan of a project, checked before it is kept. *Returns* the sheets it takes. */
export async function keepPlan(
  { db, nowMs }: Pick<FlowContext, 'db' | 'nowMs'>,
  projectId: string,
  problem: CutProblem,
  plan: CutPlan,
): Promise<ReadonlyMap<string, number>> {
  const faults = checkCutPlan(problem, plan)
  invariant(faults.length === 0, `a cut plan holds: ${JSON.stringify(faults)}`)
  await saveCutPlan(db, projectId, {
    id: nanoid(),
    input_hash: contentHash(problem).hash,
    body: JSON.stringify({ problem, plan }),
    made_at_ms: nowMs,
  })
  return sheetsTaken(plan.layouts.map((layout) => ({ ...layout, planned: layout.sheets })))
}

/** Plans one project's cuts anew and stores the plan, checked before it is kept. *Returns* the sheets it takes. */
async function planOne(
  { db, nowMs }: FlowContext,
  { brief, row }: LoadedProject,
  survey: ProjectSurvey,
  stock: readonly StockSheets[],
  { lessons, tools, solver, effort }: Planning,
): Promise<ReadonlyMap<string, number>> {
  const rateOf = ({ design }: ProjectSurvey['lines'][number]) => lessons.rejectRate(design.family)
  const problem: CutProblem = {
    demands: cutDemands(survey.lines, rateOf, brief.certainty, stock),
    stock,
    tools,
  }
  return keepPlan({ db, nowMs }, row.id, problem, planExactly(problem, solver, effort))
}

/** How many projects besides the one asked for are planned exactly within one deed; more would keep it waiting. */
const MOST_OTHERS = 4

export interface WhatMoved {
  /** The project whose plan is made anew whatever stands. */
  readonly project?: string
  /** Papers whose sheets came, went or were counted. */
  readonly paperIds?: readonly string[]
}

/**
 * Plans the cuts of a project, then of every other that uses the same papers and is short, or no longer has what it
 * was promised: in order of precedence, so that no sheet is promised twice. A project that is put away or handed over
 * whole gives its sheets back. Part of the deed that moved something; within its transaction.
 */
export async function planCuts(context: FlowContext, { project, paperIds = [] }: WhatMoved): Promise<void> {
  const { db } = context
  const open = await listOpenProjects(db)
  const row = project === undefined ? undefined : await findProject(db, project)
  const [asked] = await loadProjects(context, row ? [row] : [])
  if (asked?.brief.archived === true) await replaceReservations(db, asked.row.id, new Map())
  const moved = [...paperIds, ...(asked ? paperIdsOf(asked) : [])]
  const users = new Set([...(await projectsUsingPapers(db, moved)), ...(asked ? [asked.row.id] : [])])
  const projects = await loadProjects(
    context,
    open.filter(({ id }) => users.has(id)).toSorted((a, b) => byPrecedence(claimantOf(a), claimantOf(b))),
  )
  const stock = await stockOf(db, [...new Set(projects.flatMap(paperIdsOf))])
  const reservations = (await allReservations(db)).map((row) => ({
    projectId: row.project_id,
    stockId: row.stock_item_id,
    sheets: row.sheets,
  }))
  const claimants = new Map(open.map((row) => [row.id, claimantOf(row)]))
  const promises = new Promises(stock, reservations, claimants)
  const planning = {
    lessons: await readLessons(context),
    tools: (await currentSettings(context)).cutting,
    solver: await theSolver(),
  }
  let others = 0
  for (const one of projects) {
    const survey = surveyProject(one)
    const may = promises.sheetsFor(one)
    const promised = promises.of(one.row.id)
    const delivered = allDelivered(survey.facts)
    if (!delivered && one.row.id !== project && holds(one, survey, may, promised)) continue
    // One that is delivered keeps the plan it had and gives its sheets back.
    if (delivered && one.records.cutPlan !== null && promised.size === 0) continue
    const planned =
      delivered && one.records.cutPlan !== null
        ? new Map<string, number>()
        : await planOne(context, one, survey, may, {
            ...planning,
            effort: one.row.id === project || others++ < MOST_OTHERS ? AT_ONCE : BY_RULE,
          })
    const takes = delivered ? new Map<string, number>() : planned
    promises.replace(one.row.id, takes)
    await replaceReservations(db, one.row.id, takes)
  }
}
