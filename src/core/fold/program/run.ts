import { CoreError } from '../../errors'
import type { Line } from '../../geometry'
import { flatSheet, regularHexagon, unitSquare } from '../state/start'
import type { FoldedState } from '../state/types'
import { moveWhole } from '../state/whole'
import { checkZones } from './clear-zones'
import { creasesAlong, doMove, type CreaseOnFace } from './do-move'
import type { Piece } from './piece'
import { turnAbout } from './placing'
import type { FoldProgram, GaugeShares, MoveSpec, SheetSpec } from './types'

/** One move as it was done, for figures and pictures; all in the folded plane before it. */
export interface DoneMove {
  readonly spec: MoveSpec
  /** The fold line, its moving side on the left. */
  readonly line: Line | null
  /** The layers that move. */
  readonly moving: readonly number[]
  readonly creases: readonly CreaseOnFace[]
}

/** One picture: the piece before a move, the move, the piece after it. */
export interface Frame {
  readonly step: number
  readonly round: number
  readonly before: Piece
  readonly done: DoneMove
  readonly after: Piece
}

export interface Trace {
  readonly start: Piece
  readonly frames: readonly Frame[]
  readonly end: Piece
}

/** The flat sheet of a program. *Throws* `OUT_OF_RANGE` or `NOT_FINITE` for a polygon that is no sheet. */
export function sheetOf(spec: SheetSpec): FoldedState {
  switch (spec.kind) {
    case 'square':
      return moveWhole(flatSheet(unitSquare), turnAbout({ x: 0.5, y: 0.5 }, spec.turnedDegrees ?? 0))
    case 'rectangle':
      return flatSheet(unitSquare.map(({ x, y }) => ({ x, y: y * spec.height })))
    case 'hexagon':
      return flatSheet(regularHexagon(1))
    case 'polygon':
      return flatSheet(spec.corners.map(([x, y]) => ({ x, y })))
  }
}

/** One move of a program. *Throws* what the move throws. */
export function frameOf(
  piece: Piece,
  spec: MoveSpec,
  gauges: GaugeShares,
  place: { readonly step: number; readonly round: number },
): Frame {
  const { after, line = null, moving = [] } = doMove(piece, spec, gauges)
  const creases = line ? creasesAlong(piece.state, line, moving) : []
  const marks = after.marks.map((mark, index) => (index < piece.marks.length ? mark : { ...mark, ...place }))
  return { ...place, before: piece, done: { spec, line, moving, creases }, after: { ...after, marks } }
}

/**
 * Folds a program from the flat sheet.
 * *Throws* a `CoreError` whose `name` begins with the step it happened in.
 */
export function runProgram(program: FoldProgram, gauges: GaugeShares = {}): Trace {
  const start: Piece = { state: sheetOf(program.sheet), marks: [] }
  const frames: Frame[] = []
  let piece = start
  program.steps.forEach((step, stepIndex) =>
    step.rounds.forEach(({ moves }, round) =>
      moves.forEach((spec) => {
        try {
          const frame = frameOf(piece, spec, gauges, { step: stepIndex, round })
          frames.push(frame)
          piece = frame.after
        } catch (error) {
          if (!(error instanceof CoreError)) throw error
          const where = `step ${stepIndex + 1} "${step.key}", time ${round + 1}`
          throw new CoreError(error.code, { ...error.detail, name: `${where}: ${error.detail.name}` })
        }
      }),
    ),
  )
  checkZones(program, piece)
  return { start, frames, end: piece }
}
