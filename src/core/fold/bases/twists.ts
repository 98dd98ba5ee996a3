import { ROUNDING, least } from '../../numeric'
import {
  at,
  boxMeasures,
  foldAndUnfold,
  lineOnto,
  onto,
  quarterTurned,
  square,
  step,
  through,
} from '../program/build'
import type { CreaseSpec, FoldProgram, LineSpec, MoveSpec, PointSpec, ProgramStep } from '../program'

type Spot = readonly [number, number]
const spot = ([x, y]: Spot): PointSpec => at(x, y)

const squareQuarter = (halfDiagonal: number, quarters: number): readonly CreaseSpec[] => {
  const by = (x: number, y: number): Spot => quarterTurned([x, y], quarters)
  const [up, right] = [by(0.5, 0.5 + halfDiagonal), by(0.5 + halfDiagonal, 0.5)]
  return [
    [up, right, 'M'],
    [up, by(0.5, 1), 'M'],
    [right, by(0.5 + halfDiagonal, 1), 'V'],
  ]
}
const sideOfTwist = (halfDiagonal: number, quarters: number): MoveSpec => {
  const by = (x: number, y: number): PointSpec => spot(quarterTurned([x, y], quarters))
  const ends = [by(0.5, 0.5 + halfDiagonal), by(0.5 + halfDiagonal, 0.5)] as const
  const target = by(halfDiagonal, halfDiagonal)
  return { kind: 'crease', way: 'mountain', line: onto(by(1, 1), target), between: ends }
}
/**
 * The last two steps of a square twist, its pleats once creased: the sides of the tilted square, then the twist.
 * Each pleat is as wide as half the diagonal of that square; the finished side is 1 - 2 x this.
 */
export const squareTwistSteps = (halfDiagonal: number): readonly ProgramStep[] => [
  step(
    {
      key: 'sides',
      say: 'Crease one side of the tilted square, behind, no further',
      each: 'side',
      crease: 'pinch',
    },
    ...[0, 1, 2, 3].map((quarters) => sideOfTwist(halfDiagonal, quarters)),
  ),
  step(
    { key: 'twist', say: 'Gather the four pleats and twist the middle flat', each: 'twist' },
    {
      kind: 'refold',
      name: 'twist',
      open: [],
      add: [0, 1, 2, 3].flatMap((quarters) => squareQuarter(halfDiagonal, quarters)),
      stays: [0.5, 0.5],
      shows: [1, 1],
      showsToo: [1, 2, 3].map((quarters) => quarterTurned([1, 1], quarters)),
    },
  ),
]
/** Edge past the middle to the far quarter line: an eighth beyond the middle. */
const eighthLine = (quarters: number): MoveSpec => {
  const by = (x: number, y: number): PointSpec => spot(quarterTurned([x, y], quarters))
  return foldAndUnfold(onto(by(1, 0.5), by(0.25, 0.5)))
}

/** A square turned by an eighth of a turn in the middle of four pleats. */
export const squareTwist = square([
  step(
    { key: 'halves', say: 'Edge to opposite edge, crease, open', each: 'crease', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(1, 0))),
    foldAndUnfold(onto(at(0, 0), at(0, 1))),
  ),
  step(
    { key: 'quarters', say: 'Edge to the middle, crease, open', each: 'crease', crease: 'light' },
    foldAndUnfold(onto(at(0, 0), at(0.5, 0))),
    foldAndUnfold(onto(at(1, 0), at(0.5, 0))),
    foldAndUnfold(onto(at(0, 0), at(0, 0.5))),
    foldAndUnfold(onto(at(0, 1), at(0, 0.5))),
  ),
  step(
    {
      key: 'eighths',
      say: 'Edge past the middle to the far quarter line, crease, open',
      each: 'crease',
      crease: 'light',
    },
    ...[0, 1, 2, 3].map(eighthLine),
  ),
  ...squareTwistSteps(1 / 8),
])

/** Corner to corner the sheet is 1; the twisted hexagon has a quarter of that, on a grid of eighths. */
const RADIUS = 1 / 8
const polar = (degrees: number, radius: number): Spot => [
  radius * Math.cos((degrees * Math.PI) / 180),
  radius * Math.sin((degrees * Math.PI) / 180),
]
/** From a point in a direction to the edge of the sheet. */
function toEdge([x, y]: Spot, degrees: number): Spot {
  const [dx, dy] = polar(degrees, 1)
  const reach = [30, 90, 150, 210, 270, 330].map((normal) => {
    const [nx, ny] = polar(normal, 1)
    const slope = dx * nx + dy * ny
    return slope > ROUNDING ? (Math.sqrt(3) / 4 - x * nx - y * ny) / slope : Infinity
  })
  const length = least(reach)
  return [x + dx * length, y + dy * length]
}
const corner = (k: number): PointSpec => spot(polar(60 * k, 0.5))
/** By two places of it that stay where they are when the corners are folded in first. */
function edge(k: number): LineSpec {
  const [[x, y], [u, v]] = [polar(60 * k, 0.5), polar(60 * k + 60, 0.5)]
  const along = (share: number) => spot([x + (u - x) * share, y + (v - y) * share])
  return through(along(1 / 4), along(3 / 4))
}
/** Through the centre, beside edge k. */
const beside = (k: number): LineSpec => through(corner(k + 2), corner(k + 5))
const near = (k: number, radius: number): PointSpec => spot(polar(60 * k + 30, radius))
const quarterLine = (k: number): LineSpec => lineOnto(edge(k), beside(k), near(k, 0.2165))
const outer = (k: number): PointSpec => near(k, Math.sqrt(3) / 4)

const hexagonSixth = (k: number, cornerIn: number): readonly CreaseSpec[] => {
  const [here, next] = [polar(60 * k, RADIUS), polar(60 * k + 60, RADIUS)]
  const rim = polar(60 * k + 60, 0.5 - cornerIn)
  const corner: readonly CreaseSpec[] = cornerIn > 0 ? [[rim, polar(60 * k + 60, 0.5), 'V']] : []
  return [[here, next, 'M'], [next, rim, 'M'], ...corner, [here, toEdge(here, 60 * k + 60), 'V']]
}
const SIX = [0, 1, 2, 3, 4, 5]
/** The hexagon's twist; `cornerIn`: by how much its corners lie folded in, on whose back the ridge turns over. */
export const hexagonTwistMove = (cornerIn = 0): MoveSpec => ({
  kind: 'refold',
  name: 'twist',
  open: [],
  add: SIX.flatMap((k) => hexagonSixth(k, cornerIn)),
  stays: [0, 0],
  shows: [0.5, 0],
  showsToo: [1, 2, 3, 4, 5].map((k) => polar(60 * k, 0.5)),
})

export const hexagonTwist: FoldProgram = {
  sheet: { kind: 'hexagon' },
  measures: boxMeasures,
  steps: [
    step(
      { key: 'diameters', say: 'Edge to opposite edge, crease, open', each: 'crease', crease: 'light' },
      ...[0, 1, 2].map((k) => foldAndUnfold(lineOnto(edge(k), edge(k + 3), at(0, 0)), { moves: outer(k) })),
    ),
    step(
      { key: 'quarters', say: 'Edge to the middle, crease, open', each: 'crease', crease: 'light' },
      ...SIX.map((k) => foldAndUnfold(quarterLine(k), { moves: outer(k) })),
    ),
    step(
      {
        key: 'eighths',
        say: 'Edge past the middle to the far quarter line, crease, open',
        each: 'crease',
        crease: 'light',
      },
      ...SIX.map((k) =>
        foldAndUnfold(lineOnto(edge(k), quarterLine(k + 3), near(k, 0.108)), { moves: outer(k) }),
      ),
    ),
    step(
      { key: 'twist', say: 'Gather the six pleats and twist the middle flat', each: 'twist' },
      hexagonTwistMove(),
    ),
  ],
}
