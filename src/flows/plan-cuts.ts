import { setTimeout as pause } from 'node:timers/promises'
import { nanoid } from 'nanoid'
import {
  checkCutPlan,
  AT_ONCE,
  BY_RULE,
  type CutPlan,
  type CutProblem,
  type CutTools,
  type Effort,
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
import {
  firstWanted,
  forgetWanted,
  giveUpWanted,
  wantPlan,
  type PlanWantedRow,
} from '@/data/repositories/plans-wanted'
import {
  findProject,
  listOpenProjects,
  projectsById,
  projectsUsingPapers,
} from '@/data/repositories/projects'
import { DatabaseTroubleError } from '@/data/trouble'
import { inTransaction } from '@/data/writing'
import { INLINE_POOL } from '@/pool/inline-pool'
import type { Urgency } from '@/pool/pool'
import { whatMoved, type WhatMoved } from '@/schema/what-moved'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'
import { readLessons } from './lessons'
import { claimantOf, paperIdsOf } from './project-plan'
import { loadProjects, type LoadedProject } from './project-records'
import { promisesOf, type Promises } from './promises'
import { currentSettings } from './settings'

/** What plans are made with. */
interface Planning {
  readonly lessons: Lessons
  readonly tools: CutTools
}

export const planningNow = async (context: FlowContext): Promise<Planning> => ({
  lessons: await readLessons(context),
  tools: (await currentSettings(context)).cutting,
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
  { lessons, tools }: Planning,
): TogetherProblem => ({
  parties: members.map(({ project, survey }) =>
    cutDemands(
      survey,
      {
        rateOf: ({ design }) => lessons.rejectRate(design.family),
        certainty: project.brief.certainty,
        spares: lessons.spares,
      },
      stock,
    ),
  ),
  stock,
  tools,
})

/** How many projects besides the one asked for are planned exactly; whoever opens the others has them planned further. */
const MOST_OTHERS = 4

/** Leaves what moved to the planner: part of the deed that moved it. Its plans are made once the deed stands. */
export async function planCuts({ db, nowMs, afterwards }: FlowContext, moved: WhatMoved): Promise<void> {
  await wantPlan(db, JSON.stringify(moved), nowMs)
  afterwards?.add(settleSoon)
}

/**
 * Projects as they are planned: those cut together as one, all others each by itself; in order of precedence. One that
 * wants nothing any more, or is handed over, is by itself.
 */
function groupsOf(
  projects: readonly LoadedProject[],
  { project, together = [], apart = [] }: WhatMoved,
): readonly (readonly Member[])[] {
  const joined = new Set(project === undefined ? [] : [project, ...together])
  const keyOf = ({ project: { row, records }, survey }: Member): string => {
    const plan = records.cutPlan
    if (allDelivered(survey.facts) || apart.includes(row.id)) return row.id
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

/** What changed while a plan was made: it must be made anew. */
class ChangedMeanwhileError extends Error {
  override readonly name = 'ChangedMeanwhileError'
}

/**
 * Plans the cuts of a project and of those it is cut together with, then of every other that uses the same papers and is
 * short, or no longer has what it was promised: in order of precedence, so that no sheet is promised twice. A project that
 * is put away or handed over whole gives its sheets back. Reads, plans outside of any transaction, and keeps each plan in
 * a short one, if what it was made from still stands.
 * *Throws* `ChangedMeanwhileError`: what was kept before that stands.
 */
async function planMoved(context: FlowContext, moved: WhatMoved): Promise<void> {
  const { db } = context
  const { project } = moved
  const open = await listOpenProjects(db)
  const asked = await plannedWith(db, [
    ...(project === undefined ? [] : [project]),
    ...(moved.together ?? []),
    ...(moved.apart ?? []),
  ])
  const loaded = await loadProjects(context, await projectsById(db, asked))
  for (const one of loaded)
    if (one.brief.archived)
      await inTransaction(db, async (trx) => {
        const row = await findProject(trx, one.row.id)
        if (row?.archived_at_ms !== null) await replaceReservations(trx, one.row.id, new Map())
      })
  const papers = [...(moved.paperIds ?? []), ...loaded.flatMap(paperIdsOf)]
  const users = new Set(await plannedWith(db, [...(await projectsUsingPapers(db, papers)), ...asked]))
  const projects = await loadProjects(
    context,
    open.filter(({ id }) => users.has(id)).toSorted((a, b) => byPrecedence(claimantOf(a), claimantOf(b))),
  )
  const planning = await planningNow(context)
  let others = 0
  for (const members of groupsOf(projects, moved)) {
    const ids = members.map((one) => one.project.row.id)
    // What was kept of those before is promised by now.
    const promises = await promisesOf(context, projects, open)
    const may = promises.sheetsFor(members.map((one) => one.project))
    const promised = promises.of(ids)
    const isAsked =
      (project !== undefined && ids.includes(project)) || ids.some((id) => moved.apart?.includes(id))
    const [delivered] = members.filter(({ survey }) => allDelivered(survey.facts))
    if (!delivered && !isAsked && holds(members, may, promised)) continue
    // One that is delivered keeps the plan it had and gives its sheets back.
    if (delivered && delivered.project.records.cutPlan !== null) {
      if (promised.size > 0) await giveBack(context, ids)
      continue
    }
    const effort = isAsked || others++ < MOST_OTHERS ? AT_ONCE : BY_RULE
    await planMembers(context, members, promises, planning, {
      effort,
      urgency: isAsked ? 'waited for' : 'behind',
    })
  }
}

/** A project that is handed over whole gives its sheets back. */
const giveBack = (context: FlowContext, ids: readonly string[]): Promise<void> =>
  inTransaction(context.db, async (db) => {
    const now = { ...context, db }
    const loaded = await loadProjects(now, await projectsById(db, ids))
    if (!loaded.every((one) => allDelivered(surveyProject(one).facts))) throw new ChangedMeanwhileError()
    await (await promisesOf(now, loaded, await listOpenProjects(db))).replace(ids, new Map())
  })

interface HowPlanned {
  readonly effort: Effort
  readonly urgency: Urgency
}

/** Plans projects as one. Those that nothing is to be cut for any more have a plan of their own, without cuts. */
async function planMembers(
  context: FlowContext,
  members: readonly Member[],
  promises: Promises,
  planning: Planning,
  { effort, urgency }: HowPlanned,
): Promise<void> {
  const may = (some: readonly Member[]) => promises.sheetsFor(some.map((one) => one.project))
  const stock = may(members)
  const wants = members.filter((one) => problemOf([one], stock, planning).parties.flat().length > 0)
  const done = members.filter((one) => !wants.includes(one))
  for (const group of [wants, ...done.map((one) => [one])]) {
    if (group.length === 0) continue
    const ids = group.map((one) => one.project.row.id)
    const asked = problemOf(group, may(group), planning)
    const made = await (context.pool ?? INLINE_POOL).run('plan cuts', { problem: asked, effort }, { urgency })
    await keepIfItStands(context, ids, asked, made)
  }
}

/** Keeps a plan in a short deed, if what it was planned from is still so. *Throws* `ChangedMeanwhileError`. */
const keepIfItStands = (
  context: FlowContext,
  ids: readonly string[],
  asked: TogetherProblem,
  { problem, plan }: { readonly problem: CutProblem; readonly plan: CutPlan },
): Promise<void> =>
  inTransaction(context.db, async (db) => {
    const now = { ...context, db }
    const rows = await projectsById(db, ids)
    const order = new Map(ids.map((id, at) => [id, at]))
    const members = (await loadProjects(now, rows))
      .map((project): Member => ({ project, survey: surveyProject(project) }))
      .toSorted((a, b) => (order.get(a.project.row.id) ?? 0) - (order.get(b.project.row.id) ?? 0))
    const projects = members.map((one) => one.project)
    const promises = await promisesOf(now, projects, await listOpenProjects(db))
    const asWanted = problemOf(members, promises.sheetsFor(projects), await planningNow(now))
    if (contentHash(asWanted).hash !== contentHash(asked).hash) throw new ChangedMeanwhileError()
    const takes = await keepPlan(now, ids, problem, plan)
    const delivered = members.some(({ survey }) => allDelivered(survey.facts))
    await promises.replace(ids, delivered ? new Map() : takes)
  })

/** How often a plan is made anew because what it was made from changed meanwhile. */
const MOST_TRIES = 3

/** Plans what one deed left, and takes it off the list; or says that it was given up. */
async function settleOne(context: FlowContext, row: PlanWantedRow): Promise<void> {
  const what = whatMoved.parse(JSON.parse(row.moved))
  for (let tries = 1; ; tries++)
    try {
      await planMoved(context, what)
      await inTransaction(context.db, (db) => forgetWanted(db, row))
      return
    } catch (error) {
      const again = error instanceof ChangedMeanwhileError && tries < MOST_TRIES
      if (again) continue
      // The database's trouble passes: what is wanted stays on the list for the next time.
      if (error instanceof DatabaseTroubleError) throw error
      if (!(error instanceof ChangedMeanwhileError)) console.error(error)
      await inTransaction(context.db, (db) => giveUpWanted(db, row))
      return
    }
}

/** Who plans now, by database: one planner each, in the order of the deeds. */
const holder = globalThis as typeof globalThis & { kelpfieldPlanners?: WeakMap<object, Promise<void>> }
const planners = (holder.kelpfieldPlanners ??= new WeakMap())

/** Plans all that deeds left to be planned. *Resolves* once nothing is left. */
export function settlePlans(context: FlowContext): Promise<void> {
  const { db } = context
  const before = planners.get(db) ?? Promise.resolve()
  const mine = before
    .catch(() => undefined)
    .then(async () => {
      for (let next = await firstWanted(db); next; next = await firstWanted(db))
        await settleOne(context, next)
    })
  planners.set(db, mine)
  return mine
}

/** The same after a deed: waits as long as whoever pressed should. What then is not planned yet is shown so. */
export async function settleSoon(context: FlowContext): Promise<void> {
  const settled = settlePlans(context).catch((error: unknown) => console.error(error))
  const { patienceMs } = context
  await (patienceMs === undefined ? settled : Promise.race([settled, pause(patienceMs)]))
}
