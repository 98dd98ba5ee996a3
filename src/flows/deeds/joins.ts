import { z } from 'zod'
import { insertJoin } from '@/data/repositories/joins'
import { parseFields } from '@/schema/field-errors'
import { idText } from '@/schema/fields'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { plannedOr } from '../project-plan'

const joinFields = z.strictObject({
  /** Made by the client, so that one press counts once. */
  id: idText('a press'),
  lineId: idText('a line'),
  delta: z.union([z.literal(1), z.literal(-1)]),
})

/** One more piece joined, or one less. Refused beyond what is folded, and below none. */
export const recordJoin = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(joinFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { id, lineId, delta } = parsed.value
    const { plan } = await plannedOr(inDeed, projectId)
    const join = plan.joinings.find(({ line }) => line.line.id === lineId)
    if (!join) throw new RefusalError('NOT_FOUND')
    if (delta > 0 && join.joined >= join.joinable)
      throw new RefusalError('NOTHING_TO_JOIN', { joined: join.joined, pieces: join.pieces })
    if (delta < 0 && join.joined === 0) throw new RefusalError('NOTHING_JOINED')
    await insertJoin(inDeed.db, { id, lineId, delta, atMs: inDeed.nowMs })
    return null
  })
