import { nanoid } from 'nanoid'
import type { z } from 'zod'
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
import { countFields, newPaperFields, paperFields, sheetsFields } from '@/schema/paper'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { minorUnits } from '../money'
import { planCuts } from '../plan-cuts'
import { currentSettings } from '../settings'

type PaperTexts = z.output<typeof paperFields>

/** Writes what is said of a paper; `null` is a new one. Refused where another has the name. */
async function writePaper(
  { db, nowMs }: FlowContext,
  paperId: string | null,
  { name, feel, pattern, grammageGsm, caliperMm, frontColour, backColour, note }: PaperTexts,
): Promise<{ readonly paperId: string }> {
  const twin = (await listPapers(db)).find((paper) => paper.name.toLowerCase() === name.toLowerCase())
  if (twin && twin.id !== paperId)
    throw refuseFields({
      name: `There is a paper called ${twin.name} already. Give this one another name.`,
    })
  const fields = {
    name,
    feel,
    pattern,
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
}

/** Adds a paper to the drawer, or changes one. *Returns* its id. */
export const savePaper = (
  context: FlowContext,
  paperId: string | null,
  input: unknown,
): Promise<DeedResult<{ readonly paperId: string }>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(paperFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    if (paperId !== null && !(await findPaper(inDeed.db, paperId))) throw new RefusalError('NOT_FOUND')
    return writePaper(inDeed, paperId, parsed.value)
  })

/** Adds a paper to the drawer with the sheets there are of it. *Returns* its id. */
export const addPaper = (
  context: FlowContext,
  input: unknown,
): Promise<DeedResult<{ readonly paperId: string }>> =>
  deed(context, async (inDeed) => {
    const { unit } = await currentSettings(inDeed)
    const parsed = parseFields(newPaperFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { width, height, amount, ...paper } = parsed.value
    const { paperId } = await writePaper(inDeed, null, paper)
    if (amount !== null)
      await putSheets(inDeed, { paperId, width, height, amount, offcut: false, price: null })
    return { paperId }
  })

type Sheets = z.output<ReturnType<typeof sheetsFields>>

/** Puts sheets of a size into the drawer; projects that are short of them are planned again. */
async function putSheets(
  inDeed: FlowContext,
  { paperId, width, height, offcut, amount, price }: Sheets,
): Promise<void> {
  const { db, nowMs } = inDeed
  const sizeUm = { widthUm: umFromMm(width), heightUm: umFromMm(height) }
  const stockItemId = await stockItemFor(db, { id: nanoid(), paperId, sizeUm, offcut })
  if (price !== null)
    await setPrice(db, stockItemId, minorUnits(price, (await currentSettings({ db })).currency))
  await addStockMoves(db, [
    { id: nanoid(), stock_item_id: stockItemId, delta: amount, kind: 'bought', cut_id: null, at_ms: nowMs },
  ])
  await planCuts(inDeed, { paperIds: [paperId] })
}

/** Puts sheets of a size into the drawer. */
export const addSheets = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { unit } = await currentSettings(inDeed)
    const parsed = parseFields(sheetsFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    if (!(await findPaper(inDeed.db, parsed.value.paperId))) throw new RefusalError('NOT_FOUND')
    await putSheets(inDeed, parsed.value)
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
