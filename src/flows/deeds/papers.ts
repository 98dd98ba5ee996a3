import { nanoid } from 'nanoid'
import { umFromMm } from '@/core/units'
import {
  findPaper,
  insertPaper,
  listPapers,
  projectsUsingPaper,
  updatePaper,
} from '@/data/repositories/papers'
import { addStockMoves, findStockLine, setPrice, stockItemFor } from '@/data/repositories/stock'
import { parseFields } from '@/schema/field-errors'
import { countFields, paperFields, sheetsFields } from '@/schema/paper'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { minorUnits } from '../money'
import { planCuts } from '../plan-cuts'
import { currentSettings } from '../settings'

/** Adds a paper to the drawer, or changes one. *Returns* its id. */
export const savePaper = (
  context: FlowContext,
  paperId: string | null,
  input: unknown,
): Promise<DeedResult<{ readonly paperId: string }>> =>
  deed(context, async ({ db, nowMs }) => {
    const parsed = parseFields(paperFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { name, feel, grammageGsm, caliperMm, frontColour, backColour, note } = parsed.value
    if (paperId !== null && !(await findPaper(db, paperId))) throw new RefusalError('NOT_FOUND')
    const twin = (await listPapers(db)).find((paper) => paper.name.toLowerCase() === name.toLowerCase())
    if (twin && twin.id !== paperId)
      throw refuseFields({
        name: `There is a paper called ${twin.name} already. Give this one another name.`,
      })
    const fields = {
      name,
      feel,
      grammage_gsm: grammageGsm,
      caliper_um: caliperMm === null ? null : umFromMm(caliperMm),
      front_colour: frontColour,
      back_colour: backColour,
      note,
    }
    const id = paperId ?? nanoid()
    if (paperId === null) await insertPaper(db, { id, created_at_ms: nowMs, archived_at_ms: null, ...fields })
    else await updatePaper(db, id, fields)
    return { paperId: id }
  })

/** Puts sheets of a size into the drawer; projects that are short of them are planned again. */
export const addSheets = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const { unit, currency } = await currentSettings({ db })
    const parsed = parseFields(sheetsFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { paperId, width, height, offcut, amount, price } = parsed.value
    if (!(await findPaper(db, paperId))) throw new RefusalError('NOT_FOUND')
    const sizeUm = { widthUm: umFromMm(width), heightUm: umFromMm(height) }
    const stockItemId = await stockItemFor(db, { id: nanoid(), paperId, sizeUm, offcut })
    if (price !== null) await setPrice(db, stockItemId, minorUnits(price, currency))
    await addStockMoves(db, [
      { id: nanoid(), stock_item_id: stockItemId, delta: amount, kind: 'bought', cut_id: null, at_ms: nowMs },
    ])
    await planCuts(inDeed, { paperIds: [paperId] })
    return null
  })

/** Sets how many sheets of a size there really are; the difference goes into the ledger as a count. */
export const countSheets = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const parsed = parseFields(countFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { stockItemId, amount } = parsed.value
    const line = await findStockLine(db, stockItemId)
    if (!line) throw new RefusalError('NOT_FOUND')
    const delta = amount - line.amount
    if (delta !== 0) {
      await addStockMoves(db, [
        { id: nanoid(), stock_item_id: stockItemId, delta, kind: 'counted', cut_id: null, at_ms: nowMs },
      ])
      await planCuts(inDeed, { paperIds: [line.paper_id] })
    }
    return null
  })

/** Puts a paper away; refused while an unfinished project plans with it. Its ledger stays. */
export const putPaperAway = (
  context: FlowContext,
  paperId: string,
  away: boolean,
): Promise<DeedResult<null>> =>
  deed(context, async ({ db, nowMs }) => {
    const paper = await findPaper(db, paperId)
    if (!paper) throw new RefusalError('NOT_FOUND')
    if (away) {
      const [project] = await projectsUsingPaper(db, paperId)
      if (project !== undefined) throw new RefusalError('PAPER_IN_USE', { paper: paper.name, project })
    }
    await updatePaper(db, paperId, { archived_at_ms: away ? nowMs : null })
    return null
  })
