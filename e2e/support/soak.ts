import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, mkdtempSync, renameSync, rmSync, writeSync, openSync, closeSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { Caches } from '../../src/flows/caches'
import { openDatabase } from '../../src/data/open-database'
import { eventsOfRun } from '../../src/data/repositories/runs'
import { startLooseRun } from '../../src/flows/deeds/runs'
import { storeLibrary } from '../../src/flows/store-library'
import { TestServer } from './server'

const WINDOWS = 4
const RUNS = 10
const PIECES = 200
const FOLDS = [1, 2, 2, 1] as const
/** How soon after a fault is over every window must have a tap acknowledged, without a restart. */
const CURED_WITHIN_MS = 20_000
const TMPFS_MB = 24

export interface SoakResult {
  readonly acknowledged: number
  readonly lost: number
  readonly twice: number
  /** Answers with an error of the server's own. */
  readonly errors: readonly string[]
  readonly sound: boolean
  readonly rounds: readonly {
    readonly fault: string
    readonly curedMs: number
    /** Taps answered with words while it lasted, by HTTP status. */
    readonly refused: Readonly<Record<string, number>>
  }[]
}

interface Tap {
  readonly id: string
  readonly runId: string
}

/** What the windows share. */
interface Table {
  readonly server: TestServer
  readonly runIds: readonly string[]
  readonly acknowledged: Tap[]
  readonly errors: string[]
  refused: Record<string, number>
  round: number
  over: boolean
  /** Number of taps acknowledged, by window. */
  readonly counts: number[]
}

/** The n-th tap of a window: its own pieces, fold by fold. */
function tapOf(window: number, n: number) {
  const folds = FOLDS.flatMap((repeats, step) =>
    Array.from({ length: repeats }, (_, index) => ({ step, repeat: index + 1 })),
  )
  const piece = Math.floor(n / folds.length) * WINDOWS + window + 1
  return { piece, ...folds[n % folds.length] }
}

/** A window that taps on, sending each tap again until it is answered. */
async function windowTaps(table: Table, window: number): Promise<void> {
  for (let n = 0; !table.over; n++) {
    const runId = table.runIds[table.round % RUNS] ?? ''
    const id = `soak-${window}-${String(n).padStart(7, '0')}`
    const event = { id, lane: 1, atMs: Date.now(), kind: 'done', ...tapOf(window, n), attempt: 0, lapMs: 100 }
    while (!table.over) {
      const answer = await fetch(`${table.server.address}/api/runs/${runId}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ epoch: '', since: 1e9, events: [event] }),
        signal: AbortSignal.timeout(8000),
      }).catch(() => null)
      const body = (await answer?.json().catch(() => null)) as {
        message?: string
        value?: { kept: string[] }
      } | null
      if (answer?.ok && body?.value?.kept.includes(id)) {
        table.acknowledged.push({ id, runId })
        table.counts[window] = (table.counts[window] ?? 0) + 1
        break
      }
      if (answer !== null && !answer.ok) {
        if (answer.status !== 500 && typeof body?.message === 'string' && body.message.length > 20)
          table.refused[answer.status] = (table.refused[answer.status] ?? 0) + 1
        else table.errors.push(`${answer.status} ${body?.message ?? 'without words'}`)
      }
      await pause(60)
    }
    await pause(15)
  }
}

/** A second program on the same file, without our manners. */
function otherWriter(path: string, script: string): Promise<void> {
  const child = spawn(process.execPath, [
    '-e',
    `const db = new (require('libsql'))(${JSON.stringify(path)}); ${script}`,
  ])
  return new Promise((resolve) => child.once('exit', () => resolve()))
}

const WRITES_MUCH = `
  db.exec('PRAGMA busy_timeout = 2000')
  const until = Date.now() + 1500
  while (Date.now() < until) { try { db.exec("BEGIN IMMEDIATE; INSERT OR REPLACE INTO setting VALUES ('epoch', (SELECT value FROM setting WHERE key = 'epoch')); COMMIT") } catch { try { db.exec('ROLLBACK') } catch {} } }`

const holdsFor = (ms: number) => `
  db.exec('PRAGMA busy_timeout = 5000; BEGIN IMMEDIATE')
  setTimeout(() => { db.exec('ROLLBACK'); process.exit() }, ${ms})`

/** Writes until the disk says no. */
function fill(path: string): void {
  const fd = openSync(path, 'w')
  try {
    for (let size = 1 << 20; size >= 512; size >>= 1)
      try {
        for (;;) writeSync(fd, Buffer.alloc(size))
      } catch {
        // Full for this size: go on with less.
      }
  } finally {
    closeSync(fd)
  }
}

interface Place {
  readonly base: string
  readonly data: string
  /** A small disk of its own where that is permitted. */
  readonly small: boolean
}

type Fault = (table: Table, place: Place) => Promise<void>

/** As long as a fault lasts at least, and at most: on a busy machine taps are slow to meet it. */
const [FAULT_MS, PATIENT_MS] = [1200, 20_000]

/** Until some tap has been refused since the fault began. */
async function untilItBites({ refused }: Pick<Table, 'refused'>): Promise<void> {
  const sum = () => Object.values(refused).reduce((all, count) => all + count, 0)
  const [before, startMs] = [sum(), performance.now()]
  await pause(FAULT_MS)
  while (sum() === before && performance.now() - startMs < PATIENT_MS) await pause(50)
}

/** No room on the disk: a small one filled up, or else the server forbidden to let any file grow. */
const fullDisk: Fault = async (table, { base, data, small }) => {
  const { server } = table
  const limit = (bytes: string) =>
    spawnSync('prlimit', ['--pid', String(server.pid), `--fsize=${bytes}:unlimited`])
  // A log that has been long once is used again from its beginning, and would need no more room.
  await otherWriter(join(data, 'kelpfield.db'), `db.prepare('PRAGMA wal_checkpoint(TRUNCATE)').all()`)
  if (small) fill(join(base, 'filler'))
  else limit('4096')
  await untilItBites(table)
  if (small) rmSync(join(base, 'filler'))
  else limit('unlimited')
}

const FAULTS: Readonly<Record<string, Fault>> = {
  'killed and started again': async ({ server }) => {
    await server.stop('SIGKILL')
    await server.begin()
  },
  'a second writer': (_, { data }) => otherWriter(join(data, 'kelpfield.db'), WRITES_MUCH),
  'a lock held for 2 s': (_, { data }) => otherWriter(join(data, 'kelpfield.db'), holdsFor(2000)),
  'a full disk': fullDisk,
  'the folder taken away and put back': async (table, { base, data }) => {
    renameSync(data, join(base, 'away'))
    await untilItBites(table)
    renameSync(join(base, 'away'), data)
  },
  'a second server': async ({ server, errors }) => {
    const { status, output } = await server.second()
    if (status === 0 || !output.includes('is working on the data folder'))
      errors.push(`a second server was not turned away: ${status} ${output.slice(-300)}`)
  },
  'a lock held for 7 s': (_, { data }) => otherWriter(join(data, 'kelpfield.db'), holdsFor(7000)),
}

/** Waits until each window has a new tap acknowledged. *Returns* how long that took, ms; `Infinity` where it did not. */
async function cured(table: Table): Promise<number> {
  const before = [...table.counts]
  const startMs = performance.now()
  while (performance.now() - startMs < CURED_WITHIN_MS) {
    if (table.counts.every((count, window) => count > (before[window] ?? 0)))
      return performance.now() - startMs
    await pause(20)
  }
  return Infinity
}

function makePlace(): Place {
  const base = mkdtempSync(join(tmpdir(), 'kelpfield-soak-'))
  const small =
    process.getuid?.() === 0 &&
    spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${TMPFS_MB}m`, 'tmpfs', base]).status === 0
  const data = join(base, 'data')
  mkdirSync(data)
  return { base, data, small }
}

function removePlace({ base, small }: Place): void {
  if (small) spawnSync('umount', ['-l', base])
  rmSync(base, { recursive: true, force: true })
}

async function prepareRuns(path: string): Promise<readonly string[]> {
  const { db } = await openDatabase(path)
  const context = { db, caches: new Caches(), nowMs: Date.now() }
  await storeLibrary(context)
  const ids: string[] = []
  for (let run = 0; run < RUNS; run++) {
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
    if (!started.ok) throw new Error('the run could not be started')
    ids.push(started.value.runId)
  }
  await db.destroy()
  return ids
}

/**
 * Taps from several windows while one fault after another befalls the data: each acknowledged tap must be in its run's
 * ledger once, the database sound, and after every fault the taps must go on by themselves.
 */
export async function soak(
  rounds: number,
  say: (line: string) => void = () => undefined,
): Promise<SoakResult> {
  const place = makePlace()
  const path = join(place.data, 'kelpfield.db')
  const runIds = await prepareRuns(path)
  const server = await TestServer.start({ folder: place.data })
  const table: Table = {
    server,
    runIds,
    acknowledged: [],
    errors: [],
    refused: {},
    round: 0,
    over: false,
    counts: Array.from({ length: WINDOWS }, () => 0),
  }
  const windows = table.counts.map((_, window) => windowTaps(table, window))
  const names = Object.keys(FAULTS)
  const done: SoakResult['rounds'][number][] = []
  for (; table.round < rounds; table.round++) {
    const fault = names[table.round % names.length] ?? ''
    table.refused = {}
    await FAULTS[fault]?.(table, place)
    const curedMs = await cured(table)
    const { refused } = table
    done.push({ fault, curedMs, refused })
    const words = Object.entries(refused).map(([status, count]) => `${count} x ${status}`)
    say(
      `${table.round + 1}. ${fault}: taps go on after ${(curedMs / 1000).toFixed(1)} s; in words meanwhile: ${words.join(', ') || 'none'}`,
    )
    if (curedMs === Infinity) break
  }
  table.over = true
  await Promise.all(windows)
  await server.stop('SIGKILL')
  const checked = await openDatabase(path)
  const kept = new Map<string, number>()
  for (const runId of runIds)
    for (const { id } of await eventsOfRun(checked.db, runId))
      kept.set(`${runId} ${id}`, (kept.get(`${runId} ${id}`) ?? 0) + 1)
  const sound =
    checked.file.pragma('integrity_check') === 'ok' && checked.file.pragma('foreign_key_check') === undefined
  await checked.db.destroy()
  await server.remove()
  removePlace(place)
  const countOf = ({ id, runId }: Tap) => kept.get(`${runId} ${id}`) ?? 0
  return {
    acknowledged: table.acknowledged.length,
    lost: table.acknowledged.filter((tap) => countOf(tap) === 0).length,
    twice: [...kept.values()].filter((count) => count > 1).length,
    errors: table.errors,
    sound,
    rounds: done,
  }
}
