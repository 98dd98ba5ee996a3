import { TestServer } from '../e2e/support/server'
import { eventsOfRun, findRun } from '../src/data/repositories/runs'
import { openDatabase } from '../src/data/open-database'
import { startLooseRun } from '../src/flows/deeds/runs'
import { runPlan, storedEvents } from '../src/flows/read/run'
import { storeLibrary } from '../src/flows/store-library'
import { runState, type RunEvent } from '../src/core/run'

const WINDOWS = 4
const PIECES = 60
const KILLS = 5
const FOLDS = 6

/** A window that taps its way through the run, sending again until it is answered. */
async function windowTaps(
  address: string,
  runId: string,
  window: number,
  ended: () => boolean,
): Promise<number> {
  let posts = 0
  for (let piece = 1; piece <= PIECES; piece++)
    for (const [step, repeats] of [1, 2, 2, 1].entries())
      for (let repeat = 1; repeat <= repeats; repeat++) {
        const event = {
          id: `soak-${window}-${piece}-${step}-${repeat}`,
          lane: 1,
          atMs: Date.now(),
          kind: 'done',
          piece,
          step,
          repeat,
          attempt: 0,
          lapMs: 100,
        }
        while (!ended()) {
          posts++
          const taken = await fetch(`${address}/api/runs/${runId}/events`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ epoch: '', since: 1e9, events: [event] }),
          }).then(
            (response) => response.ok,
            () => false,
          )
          if (taken) break
          await new Promise((resolve) => setTimeout(resolve, 100))
        }
      }
  return posts
}

const server = await TestServer.start()
await server.stop()
const path = `${server.folder}/kelpfield.db`
const prepared = await openDatabase(path)
const context = { db: prepared.db, nowMs: Date.now() }
await storeLibrary(context)
const started = await startLooseRun(context, {
  designId: 'narrow-leaf',
  variantKey: 'halved',
  paperId: '',
  size: '7.5',
  pieces: String(PIECES),
  grain: 'fold',
  order: 'piece by piece',
  traySize: '10',
  hand: 'right',
  way: 'whole',
})
await prepared.db.destroy()
if (!started.ok) throw new Error('the run could not be started')
const { runId } = started.value

await server.begin()
const startMs = Date.now()
let over = false
const windows = Array.from({ length: WINDOWS }, (_, window) =>
  windowTaps(server.address, runId, window, () => over),
)
const kills = (async () => {
  for (let kill = 0; kill < KILLS && !over; kill++) {
    await new Promise((resolve) => setTimeout(resolve, 1500))
    await server.stop('SIGKILL')
    await server.begin()
  }
})()
const posts = await Promise.all(windows)
over = true
await kills
await server.stop()

const checked = await openDatabase(path)
const row = await findRun(checked.db, runId)
const { plan } = await runPlan({ db: checked.db, nowMs: 0 }, row!)
const events: readonly RunEvent[] = storedEvents(row!, await eventsOfRun(checked.db, runId))
const ids = new Set(events.map((event) => event.id))
const state = runState(plan, events)
const folded = state.pieces.filter((piece) => piece.finished).length
const integrity = checked.file.pragma('integrity_check')
await checked.db.destroy()
await server.remove()

const wanted = WINDOWS * PIECES * FOLDS
console.log(
  `${WINDOWS} windows, ${KILLS} kills, ${((Date.now() - startMs) / 1000).toFixed(0)} s: ${posts.reduce((sum, count) => sum + count, 0)} posts for ${wanted} taps`,
)
console.log(
  `taps kept ${ids.size} of ${wanted}, twice ${events.length - ids.size}; pieces folded ${folded} of ${PIECES}; integrity ${String(integrity)}`,
)
if (ids.size !== wanted || events.length !== ids.size || folded !== PIECES || integrity !== 'ok')
  process.exit(1)
