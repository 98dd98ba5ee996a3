import { sparesFor, type RejectRate } from '../batch'
import { mayTurn, type CutDemand, type StockSheets } from '../cut'
import type { LineProgress, PaperProgress, PartProgress } from './progress'
import { demandKey } from './types'

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
export function needsOf({ papers }: PartProgress, rate: RejectRate, certainty: number): readonly PaperNeed[] {
  const spares = sparesFor(papers.map(stillWanted), rate, certainty)
  return papers.map((paper, index) => {
    const spareUnits = spares[index] ?? 0
    const unitsToCut = Math.max(0, stillWanted(paper) + spareUnits - paper.waitingUnits)
    return { paperId: paper.paperId, spareUnits, unitsToCut }
  })
}

/** Demands for the planner: every paper of every part of every line that something is still to be cut of. */
export const cutDemands = (
  lines: readonly LineProgress[],
  rateOf: (line: LineProgress) => RejectRate,
  certainty: number,
  stock: readonly StockSheets[],
): readonly CutDemand[] =>
  lines.flatMap((line) =>
    line.parts.flatMap((progress) =>
      needsOf(progress, rateOf(line), certainty).flatMap(({ paperId, unitsToCut }) =>
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
  )
