import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { MOST_PIECES } from '@/core/batch'
import { RunTally, tapsOf, type RunEvent } from '@/core/run'
import { findRun } from '@/data/repositories/runs'
import { inTransaction } from '@/data/writing'
import { recordEvents, startLooseRun } from './deeds/runs'
import { readRunLog } from './read/logbook'
import { readRun } from './read/run'
import { runPlan } from './run-plan'

/** A year's work of one design: as many pieces as one run may have, each of some 28 folds. */
const DESIGN = { designId: 'corner-folded-rosette', variantKey: 'curled' }
let database: TemporaryDatabase
let runId = ''
beforeAll(async () => {
  database = await temporaryDatabase()
  const started = await startLooseRun(database.context, {
    ...DESIGN,
    paperId: '',
    size: '15',
    pieces: String(MOST_PIECES),
    grain: 'fold',
    order: 'piece by piece',
    traySize: '100',
    hand: 'right',
    way: 'whole',
  })
  if (!started.ok) throw new Error(JSON.stringify(started))
  runId = started.value.runId
}, 60_000)
afterAll(() => database.remove())

test('a run of ten thousand pieces with all but its last taps in the ledger opens, takes taps and finishes', async () => {
  const { context, db } = database
  const row = await findRun(db, runId)
  const { plan } = await runPlan(context, row!)
  const taps = tapsOf(plan.steps, plan.grain)
  expect(taps.length).toBeGreaterThanOrEqual(27)
  const event = (piece: number, index: number): RunEvent => ({
    id: `seeded-${piece}-${index}`,
    lane: 1,
    atMs: context.nowMs,
    kind: 'done',
    piece,
    step: taps[index]!.step,
    repeat: taps[index]!.repeat,
    attempt: 0,
    lapMs: 1000,
  })
  const inspect = (tray: number): RunEvent => ({
    id: `seeded-inspect-${tray}`,
    lane: 1,
    atMs: context.nowMs,
    kind: 'inspect',
    pieces: Array.from({ length: plan.traySize }, (_, index) => tray * plan.traySize + index + 1),
  })
  const seeded: RunEvent[] = []
  for (let piece = 1; piece <= plan.wanted; piece++)
    for (let index = 0; index < taps.length; index++)
      if (piece < plan.wanted || index < taps.length - 2) seeded.push(event(piece, index))
  for (let tray = 0; (tray + 1) * plan.traySize < plan.wanted; tray++) seeded.push(inspect(tray))
  expect(seeded.length).toBeGreaterThan(260_000)
  await inTransaction(db, async (trx) => {
    for (let start = 0; start < seeded.length; start += 500)
      await trx
        .insertInto('run_event')
        .values(
          seeded.slice(start, start + 500).map((one) => ({
            id: one.id,
            run_id: runId,
            lane: 1,
            kind: one.kind,
            piece: 'piece' in one ? one.piece : null,
            body: JSON.stringify(one),
            at_ms: one.atMs,
            received_at_ms: context.nowMs,
          })),
        )
        .execute()
  })

  const opened = await readRun(context, runId)
  // The page begins from sums for all but the last pieces, and from the taps of those.
  expect(opened!.closed.pieces).toBeGreaterThan(plan.wanted * 0.95)
  expect(opened!.feed.events.length).toBeLessThan(seeded.length / 20)
  const state = new RunTally(plan, opened!.closed).addAll(opened!.feed.events).state()
  expect(state.phase).toMatchObject({ kind: 'fold', cell: { piece: plan.wanted } })
  expect(state.usable).toBe(plan.wanted - 1)

  const send = async (one: RunEvent) => {
    const result = await recordEvents(context, runId, { epoch: '', since: 1e9, events: [one] })
    if (!result.ok) throw new Error(JSON.stringify(result))
    expect(result.value.kept).toEqual([one.id])
  }
  await send(event(plan.wanted, taps.length - 2))
  await send(event(plan.wanted, taps.length - 1))
  await send(inspect(plan.wanted / plan.traySize - 1))
  const progress = await db
    .selectFrom('run_progress')
    .selectAll()
    .where('run_id', '=', runId)
    .executeTakeFirst()
  expect(progress).toMatchObject({ phase: 'finished', usable: plan.wanted })
  const log = await readRunLog(context, runId, 50)
  expect(log).toMatchObject({ page: 50, pages: plan.wanted / 200 })
  expect(log.units.at(-1)).toMatchObject({ ordinal: plan.wanted, status: 'folded' })
  expect(log.pace.length).toBeLessThanOrEqual(120)
}, 240_000)
