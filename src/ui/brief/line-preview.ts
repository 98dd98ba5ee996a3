import { sheetAdvice, type SheetAdvice, type SheetFor } from '@/core/plan'
import { umFromMm } from '@/core/units'
import type { BriefDesign } from '@/flows/read/brief-designs'
import type { DrawerPaper } from '@/flows/read/papers'
import { readGauges, typedSheet } from '@/schema/asked-size'
import { highPerWide, mainPart } from '@/core/design'
import { formatExact, formatLength, formatPiece, pieceNoun, type Preferences } from '../format'
import type { LineValues } from './form-values'

/** The other size of a line, worked out as it is typed, with what stands in its way. */
export type LinePreview =
  | {
      readonly kind: 'sheet'
      readonly sheetMm: number
      /** What one piece is folded from. */
      readonly parts: SheetFor['parts']
      readonly text: string
      readonly rounding: string | null
      readonly advice: readonly string[]
    }
  | { readonly kind: 'problem'; readonly text: string }
  | { readonly kind: 'nothing yet' }

/** The sizes a paper is in the drawer in. */
export const sheetsOf = (paper: DrawerPaper) =>
  paper.sheets.map((sheet) => ({ widthUm: umFromMm(sheet.widthMm), heightUm: umFromMm(sheet.heightMm) }))

/** A piece of advice as it is said of a paper. */
export function adviceWords(advice: SheetAdvice, paperName: string, preferences: Preferences): string {
  const length = (mm: number) => formatLength(mm, preferences)
  if (advice.kind === 'too small') {
    const least = advice.leastFinishedMm ?? advice.leastMm
    return `Too small for ${paperName}: "${advice.fold}" cannot be set. From ${length(least)} on it can.`
  }
  const most = advice.mostFinishedMm ?? advice.mostMm
  const here =
    most === null
      ? `There is no sheet of ${paperName} yet.`
      : `Too large for ${paperName}: ${advice.from ?? 'its largest sheet'} gives ${length(most)}.`
  return advice.wouldDo === null ? here : `${here} ${advice.wouldDo} would do.`
}

/** Sheet from finished size, or finished sizes from sheet. */
export function previewLine(
  line: LineValues,
  { document: design, hardest }: BriefDesign,
  papers: readonly DrawerPaper[],
  preferences: Preferences,
): LinePreview {
  if (line.size.trim() === '') return { kind: 'nothing yet' }
  const used = papers.filter((paper) => line.papers.some((row) => row.paperId === paper.id))
  const { unit, ruler } = preferences
  const asked = typedSheet(design, line, { unit, ruler, sheets: used.flatMap(sheetsOf) })
  if (!asked.ok) return { kind: 'problem', text: asked.message }
  const { sheet } = asked
  const part = mainPart(design)
  const high = highPerWide(part)
  const advice = sheetAdvice(
    {
      design,
      variantKey: line.variantKey,
      axis: line.sizing === 'finished' ? line.axis : null,
      gauges: readGauges(line.gauges, unit),
      sheetUm: sheet.parts[0]?.sheetUm ?? { widthUm: 1, heightUm: 1 },
      hardest: hardest[line.variantKey] ?? [],
    },
    used.map((paper) => ({ id: paper.id, caliperMm: paper.caliperMm, sheets: sheetsOf(paper) })),
  )
  const { exactMm, sheetMm } = sheet
  return {
    kind: 'sheet',
    sheetMm,
    parts: sheet.parts,
    text: `From a ${pieceNoun(part.perSquare, high)} of ${formatPiece(sheetMm, high, preferences)}: ${sheet.sizes
      .map((one) => `${formatLength(one.sizeMm, preferences)} ${one.label}`)
      .join(', ')}.`,
    rounding:
      Math.abs(exactMm - sheetMm) < 0.005
        ? null
        : `Exactly ${exactWords(exactMm, preferences)}; cut to your ruler it is ${Math.abs(exactMm - sheetMm).toFixed(2)} mm ${sheetMm < exactMm ? 'less' : 'more'}.`,
    advice: advice.map((one) =>
      adviceWords(one, used.find(({ id }) => id === one.paperId)?.name ?? '', preferences),
    ),
  }
}

/** A length as it comes out of the folds, before any ruler. */
const exactWords = (mm: number, preferences: Preferences): string =>
  preferences.unit === 'in'
    ? `${(mm / 25.4).toFixed(3)} in`
    : formatExact(Math.round(mm * 100) / 100, preferences)
