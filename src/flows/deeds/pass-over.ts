import { findProject, updateProject } from '@/data/repositories/projects'
import { dateText } from '@/schema/fields'
import { nextYearly } from '@/schema/days'
import { deed, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'

/**
 * Passes over a day of an occasion that comes every year, so that it is heard of again the year after; no day takes that
 * back. The day is named, so that a press that is sent again passes over no second one.
 */
export const passOver = (context: FlowContext, projectId: string, day: unknown): Promise<DeedResult<null>> =>
  deed(context, async ({ db }) => {
    const row = await findProject(db, projectId)
    if (!row || row.yearly !== 1 || row.due_on === null) throw new RefusalError('NOT_FOUND')
    const passed = dateText('the day').safeParse(day ?? '')
    // One of its own days: the same of a later year.
    if (!passed.success || (passed.data !== null && nextYearly(row.due_on, passed.data) !== passed.data))
      throw new RefusalError('NOT_FOUND')
    await updateProject(db, projectId, { passed_over: passed.data })
    return null
  })
