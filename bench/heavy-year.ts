import { typedBrief, typedLine } from '../test/typed'
import { BLANK_PAPER } from '../src/schema/paper'
import { LIBRARY, mainPart, stagesOf, unitsOf, type DesignSource } from '../src/core/design'
import { tapsOf, type RunEvent } from '../src/core/run'
import { openDatabase } from '../src/data/open-database'
import { saveDesignVersion } from '../src/data/repositories/designs'
import { findRun } from '../src/data/repositories/runs'
import { inTransaction } from '../src/data/writing'
import { seededRandom } from '../demo/random'
import { Caches } from '../src/flows/caches'
import { contentHash } from '../src/flows/content-hash'
import type { DeedResult } from '../src/flows/deed'
import { tickCut } from '../src/flows/deeds/cuts'
import { handOver } from '../src/flows/deeds/deliveries'
import { addSheets, savePaper } from '../src/flows/deeds/papers'
import { skipProof } from '../src/flows/deeds/proofs'
import { recordEvents, startLooseRun, startProjectRun } from '../src/flows/deeds/runs'
import { saveBrief } from '../src/flows/deeds/save-brief'
import type { FlowContext } from '../src/flows/flow-context'
import { findPlanned } from '../src/flows/project-plan'
import { runPlan } from '../src/flows/run-plan'
import { storeLibrary } from '../src/flows/store-library'

const DAY_MS = 24 * 3600 * 1000
/** How heavy: set before anything was tuned to it. */
export const HEAVY = {
  projects: 500,
  open: 60,
  papers: 40,
  designs: 200,
  piecesOfLine: [60, 160],
  longRuns: [10_000, 100_000],
} as const

async function done<Value>(result: Promise<DeedResult<Value>>): Promise<Value> {
  const settled = await result
  if (!settled.ok) throw new Error(`refused: ${settled.code} ${JSON.stringify(settled.fields)}`)
  return settled.value
}

/** Designs of one unit and one part: what most of a year is. */
const PLAIN = LIBRARY.filter((design) => design.variants.every((one) => unitsOf(mainPart(design), one) === 1))

async function fillDrawer(context: FlowContext): Promise<readonly string[]> {
  const ids: string[] = []
  for (let paper = 0; paper < HEAVY.papers; paper++) {
    const { paperId } = await done(
      savePaper(context, null, {
        ...BLANK_PAPER,
        name: `Paper ${paper + 1}`,
        grammageGsm: '80',
        frontColour: `#${(0x405060 + paper * 70_001).toString(16).slice(-6)}`,
        backColour: '#ffffff',
      }),
    )
    for (const [width, height, amount] of [
      ['21', '29.7', '3000'],
      ['15', '15', '3000'],
    ])
      await done(
        addSheets(context, { paperId, width, height, offcut: false, amount, price: '0.10', soldAs: '' }),
      )
    ids.push(paperId)
  }
  return ids
}

/** Designs of one's own: a stored version each, with figures that were made when it was published. */
async function ownDesigns(context: FlowContext): Promise<void> {
  const { db } = context
  for (let index = 0; index < HEAVY.designs; index++) {
    const model = LIBRARY[index % LIBRARY.length]!
    const own: DesignSource = { ...model, id: `own-${index}`, name: `${model.name} ${index + 1}` }
    const { hash, text } = contentHash(own)
    await saveDesignVersion(db, { id: own.id, name: own.name, family: own.family, hash, document: text }, 1)
    const from = contentHash(model).hash
    for (const { key, body, engine } of await db
      .selectFrom('figure')
      .selectAll()
      .where('program_hash', '=', from)
      .execute()) {
      const figures =
        key === 'measured' ? { ...(JSON.parse(body) as object), id: own.id, name: own.name } : null
      const values = {
        program_hash: hash,
        engine,
        key,
        body: figures ? JSON.stringify(figures) : body,
        at_ms: 1,
      }
      await db.insertInto('figure').values(values).execute()
    }
  }
}

const done1 = (piece: number, at: { step: number; repeat: number }, id: string, atMs: number): RunEvent => ({
  id,
  lane: 1,
  atMs,
  kind: 'done',
  piece,
  ...at,
  attempt: 0,
  lapMs: 60_000,
})

/** Taps a run from its first piece on, so many taps of its grain, looking every tray over. */
async function tap(context: FlowContext, runId: string, taps: number): Promise<void> {
  const run = await findRun(context.db, runId)
  if (!run) throw new Error('no run')
  const { plan } = await runPlan(context, run)
  const places = tapsOf(plan.steps, plan.grain)
  const events: RunEvent[] = []
  for (let piece = 1; piece <= plan.wanted && events.length < taps; piece++) {
    for (const { step, repeat } of places)
      events.push(
        done1(
          piece,
          { step, repeat },
          `${runId.slice(0, 12)}-${events.length}`.padEnd(12, 'x'),
          context.nowMs + events.length,
        ),
      )
    if (piece % plan.traySize === 0 || piece === plan.wanted) {
      const first = Math.floor((piece - 1) / plan.traySize) * plan.traySize + 1
      events.push({
        id: `${runId.slice(0, 12)}-look-${piece}`,
        lane: 1,
        atMs: context.nowMs + events.length,
        kind: 'inspect',
        pieces: Array.from({ length: piece - first + 1 }, (_, index) => first + index),
      })
    }
  }
  for (let start = 0; start < events.length; start += 500)
    await done(
      recordEvents(context, runId, { epoch: '', since: 1e9, events: events.slice(start, start + 500) }),
    )
}

const HOW = { order: 'piece by piece', hand: 'right', way: 'whole' } as const

async function project(
  context: FlowContext,
  papers: readonly string[],
  index: number,
  random: () => number,
): Promise<void> {
  const [least, most] = HEAVY.piecesOfLine
  const lines = Array.from({ length: 1 + (index % 3) }, (_, at) => {
    const design = PLAIN[Math.floor(random() * PLAIN.length)]!
    const pieces = String(least + Math.floor(random() * (most - least)))
    const paperId = papers[Math.floor(random() * papers.length)]!
    return typedLine({
      id: `new-${at}`,
      designId: design.id,
      variantKey: design.variants[0]?.key ?? '',
      sizing: 'sheet',
      axis: '',
      size: String(10 + Math.floor(random() * 4)),
      gauges: {},
      pieces,
      papers: [{ paperId, pieces }],
    })
  })
  const open = index >= HEAVY.projects - HEAVY.open
  const due = new Date(context.nowMs + (open ? 20 : 5) * DAY_MS).toISOString().slice(0, 10)
  const brief = typedBrief(lines, { name: `Evening ${index + 1}`, dueOn: due, certainty: '0.9' })
  const { projectId } = await done(saveBrief(context, null, brief))
  const view = async () => (await findPlanned(context, projectId))!
  for (const { line } of (await view()).plan.lines) await done(skipProof(context, projectId, line.id))
  if (open && index % 2 === 0) return
  const planned = await view()
  for (const { id, sheets } of planned.plan.layouts)
    await done(
      tickCut(context, projectId, {
        planId: planned.records.cutPlan?.id,
        layoutId: id,
        sheets: String(sheets),
      }),
    )
  for (const { line, parts } of planned.plan.lines)
    for (const { part, papers: used } of parts)
      for (const { paperId, goodUnits } of used) {
        const start = { lineId: line.id, partKey: part.key, paperId, pieces: String(goodUnits) }
        const { runId } = await done(
          startProjectRun(context, projectId, { ...start, ...HOW, grain: 'piece', traySize: '12' }),
        )
        await tap(context, runId, open ? goodUnits / 2 : Infinity)
      }
  if (!open)
    await done(
      handOver(context, projectId, {
        note: '',
        pieces: planned.plan.lines.map(({ line }) => ({ lineId: line.id, pieces: String(line.pieces) })),
      }),
    )
}

export interface HeavyYear {
  readonly longRuns: readonly string[]
  readonly units: number
}

/** Writes a database of a heavy year through the same deeds as the interface. The same seed gives the same year. */
export async function writeHeavyYear(path: string): Promise<HeavyYear> {
  const random = seededRandom(2026)
  const opened = await openDatabase(path)
  const caches = new Caches()
  const nowMs = Date.now()
  await storeLibrary({ db: opened.db, caches, nowMs })
  const longRuns: string[] = []
  const year = await inTransaction(opened.db, async (db) => {
    const at = (daysAgo: number): FlowContext => ({ db, caches, nowMs: nowMs - daysAgo * DAY_MS })
    const { makeLibraryFigures } = await import('../src/flows/shipped-figures')
    await makeLibraryFigures(at(0), () => Promise.resolve())
    await ownDesigns(at(365))
    const papers = await fillDrawer(at(365))
    for (let index = 0; index < HEAVY.projects; index++)
      await project(at(360 * (1 - index / HEAVY.projects)), papers, index, random)
    const folder = LIBRARY.find(({ id }) => id === 'corner-folded-rosette')!
    const folds = stagesOf(mainPart(folder), folder.variants[0]!)
      .flatMap(({ steps }) => steps)
      .reduce((sum, { repeats }) => sum + repeats, 0)
    for (const taps of HEAVY.longRuns) {
      const started = await done(
        startLooseRun(at(1), {
          designId: folder.id,
          variantKey: folder.variants[0]?.key,
          paperId: papers[0],
          size: '15',
          pieces: String(Math.ceil(taps / folds) + 10),
          grain: 'fold',
          traySize: '12',
          ...HOW,
        }),
      )
      await tap(at(1), started.runId, taps)
      longRuns.push(started.runId)
    }
    const { n } = await db
      .selectFrom('run_unit')
      .select((select) => select.fn.countAll<number>().as('n'))
      .executeTakeFirstOrThrow()
    return { longRuns, units: n }
  })
  await opened.db.destroy()
  return year
}
