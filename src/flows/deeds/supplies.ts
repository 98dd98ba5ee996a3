import { nanoid } from 'nanoid'
import { umFromMm } from '@/core/units'
import {
  addSupplyMove,
  archiveSupply,
  findSupply,
  findSupplyMove,
  insertSupply,
  listSupplies,
  type SupplyRow,
} from '@/data/repositories/supplies'
import { parseFields } from '@/schema/field-errors'
import { amountText, supplyFields, supplyMoveFields } from '@/schema/supply'
import { sameSupply } from '@/core/plan'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { currentSettings } from '../settings'

/** Adds a supply, with what there is of it. Refused where one is called so already. */
export const addSupply = (
  context: FlowContext,
  input: unknown,
): Promise<DeedResult<{ readonly supplyId: string }>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const { unit } = await currentSettings(inDeed)
    const parsed = parseFields(supplyFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { name, told, each, amount, note } = parsed.value
    const twin = (await listSupplies(db)).find((one) => sameSupply(one.name, name))
    if (twin) throw refuseFields({ name: `There is ${twin.name} already. Change how much there is of it.` })
    const id = nanoid()
    const measured = told === 'measured' ? 1 : 0
    await insertSupply(db, {
      id,
      name,
      measured,
      each_um: each === null ? null : umFromMm(each),
      note,
      created_at_ms: nowMs,
      archived_at_ms: null,
    })
    if (amount !== null && amount > 0)
      await addSupplyMove(db, {
        id: nanoid(),
        supply_id: id,
        delta: inLedger({ measured }, amount),
        kind: 'bought',
        at_ms: nowMs,
      })
    return { supplyId: id }
  })

const inLedger = ({ measured }: Pick<SupplyRow, 'measured'>, amount: number): number =>
  measured === 1 ? umFromMm(amount) : amount

/** Something was bought, used, given away, or counted anew: the difference goes into the ledger. */
export const moveSupply = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const parsed = parseFields(supplyMoveFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { supplyId, kind, amount: typed, note } = parsed.value
    const supply = await findSupply(db, supplyId)
    if (!supply) throw new RefusalError('NOT_FOUND')
    const { unit } = await currentSettings(inDeed)
    const schema = amountText(
      supply.measured === 1 ? 'measured' : 'counted',
      unit,
      kind === 'counted' ? 0 : 1,
    )
    const read = parseFields(schema, typed)
    if (!read.ok) throw refuseFields({ amount: Object.values(read.fields)[0] ?? 'Enter how much.' })
    const amount = inLedger(supply, read.value)
    const delta = kind === 'bought' ? amount : kind === 'counted' ? amount - supply.amount : -amount
    if (supply.amount + delta < 0)
      throw refuseFields({
        amount: 'There is not so much of it. Take up to what is there, or count it anew.',
      })
    if (delta !== 0)
      await addSupplyMove(db, { id: nanoid(), supply_id: supplyId, delta, kind, note, at_ms: nowMs })
    return null
  })

/** Takes a movement back by another one. Refused where it was already, or where what it brought is used since. */
export const undoSupplyMove = (context: FlowContext, moveId: string): Promise<DeedResult<null>> =>
  deed(context, async ({ db, nowMs }) => {
    const move = await findSupplyMove(db, moveId)
    if (!move) throw new RefusalError('NOT_FOUND')
    if (move.kind === 'undone' || move.undone === 1) throw new RefusalError('MOVE_UNDONE')
    const supply = await findSupply(db, move.supply_id)
    if ((supply?.amount ?? 0) - move.delta < 0)
      throw new RefusalError('SUPPLY_USED', { name: supply?.name ?? 'It' })
    await addSupplyMove(db, {
      id: nanoid(),
      supply_id: move.supply_id,
      delta: -move.delta,
      kind: 'undone',
      undoes: moveId,
      at_ms: nowMs,
    })
    return null
  })

/** Puts a supply away; its ledger stays. */
export const putSupplyAway = (context: FlowContext, supplyId: string): Promise<DeedResult<null>> =>
  deed(context, async ({ db, nowMs }) => {
    if (!(await findSupply(db, supplyId))) throw new RefusalError('NOT_FOUND')
    await archiveSupply(db, supplyId, nowMs)
    return null
  })
