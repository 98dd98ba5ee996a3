import { CoreError } from '../../errors'
import {
  contains,
  leftPart,
  move,
  overlap,
  reversed,
  signedDistance,
  type Line,
  type Point,
  type Polygon,
} from '../../geometry'
import { SAME_POINT } from '../../numeric'
import { lying } from '../state/start'
import { relation, type Above, type FoldedState, type Hinge } from '../state/types'

/** Which layers a fold takes: all, or so many from the side it folds to, at a point of the moving part. */
export type Grip = 'all' | { readonly at: Point; readonly layers: number }

export interface SimpleFold {
  /** In the folded plane; what lies on its left moves. */
  readonly line: Line
  /** Valley: the moving part comes over the top. Mountain: it goes behind. */
  readonly way: 'valley' | 'mountain'
  readonly grip: Grip
}

/** What of a face lies on the moving side of a line, and what on the other, as it lies now. */
export interface Halves {
  readonly moving: Polygon
  readonly staying: Polygon
}

/** Faces from the side the fold goes to, at a point. */
export function stackAt(state: FoldedState, at: Point, way: SimpleFold['way']): readonly number[] {
  const here = state.faces.flatMap((face, index) => (contains(lying(face), at) ? [index] : []))
  return here.sort((i, j) => (way === 'valley' ? -1 : 1) * relation(state, i, j))
}

function firstGrip(
  state: FoldedState,
  { grip, way }: SimpleFold,
  halves: readonly Halves[],
): ReadonlySet<number> {
  const movable = (index: number) => (halves[index]?.moving.length ?? 0) > 0
  if (grip === 'all') return new Set(state.faces.flatMap((_, index) => (movable(index) ? [index] : [])))
  const stack = stackAt(state, grip.at, way).filter(movable)
  if (grip.layers < 1 || stack.length < grip.layers)
    throw new CoreError('NO_SUCH_LAYER', {
      name: 'layers taken',
      value: grip.layers,
      min: 1,
      max: stack.length,
    })
  return new Set(stack.slice(0, grip.layers))
}

/** The part of a hinge strictly on the moving side makes its two faces move together. */
export const pulls = (state: FoldedState, hinge: Hinge, line: Line): boolean => {
  const pose = state.faces[hinge.first]?.pose
  if (!pose) return false
  return (
    Math.max(signedDistance(line, move(pose, hinge.from)), signedDistance(line, move(pose, hinge.to))) >
    SAME_POINT
  )
}

/**
 * The least set of faces that can move: what hangs on a moving face beyond the line moves with it, and so does what
 * lies on it on the side the fold goes to.
 */
export function closeGrip(
  state: FoldedState,
  fold: SimpleFold,
  halves: readonly Halves[],
): ReadonlySet<number> {
  const moving = new Set(firstGrip(state, fold, halves))
  const inTheWay: Above = fold.way === 'valley' ? 1 : -1
  const queue = [...moving]
  const take = (index: number) => {
    if (moving.has(index)) return
    moving.add(index)
    queue.push(index)
  }
  for (let index = queue.pop(); index !== undefined; index = queue.pop()) {
    for (const hinge of state.hinges) {
      if (hinge.first !== index && hinge.second !== index) continue
      if (pulls(state, hinge, fold.line)) take(hinge.first === index ? hinge.second : hinge.first)
    }
    const part = halves[index]?.moving ?? []
    state.faces.forEach((_, other) => {
      if (relation(state, other, index) === inTheWay && overlap(part, halves[other]?.moving ?? []).length > 0)
        take(other)
    })
  }
  return moving
}

/** Every face cut by a line. *Throws* `OFF_THE_SHEET` where nothing lies on the moving side. */
export function halvesOf(state: FoldedState, line: Line): readonly Halves[] {
  const halves = state.faces.map((face): Halves => {
    const shape = lying(face)
    return { moving: leftPart(shape, line), staying: leftPart(shape, reversed(line)) }
  })
  if (halves.every((half) => half.moving.length === 0))
    throw new CoreError('OFF_THE_SHEET', { name: 'fold line', value: 'nothing lies on its moving side' })
  return halves
}
