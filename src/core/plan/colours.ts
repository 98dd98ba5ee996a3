import { MOST_POSITIONS } from '../arrange'
import type { BriefLine, LinePart, ProjectRecords } from './types'

/** As much of a line as its colours need. */
export interface ColouredLine extends Pick<BriefLine, 'making'> {
  readonly parts: readonly Pick<LinePart, 'unitsPerPiece' | 'papers'>[]
}

/** Pieces of a line in one paper. */
export interface PaperPieces {
  readonly paperId: string
  readonly pieces: number
}

/** Pieces of each paper that a line's first part is folded from: that is what is seen. */
export function seenPieces({ parts }: Pick<ColouredLine, 'parts'>): readonly PaperPieces[] {
  const [seen] = parts
  return (seen?.papers ?? []).flatMap(({ paperId, units }) =>
    units > 0 ? [{ paperId, pieces: Math.round(units / (seen?.unitsPerPiece ?? 1)) }] : [],
  )
}

/** Whether somebody can choose in which order a line's pieces come: several papers, whole pieces, not too many. */
export function canBeOrdered(line: ColouredLine): boolean {
  const counts = seenPieces(line)
  const positions = counts.reduce((sum, { pieces }) => sum + pieces, 0)
  return line.making.inTurn !== true && counts.length > 1 && positions <= MOST_POSITIONS
}

/** Which pieces an order is of: how many in each paper, and what they are made into. Another text, another order. */
export const madeOf = (line: ColouredLine): string =>
  [
    line.making.kind,
    ...seenPieces(line)
      .map(({ paperId, pieces }) => `${paperId} ${pieces}`)
      .sort(),
  ].join(', ')

/** An order of a line's pieces: the paper at each position as an index into its papers, positions that are held. */
export interface PaperOrder {
  readonly papers: readonly string[]
  readonly at: readonly number[]
  readonly locked: readonly number[]
}

/** Whether an order has every piece of a line once, in its paper. */
export function isOrderOf({ papers, at, locked }: PaperOrder, line: ColouredLine): boolean {
  const wanted = seenPieces(line)
  return (
    papers.length === wanted.length &&
    new Set(papers).size === papers.length &&
    at.length === wanted.reduce((sum, { pieces }) => sum + pieces, 0) &&
    locked.every((position) => position < at.length) &&
    wanted.every(({ paperId, pieces }) => at.filter((paper) => papers[paper] === paperId).length === pieces)
  )
}

/** Lines that can be ordered, and those whose chosen order is of the pieces they have now. */
export function ordersOf(lines: readonly BriefLine[], { orders }: Pick<ProjectRecords, 'orders'>) {
  const wanted = lines.filter(canBeOrdered)
  return { wanted, chosen: wanted.filter((line) => orders.get(line.id) === madeOf(line)) }
}
