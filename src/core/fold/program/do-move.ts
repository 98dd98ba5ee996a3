import { CoreError } from '../../errors'
import { distance, flips, inverse, move, signedDistance, type Line, type Point } from '../../geometry'
import { CARRIED_THROUGH, SAME_POINT } from '../../numeric'
import { cutOff } from '../moves/cut-off'
import { foldedByLine, reverseFold, tuck } from '../moves/fold-between'
import { closeGrip, halvesOf, type Grip, type SimpleFold } from '../moves/grip'
import { creaseOn } from '../moves/pieces'
import { letterOf, refold } from '../moves/refold'
import { simpleFold } from '../moves/simple-fold'
import { stopLine } from '../moves/stop'
import type { FoldedState } from '../state/types'
import { moveWhole, turnOver } from '../state/whole'
import type { Piece, SheetMark } from './piece'
import { boxOf, turnAbout } from './placing'
import { lineMoving, pointOf, sheetPoint, type Situation } from './resolve'
import type { CreaseSpec, GaugeShares, HintSpec, MoveKind, MoveSpec, StretchSpec, TakeSpec } from './types'

/** Where a fold line runs on a layer, in the folded plane before the fold. */
export interface CreaseOnFace {
  readonly face: number
  readonly from: Point
  readonly to: Point
}

const gripOf = (here: Situation, take: TakeSpec | undefined): Grip =>
  take ? { at: pointOf(here, take.at), layers: take.layers } : 'all'

const hintsOf = (here: Situation, hints: readonly HintSpec[] = []) =>
  hints.map(([above, below]) => ({ above: sheetPoint(here, above), below: sheetPoint(here, below) }))

const stretchesOf = (here: Situation, specs: readonly StretchSpec[]) =>
  specs.map(([from, to]) => ({ from: sheetPoint(here, from), to: sheetPoint(here, to) }))

const creasesOf = (here: Situation, specs: readonly CreaseSpec[]) =>
  specs.map(([from, to, letter]) => ({ from: sheetPoint(here, from), to: sheetPoint(here, to), letter }))

/** Where a line runs over the layers that move, on each of them. */
export function creasesAlong(
  state: FoldedState,
  line: Line,
  moving: readonly number[],
): readonly CreaseOnFace[] {
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
    const off = [from, to].some((at) => Math.abs(signedDistance(line, move(pose, at))) > CARRIED_THROUGH)
    return off ? [] : [{ from, to, letter: letterOf(state, hinge) }]
  })
}

/** What came of a move: the piece after it; where it ran along a line, which layers went. */
export interface Done {
  readonly after: Piece
  readonly line?: Line
  readonly moving?: readonly number[]
}

function simple(piece: Piece, here: Situation, spec: MoveOf<'fold' | 'unfold' | 'crease'>): Done {
  const { state } = piece
  const grip = gripOf(here, spec.take)
  let line = lineMoving(here, spec.line, spec.moves)
  if (spec.kind === 'fold' && spec.stopFrom) {
    const loose = lineMoving(here, spec.stopFrom, spec.moves)
    line = stopLine(state, loose, line, spec.way, grip)
  }
  const fold: SimpleFold = { line, way: spec.way, grip }
  const moving = [...closeGrip(state, fold, halvesOf(state, line))]
  if (spec.kind !== 'crease') {
    const left = spec.kind === 'unfold' ? hingesLeft(state, line, moving) : []
    return { after: { state: simpleFold(state, fold), marks: [...piece.marks, ...left] }, line, moving }
  }
  const between = spec.between?.map((point) => pointOf(here, point))
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

/** The part of a stretch between two points of its line; of no length where it lies beyond both. */
export function clipped(from: Point, to: Point, [p, q]: readonly Point[]): readonly [Point, Point] {
  if (!p || !q) return [from, to]
  const along = { x: to.x - from.x, y: to.y - from.y }
  const size2 = along.x * along.x + along.y * along.y
  const share = (at: Point) =>
    Math.min(1, Math.max(0, ((at.x - from.x) * along.x + (at.y - from.y) * along.y) / size2))
  const [start, end] = [Math.min(share(p), share(q)), Math.max(share(p), share(q))]
  const at = (value: number) => ({ x: from.x + along.x * value, y: from.y + along.y * value })
  return [at(start), at(end)]
}

type MoveOf<Kind extends MoveKind> = Extract<MoveSpec, { kind: Kind }>

/** What each kind of move does to a piece. A kind that is added to `MoveSpec` and not here does not compile. */
const DOES: { readonly [Kind in MoveKind]: (piece: Piece, here: Situation, spec: MoveOf<Kind>) => Done } = {
  fold: simple,
  unfold: simple,
  crease: simple,
  'turn over': ({ state, marks }, _, { axis }) => {
    const direction = axis === 'upright' ? { x: 0, y: 1 } : { x: 1, y: 0 }
    return { after: { state: turnOver(state, { origin: boxOf(state).middle, direction }), marks } }
  },
  rotate: ({ state, marks }, _, { degrees }) => ({
    after: { state: moveWhole(state, turnAbout(boxOf(state).middle, degrees)), marks },
  }),
  reverse: ({ state, marks }, here, spec) => {
    const line = lineMoving(here, spec.line, spec.moves)
    const fold = {
      line,
      way: spec.way,
      at: pointOf(here, spec.at),
      from: spec.from ?? 0,
      upper: spec.upper,
      layers: spec.layers,
      hints: hintsOf(here, spec.hints),
    }
    return { after: { state: reverseFold(state, fold), marks }, line, moving: foldedByLine(state, fold) }
  },
  refold: ({ state, marks }, here, spec) => {
    const open = stretchesOf(here, spec.open)
    const next = refold(state, {
      open,
      add: creasesOf(here, spec.add),
      stays: sheetPoint(here, spec.stays),
      hints: hintsOf(here, spec.hints),
    })
    return {
      after: { state: next, marks: [...marks, ...open.map((one) => ({ ...one, letter: 'U' as const }))] },
    }
  },
  tuck: ({ state, marks }, here, spec) => {
    const line = lineMoving(here, spec.line, spec.moves)
    const take = spec.take.map((at) => sheetPoint(here, at))
    const next = tuck(state, { line, take, hints: hintsOf(here, spec.hints) })
    return { after: { state: next, marks }, line, moving: foldedByLine(state, { line, take }) }
  },
  cut: ({ state, marks }, here, spec) => {
    const line = lineMoving(here, spec.line, spec.moves)
    const grip = gripOf(here, spec.take)
    const moving = [...closeGrip(state, { line, grip, way: 'valley' }, halvesOf(state, line))]
    return { after: { state: cutOff(state, { line, grip }), marks }, line, moving }
  },
  shape: (piece) => ({ after: piece }),
  work: (piece, here, { places }) => {
    // A place off the paper is an author's mistake, found here and not at the drawing.
    places.forEach((place) => pointOf(here, place))
    return { after: piece }
  },
}

/** Does one move. *Throws* what the move throws. */
export function doMove<Kind extends MoveKind>(piece: Piece, spec: MoveOf<Kind>, gauges: GaugeShares): Done {
  return DOES[spec.kind](piece, { state: piece.state, gauges }, spec)
}
