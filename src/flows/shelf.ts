import type { BriefLine, LinePart, PaperProgress } from '@/core/plan'
import { umFromMm } from '@/core/units'
import type { ShelfStock } from '@/data/repositories/shelf'

/** Good units folded here that are more than is wanted of a paper. */
export const leftOver = ({
  goodUnits,
  usableUnits,
  fromShelf,
}: Pick<PaperProgress, 'goodUnits' | 'usableUnits' | 'fromShelf'>): number =>
  Math.max(0, Math.min(usableUnits - goodUnits, usableUnits - Math.max(0, fromShelf)))

type Kind = Omit<ShelfStock, 'units'>

/** What good units of a part in a paper are on the shelf as. */
export const shelfKind = ({
  line,
  part,
  paperId,
}: {
  readonly line: BriefLine
  readonly part: LinePart
  readonly paperId: string
}): Kind => ({
  design_hash: line.designHash,
  variant_key: line.variantKey,
  part_key: part.key,
  width_um: part.sheetUm.widthUm,
  height_um: part.sheetUm.heightUm,
  gauges: JSON.stringify(
    // In one order, whatever order a form sent them in.
    Object.fromEntries(
      Object.entries(line.gauges)
        .map(([key, mm]) => [key, umFromMm(mm)] as const)
        .sort(([a], [b]) => (a < b ? -1 : 1)),
    ),
  ),
  paper_id: paperId,
  grade: 'good',
})

/** Whether what lies on the shelf is of that kind: the same version, sheet, gauges and paper, and good. */
export const liesOnShelf = (stock: Kind, kind: Kind): boolean =>
  (Object.keys(kind) as (keyof Kind)[]).every((key) => stock[key] === kind[key])
