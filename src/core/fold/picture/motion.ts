import { after, inverse, reflection, type Line } from '../../geometry'
import { halvesOf } from '../moves/grip'
import { piecesOf, type Piece as FoldedPiece } from '../moves/pieces'
import type { Frame } from '../program'
import { relation, type FoldedState } from '../state/types'
import { drawn, type FoldPicture } from './picture'
import { seenFrom } from './visible'

/** Regions, and the edges that are seen. */
export interface DrawnOnce {
  readonly regions: FoldPicture['regions']
  readonly edges: Pick<FoldPicture['edges'], 'seen'>
}

/** A simple fold on its way: what stays, and what moves as it is seen before and after it stands upright. */
export interface FoldMotion {
  readonly line: Line
  /** Whether the moving part comes over the top, or goes behind. */
  readonly over: boolean
  readonly stays: DrawnOnce
  readonly rises: DrawnOnce
  readonly comesDown: DrawnOnce
}

/** Only some pieces, in the order their layers had. */
function only(state: FoldedState, pieces: readonly FoldedPiece[], turned: boolean): FoldedState {
  const above = new Int8Array(pieces.length ** 2)
  pieces.forEach((one, i) =>
    pieces.forEach((other, j) => {
      above[i * pieces.length + j] = relation(state, one.was, other.was) * (turned ? -1 : 1)
    }),
  )
  return { outline: state.outline, faces: pieces.map((piece) => piece.face), hinges: [], above }
}

function drawnState(state: FoldedState): DrawnOnce {
  const { regions, edges } = drawn(seenFrom(state))
  return { regions, edges: { seen: edges.seen } }
}

/** The in-between of a simple fold, or `null` for any other move: those lift and turn in space as no plane shows. */
export function motionOf({ before, done }: Frame): FoldMotion | null {
  const { spec, line, moving } = done
  if (!line || (spec.kind !== 'fold' && spec.kind !== 'unfold' && spec.kind !== 'crease')) return null
  const { state } = before
  const pieces = piecesOf(state, line, new Set(moving), halvesOf(state, line))
  const moved = pieces.filter((piece) => piece.moved)
  const back = reflection(line)
  const flatAgain = moved.map((piece): FoldedPiece => ({
    ...piece,
    face: { ...piece.face, pose: after(inverse(back), piece.face.pose) },
  }))
  return {
    line,
    over: spec.way === 'valley',
    stays: drawnState(
      only(
        state,
        pieces.filter((piece) => !piece.moved),
        false,
      ),
    ),
    rises: drawnState(only(state, flatAgain, false)),
    comesDown: drawnState(only(state, moved, true)),
  }
}
