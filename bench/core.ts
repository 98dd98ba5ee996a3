import { arrangeInOrder, sceneOf, workOut, type Making, type Neighbours } from '../src/core/arrange'
import { NO_HISTORY, sparesFor } from '../src/core/batch'
import { planByRule, sweepSizes } from '../src/core/cut'
import { turnDial, type DialBatch } from '../src/core/plan'
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

const A4 = {
  stockId: 'a4',
  paperId: 'p',
  sizeUm: { widthUm: 210_000, heightUm: 297_000 },
  available: 500,
  offcut: false,
}
const piece = { key: 'd', paperId: 'p', sizeUm: { widthUm: 74_250, heightUm: 74_250 }, turnable: true }
const sizes = [124_500, 60_000, 85_000, 74_250, 42_000, 118_000].map((side, index) => ({
  ...piece,
  key: `d${index}`,
  sizeUm: { widthUm: side, heightUm: side },
  count: 36,
}))
report(
  'cut plan, 1,000 squares',
  percentile(
    timeRuns(51, () => planByRule({ demands: [{ ...piece, count: 1000 }], stock: [A4] })),
    0.5,
  ),
  'ms',
  null,
)
report(
  'cut plan, 216 squares of six sizes together',
  percentile(
    timeRuns(21, () => planByRule({ demands: sizes, stock: [A4] })),
    0.5,
  ),
  'ms',
  null,
)
const sweep = () =>
  sweepSizes(
    [{ paperId: 'p', pieces: 300, stock: [A4] }],
    { fromMm: 60, toMm: 160, ruler: 'mm-0.5' },
    planByRule,
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

const shared = (positions: number, colours: number): readonly number[] =>
  Array.from({ length: colours }, (_, colour) => Math.floor((positions + colour) / colours))
const ordering = (name: string, neighbours: Neighbours, counts: readonly number[], target: number): void => {
  let clashes = 0
  const times = timeRuns(5, () => {
    clashes = arrangeInOrder({ neighbours, counts, locked: new Map() }).clashes.length
  })
  report(`order, ${name}: ${clashes} like neighbours`, percentile(times, 0.5), 'ms', target)
}
const beside = (making: Making): Neighbours => {
  const size = { acrossMm: 50, highMm: 60 }
  return sceneOf(making, workOut(making, size), size)?.neighbours ?? 'line'
}
ordering('a ring of 24 in 60/30/10', 'ring', [15, 7, 2], 300)
ordering('a ring of 24 in five colours', 'ring', shared(24, 5), 300)
ordering('a ring of 500 in five', 'ring', shared(500, 5), 2000)
const mobile = { threads: 25, each: 20, drop: 100, every: 80, knot: 0 }
ordering('a mobile of 500 in five', beside({ kind: 'mobile', values: mobile }), shared(500, 5), 2000)
const domes = { bouquets: 5, each: 100 }
ordering('five domes of 100 in five', beside({ kind: 'bouquet', values: domes }), shared(500, 5), 2000)

const turning = (pieces: number): DialBatch => ({
  papers: ['a', 'b', 'c'].map((paperId) => ({
    paperId,
    pieces,
    stock: [{ stockId: paperId, paperId, sizeUm: A4.sizeUm, available: 1, offcut: false }],
  })),
  sideMm: 75,
  ruler: 'mm-0.5',
  certainty: 0.95,
  rate: NO_HISTORY,
  secondsPerUnit: 300,
  unitsPerPiece: 1,
  inTurn: false,
  certainties: [0.8, 0.9, 0.95, 0.99],
})
for (const [pieces, by] of [
  [12, 'size'],
  [300, 'size'],
  [300, 'certainty'],
  [300, 'pieces'],
] as const)
  report(
    `the dial by ${by}, three papers of ${pieces}`,
    percentile(
      timeRuns(5, () => turnDial(turning(pieces), by, planByRule)),
      0.5,
    ),
    'ms',
    null,
  )
