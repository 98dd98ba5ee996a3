import { findDeedDone, forgetDeedsDoneBefore, insertDeedDone } from '@/data/repositories/deeds-done'
import { idText } from '@/schema/fields'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'
import { deed, RefusalError, type DeedResult } from './deed'

/** One press of a person: what was asked for, and the id its client made for it. */
export interface Press {
  readonly id: unknown
  /** The deed and what it is done to. */
  readonly kind: string
  readonly input: unknown
}

/** A press that is still on its way after this long is not expected any more. */
const REMEMBERED_MS = 90 * 24 * 60 * 60 * 1000

/**
 * Does a deed that adds something once, however often its press arrives: doubled, retried after an answer was lost, or
 * late. A press that comes again gets the answer of the first time; the same id with other values is refused, since
 * something was kept already and its answer got lost.
 */
export const once = <Value>(
  context: FlowContext,
  { id, kind, input }: Press,
  act: (context: FlowContext) => Promise<DeedResult<Value>>,
): Promise<DeedResult<Value>> =>
  deed(context, async (inDeed) => {
    const parsed = idText('a press').safeParse(id)
    if (!parsed.success) throw new RefusalError('NOT_FOUND')
    const inputHash = contentHash({ kind, input: input ?? null }).hash
    const done = await findDeedDone(inDeed.db, parsed.data)
    if (done) {
      if (done.inputHash !== inputHash) throw new RefusalError('ALREADY_KEPT')
      return JSON.parse(done.answer) as Value
    }
    const result = await act(inDeed)
    if (!result.ok) throw RefusalError.of(result)
    const answer = JSON.stringify(result.value)
    await forgetDeedsDoneBefore(inDeed.db, inDeed.nowMs - REMEMBERED_MS)
    await insertDeedDone(inDeed.db, { id: parsed.data, inputHash, answer, nowMs: inDeed.nowMs })
    return result.value
  })
