import { sparesFor, type RejectRate } from '../batch'
import { mayTurn, type CutDemand, type StockSheets } from '../cut'
import type { LineProgress, PaperProgress, PartProgress } from './progress'
import { sameSize } from '../sheet'
import { sum } from './progress'
import { demandKey, PLAIN_PART, type Brief, type PlainLine, type ProjectRecords } from './types'

/** How far a plain line is: what was cut of it at the size that is asked for now. */
export interface PlainProgress {
  readonly line: PlainLine
  readonly key: string
  readonly cut: number
  readonly toCut: number
}

export const plainProgressOf = (
  { plain }: Pick<Brief, 'plain'>,
  { cuts }: Pick<ProjectRecords, 'cuts'>,
): readonly PlainProgress[] =>
  plain.map((line) => {
    const pieces = cuts
      .filter(({ paperId }) => paperId === line.paperId)
      .flatMap((cut) => cut.pieces)
      .filter(({ lineId, sizeUm }) => lineId === line.id && sameSize(sizeUm, line.sizeUm))
    const cut = sum(pieces, ({ count }) => count)
    const key = demandKey({ lineId: line.id, partKey: PLAIN_PART, paperId: line.paperId })
    return { line, key, cut, toCut: Math.max(0, line.pieces - cut) }
  })

/** Demands for the planner of pieces that are only cut. */
export const plainDemands = (
  plain: readonly PlainProgress[],
  stock: readonly StockSheets[],
): readonly CutDemand[] =>
  plain.flatMap(({ line: { paperId, sizeUm }, key, toCut }) =>
    toCut === 0 ? [] : [{ key, paperId, sizeUm, count: toCut, turnable: mayTurn(stock, paperId) }],
  )

/** Works out spares for piles that share one reject rate. */
export type SparesFor = typeof sparesFor

/** What has to be cut of one paper of a part, spares included. */
export interface PaperNeed {
  readonly paperId: string
  readonly spareUnits: number
  readonly unitsToCut: number
}

const stillWanted = ({ goodUnits, usableUnits }: PaperProgress): number =>
  Math.max(0, goodUnits - usableUnits)

/**
 * Units of a part to cut by paper, so that all papers together are enough with the stated certainty. Spares are for
 * what is still to be folded: what is folded carries no more risk.
 */
export function needsOf(
  { papers }: PartProgress,
  rate: RejectRate,
  certainty: number,
  sparesOf: SparesFor = sparesFor,
): readonly PaperNeed[] {
  const spares = sparesOf(papers.map(stillWanted), rate, certainty)
  return papers.map((paper, index) => {
    const spareUnits = spares[index] ?? 0
    const unitsToCut = Math.max(0, stillWanted(paper) + spareUnits - paper.waitingUnits)
    return { paperId: paper.paperId, spareUnits, unitsToCut }
  })
}

/** How sure one wants to be that enough are good, and what is known of how many are. */
export interface HowSure {
  readonly rateOf: (line: LineProgress) => RejectRate
  readonly certainty: number
  readonly spares?: SparesFor | undefined
}

/** Demands for the planner: every paper of every part of every line that something is still to be cut of, then plain pieces. */
export const cutDemands = (
  { lines, plain }: { readonly lines: readonly LineProgress[]; readonly plain: readonly PlainProgress[] },
  { rateOf, certainty, spares }: HowSure,
  stock: readonly StockSheets[],
): readonly CutDemand[] => [
  ...lines.flatMap((line) =>
    line.parts.flatMap((progress) =>
      needsOf(progress, rateOf(line), certainty, spares).flatMap(({ paperId, unitsToCut }) =>
        unitsToCut === 0
          ? []
          : [
              {
                key: demandKey({ lineId: line.line.id, partKey: progress.part.key, paperId }),
                paperId,
                sizeUm: progress.part.sheetUm,
                count: unitsToCut,
                turnable: mayTurn(stock, paperId),
              },
            ],
      ),
    ),
  ),
  ...plainDemands(plain, stock),
]
