import {
  at,
  off,
  quarterTurned,
  squareOnCorner,
  step,
  through,
  turnOverUpright,
  valley,
} from '../program/build'
import type { CreaseSpec, LetterSpec, MoveSpec, ProgramStep, SheetPoint, StretchSpec } from '../program'
import { squareBaseSteps } from './square'

type Spot = readonly [number, number]
/** The squash at the middle of the upper side; other sides are quarter turns of it. Tan 22.5 degrees of half a side. */
const K = (Math.SQRT2 - 1) / 2
/** Where a petal's crease from the corner crosses the squash's: sqrt 2 / 4 up from the centre. */
const UP = Math.SQRT2 / 4
const P: Spot = [0.5 + UP * (Math.SQRT2 - 1), 0.5 + UP]
const C: Spot = [0.5, 0.5]
const left = ([x, y]: Spot): Spot => [1 - x, y]

/** Sides of the sheet in quarter turns from the upper one. */
const SIDES = { top: 0, left: 1, bottom: 2, right: 3 } as const
type Side = keyof typeof SIDES
const turned =
  (side: Side) =>
  (spot: Spot): Spot =>
    quarterTurned(spot, SIDES[side])

const creases = (side: Side, list: readonly (readonly [Spot, Spot, LetterSpec])[]): readonly CreaseSpec[] =>
  list.map(([from, to, letter]) => [turned(side)(from), turned(side)(to), letter])

/** The flap whose edge runs to the middle of that side, opened and pressed flat; it hinges on the half diagonal. */
const squash = (side: Side, diagonal: Spot, stays: SheetPoint): MoveSpec => ({
  kind: 'refold',
  name: 'squash',
  open: [[C, turned(side)([0.5, 1])]],
  add: [
    ...creases(side, [
      [C, [0.5 + K, 1], 'V'],
      [C, [0.5 - K, 1], 'V'],
    ]),
    [C, diagonal, 'M'],
  ],
  stays,
  shows: turned(side)([0.5, 1]),
})

const petal = (side: Side, stays: SheetPoint): MoveSpec => {
  const open: readonly StretchSpec[] = [
    [turned(side)(P), turned(side)([0.5 + K, 1])],
    [turned(side)(left(P)), turned(side)([0.5 - K, 1])],
  ]
  return {
    kind: 'refold',
    name: 'petal fold',
    open,
    add: creases(side, [
      [[1, 1], P, 'V'],
      [[0, 1], left(P), 'V'],
      [P, left(P), 'M'],
      [P, [0.5, 1], 'V'],
      [left(P), [0.5, 1], 'V'],
    ]),
    stays,
    shows: turned(side)([0.5, 1]),
  }
}

const top = at(0.5, 0.5)
const axis = through(top, off(top, 0, -0.5))
/** One page of the front, two layers, turned over to the other side. */
const page = (from: 'left' | 'right', layers: number): MoveSpec => {
  const near = off(top, from === 'left' ? -0.02 : 0.02, -0.1)
  return valley(axis, { moves: near, take: { at: near, layers } })
}

export const frogBaseSteps: readonly ProgramStep[] = [
  ...squareBaseSteps,
  step(
    { key: 'squash-1', say: 'Right flap up, open and squash', each: 'squash' },
    squash('right', [1, 1], [0.25, 0.25]),
  ),
  step({ key: 'page-1', say: 'Left half of it over to the right', each: 'page' }, page('left', 2)),
  step(
    { key: 'squash-2', say: 'Left flap up, open and squash', each: 'squash' },
    squash('top', [1, 1], [0.25, 0.25]),
  ),
  step({ key: 'over-3', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'squash-3', say: 'Right flap up, open and squash', each: 'squash' },
    squash('left', [0, 0], [0.8, 0.45]),
  ),
  step({ key: 'page-2', say: 'Left half of it over to the right', each: 'page' }, page('left', 2)),
  step(
    { key: 'squash-4', say: 'Left flap up, open and squash', each: 'squash' },
    squash('bottom', [0, 0], [0.8, 0.45]),
  ),
  step(
    { key: 'petal-1', say: 'Lift the raw edge, sides to the middle', each: 'petal fold' },
    petal('bottom', [0.5, 0.3]),
  ),
  step({ key: 'over-4', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step(
    { key: 'petal-2', say: 'Lift the raw edge, sides to the middle', each: 'petal fold' },
    petal('top', [0.5, 0.7]),
  ),
  step({ key: 'page-3', say: 'Two pages to the left', each: 'page', crease: 'none' }, page('right', 4)),
  step(
    { key: 'petal-3', say: 'Lift the raw edge, sides to the middle', each: 'petal fold' },
    petal('right', [0.7, 0.5]),
  ),
  step({ key: 'over-5', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
  step({ key: 'page-4', say: 'Two pages to the left', each: 'page', crease: 'none' }, page('right', 4)),
  step(
    { key: 'petal-4', say: 'Lift the raw edge, sides to the middle', each: 'petal fold' },
    petal('left', [0.3, 0.5]),
  ),
]
export const frogBase = squareOnCorner(frogBaseSteps)
