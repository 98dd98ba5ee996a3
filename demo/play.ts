import { RunTally, type RunEvent, type RunState, type SpoilReason, type TapGrain } from '../src/core/run'
import { eventsOfRun, findRun } from '../src/data/repositories/runs'
import type { FlowContext } from '../src/flows/flow-context'
import { recordEvents } from '../src/flows/deeds/runs'
import { runPlan } from '../src/flows/run-plan'
import { seededRandom } from './random'

/** How a demo folder works through a run. */
export interface Playing {
  readonly seed: number
  /** Wall clock of the first tap, UTC milliseconds. */
  readonly fromMs: number
  readonly secondsPerPiece: number
  /** Stops with this piece begun and so many of its taps done; to the end where left out. */
  readonly until?: { readonly piece: number; readonly taps: number }
  readonly spoil?: Readonly<Record<number, SpoilReason>>
  readonly backRow?: readonly number[]
}

interface Table {
  readonly events: RunEvent[]
  atMs: number
  readonly random: () => number
  readonly runId: string
}

const stamp = (table: Table) => ({
  id: `demo${table.runId.slice(0, 10)}x${String(table.events.length).padStart(5, '0')}`,
  lane: 1,
  atMs: Math.round(table.atMs),
})

/** The first pieces go slower: an 80 to 90 % learning curve, with some scatter. */
function lapMs(table: Table, state: RunState, playing: Playing, taps: number): number {
  const learning = 1.5 * Math.pow(Math.max(1, state.usable + 1), -0.18) + 0.45
  return ((playing.secondsPerPiece * 1000) / taps) * learning * (0.7 + 0.6 * table.random())
}

function press(
  table: Table,
  state: RunState,
  playing: Playing,
  { taps, grain }: { readonly taps: number; readonly grain: TapGrain },
): void {
  const { phase } = state
  if (phase.kind === 'inspect') {
    for (const piece of phase.pieces) {
      const reason = playing.spoil?.[piece]
      if (reason !== undefined) table.events.push({ ...stamp(table), kind: 'reason', piece, reason })
      if (playing.backRow?.includes(piece))
        table.events.push({ ...stamp(table), kind: 'grade', piece, grade: 'back row' })
    }
    table.atMs += 20_000
    table.events.push({ ...stamp(table), kind: 'inspect', pieces: phase.pieces })
    return
  }
  if (phase.kind !== 'fold') return
  const { cell } = phase
  const half = state.piece(cell.piece).share > 1 / 2
  if (half && playing.spoil?.[cell.piece] !== undefined) {
    table.events.push({
      ...stamp(table),
      kind: 'spoil',
      piece: cell.piece,
      attempt: state.spoilAttempt(cell.piece),
    })
    return
  }
  const lap = lapMs(table, state, playing, taps)
  table.atMs += lap
  table.events.push({
    ...stamp(table),
    kind: 'done',
    ...cell,
    grain,
    attempt: state.attemptAt(cell),
    lapMs: Math.round(lap),
  })
}

const reached = ({ phase, piece }: RunState, { until }: Playing): boolean =>
  phase.kind === 'finished' ||
  (until !== undefined &&
    phase.kind === 'fold' &&
    phase.cell.piece === until.piece &&
    piece(until.piece).foldsDone >= until.taps)

/** Folds a run as a person would, through the same deed that the table uses. */
export async function playRun(context: FlowContext, runId: string, playing: Playing): Promise<void> {
  const row = await findRun(context.db, runId)
  if (!row) throw new Error(`no run ${runId}`)
  const { plan } = await runPlan(context, row)
  const table: Table = { events: [], atMs: playing.fromMs, random: seededRandom(playing.seed), runId }
  const taps = plan.steps.reduce((sum, step) => sum + step.repeats, 0)
  const tally = new RunTally(plan)
  for (let state = tally.state(); !reached(state, playing); state = tally.state()) {
    const before = table.events.length
    press(table, state, playing, { taps: plan.grain === 'fold' ? taps : 1, grain: plan.grain })
    tally.addAll(table.events.slice(before))
  }
  for (let start = 0; start < table.events.length; start += 400) {
    const batch = { epoch: '', since: 0, events: table.events.slice(start, start + 400) }
    const result = await recordEvents({ ...context, nowMs: Math.round(table.atMs) }, runId, batch)
    if (!result.ok) throw new Error(`demo run refused: ${JSON.stringify(result.fields)}`)
  }
  const stored = await eventsOfRun(context.db, runId)
  if (stored.length !== table.events.length) throw new Error('the demo run lost taps')
}
