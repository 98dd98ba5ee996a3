import { CoreError } from '../../errors'
import { distance, flips, inverse, move, signedDistance, type Line, type Point } from '../../geometry'
import { SAME_POINT } from '../../numeric'
import { cutOff } from '../moves/cut-off'
import { foldedByLine, reverseFold, tuck } from '../moves/fold-between'
import { closeGrip, halvesOf, type Grip, type SimpleFold } from '../moves/grip'
import { creaseOn } from '../moves/pieces'
import { letterOf, refold } from '../moves/refold'
import { simpleFold } from '../moves/simple-fold'
import { flatSheet, regularHexagon, unitSquare } from '../state/start'
import { stopLine } from '../moves/stop'
import type { FoldedState } from '../state/types'
import { moveWhole, turnOver } from '../state/whole'
import { checkZones } from './clear-zones'
import type { Piece, SheetMark } from './piece'
import { boxOf, turnAbout } from './placing'
import { lineMoving, pointOf, sheetPoint, type Table } from './resolve'
import type {
  CreaseSpec,
  FoldProgram,
  GaugeShares,
  HintSpec,
  LineSpec,
  MoveSpec,
  SheetSpec,
  StretchSpec,
  TakeSpec,
} from './types'

/** Where a fold line runs on a layer, in the folded plane before the fold. */
export interface CreaseOnFace {
  readonly face: number
  readonly from: Point
  readonly to: Point
}

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

const gripOf = (table: Table, take: TakeSpec | undefined): Grip =>
  take ? { at: pointOf(table, take.at), layers: take.layers } : 'all'

const hintsOf = (table: Table, hints: readonly HintSpec[] = []) =>
  hints.map(([above, below]) => ({ above: sheetPoint(table, above), below: sheetPoint(table, below) }))

const stretchesOf = (table: Table, specs: readonly StretchSpec[]) =>
  specs.map(([from, to]) => ({ from: sheetPoint(table, from), to: sheetPoint(table, to) }))

const creasesOf = (table: Table, specs: readonly CreaseSpec[]) =>
  specs.map(([from, to, letter]) => ({ from: sheetPoint(table, from), to: sheetPoint(table, to), letter }))

function creasesAlong(state: FoldedState, line: Line, moving: readonly number[]): readonly CreaseOnFace[] {
  const halves = halvesOf(state, line)
  return moving.flatMap((face): CreaseOnFace[] => {
    const half = halves[face]
    if (!half || half.staying.length === 0) return []
    const on = creaseOn(half.moving, line)
    return on ? [{ face, from: on[0], to: on[1] }] : []
  })
}

/** Creases along a line between layers that moved and layers that stayed: those that an unfolding leaves behind. */
function hingesLeft(state: FoldedState, line: Line, moving: readonly number[]): readonly SheetMark[] {
  const goes = new Set(moving)
  return state.hinges.flatMap((hinge): SheetMark[] => {
    const { first, second, from, to } = hinge
    const pose = state.faces[first]?.pose
    if (!pose || goes.has(first) === goes.has(second)) return []
    const off = [from, to].some((at) => Math.abs(signedDistance(line, move(pose, at))) > 1e-7)
    return off ? [] : [{ from, to, letter: letterOf(state, hinge) }]
  })
}

interface Done {
  readonly after: Piece
  readonly line?: Line
  readonly moving?: readonly number[]
}

function foldingOf(
  table: Table,
  spec: { readonly line: LineSpec; readonly moves?: Parameters<typeof lineMoving>[2] },
): Line {
  return lineMoving(table, spec.line, spec.moves)
}

function simple(
  piece: Piece,
  table: Table,
  spec: Extract<MoveSpec, { kind: 'fold' | 'unfold' | 'crease' }>,
): Done {
  const { state } = piece
  const grip = gripOf(table, spec.take)
  let line = foldingOf(table, spec)
  if (spec.kind === 'fold' && spec.stopFrom) {
    const loose = lineMoving(table, spec.stopFrom, spec.moves)
    line = stopLine(state, loose, line, spec.way, grip)
  }
  const fold: SimpleFold = { line, way: spec.way, grip }
  const moving = [...closeGrip(state, fold, halvesOf(state, line))]
  if (spec.kind !== 'crease') {
    const left = spec.kind === 'unfold' ? hingesLeft(state, line, moving) : []
    return { after: { state: simpleFold(state, fold), marks: [...piece.marks, ...left] }, line, moving }
  }
  const between = spec.between?.map((point) => pointOf(table, point))
  const marks = creasesAlong(state, line, moving).flatMap(({ face, from, to }): SheetMark[] => {
    const pose = state.faces[face]?.pose
    const [start, end] = between ? clipped(from, to, between) : [from, to]
    return pose && distance(start, end) > SAME_POINT
      ? [
          {
            from: move(inverse(pose), start),
            to: move(inverse(pose), end),
            letter: (spec.way === 'valley') === flips(pose) ? 'M' : 'V',
          },
        ]
      : []
  })
  if (marks.length === 0)
    throw new CoreError('OFF_THE_SHEET', { name: 'crease', value: 'its line runs over no paper' })
  return { after: { state, marks: [...piece.marks, ...marks] }, line, moving }
}

/** The part of a stretch between two points of its line. */
function clipped(from: Point, to: Point, [p, q]: readonly Point[]): readonly [Point, Point] {
  if (!p || !q) return [from, to]
  const along = { x: to.x - from.x, y: to.y - from.y }
  const size2 = along.x * along.x + along.y * along.y
  const share = (at: Point) =>
    Math.min(1, Math.max(0, ((at.x - from.x) * along.x + (at.y - from.y) * along.y) / size2))
  const [start, end] = [Math.min(share(p), share(q)), Math.max(share(p), share(q))]
  const at = (value: number) => ({ x: from.x + along.x * value, y: from.y + along.y * value })
  return [at(start), at(end)]
}

function doMove(piece: Piece, spec: MoveSpec, gauges: GaugeShares): Done {
  const { state, marks } = piece
  const table: Table = { state, gauges }
  switch (spec.kind) {
    case 'fold':
    case 'unfold':
    case 'crease':
      return simple(piece, table, spec)
    case 'turn over': {
      const { middle } = boxOf(state)
      const direction = spec.axis === 'upright' ? { x: 0, y: 1 } : { x: 1, y: 0 }
      return { after: { state: turnOver(state, { origin: middle, direction }), marks } }
    }
    case 'rotate':
      return { after: { state: moveWhole(state, turnAbout(boxOf(state).middle, spec.degrees)), marks } }
    case 'reverse': {
      const line = foldingOf(table, spec)
      const fold = {
        line,
        way: spec.way,
        at: pointOf(table, spec.at),
        from: spec.from ?? 0,
        upper: spec.upper,
        layers: spec.layers,
        hints: hintsOf(table, spec.hints),
      }
      return { after: { state: reverseFold(state, fold), marks }, line, moving: foldedByLine(state, fold) }
    }
    case 'refold': {
      const open = stretchesOf(table, spec.open)
      const next = refold(state, {
        open,
        add: creasesOf(table, spec.add),
        stays: sheetPoint(table, spec.stays),
        hints: hintsOf(table, spec.hints),
      })
      return {
        after: { state: next, marks: [...marks, ...open.map((one) => ({ ...one, letter: 'U' as const }))] },
      }
    }
    case 'tuck': {
      const line = foldingOf(table, spec)
      const take = spec.take.map((at) => sheetPoint(table, at))
      const next = tuck(state, { line, take, hints: hintsOf(table, spec.hints) })
      return { after: { state: next, marks }, line, moving: foldedByLine(state, { line, take }) }
    }
    case 'cut': {
      const line = foldingOf(table, spec)
      const grip = gripOf(table, spec.take)
      const moving = [...closeGrip(state, { line, grip, way: 'valley' }, halvesOf(state, line))]
      return { after: { state: cutOff(state, { line, grip }), marks }, line, moving }
    }
    case 'shape':
      return { after: piece }
    case 'work':
      // A place off the paper is an author's mistake, found here and not at the drawing.
      spec.places.forEach((place) => pointOf(table, place))
      return { after: piece }
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
  return { ...place, before: piece, done: { spec, line, moving, creases }, after }
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
