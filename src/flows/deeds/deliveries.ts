import { nanoid } from 'nanoid'
import { insertDelivery, markDeliveryUndone } from '@/data/repositories/joins'
import { parseFields } from '@/schema/field-errors'
import { deliveryFields } from '@/schema/delivery'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { planCuts } from '../plan-cuts'
import { plannedOr } from '../project-plan'

/** Some pieces are handed over. What is still owed stays owed; no more than is folded can go. */
export const handOver = (
  context: FlowContext,
  projectId: string,
  input: unknown,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(deliveryFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { plan } = await plannedOr(inDeed, projectId)
    const given = parsed.value.pieces.flatMap(({ lineId, pieces }, index) =>
      pieces === null || pieces === 0 ? [] : [{ lineId, pieces, index }],
    )
    for (const { lineId, pieces, index } of given) {
      const one = plan.owed.find(({ line }) => line.line.id === lineId)
      if (!one) throw new RefusalError('NOT_FOUND')
      const most = Math.max(0, Math.min(one.pieces, one.line.foldedPieces) - one.handedOver)
      if (pieces > most)
        throw refuseFields({
          [`pieces.${index}.pieces`]:
            most === 0 ? 'None of these is there to hand over.' : `There are ${most} to hand over.`,
        })
    }
    if (given.length === 0) throw new RefusalError('NOTHING_TO_HAND_OVER')
    const twice = given.find(({ lineId }, at) =>
      given.some((one, other) => other < at && one.lineId === lineId),
    )
    if (twice)
      throw refuseFields({
        [`pieces.${twice.index}.pieces`]: 'This line is there twice. Load the page again.',
      })
    const id = nanoid()
    await insertDelivery(
      inDeed.db,
      {
        id,
        project_id: projectId,
        note: parsed.value.note,
        handed_over_at_ms: inDeed.nowMs,
        undone_at_ms: null,
      },
      given.map(({ lineId, pieces }) => ({ delivery_id: id, line_id: lineId, pieces })),
    )
    await planCuts(inDeed, { project: projectId })
    return null
  })

/** They were not handed over after all. */
export const undoHandOver = (
  context: FlowContext,
  projectId: string,
  deliveryId: string,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    if (!(await markDeliveryUndone(db, { projectId, deliveryId, nowMs }))) throw new RefusalError('NOT_FOUND')
    await planCuts(inDeed, { project: projectId })
    return null
  })
