import { DateTime } from 'luxon'
import { findProject, updateProject } from '@/data/repositories/projects'
import { daysOn, nextYearly } from '@/schema/days'
import { deed, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'

/**
 * Passes over the next day of an occasion that comes every year, so that it is heard of again the year after; or takes
 * that back.
 */
export const passOver = (context: FlowContext, projectId: string, over: boolean): Promise<DeedResult<null>> =>
  deed(context, async ({ db, nowMs }) => {
    const row = await findProject(db, projectId)
    if (!row || row.yearly !== 1 || row.due_on === null) throw new RefusalError('NOT_FOUND')
    const today = DateTime.fromMillis(nowMs, { zone: row.zone }).toISODate() ?? ''
    const after = row.passed_over !== null && row.passed_over >= today ? daysOn(row.passed_over, 1) : today
    await updateProject(db, projectId, { passed_over: over ? nextYearly(row.due_on, after) : null })
    return null
  })
