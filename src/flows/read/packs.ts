import type { PackForm } from '@/core/paper'
import { formatOf } from '@/core/sheet'
import { mmFromUm } from '@/core/units'
import { packsOf } from '@/data/repositories/packs'
import type { FlowContext } from '../flow-context'

/** A pack that a paper is sold in. */
export interface PackView {
  readonly id: string
  readonly form: PackForm
  readonly widthMm: number
  readonly heightMm: number
  readonly formatLabel: string | null
  readonly sheets: number
  readonly priceMinor: number
  readonly leadDays: number
  readonly soldOut: boolean
}

/** What a paper is sold in. */
export const readPacks = async ({ db }: FlowContext, paperId: string): Promise<readonly PackView[]> =>
  (await packsOf(db, [paperId])).map((row) => ({
    id: row.id,
    form: row.form,
    widthMm: mmFromUm(row.width_um),
    heightMm: mmFromUm(row.height_um),
    formatLabel: formatOf(mmFromUm(row.width_um), mmFromUm(row.height_um))?.label ?? null,
    sheets: row.sheets,
    priceMinor: row.price_minor,
    leadDays: row.lead_days,
    soldOut: row.sold_out === 1,
  }))
