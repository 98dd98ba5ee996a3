// The largest brief that the form takes: how soon the first answer comes, how soon the plan, how large the page of its
// cuts is, and what taps take meanwhile. Median, percentiles and worst.
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { TestServer } from '../e2e/support/server'
import { openDatabase } from '../src/data/open-database'
import { Caches } from '../src/flows/caches'
import { addSheets, savePaper } from '../src/flows/deeds/papers'
import { startLooseRun } from '../src/flows/deeds/runs'
import { saveBrief } from '../src/flows/deeds/save-brief'
import type { FlowContext } from '../src/flows/flow-context'
import { readShippedFigures, shippedFiguresPath } from '../src/flows/shipped-figures'
import { storeLibrary } from '../src/flows/store-library'
import { typedBrief, typedLine, typedPaper } from '../test/typed'
import { percentile, report } from './figures'

const [ANSWER_TARGET_MS, TAP_95_OVER_IDLE_MS, TAP_WORST_MS] = [2000, 100, 250]
const PAPERS = ['Reed Green', 'Tidewater', 'Oyster']
/** Four sizes of sheet a paper, cm. */
const SHEETS = [
  ['21', '29.7'],
  ['29.7', '42'],
  ['15', '15'],
  ['50', '70'],
] as const

interface Size {
  readonly lines: number
  readonly pieces: number
}

async function done<Value>(deed: Promise<{ readonly ok: boolean; readonly value?: Value }>): Promise<Value> {
  const result = await deed
  if (!result.ok) throw new Error(JSON.stringify(result))
  return result.value as Value
}

/** A brief of so many lines, each of another size and in all papers, saved but not planned; and a run to tap in. */
async function written(folder: string, { lines, pieces }: Size) {
  const { db } = await openDatabase(join(folder, 'kelpfield.db'))
  const caches = new Caches(readShippedFigures(shippedFiguresPath(process.cwd())))
  const context: FlowContext = { db, caches, nowMs: Date.now() }
  await storeLibrary(context)
  const paperIds: string[] = []
  for (const name of PAPERS) {
    const { paperId } = await done(savePaper(context, null, typedPaper(name)))
    for (const [width, height] of SHEETS)
      await done(
        addSheets(context, { paperId, width, height, offcut: false, amount: '9000', price: '', soldAs: '' }),
      )
    paperIds.push(paperId)
  }
  const share = Math.floor(pieces / paperIds.length)
  const brief = typedBrief(
    Array.from({ length: lines }, (_, at) =>
      typedLine({
        id: `new-${at + 1}`,
        sizing: 'sheet',
        size: String(4 + at * 0.2),
        pieces: String(share * paperIds.length),
        papers: paperIds.map((paperId) => ({ paperId, pieces: String(share) })),
      }),
    ),
    { name: 'A very long garland' },
  )
  const startMs = performance.now()
  // Nobody plans here: the server that is started then finds it left.
  const unplanned = { ...context, pool: { run: () => new Promise<never>(() => undefined) }, patienceMs: 1 }
  const { projectId } = await done(saveBrief(unplanned, null, brief))
  const savedMs = performance.now() - startMs
  const { runId } = await done(
    startLooseRun(context, {
      designId: 'narrow-leaf',
      variantKey: 'halved',
      paperId: '',
      size: '15',
      pieces: '500',
      grain: 'fold',
      order: 'piece by piece',
      traySize: '6',
      hand: 'right',
      way: 'whole',
    }),
  )
  await db.destroy()
  return { projectId, runId, savedMs }
}

let taps = 0
async function tap(server: TestServer, runId: string): Promise<number> {
  const startMs = performance.now()
  const answer = await fetch(`${server.address}/api/runs/${runId}/events`, {
    method: 'POST',
    headers: { origin: server.address, 'content-type': 'application/json' },
    body: JSON.stringify({
      epoch: '',
      since: 1e9,
      events: [
        {
          id: `bench-tap-${++taps}`,
          lane: 1,
          atMs: Date.now(),
          kind: 'done',
          piece: taps,
          step: 0,
          repeat: 1,
          attempt: 0,
          lapMs: 1000,
        },
      ],
    }),
  })
  if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`)
  await answer.text()
  return performance.now() - startMs
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/** Taps ten times a second until something is done. */
async function tappedUntil(
  server: TestServer,
  runId: string,
  over: () => boolean,
): Promise<readonly number[]> {
  const all: number[] = []
  while (!over() && taps < 490) {
    all.push(await tap(server, runId))
    await pause(100)
  }
  return all
}

async function measured(size: Size): Promise<void> {
  console.log(`\n${size.lines} lines of ${size.pieces} pieces, ${PAPERS.length} papers, four sheets each`)
  taps = 0
  const folder = mkdtempSync(join(tmpdir(), 'kelpfield-large-'))
  try {
    const { projectId, runId, savedMs } = await written(folder, size)
    report('saving the brief, without its plan', savedMs, 'ms', ANSWER_TARGET_MS)
    const server = await TestServer.start({ folder })
    const beganMs = performance.now()
    const idle: number[] = []
    const page = async (path: string) => {
      const startMs = performance.now()
      const answer = await fetch(`${server.address}/projects/${projectId}/${path}`)
      const text = await answer.text()
      if (answer.status !== 200) throw new Error(`${answer.status}`)
      return { ms: performance.now() - startMs, bytes: text.length, text }
    }
    // What a server loads at its first page and tap is no part of this.
    await page('paper')
    await tap(server, runId)
    let ready = false
    let plannedMs = NaN
    const looking = (async () => {
      while (!ready) {
        ready = !(await page('paper')).text.includes('being planned')
        if (!ready) await pause(2000)
      }
      plannedMs = performance.now() - beganMs
    })()
    const during = await tappedUntil(server, runId, () => ready)
    await looking
    report('until the plan is there', plannedMs, 'ms', null)
    for (let round = 0; round < 40 && taps < 495; round++) idle.push(await tap(server, runId))
    const base = percentile(idle, 0.5)
    report('a tap of an idle server, median', base, 'ms', null)
    if (during.length > 0) {
      report('a tap meanwhile, 95 of 100', percentile(during, 0.95), 'ms', base + TAP_95_OVER_IDLE_MS)
      report('a tap meanwhile, worst', percentile(during, 1), 'ms', TAP_WORST_MS)
    }
    for (const path of ['brief', 'paper', 'cut', 'fold']) {
      await page(path)
      const { ms, bytes } = await page(path)
      report(`the page ${path}`, ms, 'ms', ANSWER_TARGET_MS)
      report(`  its size`, bytes / 1e6, 'MB', null)
    }
    await server.remove()
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

await measured({ lines: 20, pieces: 300 })
await measured({ lines: 60, pieces: 333 })
