import type { RejectRate } from './posterior'
import { sparesFor } from './spares'

/** One line of a brief as the count needs it: good pieces wanted of each paper. */
export interface LineDemand {
  readonly lineId: string
  readonly unitsPerPiece: number
  readonly rate: RejectRate
  readonly papers: readonly { readonly paperId: string; readonly pieces: number }[]
}

/** What has to be cut of one paper for one line. */
export interface PaperDemand {
  readonly lineId: string
  readonly paperId: string
  readonly goodUnits: number
  readonly spareUnits: number
  readonly cutUnits: number
}

/**
 * Units to cut by line and paper, spares included: each line is enough in all its papers with the stated certainty.
 */
export const demandFor = (lines: readonly LineDemand[], certainty: number): readonly PaperDemand[] =>
  lines.flatMap((line) => {
    const goods = line.papers.map((paper) => paper.pieces * line.unitsPerPiece)
    const spares = sparesFor(goods, line.rate, certainty)
    return line.papers.map((paper, index) => {
      const goodUnits = goods[index] ?? 0
      const spareUnits = spares[index] ?? 0
      return {
        lineId: line.lineId,
        paperId: paper.paperId,
        goodUnits,
        spareUnits,
        cutUnits: goodUnits + spareUnits,
      }
    })
  })

/** Whole squares that so many pieces are quartered from: n leaves take ceil(n / 4). */
export const squaresFor = (pieces: number, perSquare: number): number => Math.ceil(pieces / perSquare)
