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
import { addStockMoves, findStockLine, layAsKept } from '@/data/repositories/stock'
import { parseFields } from '@/schema/field-errors'
import { countFields, newPaperFields, paperFields, sheetsFields } from '@/schema/paper'
import type { FlowContext } from '../flow-context'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import { minorUnits } from '../money'
import { planCuts } from '../plan-cuts'
import { putSheets } from '../put-sheets'
import { currentSettings } from '../settings'

type PaperTexts = z.output<typeof paperFields>

/** Writes what is said of a paper; `null` is a new one. Refused where another has the name. */
async function writePaper(
  { db, nowMs }: FlowContext,
  paperId: string | null,
  texts: PaperTexts,
): Promise<{ readonly paperId: string }> {
  const { name } = texts
  const twin = (await listPapers(db)).find((paper) => paper.name.toLowerCase() === name.toLowerCase())
  if (twin && twin.id !== paperId)
    throw refuseFields({
      name: `There is a paper called ${twin.name} already. Give this one another name.`,
    })
  const fields = {
    name,
    feel: texts.feel,
    pattern: texts.pattern,
    texture: texts.texture,
    grain: texts.grain,
    turnable: texts.turning === 'either way' ? 1 : 0,
    tolerance_um: texts.toleranceMm === null ? null : umFromMm(texts.toleranceMm),
    grammage_gsm: texts.grammageGsm,
    caliper_um: texts.caliperMm === null ? null : umFromMm(texts.caliperMm),
    front_colour: texts.frontColour,
    back_colour: texts.backColour,
    note: texts.note,
  }
  const id = paperId ?? nanoid()
  if (paperId === null) await insertPaper(db, { id, created_at_ms: nowMs, archived_at_ms: null, ...fields })
  else await updatePaper(db, id, fields)
  if (paperId !== null) await layAsKept(db, id)
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
      await putSheets(inDeed, {
        paperId,
        sizeUm: { widthUm: umFromMm(width), heightUm: umFromMm(height) },
        amount,
        offcut: false,
        priceMinor: null,
        soldAs: '',
      })
    return { paperId }
  })

/** Puts sheets of a size into the drawer. */
export const addSheets = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { unit, currency } = await currentSettings(inDeed)
    const parsed = parseFields(sheetsFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    if (!(await findPaper(inDeed.db, parsed.value.paperId))) throw new RefusalError('NOT_FOUND')
    const { width, height, price, ...rest } = parsed.value
    await putSheets(inDeed, {
      ...rest,
      sizeUm: { widthUm: umFromMm(width), heightUm: umFromMm(height) },
      priceMinor: price === null ? null : minorUnits(price, currency),
    })
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
