import { z } from 'zod'
import { choice } from '@/schema/fields'
import { parseFields } from '@/schema/field-errors'
import { deed, RefusalError, type DeedResult } from '../deed'
import { TABLE_MEANS, takeTableIn as takeIn } from '../drawer-table'
import type { FlowContext } from '../flow-context'

const asked = z.strictObject({
  text: z.string(),
  means: choice('what the numbers are', TABLE_MEANS),
  stamp: z.string().max(128),
})

/** Takes a table of papers and sheets into the drawer, as its preview showed it. */
export const takeTableIn = (
  context: FlowContext,
  input: unknown,
): Promise<DeedResult<{ readonly rows: number; readonly papers: number }>> =>
  deed(context, (inDeed) => {
    const parsed = parseFields(asked, input)
    if (!parsed.ok) throw new RefusalError('DRAWER_CHANGED')
    const { text, means, stamp } = parsed.value
    return takeIn(inDeed, text, means, stamp)
  })
