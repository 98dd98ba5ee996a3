import { roundForYield } from '@/core/cut'
import {
  finishedSizes,
  highPerWide,
  mainPart,
  sheetForFinished,
  variantOf,
  type DesignDocument,
} from '@/core/design'
import { CoreError } from '@/core/errors'
import { parseLength, umFromMm } from '@/core/units'
import type { DrawerPaper } from '@/flows/read/papers'
import { formatLength, formatPiece, pieceNoun, type Preferences } from '../format'
import type { LineValues } from './form-values'

/** The other size of a line, worked out as it is typed; `null` while something is missing. */
export interface LinePreview {
  readonly sheetMm: number
  readonly text: string
  readonly rounding: string | null
}

const sheetsOf = (line: LineValues, papers: readonly DrawerPaper[]) =>
  papers
    .filter((paper) => line.papers.some((row) => row.paperId === paper.id))
    .flatMap((paper) => paper.sheets)
    .map((sheet) => ({ widthUm: umFromMm(sheet.widthMm), heightUm: umFromMm(sheet.heightMm) }))

function readGauges(line: LineValues, preferences: Preferences): Record<string, number> | null {
  const gauges: Record<string, number> = {}
  for (const [key, text] of Object.entries(line.gauges)) {
    if (text.trim() === '') continue
    const parsed = parseLength(text, preferences.unit)
    if (!parsed.ok) return null
    gauges[key] = parsed.mm
  }
  return gauges
}

/** Sheet from finished size, or finished sizes from sheet. What cannot be is left to the save to say. */
export function previewLine(
  line: LineValues,
  design: DesignDocument,
  papers: readonly DrawerPaper[],
  preferences: Preferences,
): LinePreview | null {
  const size = parseLength(line.size, preferences.unit)
  const gauges = readGauges(line, preferences)
  if (!size.ok || size.mm === 0 || gauges === null) return null
  try {
    const variant = variantOf(design, line.variantKey)
    const part = mainPart(design)
    const high = highPerWide(part)
    const exactMm =
      line.sizing === 'sheet' ? size.mm : sheetForFinished(design, variant, line.axis, size.mm, gauges)
    const sheetMm =
      line.sizing === 'sheet'
        ? exactMm
        : roundForYield(exactMm, preferences.ruler, sheetsOf(line, papers), high)
    const sizes = finishedSizes(design, variant, sheetMm, gauges)
    return {
      sheetMm,
      text: `From a ${pieceNoun(part.perSquare, high)} of ${formatPiece(sheetMm, high, preferences)}: ${sizes
        .map((one) => `${formatLength(one.sizeMm, preferences)} ${one.label}`)
        .join(', ')}.`,
      rounding:
        Math.abs(exactMm - sheetMm) < 0.005
          ? null
          : `Exactly ${(exactMm / 10).toFixed(3)} cm; cut to your ruler it is ${Math.abs(exactMm - sheetMm).toFixed(2)} mm ${sheetMm < exactMm ? 'less' : 'more'}.`,
    }
  } catch (error) {
    if (error instanceof CoreError) return null
    throw error
  }
}
