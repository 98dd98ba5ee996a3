import { findProject, updateProject } from '@/data/repositories/projects'
import type { FlowContext } from '../flow-context'
import { deed, RefusalError, type DeedResult } from '../deed'

/** Puts a project away, or takes it out again. Nothing of it is deleted. */
export const archiveProject = (
  context: FlowContext,
  projectId: string,
  away: boolean,
): Promise<DeedResult<null>> =>
  deed(context, async ({ db, nowMs }) => {
    if (!(await findProject(db, projectId))) throw new RefusalError('NOT_FOUND')
    await updateProject(db, projectId, { archived_at_ms: away ? nowMs : null })
    return null
  })
