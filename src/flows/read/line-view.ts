import type { Making } from '@/core/arrange'
import type { RejectRate } from '@/core/batch'
import { highPerWide, type DesignDocument, type DesignPart, type GaugeSettings } from '@/core/design'
import type { PlannedLine, PlannedPaper, Proof } from '@/core/plan'
import { pieceSizeUm, sameSize, type SizeUm } from '@/core/sheet'
import { mmFromUm } from '@/core/units'
import type { ShelfStock } from '@/data/repositories/shelf'
import { leftOver, liesOnShelf, shelfKind } from '../shelf'
import type { PaperView } from './papers'

/** A part of a line's piece: what it is called and what it is folded from. */
export interface PartView {
  readonly key: string
  readonly name: string
  readonly perSquare: 1 | 4
  /** Height by width of its paper: 1 for a square. */
  readonly highPerWide: number
  readonly sheetMm: number
  readonly sheetUm: SizeUm
  readonly unitsPerPiece: number
}

/** What is missing of a paper: units, whole sheets to buy for them, and who holds sheets that would do. */
export interface ShortageView {
  readonly units: number
  readonly sheets: number | null
  readonly sheetUm: SizeUm | null
  readonly fitsAt: number | null
  readonly holders: readonly { readonly projectId: string; readonly name: string; readonly sheets: number }[]
}

/** One paper of one part of a line. All in units of the part. */
export interface LinePaperView extends Omit<PlannedPaper, 'paperId' | 'shortage'> {
  readonly part: PartView
  readonly paper: PaperView
  readonly shortage: ShortageView
  /** Good units of just this on the shelf, and good ones here that are more than is wanted. */
  readonly onShelf: number
  readonly leftOver: number
}

export interface LineView {
  readonly id: string
  readonly ordinal: number
  readonly design: DesignDocument
  readonly designHash: string
  readonly engine: number
  readonly variantKey: string
  readonly pieces: number
  /** Units of all its parts. */
  readonly units: number
  readonly unitsPerPiece: number
  readonly sizing: 'finished' | 'sheet'
  readonly axis: string | null
  readonly askedMm: number
  /** The side S its first part is folded from. */
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly making: Making
  readonly attachedTo: string | null
  readonly perPiece: number | null
  readonly goesWith: string | null
  readonly sizeOf: { readonly lineId: string; readonly percent: number } | null
  readonly rate: RejectRate
  readonly secondsPerUnit: number
  readonly foldedPieces: number
  readonly parts: readonly PartView[]
  readonly papers: readonly LinePaperView[]
  readonly proof: Pick<Proof, 'axis' | 'measuredMm' | 'paperId'> & {
    readonly status: 'none' | Proof['status']
  }
}

/** What a line's numbers refer to. */
interface Named {
  readonly shelf: readonly ShelfStock[]
  readonly papers: ReadonlyMap<string, PaperView>
  readonly projects: ReadonlyMap<string, string>
}

function partViews({ design, parts }: PlannedLine): readonly PartView[] {
  return parts.flatMap(({ part }) => {
    const known = design.parts.find(({ key }) => key === part.key)
    return known
      ? [
          {
            key: part.key,
            name: known.name,
            perSquare: known.perSquare,
            highPerWide: shapeOf(known, part.sheetUm),
            sheetMm: mmFromUm(part.sheetUm.widthUm),
            sheetUm: part.sheetUm,
            unitsPerPiece: part.unitsPerPiece,
          },
        ]
      : []
  })
}

/** Height by width as the brief was saved; a line from before hexagons had a piece of their own was planned with squares. */
function shapeOf(known: DesignPart, sheetUm: SizeUm): number {
  const high = highPerWide(known)
  return sameSize(pieceSizeUm(sheetUm.widthUm, high), sheetUm) ? high : sheetUm.heightUm / sheetUm.widthUm
}

/** A planned line as pages show it. */
export function lineView(planned: PlannedLine, proofs: readonly Proof[], named: Named): LineView {
  const { line, design, parts, rate, secondsPerUnit, foldedPieces } = planned
  const views = partViews(planned)
  const proof = proofs.find(({ lineId }) => lineId === line.id)
  return {
    id: line.id,
    ordinal: line.ordinal,
    design,
    designHash: line.designHash,
    engine: line.engine,
    variantKey: line.variantKey,
    pieces: line.pieces,
    units: parts.reduce((sum, { units }) => sum + units, 0),
    unitsPerPiece: parts.reduce((sum, { part }) => sum + part.unitsPerPiece, 0),
    sizing: line.sizing,
    axis: line.axis,
    askedMm: line.askedMm,
    sheetMm: views[0]?.sheetMm ?? 0,
    gauges: line.gauges,
    making: line.making,
    attachedTo: line.attachedTo,
    perPiece: line.perPiece,
    goesWith: line.goesWith,
    sizeOf: line.sizeOf,
    rate,
    secondsPerUnit,
    foldedPieces,
    parts: views,
    papers: parts.flatMap(({ part, papers }) =>
      papers.flatMap(({ paperId, shortage, ...counts }): LinePaperView[] => {
        const paper = named.papers.get(paperId)
        const view = views.find(({ key }) => key === part.key)
        const holders = shortage.holders.map(({ projectId, sheets }) => ({
          projectId,
          sheets,
          name: named.projects.get(projectId) ?? '',
        }))
        const kind = { line, part, paperId }
        return paper && view
          ? [
              {
                part: view,
                paper,
                ...counts,
                shortage: { ...shortage, holders },
                onShelf: named.shelf.find((stock) => liesOnShelf(stock, shelfKind(kind)))?.units ?? 0,
                leftOver: leftOver(counts),
              },
            ]
          : []
      }),
    ),
    proof: {
      status: proof?.status ?? 'none',
      measuredMm: proof?.measuredMm ?? null,
      paperId: proof?.paperId ?? null,
      axis: proof?.axis ?? null,
    },
  }
}
