import { nanoid } from 'nanoid'
import { addStockMoves, findMove, stockItemFor } from '@/data/repositories/stock'
import { findRun } from '@/data/repositories/runs'
import { readEpoch } from '@/data/repositories/settings'
import { parseFields } from '@/schema/field-errors'
import { keepRestFields } from '@/schema/paper'
import { deed, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { planCuts } from '../plan-cuts'
import { runPlan } from '../run-plan'
import { knownRun } from '../run-tally'
import { restId, restsOf } from '../spoiled-rest'

/** Puts what is left whole of a spoiled sheet into the drawer as an offcut. Once for each piece. */
export const keepRest = (context: FlowContext, runId: string, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const parsed = parseFields(keepRestFields, input)
    if (!parsed.ok) throw new RefusalError('NOT_FOUND')
    const { piece } = parsed.value
    const run = await findRun(db, runId)
    if (!run || run.paper_id === null) throw new RefusalError('NOT_FOUND')
    const id = restId(runId, piece)
    if (await findMove(db, id)) throw new RefusalError('REST_KEPT')
    const { plan } = await runPlan(inDeed, run)
    const { tally } = await knownRun(inDeed, await readEpoch(db), run, plan)
    const state = tally.piece(piece)
    const sizeUm = state.spoiled ? (await restsOf(inDeed, run))(state.foldsDone) : null
    if (!sizeUm) throw new RefusalError('NOT_FOUND')
    const paperId = run.paper_id
    const stock_item_id = await stockItemFor(db, { id: nanoid(), paperId, sizeUm, offcut: true })
    const note = 'left whole of a spoiled sheet'
    await addStockMoves(db, [
      { id, stock_item_id, delta: 1, kind: 'offcut', note, cut_id: null, at_ms: nowMs },
    ])
    await planCuts(inDeed, { paperIds: [paperId] })
    return null
  })
