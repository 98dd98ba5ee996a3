import type { DeedResult } from '../src/flows/deed'
import type { FlowContext } from '../src/flows/flow-context'
import { savePack } from '../src/flows/deeds/packs'
import { addSheets, savePaper } from '../src/flows/deeds/papers'
import { addSupply } from '../src/flows/deeds/supplies'
import { BLANK_PAPER } from '../src/schema/paper'
import { PACKS, PAPERS, SUPPLIES } from './papers'

/** A deed of the demo must never be refused: the demo would not be what it says. */
export async function done<Value>(result: Promise<DeedResult<Value>>): Promise<Value> {
  const settled = await result
  if (!settled.ok)
    throw new Error(
      `demo refused: ${settled.code} ${JSON.stringify(settled.fields)} ${JSON.stringify(settled.detail)}`,
    )
  return settled.value
}

/** The drawer as it is before anything is planned. */
export async function fillDrawer(context: FlowContext): Promise<ReadonlyMap<string, string>> {
  const ids = new Map<string, string>()
  for (const { name, front, back, feel, grammage, sheets } of PAPERS) {
    const fields = {
      ...BLANK_PAPER,
      name,
      feel,
      grammageGsm: grammage,
      frontColour: front,
      backColour: back,
    }
    const { paperId } = await done(savePaper(context, null, fields))
    ids.set(name, paperId)
    for (const [width, height, amount, price] of sheets)
      await done(addSheets(context, { paperId, width, height, amount, price, offcut: false, soldAs: '' }))
  }
  return ids
}

/** What is not folded, as the boathouse cupboard has it. */
export async function fillCupboard(context: FlowContext, papers: ReadonlyMap<string, string>): Promise<void> {
  for (const [name, told, each, amount] of SUPPLIES)
    await done(addSupply(context, { name, told, each, amount, note: '' }))
  for (const [paper, form, width, height, sheets, price, leadDays] of PACKS)
    await done(
      savePack(context, { paperId: papers.get(paper), form, width, height, sheets, price, leadDays }),
    )
}
