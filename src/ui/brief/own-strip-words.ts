import { highPerWide, mainPart } from '@/core/design'
import { longestBeside, ownStrip } from '@/core/sheet'
import { RULERS, umFromMm } from '@/core/units'
import { formatLength, formatSheet, type Preferences } from '../format'
import type { LineValues } from './form-values'
import { previewLine, sheetsOf } from './line-preview'
import type { LineFieldsProps } from './line-props'

type Around = Pick<LineFieldsProps, 'designs' | 'papers'> & { readonly preferences: Preferences }

/** What one unit of a line is cut at, and how many of them one of its pieces takes; `null` while that is not known. */
function unitOf(line: LineValues, { designs, papers, preferences }: Around) {
  const found = designs.find(({ document }) => document.id === line.designId)
  const preview = found ? previewLine(line, found, papers, preferences) : null
  const [part, ...others] = preview?.kind === 'sheet' ? preview.parts : []
  return found && part && others.length === 0
    ? { ...part, highPerWide: highPerWide(mainPart(found.document)) }
    : null
}

/**
 * Whether what goes with another line, or is the same in another size, comes out of the strips that the other's pieces
 * leave on their own sheets; up to what length it would. One sentence for each size of sheet both are cut from.
 */
export function ownStripWords(line: LineValues, host: LineValues, around: Around): readonly string[] {
  const [own, others] = [unitOf(line, around), unitOf(host, around)]
  if (!own || !others) return []
  const { papers, preferences } = around
  const perPiece = line.attachedTo === host.id ? Number(line.perPiece) || 0 : 1
  const each = (perPiece * own.unitsPerPiece) / others.unitsPerPiece
  if (!(each > 0)) return []
  const shared = papers.filter(({ id }) =>
    [line, host].every((one) => one.papers.some(({ paperId }) => paperId === id)),
  )
  return shared.flatMap((paper) =>
    sheetsOf(paper).flatMap((sheet, at): readonly string[] => {
      if (paper.sheets[at]?.offcut) return []
      const { pieces, beside } = ownStrip(sheet, others.sheetUm, own.sheetUm)
      if (pieces === 0) return []
      const wanted = Math.ceil(each * pieces)
      const from = `${paper.sheets[at]?.formatLabel ?? formatSheet(sheet.widthUm / 1000, sheet.heightUm / 1000, preferences)} of ${paper.name}`
      if (beside >= wanted)
        return [`Beside ${pieces} of those, ${from} leaves room for ${beside} of these: no sheet more.`]
      const longest = longestBeside(sheet, others.sheetUm, {
        highPerWide: own.highPerWide,
        stepUm: umFromMm(RULERS[preferences.ruler].stepMm),
        each,
      })
      return [
        `Beside ${pieces} of those, ${from} leaves room for ${beside} of these, and ${wanted} are wanted${
          longest > 0 ? `: with ${formatLength(longest / 1000, preferences)} of side it would do` : ''
        }.`,
      ]
    }),
  )
}
