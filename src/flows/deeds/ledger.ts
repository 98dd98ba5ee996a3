import { nanoid } from 'nanoid'
import { allReservations } from '@/data/repositories/cut-plans'
import { findCut } from '@/data/repositories/cuts'
import { findProject } from '@/data/repositories/projects'
import { addStockMoves, findMove, findStockLine, setKeptFor, usersOfStock } from '@/data/repositories/stock'
import { parseFields } from '@/schema/field-errors'
import { takeFields } from '@/schema/paper'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { planCuts } from '../plan-cuts'

/** Takes sheets out that were spoiled or given away. Projects that counted with them are planned again. */
export const takeSheets = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const parsed = parseFields(takeFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { stockItemId, amount, kind, note } = parsed.value
    const line = await findStockLine(db, stockItemId)
    if (!line) throw new RefusalError('NOT_FOUND')
    if (amount > line.amount)
      throw refuseFields({ amount: `There are ${line.amount} of this size. Take up to that many.` })
    const move = {
      id: nanoid(),
      stock_item_id: stockItemId,
      delta: -amount,
      kind,
      note,
      cut_id: null,
      at_ms: nowMs,
    }
    await addStockMoves(db, [move])
    await planCuts(inDeed, { paperIds: [line.paper_id] })
    return null
  })

/**
 * Takes a movement back by another one. Refused where it was already, where a cut made it (that is taken back at its
 * project), and where sheets would go that were cut since or are promised: those projects are named.
 */
export const undoMove = (context: FlowContext, moveId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const move = await findMove(db, moveId)
    if (!move) throw new RefusalError('NOT_FOUND')
    if (move.kind === 'undone' || move.undone === 1) throw new RefusalError('MOVE_UNDONE')
    if (move.cut_id !== null) {
      const cut = await findCut(db, move.cut_id)
      const project = cut && (await findProject(db, cut.project_id))
      throw new RefusalError('MOVE_OF_CUT', project ? { projects: project.name } : {})
    }
    const there = (await findStockLine(db, move.stock_item_id))?.amount ?? 0
    const promised = (await allReservations(db))
      .filter((one) => one.stock_item_id === move.stock_item_id)
      .reduce((sum, { sheets }) => sum + sheets, 0)
    if (move.delta > 0 && there - move.delta < promised) {
      const names = await usersOfStock(db, move.stock_item_id)
      if (names.length > 0) throw new RefusalError('MOVE_IN_USE', { projects: names.join(', ') })
    }
    if (there - move.delta < 0) throw new RefusalError('NOT_ENOUGH_STOCK')
    await addStockMoves(db, [
      {
        id: nanoid(),
        stock_item_id: move.stock_item_id,
        delta: -move.delta,
        kind: 'undone',
        undoes: move.id,
        cut_id: null,
        at_ms: nowMs,
      },
    ])
    await planCuts(inDeed, { paperIds: [move.paper_id] })
    return null
  })

/** Keeps strips of a size for stems, or gives them free again. Projects that counted with them are planned again. */
export const keepForStems = (
  context: FlowContext,
  stockItemId: string,
  keep: boolean,
): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const line = await findStockLine(inDeed.db, stockItemId)
    if (!line) throw new RefusalError('NOT_FOUND')
    await setKeptFor(inDeed.db, stockItemId, keep ? 'stems' : '')
    await planCuts(inDeed, { paperIds: [line.paper_id] })
    return null
  })
