import { meanRejectRate, sparesFor, type RejectRate } from '../batch'
import { apportion } from '../colour'
import { sheetsAtSide, sweepSizes, type CutPlanner, type SweepPaper } from '../cut'
import type { RulerKey } from '../units'

/** A batch as far as a dial turns it: one part, its units in each paper with the sheets they may be cut from. */
export interface DialBatch {
  /** `pieces` are good units wanted of the paper. */
  readonly papers: readonly SweepPaper[]
  readonly sideMm: number
  readonly ruler: RulerKey
  readonly certainty: number
  readonly rate: RejectRate
  readonly secondsPerUnit: number
  /** Units one piece takes: counts turn by whole pieces. */
  readonly unitsPerPiece: number
  /** Every piece takes its units of all papers alike, instead of whole pieces in one of them each. */
  readonly inTurn: boolean
  /** Certainties there are to choose. */
  readonly certainties: readonly number[]
}

/** What a dial turns; everything else moves with it. */
export const DIAL_TURNS = ['size', 'certainty', 'pieces'] as const
export type DialTurn = (typeof DIAL_TURNS)[number]

/** What one position of the dial comes to. */
export interface DialStop {
  readonly sideMm: number
  readonly certainty: number
  readonly pieces: number
  /** Spares included; `null` where some paper has no sheet that large. */
  readonly sheets: number | null
  /** Folding until enough are good, as the log has it. */
  readonly seconds: number
}

/** A fifth smaller and larger: beyond it is another piece. */
const SIZE_SPAN = 0.2
/** Half as many to half as many again, in so many steps each way. */
const [COUNT_SPAN, COUNT_STEPS] = [0.5, 10]

const goodOf = (papers: readonly SweepPaper[]): readonly number[] => papers.map(({ pieces }) => pieces)
const sum = (counts: readonly number[]): number => counts.reduce((total, count) => total + count, 0)

/** The papers with what has to be cut of each: what is wanted, and spares as one allowance for all. */
function withSpares(
  papers: readonly SweepPaper[],
  rate: RejectRate,
  certainty: number,
): readonly SweepPaper[] {
  const spares = sparesFor(goodOf(papers), rate, certainty)
  return papers.map((paper, index) => ({ ...paper, pieces: paper.pieces + (spares[index] ?? 0) }))
}

const secondsOf = ({ rate, secondsPerUnit }: DialBatch, goodUnits: number): number =>
  (goodUnits * secondsPerUnit) / (1 - meanRejectRate(rate))

/** Counts by whole pieces around what is asked for, the shares kept. */
function countsAround({ papers, unitsPerPiece, inTurn }: DialBatch): readonly (readonly SweepPaper[])[] {
  const good = goodOf(papers)
  const pieces = Math.round(sum(good) / unitsPerPiece)
  const steps = Array.from({ length: 2 * COUNT_STEPS + 1 }, (_, at) =>
    Math.round(pieces * (1 + (COUNT_SPAN * (at - COUNT_STEPS)) / COUNT_STEPS)),
  )
  const shares = good.map((weight) => ({ weight, locked: null }))
  return [...new Set(steps)]
    .filter((count) => count > 0)
    .map((count) => {
      const whole = inTurn ? null : apportion(count, shares, 'sainte-lague')
      return papers.map((paper, index) => ({
        ...paper,
        pieces: whole ? (whole[index] ?? 0) * unitsPerPiece : (count * unitsPerPiece) / papers.length,
      }))
    })
}

/**
 * Size, sheets, time and certainty moved together along one of them; the others as they are asked for. The planner is
 * given: a better one takes the quick one's place here.
 * *Throws* `OUT_OF_RANGE`, as the planner does.
 */
export function turnDial(batch: DialBatch, turn: DialTurn, plan: CutPlanner): readonly DialStop[] {
  const { sideMm, certainty, rate, papers, unitsPerPiece } = batch
  const goodUnits = sum(goodOf(papers))
  const here = { sideMm, certainty, pieces: goodUnits / unitsPerPiece, seconds: secondsOf(batch, goodUnits) }
  switch (turn) {
    case 'size': {
      const range = {
        fromMm: sideMm * (1 - SIZE_SPAN),
        toMm: sideMm * (1 + SIZE_SPAN),
        ruler: batch.ruler,
        also: sideMm,
      }
      const swept = sweepSizes(withSpares(papers, rate, certainty), range, plan, () => true)
      return swept.points.map((point) => ({ ...here, ...point }))
    }
    case 'certainty':
      return batch.certainties.map((sure) => ({
        ...here,
        certainty: sure,
        sheets: sheetsAtSide(withSpares(papers, rate, sure), sideMm, plan),
      }))
    case 'pieces':
      return countsAround(batch).map((counts) => {
        const units = sum(goodOf(counts))
        return {
          ...here,
          pieces: units / unitsPerPiece,
          seconds: secondsOf(batch, units),
          sheets: sheetsAtSide(withSpares(counts, rate, certainty), sideMm, plan),
        }
      })
  }
}

/** Evenings it takes, and on which day the last of them is: one each day, the first of them today. Days from today. */
export const eveningsFor = (
  seconds: number,
  eveningSeconds: number,
): { readonly evenings: number; readonly days: number } => {
  const evenings = Math.max(1, Math.ceil(seconds / eveningSeconds))
  return { evenings, days: evenings - 1 }
}
