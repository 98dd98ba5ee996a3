import { findProject, updateProject } from '@/data/repositories/projects'
import type { FlowContext } from '../flow-context'
import { deed, RefusalError, type DeedResult } from '../deed'
import { planCuts } from '../plan-cuts'

/** Puts a project away, or takes it out again. Nothing of it is deleted; its sheets are free for others meanwhile. */
export const archiveProject = (
  context: FlowContext,
  projectId: string,
  away: boolean,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    if (!(await findProject(db, projectId))) throw new RefusalError('NOT_FOUND')
    await updateProject(db, projectId, { archived_at_ms: away ? nowMs : null })
    await planCuts(inDeed, { project: projectId })
    return null
  })
