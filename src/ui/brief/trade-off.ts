import type { SweepPaper, SweepPoint } from '@/core/cut'
import { highPerWide, mainPart, type DesignDocument } from '@/core/design'
import { NOTHING_TO_SEE } from '@/core/numeric'
import { umFromMm } from '@/core/units'
import type { DrawerPaper } from '@/flows/read/papers'
import { hasTurns } from '@/schema/turns'
import type { LineValues } from './form-values'
import type { LinePreview } from './line-preview'

/** What a size is asked for. */
export interface Asked {
  readonly line: Pick<
    LineValues,
    'papers' | 'pieces' | 'colours' | 'variantKey' | 'sizing' | 'axis' | 'gauges'
  >
  readonly design: DesignDocument
  readonly preview: Extract<LinePreview, { kind: 'sheet' }>
  readonly papers: readonly Pick<DrawerPaper, 'id' | 'sheets'>[]
}

/** What another size would take, against the size that is asked for. */
export interface Trade {
  readonly sideMm: number
  readonly sheets: number
}

export interface Trades {
  readonly now: Trade
  /** The largest size that takes no more sheets; `null` where it is the one asked for. */
  readonly larger: Trade | null
  /** The next smaller size that takes fewer. */
  readonly smaller: Trade | null
}

const known = (point: SweepPoint | undefined): Trade | null =>
  point && point.sheets !== null ? { sideMm: point.sideMm, sheets: point.sheets } : null

/** What is worth knowing of a sweep: how far the same sheets reach, and where fewer would do. */
export function tradesOf(points: readonly SweepPoint[], sideMm: number): Trades | null {
  const at = points.findIndex((point) => Math.abs(point.sideMm - sideMm) < NOTHING_TO_SEE)
  const now = known(points[at])
  if (!now) return null
  const after = points.slice(at + 1)
  const dearer = after.findIndex(({ sheets }) => sheets === null || sheets > now.sheets)
  const reach = dearer === -1 ? after : after.slice(0, dearer)
  const fewer = points.slice(0, at).findLast(({ sheets }) => sheets !== null && sheets < now.sheets)
  return { now, larger: known(reach.at(-1)), smaller: known(fewer) }
}

/** What is cut of each paper, out of the sizes it is in the drawer in; none while a number is missing. */
export function sweepPapers({ line, design, preview, papers }: Asked): readonly SweepPaper[] {
  const [part, ...others] = preview.parts
  if (!part || others.length > 0) return []
  const inTurn = line.colours === 'in turn' && line.papers.length > 1 && hasTurns(design, line.variantKey)
  const found = line.papers.flatMap(({ paperId, pieces }) => {
    const paper = papers.find(({ id }) => id === paperId)
    const share = inTurn ? Number(line.pieces) / line.papers.length : Number(pieces)
    const count = Math.round(share * part.unitsPerPiece)
    if (!paper || !(count > 0)) return []
    const stock = paper.sheets.map((sheet) => ({
      stockId: sheet.stockItemId,
      paperId,
      sizeUm: { widthUm: umFromMm(sheet.widthMm), heightUm: umFromMm(sheet.heightMm) },
      available: sheet.amount,
      offcut: sheet.offcut,
    }))
    return [{ paperId, pieces: count, highPerWide: highPerWide(mainPart(design)), stock }]
  })
  return found.length === line.papers.length ? found : []
}
