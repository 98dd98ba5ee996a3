import {
  finishedSizes,
  highPerWide,
  smallestSheet,
  variantOf,
  type DesignDocument,
  type FoldToMake,
} from '../design'
import type { GaugeSettings } from '../design'
import { largest } from '../numeric'
import type { Paper } from '../paper'
import { formatOf, SHEET_FORMATS, type SheetFormat, type SizeUm } from '../sheet'
import { mmFromUm } from '../units'
import { comesOff } from './cutting'

/** A paper as advice needs it. */
export interface AdvisedPaper extends Pick<Paper, 'id'> {
  readonly caliperMm: number
  /** Sizes it is in the drawer in, offcuts too. */
  readonly sheets: readonly SizeUm[]
}

/** What stands in the way of a size in a paper, and what would do. */
export type SheetAdvice =
  | {
      readonly kind: 'too small'
      readonly paperId: string
      readonly leastMm: number
      /** The finished size that the smallest sheet gives, where a finished size was asked. */
      readonly leastFinishedMm: number | null
      readonly fold: string
    }
  | {
      readonly kind: 'no sheet'
      readonly paperId: string
      /** The largest side its sheets give; `null` where it has none. */
      readonly mostMm: number | null
      readonly mostFinishedMm: number | null
      /** The sheet that gives it, by its name where it has one. */
      readonly from: string | null
      /** The smallest named format that gives the size asked. */
      readonly wouldDo: string | null
    }

/** The largest width of a piece of that shape that comes off a sheet, mm. */
const largestSideMm = ({ widthUm, heightUm }: SizeUm, high: number): number =>
  mmFromUm(Math.max(Math.min(widthUm, heightUm / high), Math.min(heightUm, widthUm / high)))

interface Asked {
  readonly design: DesignDocument
  readonly variantKey: string
  /** The axis a finished size was asked along; `null` where the sheet's own size was. */
  readonly axis: string | null
  readonly gauges: GaugeSettings
  readonly sheetUm: SizeUm
  /** The folds that decide how small it can be. */
  readonly hardest: readonly FoldToMake[]
}

/** What stands in the way of a sheet in each of some papers: too small for its thickness, or larger than they come. */
export function sheetAdvice(asked: Asked, papers: readonly AdvisedPaper[]): readonly SheetAdvice[] {
  const { design, variantKey, axis, gauges, sheetUm, hardest } = asked
  const variant = variantOf(design, variantKey)
  const [part] = design.parts
  const high = part ? highPerWide(part) : 1
  const finishedMm = (sideMm: number): number | null =>
    axis === null
      ? null
      : (finishedSizes(design, variant, sideMm, gauges).find((size) => size.axis === axis)?.sizeMm ?? null)
  return papers.flatMap(({ id, caliperMm, sheets }): SheetAdvice[] => {
    const advice: SheetAdvice[] = []
    const least = smallestSheet(hardest, caliperMm)
    const sideMm = mmFromUm(sheetUm.widthUm)
    // A hundredth of a millimetre: what no ruler tells.
    if (least && sideMm < least.sheetMm - 0.01)
      advice.push({
        kind: 'too small',
        paperId: id,
        leastMm: least.sheetMm,
        leastFinishedMm: finishedMm(least.sheetMm),
        fold: least.fold.says,
      })
    if (!sheets.some((sheet) => comesOff(sheet, sheetUm))) {
      const sides = sheets.map((sheet) => largestSideMm(sheet, high))
      const best = sheets[sides.indexOf(largest(sides, 0))]
      // Squares for who has squares, large sheets for who has sheets.
      const square = best !== undefined && best.widthUm === best.heightUm
      const sameKind = ({ widthMm, heightMm }: SheetFormat) => Number((widthMm === heightMm) === square)
      const mostMm = best ? largestSideMm(best, high) : null
      const wouldDo = SHEET_FORMATS.filter(({ widthMm, heightMm }) =>
        comesOff({ widthUm: widthMm * 1000, heightUm: heightMm * 1000 }, sheetUm),
      ).toSorted((a, b) => sameKind(b) - sameKind(a) || a.widthMm * a.heightMm - b.widthMm * b.heightMm)[0]
      advice.push({
        kind: 'no sheet',
        paperId: id,
        mostMm,
        mostFinishedMm: mostMm === null ? null : finishedMm(mostMm),
        from: best ? (formatOf(mmFromUm(best.widthUm), mmFromUm(best.heightUm))?.label ?? null) : null,
        wouldDo: wouldDo?.label ?? null,
      })
    }
    return advice
  })
}
