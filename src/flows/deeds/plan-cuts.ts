import { findProject, updateProject } from '@/data/repositories/projects'
import { deed, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { planCuts } from '../plan-cuts'

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
