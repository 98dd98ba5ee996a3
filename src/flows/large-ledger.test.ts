import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { MOST_TAPS, RunTally, tapsOf, type RunEvent } from '@/core/run'
import { findRun } from '@/data/repositories/runs'
import { inTransaction } from '@/data/writing'
import { recordEvents, startLooseRun } from './deeds/runs'
import { readRunLog } from './read/logbook'
import { readRun } from './read/run'
import { runPlan } from './run-plan'

/** A season's work of one design: as many pieces as a run begins with, each of some 28 folds. */
const DESIGN = { designId: 'corner-folded-rosette', variantKey: 'curled' }
const PIECES = 1400
const HOW = {
  ...DESIGN,
  paperId: '',
  size: '15',
  grain: 'fold',
  order: 'piece by piece',
  traySize: '20',
  hand: 'right',
  way: 'whole',
}
let database: TemporaryDatabase
let runId = ''
beforeAll(async () => {
  database = await temporaryDatabase()
  const started = await startLooseRun(database.context, { ...HOW, pieces: String(PIECES) })
  if (!started.ok) throw new Error(JSON.stringify(started))
  runId = started.value.runId
}, 60_000)
afterAll(() => database.remove())

test('a run as long as any, with all but its last taps in the ledger, opens, takes taps and finishes; full, it says so', async () => {
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
  expect(seeded.length).toBeGreaterThan(0.75 * MOST_TAPS)
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
  expect(opened!.closed.pieces).toBeGreaterThan(plan.wanted * 0.9)
  expect(opened!.feed.events.length).toBeLessThan(seeded.length / 10)
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
  const log = await readRunLog(context, runId, 7)
  expect(log).toMatchObject({ page: 7, pages: plan.wanted / 200 })
  expect(log.units.at(-1)).toMatchObject({ ordinal: plan.wanted, status: 'folded' })
  expect(log.pace.length).toBeLessThanOrEqual(120)

  // Undone and done again for ever: the last that it takes is kept, the next is refused, in words, and nothing is lost.
  const filler = Array.from({ length: MOST_TAPS - seeded.length - 3 }, (_, index) => ({
    ...event(1, 0),
    id: `filler-${index}-aaaa`,
    attempt: 9000,
  }))
  for (let start = 0; start < filler.length; start += 500)
    expect(
      await recordEvents(context, runId, { epoch: '', since: 1e9, events: filler.slice(start, start + 500) }),
    ).toMatchObject({ ok: true })
  const last = { ...event(1, 0), id: 'one-too-many', attempt: 9000 }
  const refused = await recordEvents(context, runId, { epoch: '', since: 1e9, events: [last] })
  expect(refused).toMatchObject({ ok: false, code: 'RUN_FULL', detail: { most: MOST_TAPS } })
  // One that is kept already is still told so.
  const again = await recordEvents(context, runId, { epoch: '', since: 1e9, events: filler.slice(-1) })
  expect(again).toMatchObject({ ok: true, value: { kept: [filler.at(-1)!.id] } })

  const more = await startLooseRun(context, { ...HOW, pieces: String(2 * PIECES) })
  expect(more).toMatchObject({
    ok: false,
    code: 'FIELDS',
    fields: { pieces: expect.stringMatching('tap once') as unknown },
  })
}, 240_000)
