import { CoreError } from '../../errors'
import { overlap } from '../../geometry'
import { closeGrip, halvesOf, type SimpleFold } from './grip'
import { mergeFlat } from './merge'
import { hingesOf, piecesOf, type Piece } from './pieces'
import { lying } from '../state/start'
import { relation, type Above, type FoldedState } from '../state/types'

/** The relation of two pieces that overlap now. */
function relationNow(state: FoldedState, first: Piece, second: Piece, way: SimpleFold['way']): Above {
  if (first.moved === second.moved) {
    const before = relation(state, first.was, second.was)
    return first.moved ? (-before as Above) : before
  }
  return first.moved === (way === 'valley') ? 1 : -1
}

function orderOf(state: FoldedState, pieces: readonly Piece[], way: SimpleFold['way']): Int8Array {
  const count = pieces.length
  const above = new Int8Array(count * count)
  const shapes = pieces.map(({ face }) => lying(face))
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++) {
      const [first, second] = [pieces[i], pieces[j]]
      if (!first || !second) continue
      const now = relationNow(state, first, second, way)
      // Two whole pieces that kept their places to one another overlap as before.
      const asBefore = first.moved === second.moved && !first.cut && !second.cut
      if (now === 0 || (!asBefore && overlap(shapes[i] ?? [], shapes[j] ?? []).length === 0)) continue
      above[i * count + j] = now
      above[j * count + i] = -now
    }
  return above
}

/**
 * One straight fold of one, several or all layers.
 * *Returns* a new state; faces the line crosses are cut, and a crease that lies flat again is none. *Throws* `NO_SUCH_LAYER` where fewer layers lie at the grip;
 * `OFF_THE_SHEET` where nothing lies on the moving side, or nothing stays.
 * *Cost* faces squared times corners.
 */
export function simpleFold(state: FoldedState, fold: SimpleFold): FoldedState {
  const halves = halvesOf(state, fold.line)
  const pieces = piecesOf(state, fold.line, closeGrip(state, fold, halves), halves)
  if (pieces.every(({ moved }) => moved))
    throw new CoreError('OFF_THE_SHEET', { name: 'fold line', value: 'nothing stays on its other side' })
  return mergeFlat({
    ...state,
    faces: pieces.map((piece) => piece.face),
    hinges: hingesOf(state, fold.line, pieces),
    above: orderOf(state, pieces, fold.way),
  })
}
