import type { DesignDocument } from '../design'
import { sameSize } from '../sheet'
import { versionOf, type Brief, type BriefLine, type LinePart, type ProjectRecords } from './types'

/** One paper of one part: what is wanted, cut and folded of it, in units. */
export interface PaperProgress {
  readonly paperId: string
  readonly goodUnits: number
  /** Folded and good, or taken off the shelf. */
  readonly usableUnits: number
  readonly fromShelf: number
  readonly spoiledUnits: number
  /** Cut at the size that is planned now. */
  readonly cutUnits: number
  /** Cut, and neither folded nor spoiled. */
  readonly waitingUnits: number
}

export interface PartProgress {
  readonly part: LinePart
  readonly papers: readonly PaperProgress[]
  /** Good units of all papers together, none counted beyond what is wanted of its paper. */
  readonly foldedUnits: number
  readonly units: number
}

export interface LineProgress {
  readonly line: BriefLine
  readonly design: DesignDocument
  readonly parts: readonly PartProgress[]
  /** Whole pieces that the folded units are enough for. */
  readonly foldedPieces: number
  readonly handedOver: number
}

export const sum = <Item>(items: readonly Item[], of: (item: Item) => number): number =>
  items.reduce((total, item) => total + of(item), 0)

function paperProgress(
  line: BriefLine,
  part: LinePart,
  { paperId, units }: LinePart['papers'][number],
  { runs, cuts, shelf }: ProjectRecords,
): PaperProgress {
  const here = (one: { lineId: string; partKey: string; paperId: string | null }) =>
    one.lineId === line.id && one.partKey === part.key && one.paperId === paperId
  const folded = runs.filter(here)
  const spoiledUnits = sum(folded, ({ spoiled }) => spoiled)
  const foldedGood = sum(folded, ({ usable }) => usable)
  const fromShelf = sum(shelf.filter(here), (taken) => taken.units)
  const cutUnits = sum(
    cuts
      .filter((cut) => cut.paperId === paperId)
      .flatMap((cut) => cut.pieces)
      .filter(
        (piece) =>
          piece.lineId === line.id && piece.partKey === part.key && sameSize(piece.sizeUm, part.sheetUm),
      ),
    ({ count }) => count,
  )
  return {
    paperId,
    goodUnits: units,
    usableUnits: foldedGood + fromShelf,
    fromShelf,
    spoiledUnits,
    cutUnits,
    waitingUnits: Math.max(0, cutUnits - foldedGood - spoiledUnits),
  }
}

function partProgress(line: BriefLine, part: LinePart, records: ProjectRecords): PartProgress {
  const papers = part.papers.map((paper) => paperProgress(line, part, paper, records))
  return {
    part,
    papers,
    foldedUnits: sum(papers, ({ usableUnits, goodUnits }) => Math.min(usableUnits, goodUnits)),
    units: sum(part.papers, ({ units }) => units),
  }
}

/** Whole pieces that the folded units of a part make; where units are in several papers by turns, the scarcest decides. */
function piecesFrom({ making, pieces }: BriefLine, { part, papers, foldedUnits }: PartProgress): number {
  if (!making.inTurn) return Math.floor(foldedUnits / part.unitsPerPiece)
  return papers.reduce(
    (least, { usableUnits, goodUnits }) => Math.min(least, Math.floor((usableUnits * pieces) / goodUnits)),
    pieces,
  )
}

/** How far every line has got, in the order of the brief; `designs` by `versionOf`. Lines of a design that is not known are left out. */
export const progressOf = (
  { lines }: Brief,
  designs: ReadonlyMap<string, DesignDocument>,
  records: ProjectRecords,
): readonly LineProgress[] =>
  lines
    .toSorted((a, b) => a.ordinal - b.ordinal)
    .flatMap((line) => {
      const design = designs.get(versionOf(line))
      if (!design) return []
      const parts = line.parts.map((part) => partProgress(line, part, records))
      const foldedPieces = parts.reduce((least, part) => Math.min(least, piecesFrom(line, part)), line.pieces)
      const handedOver = sum(
        records.deliveries.flatMap((delivery) => delivery.lines),
        ({ lineId, pieces }) => (lineId === line.id ? pieces : 0),
      )
      return [{ line, design, parts, foldedPieces, handedOver }]
    })
