import {
  halfwayOf,
  motionOf,
  pictureOf,
  pictureOfPiece,
  type FoldMotion,
  type FoldPicture,
  type HalfwayPicture,
} from './picture'
import {
  figuresOfTrace,
  measureAlong,
  runProgram,
  type FoldProgram,
  type GaugeShares,
  type MoveFigures,
  type MoveSpec,
  type Piece,
  type Trace,
} from './program'
import { turnOver } from './state/whole'

/** One moment of a program, ready to be shown. */
export interface ShownMove {
  readonly step: number
  readonly round: number
  readonly kind: MoveSpec['kind']
  readonly picture: FoldPicture
  readonly motion: FoldMotion | null
  /** Of a squash, petal fold, collapse, twist, tuck or reverse fold: half done, in space. */
  readonly halfway: HalfwayPicture | null
  readonly figures: MoveFigures
}

/** A whole program, ready to be shown: plain data to be kept under the program's hash. */
export interface DrawnProgram {
  readonly moves: readonly ShownMove[]
  readonly front: FoldPicture
  readonly back: FoldPicture
  /** Finished sizes as shares of the side, by axis. */
  readonly sizes: readonly { readonly axis: string; readonly label: string; readonly share: number }[]
}

/** A piece turned over, left to right. */
export const turnedPiece = (piece: Piece): Piece => ({
  ...piece,
  state: turnOver(piece.state, { origin: { x: 0, y: 0 }, direction: { x: 0, y: 1 } }),
})

/** Folds a program and draws every move of it. *Throws* what the folding throws. */
export const drawProgram = (program: FoldProgram, gauges: GaugeShares = {}): DrawnProgram =>
  drawTrace(program, runProgram(program, gauges), gauges)

/** Draws every move of a program that was folded. */
export function drawTrace(program: FoldProgram, trace: Trace, gauges: GaugeShares): DrawnProgram {
  const figures = figuresOfTrace(trace)
  return {
    moves: trace.frames.flatMap((frame, index): ShownMove[] => {
      const { step, round, done } = frame
      const own = figures[index]
      return own
        ? [
            {
              step,
              round,
              kind: done.spec.kind,
              picture: pictureOf(frame, gauges),
              motion: motionOf(frame),
              halfway: halfwayOf(frame, gauges),
              figures: own,
            },
          ]
        : []
    }),
    front: pictureOfPiece(trace.end),
    back: pictureOfPiece(turnedPiece(trace.end)),
    sizes: program.measures.map(({ axis, label, measure }) => ({
      axis,
      label,
      share: measureAlong(trace.end, measure, gauges),
    })),
  }
}
