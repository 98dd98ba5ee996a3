import { variantOf } from '@/core/design'
import { mmFromUm } from '@/core/units'
import { papersById } from '@/data/repositories/papers'
import { shelfStock } from '@/data/repositories/shelf'
import { readDesigns } from '../designs'
import type { FlowContext } from '../flow-context'
import { paperView, type PaperView } from './papers'

/** Good units of one kind that were left over. */
export interface ShelfView {
  readonly key: string
  readonly designName: string
  readonly variantName: string
  readonly partName: string
  readonly widthMm: number
  readonly heightMm: number
  readonly paper: PaperView
  readonly units: number
}

/** What lies on the shelf, ready for a later project. */
export async function readShelf(context: FlowContext): Promise<readonly ShelfView[]> {
  const stock = await shelfStock(context.db)
  const designs = await readDesigns(
    context,
    stock.map(({ design_hash }) => design_hash),
  )
  const papers = await papersById(context.db, [...new Set(stock.map(({ paper_id }) => paper_id))])
  return stock.flatMap((one, index): ShelfView[] => {
    const design = designs.get(one.design_hash)
    const paper = papers.find(({ id }) => id === one.paper_id)
    return design && paper
      ? [
          {
            key: String(index),
            designName: design.name,
            variantName: variantOf(design, one.variant_key).name,
            partName: design.parts.find(({ key }) => key === one.part_key)?.name ?? 'piece',
            widthMm: mmFromUm(one.width_um),
            heightMm: mmFromUm(one.height_um),
            paper: paperView(paper),
            units: one.units,
          },
        ]
      : []
  })
}
