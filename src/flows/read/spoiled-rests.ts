import { mmFromUm } from '@/core/units'
import { findMove } from '@/data/repositories/stock'
import { findRun, unitsOfRun } from '@/data/repositories/runs'
import { readEpoch } from '@/data/repositories/settings'
import type { FlowContext } from '../flow-context'
import { runPlan } from '../run-plan'
import { knownRun } from '../run-tally'
import { restId, restsOf } from '../spoiled-rest'

/** What is left whole of one spoiled sheet. */
export interface RestView {
  readonly piece: number
  readonly widthMm: number
  readonly heightMm: number
  readonly kept: boolean
}

/** More spoiled pieces of a run are not looked at. */
const MOST_LOOKED_AT = 500
const MOST_RESTS = 30

/** What is left whole of the spoiled sheets of a run; none where it was folded from no paper of the drawer. */
export async function readRests(context: FlowContext, runId: string): Promise<readonly RestView[]> {
  const { db } = context
  const run = await findRun(db, runId)
  if (!run || run.paper_id === null) return []
  const units = await unitsOfRun(db, runId, { from: 0, most: MOST_LOOKED_AT })
  const spoiled = units.filter(({ status }) => status === 'spoiled').slice(0, MOST_RESTS)
  if (spoiled.length === 0) return []
  const { plan } = await runPlan(context, run)
  const { tally } = await knownRun(context, await readEpoch(db), run, plan)
  const restAfter = await restsOf(context, run)
  const rests: RestView[] = []
  for (const { ordinal } of spoiled) {
    const size = restAfter(tally.piece(ordinal).foldsDone)
    if (size)
      rests.push({
        piece: ordinal,
        widthMm: mmFromUm(size.widthUm),
        heightMm: mmFromUm(size.heightUm),
        kept: (await findMove(db, restId(runId, ordinal))) !== undefined,
      })
  }
  return rests
}
