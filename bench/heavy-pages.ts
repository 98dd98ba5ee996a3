import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { TestServer } from '../e2e/support/server'
import { percentile, report } from './figures'
import { HEAVY, writeHeavyYear } from './heavy-year'

const REQUESTS = 30
const PAGE_TARGET_MS = 100
const TAP_TARGET_MS = 20
const POLL_TARGET_MS = 3
const START_TARGET_MS = 3000

async function times(
  requests: number,
  ask: () => Promise<Response>,
  status = 200,
): Promise<readonly number[]> {
  const all: number[] = []
  for (let request = 0; request < requests + 3; request++) {
    const start = performance.now()
    const response = await ask()
    await response.text()
    if (response.status !== status) throw new Error(`${response.status} from ${response.url}`)
    if (request >= 3) all.push(performance.now() - start)
  }
  return all
}

/** First start on an empty folder: until the first page is there. */
const startMs = performance.now()
const empty = await TestServer.start()
await (await fetch(empty.address)).text()
console.log('\nAn empty database')
report('from start to its first page', performance.now() - startMs, 'ms', START_TARGET_MS)
await empty.remove()

const folder = mkdtempSync(join(tmpdir(), 'kelpfield-heavy-'))
const madeFromMs = performance.now()
const year = await writeHeavyYear(join(folder, 'kelpfield.db'))
const server = await TestServer.start({ folder })
try {
  console.log(
    `\nA heavy year: ${HEAVY.projects} projects, ${year.units} units, ${HEAVY.designs} own designs, made in ${((performance.now() - madeFromMs) / 1000).toFixed(0)} s`,
  )
  const html = await (await fetch(`${server.address}/projects`)).text()
  const project = /href="(\/projects\/[\w-]{21})"/.exec(html)?.[1] ?? ''
  const paper =
    /href="(\/papers\/[\w-]{21})"/.exec(await (await fetch(`${server.address}/papers`)).text())?.[1] ?? ''
  const paths = [
    '/',
    '/projects',
    '/projects?page=12',
    '/projects/new',
    '/designs',
    '/designs/corner-folded-rosette',
    '/designs/corner-folded-rosette/steps',
    '/bases/frog',
    '/papers',
    paper,
    '/logbook',
    '/settings',
    ...year.longRuns.flatMap((run) => [`/runs/${run}`, `/logbook/${run}`]),
    ...['brief', 'colour', 'paper', 'cut', 'fold', 'join', 'deliver', 'log'].map(
      (one) => `${project}/${one}`,
    ),
  ]
  console.log(`\nServer time of each page, ${REQUESTS} requests: 95th percentile (median)`)
  for (const path of paths) {
    const all = await times(REQUESTS, () => fetch(`${server.address}${path}`, { redirect: 'manual' }))
    const name = path.replace(/[\w-]{21}/, '...')
    report(`${name} (${percentile(all, 0.5).toFixed(0)})`, percentile(all, 0.95), 'ms', PAGE_TARGET_MS)
  }
  console.log('\nAt the table, 95th percentile (median)')
  for (const [index, run] of year.longRuns.entries()) {
    const address = `${server.address}/api/runs/${run}/events`
    const send = (events: readonly object[], since: number) =>
      fetch(address, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          origin: server.address,
          'sec-fetch-site': 'same-origin',
        },
        body: JSON.stringify({ epoch, since, events }),
      })
    let epoch = ''
    const first = (await (await send([], 1e9)).json()) as { value: { epoch: string; seq: number } }
    epoch = first.value.epoch
    const { seq } = first.value
    let serial = 0
    const taps = await times(REQUESTS, () => {
      const tap = { lane: 1, atMs: Date.now(), kind: 'grade', piece: 1 + (serial % 9), grade: 'good' }
      return send([{ id: `bench-${index}-${String(serial++).padStart(6, '0')}`, ...tap }], seq + serial)
    })
    const polls = await times(REQUESTS, () => send([], seq + 1e6))
    // What the framework takes for the same request, turned away before it reaches any data.
    const turnedAway = await times(
      REQUESTS,
      () => fetch(address, { method: 'POST', headers: { origin: 'http://elsewhere.example' }, body: '{}' }),
      403,
    )
    const name = `${HEAVY.longRuns[index]?.toLocaleString('en')} taps`
    report(
      `a tap in a run of ${name} (${percentile(taps, 0.5).toFixed(1)})`,
      percentile(taps, 0.95),
      'ms',
      TAP_TARGET_MS,
    )
    report(
      `an empty poll of it (${percentile(polls, 0.5).toFixed(1)})`,
      percentile(polls, 0.95),
      'ms',
      POLL_TARGET_MS,
    )
    report(
      'the middle of it less the middle of a request turned away at once',
      percentile(polls, 0.5) - percentile(turnedAway, 0.5),
      'ms',
      POLL_TARGET_MS,
    )
  }
} finally {
  await server.remove()
  rmSync(folder, { recursive: true, force: true })
}
