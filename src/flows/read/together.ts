import { AT_ONCE, planFigures, type PlanFigures } from '@/core/cut'
import { allDelivered, byPrecedence, layoutsLeft, surveyProject } from '@/core/plan'
import { plannedWith } from '@/data/repositories/cut-plans'
import { papersById } from '@/data/repositories/papers'
import { listOpenProjects, projectsUsingPapers } from '@/data/repositories/projects'
import { INLINE_POOL } from '@/pool/inline-pool'
import type { FlowContext } from '../flow-context'
import { planningNow, problemOf, type Member } from '../plan-cuts'
import { claimantOf, paperIdsOf } from '../project-plan'
import { loadProjects } from '../project-records'
import { promisesOf, type Promises } from '../promises'
import { paperView, type PaperView } from './papers'

/** What plans of the same pieces take now, and what they would take as one. */
export interface TogetherFigures {
  readonly now: PlanFigures
  readonly together: PlanFigures
}

/** A project that could be cut together with another. */
export interface Companion {
  readonly id: string
  readonly name: string
  readonly dueOn: string | null
  readonly zone: string
  /** Papers that pieces of both are cut from. */
  readonly papers: readonly PaperView[]
  /** Whether it is cut together with it already. */
  readonly joined: boolean
  /** With this one alone; `null` where it is joined, or too far down the list to be worked out unasked. */
  readonly figures: TogetherFigures | null
}

export interface Together {
  readonly companions: readonly Companion[]
  /** Of those asked for: what cutting all of them together takes. */
  readonly asked: TogetherFigures | null
}

type Planning = Awaited<ReturnType<typeof planningNow>> & { readonly promises: Promises }

/** How many are worked out unasked: the most pressing. */
const MOST_UNASKED = 3

/** Projects that a project could share its sheets with, and what that would save. Plans nothing and keeps nothing. */
export async function readTogether(
  context: FlowContext,
  projectId: string,
  asked: readonly string[],
): Promise<Together> {
  const { db } = context
  const open = await listOpenProjects(db)
  const [project] = await loadProjects(
    context,
    open.filter(({ id }) => id === projectId),
  )
  if (!project) return { companions: [], asked: null }
  const own: Member = { project, survey: surveyProject(project) }
  // With those that one of them is cut together with already: they would come along.
  const using = await projectsUsingPapers(db, paperIdsOf(project))
  const near = new Set(await plannedWith(db, [projectId, ...using]))
  const rows = open
    .filter(({ id }) => id !== projectId && near.has(id))
    .toSorted((a, b) => byPrecedence(claimantOf(a), claimantOf(b)))
  const others = (await loadProjects(context, rows)).map((one): Member => ({
    project: one,
    survey: surveyProject(one),
  }))
  const planning: Planning = {
    ...(await planningNow(context)),
    promises: await promisesOf(context, [project, ...others.map((one) => one.project)], open),
  }
  const wanted = cutPapersOf(own, planning)
  const joined = new Set(project.records.cutPlan?.sharedWith ?? [])
  const companions: Companion[] = []
  let unasked = 0
  for (const other of others) {
    const shared = [...cutPapersOf(other, planning)].filter((id) => wanted.has(id))
    const { row } = other.project
    if (allDelivered(other.survey.facts) || (shared.length === 0 && !joined.has(row.id))) continue
    companions.push({
      id: row.id,
      name: row.name,
      dueOn: row.due_on,
      zone: row.zone,
      papers: (await papersById(db, shared)).map(paperView),
      joined: joined.has(row.id),
      figures:
        joined.has(row.id) || unasked++ >= MOST_UNASKED
          ? null
          : await figuresOf(context, groupWith([own, other], others), planning),
    })
  }
  const chosen = others.filter(
    (one) => asked.includes(one.project.row.id) && companions.some(({ id }) => id === one.project.row.id),
  )
  return {
    companions,
    asked:
      chosen.length === 0 ? null : await figuresOf(context, groupWith([own, ...chosen], others), planning),
  }
}

/** Papers that something of a project is still to be cut from. */
const cutPapersOf = (one: Member, planning: Planning): ReadonlySet<string> =>
  new Set(
    problemOf([one], planning.promises.sheetsFor([one.project]), planning)
      .parties.flat()
      .map(({ paperId }) => paperId),
  )

/** Projects with those that one of them is cut together with already. */
function groupWith(members: readonly Member[], others: readonly Member[]): readonly Member[] {
  const ids = new Set(members.map((one) => one.project.row.id))
  const sharing = new Set(members.flatMap((one) => one.project.records.cutPlan?.sharedWith ?? []))
  return [...members, ...others.filter(({ project: { row } }) => sharing.has(row.id) && !ids.has(row.id))]
}

/** What is left of the plans they have, and one plan of all their pieces from the sheets that are theirs to take. */
async function figuresOf(
  { pool = INLINE_POOL }: FlowContext,
  members: readonly Member[],
  planning: Planning,
): Promise<TogetherFigures> {
  const plans = new Map(
    members.flatMap(({ project }) => {
      const { cutPlan } = project.records
      if (cutPlan === null) return []
      const { id, problem, plan } = cutPlan
      return [[id, planFigures(problem, { ...plan, layouts: layoutsLeft(cutPlan) })] as const]
    }),
  )
  const missing = members.reduce((sum, { survey }) => sum + survey.facts.shortUnits, 0)
  const now = { ...[...plans.values()].reduce(added, NOTHING), missing }
  const ordered = members.toSorted((a, b) =>
    byPrecedence(claimantOf(a.project.row), claimantOf(b.project.row)),
  )
  const may = planning.promises.sheetsFor(members.map((one) => one.project))
  const given = { problem: problemOf(ordered, may, planning), effort: AT_ONCE }
  const { problem, plan } = await pool.run('plan cuts', given)
  return { now, together: planFigures(problem, plan) }
}

const NOTHING: PlanFigures = {
  sheets: 0,
  offcuts: 0,
  layouts: 0,
  cuts: 0,
  settings: 0,
  largestRestUm2: 0,
  missing: 0,
}

const added = (a: PlanFigures, b: PlanFigures): PlanFigures => ({
  sheets: a.sheets + b.sheets,
  offcuts: a.offcuts + b.offcuts,
  layouts: a.layouts + b.layouts,
  cuts: a.cuts + b.cuts,
  settings: a.settings + b.settings,
  largestRestUm2: Math.max(a.largestRestUm2, b.largestRestUm2),
  missing: a.missing + b.missing,
})
