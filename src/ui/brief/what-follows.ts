import type { Made, MadeKind, Making } from '@/core/arrange'
import { outlineSizeMm, variantOf, type DesignDocument } from '@/core/design'
import { grammageOf, massOfG, type Paper } from '@/core/paper'
import type { SheetFor } from '@/core/plan'
import { readGauges } from '@/schema/asked-size'
import { readMaking, workedOut } from '@/schema/making'
import { madeSentences, massWords, type Preferences } from '../format'
import type { LineValues } from './form-values'
import type { LinePreview } from './line-preview'

/** What follows from the numbers of a line as they are typed. */
export interface Follows {
  readonly worked: { readonly making: Making; readonly made: Made } | null
  /** How each number was worked out, or what stands in the way. */
  readonly sentences: readonly string[]
}

/** The mass of a line's pieces, as far as its papers' shares can be read: area x grammage. */
function paperMassG(line: LineValues, parts: SheetFor['parts'], papers: readonly Paper[]): number {
  const pieceMm2 = parts.reduce(
    (sum, { sheetUm, unitsPerPiece }) => sum + (sheetUm.widthUm * sheetUm.heightUm * unitsPerPiece) / 1e6,
    0,
  )
  return line.papers.reduce((sum, { paperId, pieces }) => {
    const paper = papers.find(({ id }) => id === paperId)
    return paper ? sum + massOfG(pieceMm2 * (Number(pieces) || 0), grammageOf(paper)) : sum
  }, 0)
}

/** What hangs, one asks the weight of. */
const HANGS: readonly MadeKind[] = ['garland', 'mobile', 'wreath']

interface Around {
  readonly design: DesignDocument
  readonly preview: Extract<LinePreview, { kind: 'sheet' }>
  readonly papers: readonly Paper[]
  readonly preferences: Preferences
}

/** What follows, or what stands in its way; nothing while numbers are missing, or where nothing has to be worked out. */
export function whatFollows(
  line: LineValues,
  { design, preview: { sheetMm, parts }, papers, preferences }: Around,
): Follows | null {
  if (line.made === 'batch' || line.attachedTo !== '') return null
  const read = readMaking(line, preferences.unit)
  if (!read.ok) return null
  const { making } = read
  const gauges = readGauges(line.gauges, preferences.unit)
  const piece = outlineSizeMm(design, variantOf(design, line.variantKey), sheetMm, gauges)
  const result = workedOut(making, piece, preferences.unit)
  if (!result.ok) return { worked: null, sentences: [result.message] }
  const { made } = result
  const massG = paperMassG(line, parts, papers)
  return {
    worked: { making, made },
    sentences: [
      ...madeSentences({ making, made, preferences }, design.name.toLowerCase()),
      ...(massG > 0 && HANGS.includes(making.kind) ? [massWords(massG, preferences)] : []),
    ],
  }
}
