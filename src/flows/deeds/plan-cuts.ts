import { checkCutPlan, isBetterPlan, verifiedPlan } from '@/core/cut'
import { sheetsFor } from '@/core/plan'
import { replaceReservations } from '@/data/repositories/cut-plans'
import { findProject, listOpenProjects, updateProject } from '@/data/repositories/projects'
import { foundPlan } from '@/schema/cut-plan'
import { deed, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { keepPlan, planCuts } from '../plan-cuts'
import { claimantOf, mayCut, plannedOr, stockSheets } from '../project-plan'

/** Plans a project's cuts anew, with what is in the drawer and what its pieces take by now. */
export const planAgain = (context: FlowContext, projectId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    if (!(await findProject(inDeed.db, projectId))) throw new RefusalError('NOT_FOUND')
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
    const begun = project.plan.layouts.some(({ sheets, planned }) => sheets < planned)
    const whole = project.plan.layouts.length === cutPlan?.plan.layouts.length && !begun
    if (cutPlan?.id !== planId || !whole) throw new RefusalError('PLAN_CHANGED')
    const { problem, plan: stored } = cutPlan
    const plan = verifiedPlan(problem, layouts, proofs, stored.proofs ?? [])
    if (checkCutPlan(problem, plan).length > 0) throw new RefusalError('NO_SUCH_PLAN')
    if (!isBetterPlan(problem, plan, stored)) return { kept: false }
    const open = await listOpenProjects(db)
    const claimants = new Map(open.map((row) => [row.id, claimantOf(row)]))
    const may = sheetsFor(
      claimantOf(project.row),
      project.stock.filter(mayCut(project)).map(stockSheets),
      project.reservations,
      claimants,
    )
    const takes = new Map<string, number>()
    for (const { stockId, sheets } of layouts) takes.set(stockId, (takes.get(stockId) ?? 0) + sheets)
    for (const [stockId, sheets] of takes)
      if ((may.find((one) => one.stockId === stockId)?.available ?? 0) < sheets)
        throw new RefusalError('PLAN_CHANGED')
    await replaceReservations(db, projectId, await keepPlan(inDeed, projectId, problem, plan))
    return { kept: true }
  })
