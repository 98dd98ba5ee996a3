import { NOTHING_TO_SEE } from '@/core/numeric'
import { formatLength, plural, type Preferences } from '../format'
import type { LineValues } from './form-values'

/** What is cut and folded of a line already. */
export interface BegunLine {
  readonly designId: string
  readonly variantKey: string
  readonly sheetMm: number
  readonly unitsPerPiece: number
  readonly papers: readonly {
    readonly paperId: string
    readonly name: string
    /** Good units, and units that are cut and wait. */
    readonly folded: number
    readonly waiting: number
  }[]
}

const cutAndFolded = (folded: number, waiting: number): string =>
  [...(folded > 0 ? [`${folded} folded`] : []), ...(waiting > 0 ? [`${waiting} cut`] : [])].join(' and ')

/**
 * What a change of a line's brief makes useless of what is cut and folded; nothing while it spoils nothing, or while its
 * numbers cannot be read. `sheetMm` is what the line as it is typed is folded from.
 */
export function spoiledWords(
  line: Pick<LineValues, 'designId' | 'variantKey' | 'papers' | 'colours' | 'pieces'>,
  begun: BegunLine,
  sheetMm: number | null,
  preferences: Preferences,
): readonly string[] {
  const used = begun.papers.filter(({ folded, waiting }) => folded + waiting > 0)
  if (used.length === 0) return []
  const all = cutAndFolded(
    used.reduce((sum, { folded }) => sum + folded, 0),
    used.reduce((sum, { waiting }) => sum + waiting, 0),
  )
  if (line.designId !== begun.designId || line.variantKey !== begun.variantKey)
    return [`Of what it was, ${all} already: they would be of no use here.`]
  if (sheetMm !== null && Math.abs(sheetMm - begun.sheetMm) > NOTHING_TO_SEE)
    return [
      `From ${formatLength(begun.sheetMm, preferences)}, ${all} already: in another size new ones have to be cut, and these would be left over.`,
    ]
  const inTurn = line.colours === 'in turn' && line.papers.length > 1
  return used.flatMap(({ paperId, name, folded, waiting }): readonly string[] => {
    const row = line.papers.find((one) => one.paperId === paperId)
    const pieces = inTurn ? Number(line.pieces) / line.papers.length : Number(row?.pieces ?? 0)
    if (row && !(pieces > 0)) return []
    const wanted = row ? Math.round(pieces * begun.unitsPerPiece) : 0
    const over = folded + waiting - wanted
    // Spares that were cut are no loss of this change.
    return folded > wanted || (wanted === 0 && over > 0)
      ? [
          `${name}: ${cutAndFolded(folded, waiting)} already, ${wanted} wanted; ${plural(over, 'piece')} would be left over.`,
        ]
      : []
  })
}
