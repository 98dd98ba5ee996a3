import type { Line, Point } from '../../geometry'
import { arrange } from '../pattern/arrange'
import type { Hint } from '../pattern/crease-pattern'
import { faultError, manyOrders } from '../pattern/fault-error'
import { halvesOf, pulls, stackAt, type Halves } from './grip'
import { mergeFlat } from './merge'
import { CoreError } from '../../errors'
import type { KnownOrder } from '../order'
import { hintOrders } from '../pattern/pattern'
import { hingesOf, piecesOf, type Piece } from './pieces'
import { relation, type FoldedState } from '../state/types'
import { faceAt } from '../state/where'

/**
 * A reverse fold of a two-sided flap: its upper layers and its lower ones go to opposite sides at once.
 * Inside: the tip comes to lie between them. Outside: it wraps around both.
 */
export interface ReverseFold {
  /** In the folded plane; the tip lies on its left. */
  readonly line: Line
  readonly way: 'inside' | 'outside'
  /** A place on the tip, and how many of the layers there, from above, are its upper side and its whole. */
  readonly at: Point
  readonly from: number
  readonly upper: number
  readonly layers: number
  readonly hints?: readonly Hint[]
}

/** A flap folded to where its layers say, not to the top or bottom: tucked into a pocket, or pulled out of one. */
export interface Tuck {
  readonly line: Line
  /** Points of the sheet on the layers taken; what hangs on them beyond the line comes too. */
  readonly take: readonly Point[]
  /** Between what it lies afterwards. */
  readonly hints: readonly Hint[]
}

type Side = 'upper' | 'lower'

/** What hangs on the faces taken, beyond the line. */
function closeOverHinges(
  state: FoldedState,
  line: Line,
  taken: ReadonlyMap<number, Side | null>,
): ReadonlyMap<number, Side | null> {
  const moving = new Map(taken)
  const queue = [...taken.keys()]
  for (let index = queue.pop(); index !== undefined; index = queue.pop())
    for (const hinge of state.hinges) {
      if (hinge.first !== index && hinge.second !== index) continue
      const other = hinge.first === index ? hinge.second : hinge.first
      if (moving.has(other) || !pulls(state, hinge, line)) continue
      moving.set(other, null)
      queue.push(other)
    }
  return moving
}

/** The order of pieces so far as the move itself decides it. */
function knownAmong(
  state: FoldedState,
  pieces: readonly Piece[],
  moving: ReadonlyMap<number, Side | null>,
  way: ReverseFold['way'] | null,
): readonly KnownOrder[] {
  const known: KnownOrder[] = []
  const say = (i: number, j: number, order: number) => {
    if (order > 0) known.push({ above: i, below: j })
    else if (order < 0) known.push({ above: j, below: i })
  }
  pieces.forEach((one, i) =>
    pieces.forEach((other, j) => {
      if (j <= i) return
      const before = relation(state, one.was, other.was)
      if (!one.moved && !other.moved) return say(i, j, before)
      const [side, otherSide] = [moving.get(one.was) ?? null, moving.get(other.was) ?? null]
      if (one.moved && other.moved) {
        if (way === null || (side !== null && side === otherSide)) say(i, j, -before)
        else if (side !== null && otherSide !== null) say(i, j, before)
        return
      }
      if (one.was !== other.was || side === null || way === null) return
      // The two halves of a layer taken: inside, the tip comes under the upper side and over the lower one.
      const tipOver = (side === 'lower') === (way === 'inside') ? 1 : -1
      say(i, j, one.moved ? tipOver : -tipOver)
    }),
  )
  return known
}

function foldSome(
  state: FoldedState,
  line: Line,
  halves: readonly Halves[],
  moving: ReadonlyMap<number, Side | null>,
  way: ReverseFold['way'] | null,
  hints: readonly Hint[],
): FoldedState {
  const pieces = piecesOf(state, line, new Set(moving.keys()), halves)
  const faces = pieces.map((piece) => piece.face)
  const hinges = hingesOf(state, line, pieces)
  const known = [...knownAmong(state, pieces, moving, way), ...hintOrders(faces, hints)]
  const arranged = arrange(faces, hinges, known, { most: 2 })
  if (!arranged.ok) throw faultError(arranged.fault)
  if (arranged.orders > 1) throw manyOrders()
  return mergeFlat({ ...state, faces, hinges, above: arranged.above })
}

/** The layers at a place of the tip, from above. */
const tipStack = (state: FoldedState, { line, at }: Pick<ReverseFold, 'line' | 'at'>): readonly number[] => {
  const halves = halvesOf(state, line)
  return stackAt(state, at, 'valley').filter((face) => (halves[face]?.moving.length ?? 0) > 0)
}

/** The layers taken of the flap's upper side and of its lower one. */
export function reversedSides(
  state: FoldedState,
  fold: Pick<ReverseFold, 'line' | 'at' | 'from' | 'upper' | 'layers'>,
): { readonly upper: ReadonlySet<number>; readonly lower: ReadonlySet<number> } {
  const { from, upper, layers } = fold
  const stack = tipStack(state, fold)
  return {
    upper: new Set(stack.slice(from, from + upper)),
    lower: new Set(stack.slice(from + upper, from + layers)),
  }
}

/** *Throws* `NO_SUCH_LAYER` where the stack is lower than said; `NO_ORDER`, `MANY_ORDERS`, `OFF_THE_SHEET`. */
export function reverseFold(state: FoldedState, fold: ReverseFold): FoldedState {
  const { line, way, at, from, upper, layers, hints = [] } = fold
  const halves = halvesOf(state, line)
  const stack = tipStack(state, fold)
  if (upper < 1 || layers <= upper || from < 0 || stack.length < from + layers)
    throw new CoreError('NO_SUCH_LAYER', {
      name: 'layers taken',
      value: from + layers,
      min: 2,
      max: stack.length,
      at,
    })
  const tip = stack.slice(from, from + layers)
  const taken = new Map(tip.map((face, index): [number, Side] => [face, index < upper ? 'upper' : 'lower']))
  return foldSome(state, line, halves, closeOverHinges(state, line, taken), way, hints)
}

/** *Throws* `NO_SUCH_LAYER` where a point taken is not on the paper; `NO_ORDER`, `MANY_ORDERS`, `OFF_THE_SHEET`. */
export function tuck(state: FoldedState, { line, take, hints }: Tuck): FoldedState {
  const halves = halvesOf(state, line)
  const taken = new Map(
    take.map((at): [number, null] => {
      const face = faceAt(state.faces, at)
      if (face < 0 || (halves[face]?.moving.length ?? 0) === 0)
        throw new CoreError('NO_SUCH_LAYER', { name: 'layer taken', value: 'not beyond the fold line', at })
      return [face, null]
    }),
  )
  return foldSome(state, line, halves, closeOverHinges(state, line, taken), null, hints)
}

/** The layers such a fold takes, for its picture. *Throws* as the fold itself does. */
export function foldedByLine(
  state: FoldedState,
  fold: Pick<ReverseFold, 'line' | 'at' | 'from' | 'layers'> | Pick<Tuck, 'line' | 'take'>,
): readonly number[] {
  const taken =
    'take' in fold
      ? fold.take.map((at) => faceAt(state.faces, at))
      : tipStack(state, fold).slice(fold.from, fold.from + fold.layers)
  return [...closeOverHinges(state, fold.line, new Map(taken.map((face) => [face, null]))).keys()]
}
