import { NO_HISTORY, sparesFor } from '../src/core/batch'
import { planGrid, sweepSizes } from '../src/core/cut'
import { figuresOf, flatSheet, foldPattern, simpleFold, unitSquare, type FoldedState } from '../src/core/fold'
import { bisectorOfPoints, point, type Point } from '../src/core/geometry'
import { runState, tapsOf, type RunEvent, type RunPlan } from '../src/core/run'
import { percentile, report, timeRuns } from './figures'

console.log('\nCore, medians')
const spares = (goods: readonly number[]) =>
  percentile(
    timeRuns(11, () => sparesFor(goods, NO_HISTORY, 0.95)),
    0.5,
  )
report('spares, 36 in three papers', spares([12, 12, 12]), 'ms', null)
report('spares, 3,000 in three papers', spares([1000, 1000, 1000]), 'ms', null)

const A4 = { stockId: 'a4', sizeUm: { widthUm: 210_000, heightUm: 297_000 }, available: 500, offcut: false }
const piece = { widthUm: 74_250, heightUm: 74_250 }
report(
  'cut plan, 1,000 squares',
  percentile(
    timeRuns(51, () => planGrid({ pieceUm: piece, pieces: 1000, stock: [A4] })),
    0.5,
  ),
  'ms',
  null,
)
const sweep = () =>
  sweepSizes(
    [{ paperId: 'p', pieces: 300, stock: [A4] }],
    { fromMm: 60, toMm: 160, ruler: 'mm-0.5' },
    planGrid,
    () => true,
  )
report('size sweep, 201 sizes', percentile(timeRuns(11, sweep), 0.5), 'ms', null)

const plan: RunPlan = {
  steps: [2, 4, 4, 4, 4, 4, 4, 1].map((repeats, stage) => ({ stage, repeats })),
  grain: 'fold',
  order: 'piece by piece',
  traySize: 6,
  wanted: 36,
}
const events: readonly RunEvent[] = Array.from({ length: 36 }, (_, index) => index + 1).flatMap((number) =>
  tapsOf(plan.steps, 'fold').map(({ step, repeat }) => ({
    id: `${number}-${step}-${repeat}`,
    lane: 1,
    atMs: 0,
    kind: 'done' as const,
    piece: number,
    step,
    repeat,
    attempt: 0,
    lapMs: 1000,
  })),
)
report(
  `state of a run, ${events.length} taps`,
  percentile(
    timeRuns(51, () => runState(plan, events)),
    0.5,
  ),
  'ms',
  null,
)

/** Three rounds of corners to the centre: 12 folds, 41 faces. */
function tripleBlintz(): FoldedState {
  const corners: readonly Point[] = [
    ...[point(0, 0), point(1, 0), point(1, 1), point(0, 1)],
    ...[point(0.5, 0), point(1, 0.5), point(0.5, 1), point(0, 0.5)],
    ...[point(0.25, 0.25), point(0.75, 0.25), point(0.75, 0.75), point(0.25, 0.75)],
  ]
  const centre = point(0.5, 0.5)
  return corners.reduce(
    (state, corner) =>
      simpleFold(state, { line: bisectorOfPoints(centre, corner), way: 'valley', grip: 'all' }),
    flatSheet(unitSquare),
  )
}
const folds = timeRuns(15, () => figuresOf(tripleBlintz()))
report('triple blintz with figures, median', percentile(folds, 0.5), 'ms', 50)
report('triple blintz with figures, worst', percentile(folds, 1), 'ms', 150)

/** A map of n x n squares with no letters; its first order. */
function mapOrder(n: number) {
  const at = Array.from({ length: n - 1 }, (_, index) => (index + 1) / n)
  const creases = at.flatMap((share) => [
    { from: point(share, 0), to: point(share, 1), letter: 'U' as const },
    { from: point(0, share), to: point(1, share), letter: 'U' as const },
  ])
  return foldPattern({ outline: unitSquare, creases }, { most: 1 })
}
for (const n of [3, 4])
  report(
    `first order of a ${n} x ${n} map, no letters`,
    percentile(
      timeRuns(3, () => mapOrder(n)),
      0.5,
    ),
    'ms',
    null,
  )
