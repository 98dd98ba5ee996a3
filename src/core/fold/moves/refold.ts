import { CARRIED_THROUGH, NOTHING_TO_SEE, ROUNDING } from '../../numeric'
import { centre, cross, dot, flips, length, minus, plus, times, type Point } from '../../geometry'
import { faultError, manyOrders } from '../pattern/fault-error'
import { arrange } from '../pattern/arrange'
import type { Crease, Hint, Letter } from '../pattern/crease-pattern'
import { hintOrders, layCreases } from '../pattern/pattern'
import type { KnownOrder } from '../order'
import { relation, type Face, type FoldedState, type Hinge } from '../state/types'
import { faceAt } from '../state/where'

/** A stretch on the sheet. */
export interface Stretch {
  readonly from: Point
  readonly to: Point
}

/**
 * Any move that opens some creases and makes others at once: squash, petal, rabbit ear, collapse, twist, swivel.
 * Creases are on the sheet, letters seen from its front. Which creases open is stated, never guessed: often several
 * choices fold flat.
 */
export interface Refold {
  readonly open: readonly Stretch[]
  readonly add: readonly Crease[]
  /** A point of the sheet whose face keeps its place. */
  readonly stays: Point
  readonly hints?: readonly Hint[]
}

/** What of a stretch is not on another one: none, one or two parts. */
function without(stretch: Stretch, gone: Stretch): readonly Stretch[] {
  const along = minus(stretch.to, stretch.from)
  const size = length(along)
  const off = (p: Point) => Math.abs(cross(along, minus(p, stretch.from))) / size > NOTHING_TO_SEE
  if (off(gone.from) || off(gone.to)) return [stretch]
  const place = (p: Point) => dot(along, minus(p, stretch.from)) / (size * size)
  const [start, end] = [
    Math.min(place(gone.from), place(gone.to)),
    Math.max(place(gone.from), place(gone.to)),
  ]
  const at = (share: number) => plus(stretch.from, times(along, share))
  const parts: Stretch[] = []
  if (start > NOTHING_TO_SEE) parts.push({ from: stretch.from, to: start >= 1 ? stretch.to : at(start) })
  if (end < 1 - NOTHING_TO_SEE && start < 1)
    parts.push({ from: end <= 0 ? stretch.from : at(end), to: stretch.to })
  return start >= 1 - ROUNDING || end <= ROUNDING ? [stretch] : parts
}

/** Mountain or valley of a hinge, seen from the sheet's front. */
export function letterOf(state: FoldedState, { first, second }: Hinge): Letter {
  const pose = state.faces[first]?.pose
  if (!pose) return 'U'
  const [frontUp, other] = flips(pose) ? [second, first] : [first, second]
  const over = relation(state, other, frontUp)
  return over === 0 ? 'U' : over > 0 ? 'V' : 'M'
}

const samePose = (one: Face, other: Face): boolean =>
  (['a', 'b', 'c', 'd', 'x', 'y'] as const).every(
    (key) => Math.abs(one.pose[key] - other.pose[key]) < CARRIED_THROUGH,
  )

/** Faces that have not moved keep their order to one another. */
function keptOrders(state: FoldedState, faces: readonly Face[]): readonly KnownOrder[] {
  const still = faces.flatMap((face, now) => {
    const was = faceAt(state.faces, centre(face.sheet))
    const before = state.faces[was]
    return before && samePose(before, face) ? [{ now, was }] : []
  })
  return still.flatMap((one) =>
    still.flatMap((other): readonly KnownOrder[] =>
      relation(state, one.was, other.was) > 0 ? [{ above: one.now, below: other.now }] : [],
    ),
  )
}

/**
 * Opens and makes creases at once and lays the piece flat again.
 * *Throws* the fault's code with its place: `ANGLE_SUM`, `ODD_DEGREE`, `FOLD_PARITY`, `DANGLING_CREASE`,
 * `CLOSURE_GAP`, `NO_ORDER`; `MANY_ORDERS` where the statement leaves more than one order; `OFF_THE_SHEET` where the
 * point that stays is not on the paper.
 */
export function refold(state: FoldedState, { open, add, stays, hints = [] }: Refold): FoldedState {
  const base = state.faces[faceAt(state.faces, stays)]
  if (!base) throw faultError({ code: 'OFF_THE_SHEET', at: stays })
  const kept = state.hinges.flatMap((hinge) =>
    open
      .reduce<readonly Stretch[]>((parts, gone) => parts.flatMap((part) => without(part, gone)), [hinge])
      .map(({ from, to }): Crease => ({ from, to, letter: letterOf(state, hinge) })),
  )
  const { outline, cutAway } = state
  const result = layCreases({
    outline,
    ...(cutAway ? { cutAway } : {}),
    creases: [...add, ...kept],
    stays: { at: stays, pose: base.pose },
  })
  if (!result.ok) throw faultError(result.faults[0] ?? { code: 'STOPPED' })
  const { faces, hinges, known } = result.laid
  const all = [...keptOrders(state, faces), ...known, ...hintOrders(faces, hints)]
  const arranged = arrange(faces, hinges, all, { most: 2 })
  if (!arranged.ok) throw faultError(arranged.fault)
  if (arranged.orders > 1) throw manyOrders()
  return { ...state, faces, hinges, above: arranged.above }
}
