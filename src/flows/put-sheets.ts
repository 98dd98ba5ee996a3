import { nanoid } from 'nanoid'
import type { SizeUm } from '@/core/sheet'
import { addStockMoves, setPrice, setSoldAs, stockItemFor } from '@/data/repositories/stock'
import type { FlowContext } from './flow-context'
import { planCuts } from './plan-cuts'

/** Sheets of one size that come into the drawer. */
export interface SheetsIn {
  readonly paperId: string
  readonly sizeUm: SizeUm
  readonly amount: number
  readonly offcut: boolean
  /** Of one; `null` leaves what is known. */
  readonly priceMinor: number | null
  /** The name they are sold under; empty leaves what is known. */
  readonly soldAs: string
}

/** Puts sheets into the drawer without planning anything anew. */
export async function moveIn(
  { db, nowMs }: FlowContext,
  { paperId, sizeUm, amount, offcut, priceMinor, soldAs }: SheetsIn,
): Promise<void> {
  const stockItemId = await stockItemFor(db, { id: nanoid(), paperId, sizeUm, offcut })
  if (soldAs !== '') await setSoldAs(db, stockItemId, soldAs)
  if (priceMinor !== null) await setPrice(db, stockItemId, priceMinor)
  const move = { id: nanoid(), stock_item_id: stockItemId, cut_id: null, at_ms: nowMs }
  if (amount > 0) await addStockMoves(db, [{ ...move, delta: amount, kind: 'bought' }])
}

/** Puts sheets into the drawer; projects that are short of them are planned again. Part of a deed. */
export async function putSheets(inDeed: FlowContext, sheets: SheetsIn): Promise<void> {
  await moveIn(inDeed, sheets)
  await planCuts(inDeed, { paperIds: [sheets.paperId] })
}
