import { nanoid } from 'nanoid'
import {
  checkCutPlan,
  AT_ONCE,
  BY_RULE,
  planTogether,
  type CutPlan,
  type CutProblem,
  type CutTools,
  type Effort,
  type LinearSolver,
  type StockSheets,
  type TogetherProblem,
} from '@/core/cut'
import { invariant } from '@/core/errors'
import {
  allDelivered,
  byPrecedence,
  cutDemands,
  layoutsLeft,
  sheetsTaken,
  surveyProject,
  type Lessons,
  type ProjectSurvey,
} from '@/core/plan'
import { plannedWith, replaceReservations, saveCutPlan } from '@/data/repositories/cut-plans'
import { listOpenProjects, projectsById, projectsUsingPapers } from '@/data/repositories/projects'
import { theSolver } from '@/solvers/on-the-server'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'
import { readLessons } from './lessons'
import { claimantOf, paperIdsOf } from './project-plan'
import { loadProjects, type LoadedProject } from './project-records'
import { promisesOf, type Promises } from './promises'
import { currentSettings } from './settings'

/** What plans are made with: what the user cuts with, and a solver. */
interface Planning {
  readonly lessons: Lessons
  readonly tools: CutTools
  readonly solver: LinearSolver
}

export const planningNow = async (context: FlowContext): Promise<Planning> => ({
  lessons: await readLessons(context),
  tools: (await currentSettings(context)).cutting,
  solver: await theSolver(),
})

/** A project among those that are planned, and how far it is. */
export interface Member {
  readonly project: LoadedProject
  readonly survey: ProjectSurvey
}

/**
 * Whether projects that are cut together have one plan and it is theirs alone, what it takes is promised to them and there
 * for them, and it could not be better now.
 */
function holds(
  members: readonly Member[],
  may: readonly StockSheets[],
  promised: ReadonlyMap<string, number>,
): boolean {
  const [first] = members
  const cutPlan = first?.project.records.cutPlan ?? null
  if (cutPlan === null) return members.every(({ survey }) => survey.facts.lines === 0)
  if (cutPlan.sharedWith.length + 1 !== members.length) return false
  // One that is short looks again whenever sheets of its papers move.
  if (cutPlan.plan.status === 'short' && members.some(({ survey }) => survey.facts.shortUnits > 0))
    return false
  const taken = sheetsTaken(layoutsLeft(cutPlan))
  const there = new Map(may.map(({ stockId, available }) => [stockId, available]))
  return (
    taken.size === promised.size &&
    [...taken].every(
      ([stockId, sheets]) => (there.get(stockId) ?? 0) >= sheets && promised.get(stockId) === sheets,
    )
  )
}

/** Stores a plan of projects, checked before it is kept. *Returns* the sheets it takes. */
export async function keepPlan(
  { db, nowMs }: Pick<FlowContext, 'db' | 'nowMs'>,
  projectIds: readonly string[],
  problem: CutProblem,
  plan: CutPlan,
): Promise<ReadonlyMap<string, number>> {
  const faults = checkCutPlan(problem, plan)
  invariant(faults.length === 0, `a cut plan holds: ${JSON.stringify(faults)}`)
  await saveCutPlan(db, projectIds, {
    id: nanoid(),
    input_hash: contentHash(problem).hash,
    body: JSON.stringify({ problem, plan }),
    made_at_ms: nowMs,
  })
  return sheetsTaken(plan.layouts)
}

/** What is to be cut for some projects, and the sheets it may be cut from. */
export const problemOf = (
  members: readonly Member[],
  stock: readonly StockSheets[],
  { lessons, tools }: Pick<Planning, 'lessons' | 'tools'>,
): TogetherProblem => ({
  parties: members.map(({ project, survey }) =>
    cutDemands(survey, ({ design }) => lessons.rejectRate(design.family), project.brief.certainty, stock),
  ),
  stock,
  tools,
})

/** How many projects besides the one asked for are planned exactly within one deed; more would keep it waiting. */
const MOST_OTHERS = 4

export interface WhatMoved {
  /** The project whose plan is made anew whatever stands. */
  readonly project?: string
  /** Papers whose sheets came, went or were counted. */
  readonly paperIds?: readonly string[]
  /** Projects that are cut together with it from now on, besides those that are already. */
  readonly together?: readonly string[]
  /** Whether it and those it was cut together with are planned each by itself from now on. */
  readonly apart?: true
}

/**
 * Projects as they are planned: those cut together as one, all others each by itself; in order of precedence. One that
 * wants nothing any more, or is handed over, is by itself.
 */
function groupsOf(
  projects: readonly LoadedProject[],
  { project, together = [], apart }: WhatMoved,
): readonly (readonly Member[])[] {
  const joined = new Set(project === undefined ? [] : [project, ...together])
  const keyOf = ({ project: { row, records }, survey }: Member): string => {
    const plan = records.cutPlan
    if (allDelivered(survey.facts)) return row.id
    if (apart && (joined.has(row.id) || plan?.sharedWith.includes(project ?? ''))) return row.id
    if (together.length > 0 && (joined.has(row.id) || plan?.sharedWith.some((id) => joined.has(id))))
      return 'together'
    return plan ? `plan ${plan.id}` : row.id
  }
  const groups = new Map<string, Member[]>()
  for (const one of projects) {
    const member = { project: one, survey: surveyProject(one) }
    const key = keyOf(member)
    groups.set(key, [...(groups.get(key) ?? []), member])
  }
  return [...groups.values()]
}

/**
 * Plans the cuts of a project and of those it is cut together with, then of every other that uses the same papers and is
 * short, or no longer has what it was promised: in order of precedence, so that no sheet is promised twice. A project that
 * is put away or handed over whole gives its sheets back. Part of the deed that moved something; within its transaction.
 */
export async function planCuts(context: FlowContext, moved: WhatMoved): Promise<void> {
  const { db } = context
  const { project } = moved
  const open = await listOpenProjects(db)
  const asked = await plannedWith(db, [
    ...(project === undefined ? [] : [project]),
    ...(moved.together ?? []),
  ])
  const loaded = await loadProjects(context, await projectsById(db, asked))
  for (const one of loaded) if (one.brief.archived) await replaceReservations(db, one.row.id, new Map())
  const papers = [...(moved.paperIds ?? []), ...loaded.flatMap(paperIdsOf)]
  const users = new Set(await plannedWith(db, [...(await projectsUsingPapers(db, papers)), ...asked]))
  const projects = await loadProjects(
    context,
    open.filter(({ id }) => users.has(id)).toSorted((a, b) => byPrecedence(claimantOf(a), claimantOf(b))),
  )
  const promises = await promisesOf(context, projects, open)
  const planning = await planningNow(context)
  let others = 0
  for (const members of groupsOf(projects, moved)) {
    const ids = members.map((one) => one.project.row.id)
    const may = promises.sheetsFor(members.map((one) => one.project))
    const promised = promises.of(ids)
    const isAsked = project !== undefined && ids.includes(project)
    const [delivered] = members.filter(({ survey }) => allDelivered(survey.facts))
    if (!delivered && !isAsked && holds(members, may, promised)) continue
    // One that is delivered keeps the plan it had and gives its sheets back.
    if (delivered && delivered.project.records.cutPlan !== null) {
      if (promised.size > 0) await promises.replace(ids, new Map())
      continue
    }
    const effort = isAsked || others++ < MOST_OTHERS ? AT_ONCE : BY_RULE
    await planMembers(context, members, may, { ...planning, effort, promises })
  }
}

/** Plans projects as one. Those that nothing is to be cut for any more have a plan of their own, without cuts. */
async function planMembers(
  context: FlowContext,
  members: readonly Member[],
  may: readonly StockSheets[],
  { promises, ...planning }: Planning & { readonly effort: Effort; readonly promises: Promises },
): Promise<void> {
  const wants = members.filter((one) => problemOf([one], may, planning).parties.flat().length > 0)
  const done = members.filter((one) => !wants.includes(one))
  for (const group of [wants, ...done.map((one) => [one])]) {
    if (group.length === 0) continue
    const ids = group.map((one) => one.project.row.id)
    const { problem, plan } = planTogether(problemOf(group, may, planning), planning.solver, planning.effort)
    const takes = await keepPlan(context, ids, problem, plan)
    const delivered = group.some(({ survey }) => allDelivered(survey.facts))
    await promises.replace(ids, delivered ? new Map() : takes)
  }
}
