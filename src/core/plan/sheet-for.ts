import { roundForYield } from '../cut'
import {
  finishedSizes,
  highPerWide,
  sheetForFinished,
  unitsOf,
  variantOf,
  type DesignDocument,
  type FinishedSize,
  type GaugeSettings,
} from '../design'
import { pieceSizeUm, type SizeUm } from '../sheet'
import { mmFromUm, umFromMm, type RulerKey } from '../units'

/** A size as it is asked for. */
export interface AskedSize {
  readonly variantKey: string
  /** The size of the sheet itself, or of the finished piece along an axis. */
  readonly sizing: 'finished' | 'sheet'
  readonly axis: string
  readonly mm: number
  readonly gauges: GaugeSettings
}

/** The sheet that a size asked for is folded from. */
export interface SheetFor {
  /** The side S before it is rounded to a ruler, mm. */
  readonly exactMm: number
  /** The side as it is cut: as it was given, or on the ruler's mark where it follows from a finished size, mm. */
  readonly sheetMm: number
  /** What comes of that sheet along every axis, at the gauges as set. */
  readonly sizes: readonly FinishedSize[]
  readonly parts: readonly {
    readonly key: string
    readonly sheetUm: SizeUm
    readonly unitsPerPiece: number
  }[]
}

/**
 * Size asked, to sheet, to what is cut on a ruler: the one place it is worked out for brief, preview and dial. A side
 * that follows from a finished size is rounded to the ruler, down where the mark above would give fewer pieces from
 * the sheets it may be cut from.
 * *Throws* `SIZE_NOT_REACHABLE`, `UNKNOWN_AXIS`, `UNKNOWN_VARIANT`, `OUT_OF_RANGE` naming the gauge.
 */
export function sheetFor(
  design: DesignDocument,
  { variantKey, sizing, axis, mm, gauges }: AskedSize,
  { ruler, sheets }: { readonly ruler: RulerKey; readonly sheets: readonly SizeUm[] },
): SheetFor {
  const variant = variantOf(design, variantKey)
  const [main] = design.parts
  const high = main ? highPerWide(main) : 1
  const exactMm = sizing === 'sheet' ? mm : sheetForFinished(design, variant, axis, mm, gauges)
  const onRulerMm = sizing === 'sheet' ? mm : roundForYield(exactMm, ruler, sheets, high)
  const sheetUm = umFromMm(onRulerMm)
  const sheetMm = mmFromUm(sheetUm)
  return {
    exactMm,
    sheetMm,
    sizes: finishedSizes(design, variant, sheetMm, gauges),
    parts: design.parts.map((part) => ({
      key: part.key,
      sheetUm: pieceSizeUm(sheetUm, highPerWide(part)),
      unitsPerPiece: unitsOf(part, variant),
    })),
  }
}
