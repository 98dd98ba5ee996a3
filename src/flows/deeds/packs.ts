import { nanoid } from 'nanoid'
import { umFromMm } from '@/core/units'
import { stockOf, wholeSheets } from '@/data/repositories/stock'
import { findPaper } from '@/data/repositories/papers'
import { deletePack, findPack, savePackRow } from '@/data/repositories/packs'
import { standInShop } from '@/devices/paper-shop'
import { parseFields } from '@/schema/field-errors'
import { packFields, takeInFields } from '@/schema/paper'
import { deed, refuseFields, RefusalError, type DeedResult } from '../deed'
import type { FlowContext } from '../flow-context'
import { minorUnits } from '../money'
import { currentSettings } from '../settings'
import { planCuts } from '../plan-cuts'
import { moveIn } from '../put-sheets'

const DAY_MS = 24 * 3600 * 1000

/** Keeps a pack that a paper is sold in; the same pack again changes its price and days. */
export const savePack = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const { unit, currency } = await currentSettings(inDeed)
    const parsed = parseFields(packFields(unit), input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const { paperId, form, width, height, sheets, price, leadDays } = parsed.value
    if (!(await findPaper(db, paperId))) throw new RefusalError('NOT_FOUND')
    await savePackRow(db, {
      id: nanoid(),
      paper_id: paperId,
      form,
      width_um: umFromMm(width),
      height_um: umFromMm(height),
      sheets,
      price_minor: minorUnits(price, currency),
      lead_days: leadDays,
      sold_out: 0,
      at_ms: nowMs,
    })
    return null
  })

/** Asks the shop that stands in what it has of a paper, and keeps its packs, prices and days. */
export const askShop = (context: FlowContext, paperId: string): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const { db, nowMs } = inDeed
    const { currency } = await currentSettings(inDeed)
    const paper = await findPaper(db, paperId)
    if (!paper) throw new RefusalError('NOT_FOUND')
    for (const offer of standInShop.offers(paper, Math.floor(nowMs / DAY_MS)))
      await savePackRow(db, {
        id: nanoid(),
        paper_id: paperId,
        form: offer.form,
        width_um: umFromMm(offer.widthMm),
        height_um: umFromMm(offer.heightMm),
        sheets: offer.sheets,
        price_minor: minorUnits(offer.price, currency),
        lead_days: offer.leadDays,
        sold_out: offer.soldOut ? 1 : 0,
        at_ms: nowMs,
      })
    return null
  })

/** Forgets a pack: the paper is not sold so any more. */
export const forgetPack = (context: FlowContext, packId: string): Promise<DeedResult<null>> =>
  deed(context, async ({ db }) => {
    if (!(await findPack(db, packId))) throw new RefusalError('NOT_FOUND')
    await deletePack(db, packId)
    return null
  })

/** So many packs have come: their sheets go into the drawer at what one cost. */
export const takeInPacks = (context: FlowContext, input: unknown): Promise<DeedResult<null>> =>
  deed(context, async (inDeed) => {
    const parsed = parseFields(takeInFields, input)
    if (!parsed.ok) throw refuseFields(parsed.fields)
    const packs = await Promise.all(
      parsed.value.packs.map(async ({ packId, count }) => {
        const pack = await findPack(inDeed.db, packId)
        if (!pack) throw new RefusalError('NOT_FOUND')
        return { pack, count }
      }),
    )
    const paperIds = new Set(packs.map(({ pack }) => pack.paper_id))
    // Somebody put them in already, in another window.
    if (wholeSheets(await stockOf(inDeed.db, [...paperIds])) !== parsed.value.there)
      throw new RefusalError('DRAWER_CHANGED')
    for (const { pack, count } of packs)
      await moveIn(inDeed, {
        paperId: pack.paper_id,
        sizeUm: { widthUm: pack.width_um, heightUm: pack.height_um },
        amount: count * pack.sheets,
        offcut: false,
        priceMinor: Math.round(pack.price_minor / pack.sheets),
        soldAs: '',
      })
    await planCuts(inDeed, { paperIds: [...paperIds] })
    return null
  })
