import { checkCutPlan, isBetterPlan, verifiedPlan } from '@/core/cut'
import { sheetsTaken } from '@/core/plan'
import { plannedWith } from '@/data/repositories/cut-plans'
import { tryAgain } from '@/data/repositories/plans-wanted'
import { findProject, listOpenProjects, projectsById, updateProject } from '@/data/repositories/projects'
import { foundPlan } from '@/schema/cut-plan'
import { MOST_TOGETHER, togetherFields } from '@/schema/cut'
import { parseFields } from '@/schema/field-errors'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { keepPlan, planCuts } from '../plan-cuts'
import { plannedOr } from '../project-plan'
import { loadProjects } from '../project-records'
import { promisesOf } from '../promises'

/** Plans a project's cuts anew, with what is in the drawer and what its pieces take by now. */
export const planAgain = (context: FlowContext, projectId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    if (!(await findProject(inDeed.db, projectId))) throw new RefusalError('NOT_FOUND')
    await tryAgain(inDeed.db)
    await planCuts(inDeed, { project: projectId })
    return null
  })

/** Gives a project its paper before all others, whatever their dates, or takes that back. */
export const holdPaperFirst = (
  context: FlowContext,
  projectId: string,
  first: boolean,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    if (!(await findProject(inDeed.db, projectId))) throw new RefusalError('NOT_FOUND')
    await updateProject(inDeed.db, projectId, { hold_first: first ? 1 : 0 })
    await planCuts(inDeed, { project: projectId })
    return null
  })

/**
 * Takes a plan that a browser found in the place of the stored one, for the same problem. Only its layouts and multipliers
 * are taken from it: the cuts are checked, and what is said of them is worked out here. Refused where the plan is another
 * by now, was begun, or the sheets are promised elsewhere. *Returns* whether it was better and is kept.
 */
export const takeFoundPlan = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<{ readonly kept: boolean }>> =>
  deed(context, async (inDeed) => {
    const { db } = inDeed
    const parsed = foundPlan.safeParse(input)
    if (!parsed.success) throw new RefusalError('NO_SUCH_PLAN')
    const { planId, layouts, proofs } = parsed.data
    const project = await plannedOr(inDeed, projectId)
    const { cutPlan } = project.records
    const begun = (cutPlan?.ticked.length ?? 0) > 0
    if (cutPlan?.id !== planId || begun) throw new RefusalError('PLAN_CHANGED')
    const { problem, plan: stored } = cutPlan
    const plan = verifiedPlan(problem, layouts, proofs, stored.proofs ?? [])
    if (checkCutPlan(problem, plan).length > 0) throw new RefusalError('NO_SUCH_PLAN')
    if (!isBetterPlan(problem, plan, stored)) return { kept: false }
    const ids = [projectId, ...cutPlan.sharedWith]
    const together = await loadProjects(inDeed, await projectsById(db, ids))
    const promises = await promisesOf(inDeed, together, await listOpenProjects(db))
    const may = promises.sheetsFor(together)
    for (const [stockId, sheets] of sheetsTaken(layouts))
      if ((may.find((one) => one.stockId === stockId)?.available ?? 0) < sheets)
        throw new RefusalError('PLAN_CHANGED')
    await promises.replace(ids, await keepPlan(inDeed, ids, problem, plan))
    return { kept: true }
  })

/**
 * Cuts a project together with others from now on: a sheet may hold pieces of several. Refused where one of them is not
 * there, put away, or has nothing left to cut.
 */
export const cutTogether = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(togetherFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const together = [...new Set(parsed.value.projects)].filter((id) => id !== projectId)
    if (together.length === 0) throw new RefusalError('NOTHING_TO_CUT_TOGETHER')
    const all = await plannedWith(inDeed.db, [projectId, ...together])
    if (all.length > MOST_TOGETHER) throw new RefusalError('TOO_MANY_TOGETHER', { most: MOST_TOGETHER })
    for (const one of [projectId, ...together]) {
      const { brief, plan } = await plannedOr(inDeed, one)
      const left = plan.lines.some(({ parts }) =>
        parts.some(({ papers }) => papers.some(({ unitsToCut }) => unitsToCut > 0)),
      )
      if (brief.archived || !left) throw new RefusalError('NOTHING_TO_CUT_TOGETHER', { projects: brief.name })
    }
    await planCuts(inDeed, { project: projectId, together })
    return null
  })

/** Plans a project and those it was cut together with each by itself again. */
export const cutApart = (context: FlowContext, projectId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    if (!(await findProject(inDeed.db, projectId))) throw new RefusalError('NOT_FOUND')
    await planCuts(inDeed, {
      project: projectId,
      apart: [...(await plannedWith(inDeed.db, [projectId]))],
    })
    return null
  })
