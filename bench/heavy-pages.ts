import { mkdtempSync, rmSync } from 'node:fs'
import { Agent, createServer, request as httpRequest } from 'node:http'
import type { AddressInfo } from 'node:net'
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

const TAPS = 200

async function times(
  requests: number,
  ask: () => Promise<{ readonly status: number; readonly text: () => Promise<string> }>,
): Promise<readonly number[]> {
  const all: number[] = []
  for (let request = 0; request < requests + 3; request++) {
    const start = performance.now()
    const response = await ask()
    const text = await response.text()
    if (response.status !== 200) throw new Error(`${response.status}: ${text.slice(0, 200)}`)
    if (request >= 3) all.push(performance.now() - start)
  }
  return all
}

const agent = new Agent({ keepAlive: true, maxSockets: 1 })

/** Sends as the table does, over one connection. `fetch` in Node takes longer for a request than what is measured. */
const post = (address: string, body: string): ReturnType<Parameters<typeof times>[1]> =>
  new Promise((resolve, reject) => {
    const headers = {
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      origin: new URL(address).origin,
      'sec-fetch-site': 'same-origin',
    }
    const sent = httpRequest(address, { method: 'POST', agent, headers }, (answer) => {
      const chunks: Buffer[] = []
      answer.on('data', (chunk: Buffer) => chunks.push(chunk))
      answer.on('end', () =>
        resolve({
          status: answer.statusCode ?? 0,
          text: () => Promise.resolve(Buffer.concat(chunks).toString('utf8')),
        }),
      )
    })
    sent.on('error', reject)
    sent.end(body)
  })

/** What the same request takes from a server that does nothing with it. */
async function bareTimes(body: string): Promise<readonly number[]> {
  const bare = createServer((asked, answer) => {
    asked.resume()
    asked.on('end', () => answer.end('{}'))
  })
  await new Promise<void>((resolve) => bare.listen(0, '127.0.0.1', resolve))
  const { port } = bare.address() as AddressInfo
  const all = await times(TAPS, () => post(`http://127.0.0.1:${port}/`, body))
  bare.closeAllConnections()
  bare.close()
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
    '/papers/shopping',
    '/papers/supplies',
    '/papers/scraps',
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
  console.log(`\nAt the table, ${TAPS} requests: 95th percentile (median)`)
  for (const [index, run] of year.longRuns.entries()) {
    const address = `${server.address}/api/runs/${run}/events`
    const send = (events: readonly object[], since: number) =>
      post(address, JSON.stringify({ epoch, since, events }))
    let epoch = ''
    const first = JSON.parse(await (await send([], 1e9)).text()) as { value: { epoch: string; seq: number } }
    epoch = first.value.epoch
    const { seq } = first.value
    let serial = 0
    const taps = await times(TAPS, () => {
      const tap = { lane: 1, atMs: Date.now(), kind: 'grade', piece: 1 + (serial % 9), grade: 'good' }
      return send([{ id: `bench-${index}-${String(serial++).padStart(6, '0')}`, ...tap }], seq + serial)
    })
    const polls = await times(TAPS, () => send([], seq + 1e6))
    const bare = await bareTimes(JSON.stringify({ epoch, since: seq + 1e6, events: [] }))
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
      `the same request to a server that does nothing (${percentile(bare, 0.5).toFixed(1)})`,
      percentile(bare, 0.95),
      'ms',
      POLL_TARGET_MS,
    )
  }
} finally {
  await server.remove()
  rmSync(folder, { recursive: true, force: true })
}
