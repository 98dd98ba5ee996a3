import { sql } from 'kysely'
import { typedBrief, typedLine, typedPaper, typedSheets } from '../../test/typed'
import { temporaryDatabase, TEST_NOW_MS, TODAY, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { markOf, projectView } from '../../test/view'
import { loadDemo } from '../../demo/load'
import { seededRandom } from '../../demo/random'
import { LIBRARY } from '@/core/design'
import { FOLD_ENGINE_VERSION } from '@/core/fold'
import { allDelivered, demandOf, surveyProject } from '@/core/plan'
import { saveDesignVersion } from '@/data/repositories/designs'
import type { RunEvent } from '@/core/run'
import { listOpenProjects, listOwingProjects } from '@/data/repositories/projects'
import { rebuildStockLevels } from '@/data/repositories/stock'
import { archiveProject } from './deeds/archive-project'
import { tickCut, undoCut } from './deeds/cuts'
import { handOver, undoHandOver } from './deeds/deliveries'
import { recordJoin } from './deeds/joins'
import { holdPaperFirst, planAgain } from './deeds/plan-cuts'
import { addSheets, countSheets, putPaperAway, savePaper } from './deeds/papers'
import { acceptProof, cutProof, skipProof } from './deeds/proofs'
import { archiveRun, recordEvents, startProjectRun } from './deeds/runs'
import { saveBrief } from './deeds/save-brief'
import { putBackOnShelf, shelveLeftOver, takeOffShelf } from './deeds/shelf'
import { takeNewerDesign } from './deeds/take-newer-design'
import { contentHash } from './content-hash'
import type { FlowContext } from './flow-context'
import { readNewer } from './read/newer'
import { readProjectList } from './read/project-list'
import { readShelf } from './read/shelf'
import { readBench } from './read/bench'
import { readLogbook, readRunLog } from './read/logbook'
import { readDrawer } from './read/papers'
import { readProject } from './read/project'
import { readRun, readRunHead } from './read/run'
import { loadProjects } from './project-records'
import { rebuildRunProjections } from './run-tally'
import { currentSettings, saveSettings, switchUnit } from './settings'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const paperNamed = async (name: string, sheets: string) => {
  const { context } = database
  const { paperId } = await ok(savePaper(context, null, typedPaper(name)))
  await ok(addSheets(context, typedSheets(paperId, sheets, '0.14')))
  return paperId
}
const lineOf = (orange: string) =>
  typedLine({
    id: 'new-1',
    designId: 'corner-folded-rosette',
    variantKey: 'plain',
    axis: 'edge-to-edge',
    size: '5',
    gauges: { overhang: '0.3' },
    pieces: '4',
    papers: [{ paperId: orange, pieces: '4' }],
  })
const leavesOf = (green: string) =>
  typedLine({
    id: 'new-2',
    designId: 'narrow-leaf',
    variantKey: 'halved',
    axis: 'tip-to-tip',
    size: '8.5',
    gauges: {},
    pieces: '',
    attachedTo: 'new-1',
    perPiece: '2',
    papers: [{ paperId: green, pieces: '8' }],
  })
const briefOf = (lines: readonly object[]) => ({ ...typedBrief([]), name: 'Lids', lines })

interface Planned {
  readonly id: string
  readonly orange: string
  readonly green: string
}
const planned = async (): Promise<Planned> => {
  const [orange, green] = [await paperNamed('Buoy Orange', '10'), await paperNamed('Reed Green', '10')]
  const { projectId } = await ok(
    saveBrief(database.context, null, briefOf([lineOf(orange), leavesOf(green)])),
  )
  return { id: projectId, orange, green }
}
const view = (id: string) => projectView(database.context, id)
/** Ticks off every layout that gives pieces of a line, all of it. */
const cutAll = async (id: string, lineIndex: number) => {
  const project = await view(id)
  const line = project.lines[lineIndex]!
  const layouts = project.cutPlan!.layouts.filter(({ placements }) =>
    placements.some(({ demand }) => demandOf(demand).lineId === line.id),
  )
  expect(layouts.length).toBeGreaterThan(0)
  for (const { id: layoutId, sheets } of layouts)
    await ok(tickCut(database.context, id, { planId: project.cutPlan!.id, layoutId, sheets: String(sheets) }))
}
const runOf = async ({ id, paperId, line = 0 }: { id: string; paperId: string; line?: number }) => {
  const { id: lineId, parts } = (await view(id)).lines[line]!
  return {
    lineId,
    partKey: parts[0]?.key,
    paperId,
    grain: 'piece',
    order: 'piece by piece',
    hand: 'right',
    way: 'whole',
  }
}

describe('brief to paper', () => {
  test('5 cm edge to edge becomes a square of 124.5 mm on a half-millimetre ruler, with spares', async () => {
    const { id } = await planned()
    const [rosettes, leaves] = (await view(id)).lines
    expect(rosettes?.sheetMm).toBe(124.5)
    expect(rosettes?.papers[0]).toMatchObject({ goodUnits: 4, spareUnits: 1, unitsToCut: 5 })
    expect(rosettes?.papers[0]?.shortage.units).toBe(0)
    expect(leaves).toMatchObject({ pieces: 8, perPiece: 2, attachedTo: rosettes?.id })
  })
  test('what the drawer cannot give is short, in units and in sheets to buy', async () => {
    const orange = await paperNamed('Buoy Orange', '1')
    const { projectId } = await ok(saveBrief(database.context, null, briefOf([lineOf(orange)])))
    const project = await view(projectId)
    expect(project.facts).toMatchObject({ shortUnits: 3, shortSheets: 2 })
    expect(project.next.deed).toBe('get paper')
  })
  test('a refused brief changes nothing', async () => {
    const { id } = await planned()
    const before = await view(id)
    const bad = briefOf([{ ...lineOf('nowhere'), pieces: '-1' }])
    expect(
      (await refusal(saveBrief(database.context, id, { ...bad, seen: await markOf(database.context, id) })))
        .fields['lines.0.pieces'],
    ).toBeDefined()
    expect(await view(id)).toEqual(before)
  })
  test('a line with cuts cannot be taken out of the brief; the refusal names it', async () => {
    const { id, green } = await planned()
    await cutAll(id, 0)
    const { cuts } = await view(id)
    expect(cuts.length).toBeGreaterThan(0)
    const standing = { ...leavesOf(green), attachedTo: '', perPiece: '', pieces: '8' }
    const seen = await markOf(database.context, id)
    const refused = await refusal(saveBrief(database.context, id, { ...briefOf([standing]), seen }))
    expect(refused).toMatchObject({
      code: 'LINE_IN_USE',
      detail: { line: 'Corner-folded rosette', cuts: cuts.length },
    })
    expect((await view(id)).lines).toHaveLength(2)
  })
  test('a project put away leaves the bench and comes back whole', async () => {
    const { id } = await planned()
    await ok(archiveProject(database.context, id, true))
    expect((await readBench(database.context, TODAY)).projects).toEqual([])
    await ok(archiveProject(database.context, id, false))
    expect((await readBench(database.context, TODAY)).projects).toHaveLength(1)
  })
})

describe('the drawer', () => {
  test('a count goes into the ledger as a difference, and levels can be made anew from it', async () => {
    await paperNamed('Oyster', '9')
    const [paper] = await readDrawer(database.context)
    const stockItemId = paper!.sheets[0]!.stockItemId
    await ok(countSheets(database.context, { stockItemId, amount: '7' }))
    const moves = await database.db
      .selectFrom('stock_move')
      .select(['delta', 'kind'])
      .orderBy('seq')
      .execute()
    expect(moves).toEqual([
      { delta: 9, kind: 'bought' },
      { delta: -2, kind: 'counted' },
    ])
    await database.db.updateTable('stock_level').set({ amount: 99 }).execute()
    await rebuildStockLevels(database.db)
    expect((await readDrawer(database.context))[0]?.sheets[0]?.amount).toBe(7)
  })
  test('two papers of one name, or a paper in use put away: refused with the reason', async () => {
    const { orange } = await planned()
    const twin = typedPaper('buoy orange')
    expect((await refusal(savePaper(database.context, null, twin))).fields['name']).toContain('Buoy Orange')
    expect(await refusal(putPaperAway(database.context, orange, true))).toMatchObject({
      code: 'PAPER_IN_USE',
      detail: { project: 'Lids' },
    })
  })
})

describe('cutting', () => {
  test('the proof piece takes one sheet, keeps the rest of it, and is the first of the pieces', async () => {
    const { id, orange } = await planned()
    const lineId = (await view(id)).lines[0]!.id
    const judged = { lineId, axis: 'edge-to-edge', measured: '4.9' }
    expect(await refusal(acceptProof(database.context, id, judged))).toMatchObject({ code: 'PROOF_MISSING' })
    await ok(cutProof(database.context, id, { lineId, paperId: orange }))
    const project = await view(id)
    expect(project.next.deed).toBe('judge the proof piece')
    expect(project.lines[0]?.papers[0]).toMatchObject({ cutUnits: 1, unitsToCut: 4 })
    const sheets = project.papers.find((paper) => paper.id === orange)?.sheets
    expect(sheets?.find((sheet) => !sheet.offcut)?.amount).toBe(9)
    expect(sheets?.filter((sheet) => sheet.offcut).length).toBeGreaterThan(0)
    await ok(acceptProof(database.context, id, { lineId, axis: 'edge-to-edge', measured: '4.9' }))
    expect((await view(id)).lines[0]?.proof).toEqual({
      status: 'accepted',
      paperId: orange,
      measuredMm: 49,
      axis: 'edge-to-edge',
    })
  })
  test('a cut can be taken back with its sheets and offcuts, not once its pieces are folded', async () => {
    const { id } = await planned()
    await ok(skipProof(database.context, id, (await view(id)).lines[0]!.id))
    const before = await readDrawer(database.context)
    await cutAll(id, 0)
    const { cuts } = await view(id)
    for (const cut of cuts) await ok(undoCut(database.context, id, cut.id))
    const amounts = (papers: Awaited<ReturnType<typeof readDrawer>>) =>
      papers.map((paper) =>
        paper.sheets
          .filter((sheet) => sheet.amount > 0)
          .map(({ widthMm, heightMm, amount }) => ({ widthMm, heightMm, amount })),
      )
    expect(amounts(await readDrawer(database.context))).toEqual(amounts(before))
    expect(await refusal(undoCut(database.context, id, cuts[0]!.id))).toMatchObject({ code: 'NOT_FOUND' })
    await cutAll(id, 0)
    const { runId } = await startRun({
      id,
      orange: (await view(id)).lines[0]!.papers[0]!.paper.id,
      green: '',
    })
    await ok(
      send(
        runId,
        [1, 2, 3, 4, 5].map((piece) => tapOf(piece)),
      ),
    )
    expect(await refusal(undoCut(database.context, id, (await view(id)).cuts[0]!.id))).toMatchObject({
      code: 'CUT_IN_USE',
    })
  })
  test('a layout that is no longer the plan, or more sheets than it has: refused, nothing moved', async () => {
    const { id } = await planned()
    const { cutPlan } = await view(id)
    const tick = { planId: cutPlan!.id, layoutId: cutPlan!.layouts[0]!.id, sheets: '99' }
    expect((await refusal(tickCut(database.context, id, tick))).fields['sheets']).toContain('up to')
    expect(
      await refusal(tickCut(database.context, id, { ...tick, planId: 'another', sheets: '1' })),
    ).toMatchObject({ code: 'PLAN_CHANGED' })
    expect((await view(id)).cuts).toEqual([])
    await ok(tickCut(database.context, id, { ...tick, sheets: String(cutPlan!.layouts[0]!.sheets) }))
    expect(await refusal(tickCut(database.context, id, { ...tick, sheets: '1' }))).toMatchObject({
      code: 'ALREADY_CUT',
    })
    expect((await view(id)).cuts).toHaveLength(1)
  })
})

const startRun = async ({ id, orange }: Planned, pieces = '4') =>
  ok(
    startProjectRun(database.context, id, {
      ...(await runOf({ id, paperId: orange })),
      pieces,
      traySize: '2',
    }),
  )

describe('promises', () => {
  const briefDue = (name: string, dueOn: string, paperId: string) => ({
    ...briefOf([lineOf(paperId)]),
    name,
    dueOn,
  })
  const plan = async (name: string, dueOn: string, paperId: string) =>
    (await ok(saveBrief(database.context, null, briefDue(name, dueOn, paperId)))).projectId
  const short = async (id: string) => (await view(id)).facts.shortUnits
  const promised = async () => {
    const rows = await database.db.selectFrom('reservation').selectAll().execute()
    return rows.reduce((sum, row) => sum + row.sheets, 0)
  }

  test('what one project holds another does not see as free; the shortage names the holder', async () => {
    const orange = await paperNamed('Buoy Orange', '4')
    const first = await plan('First', '2026-12-01', orange)
    const second = await plan('Second', '2026-12-02', orange)
    expect([await short(first), await short(second)]).toEqual([0, 3])
    const [row] = (await view(second)).lines[0]!.papers
    expect(row?.shortage).toMatchObject({
      units: 3,
      sheets: 2,
      holders: [{ projectId: first, name: 'First', sheets: 3 }],
    })
    expect(await promised()).toBe(4)
  })
  test('the earlier date goes first, whoever asked first; the user’s word goes before dates', async () => {
    const orange = await paperNamed('Buoy Orange', '4')
    const late = await plan('Late', '2026-12-20', orange)
    expect(await short(late)).toBe(0)
    const early = await plan('Early', '2026-12-01', orange)
    expect([await short(late), await short(early)]).toEqual([3, 0])
    await ok(holdPaperFirst(database.context, late, true))
    expect([await short(late), await short(early)]).toEqual([0, 3])
    expect(await promised()).toBe(4)
  })
  test('put away or delivered, a project gives its sheets back, and those who were short have them', async () => {
    const orange = await paperNamed('Buoy Orange', '4')
    const first = await plan('First', '2026-12-01', orange)
    const second = await plan('Second', '2026-12-02', orange)
    await ok(archiveProject(database.context, first, true))
    expect(await short(second)).toBe(0)
    await ok(archiveProject(database.context, first, false))
    expect([await short(first), await short(second)]).toEqual([0, 3])
  })
  test('sheets that come are seen by who is short; sheets that go leave a plan that says so', async () => {
    const orange = await paperNamed('Buoy Orange', '1')
    const id = await plan('First', '2026-12-01', orange)
    expect(await short(id)).toBe(3)
    await ok(addSheets(database.context, typedSheets(orange, '5')))
    const project = await view(id)
    expect(project.facts.shortUnits).toBe(0)
    expect(project.standing).toEqual({ status: 'current' })
    const stockItemId = project.papers[0]!.sheets[0]!.stockItemId
    await database.db.updateTable('stock_level').set({ amount: 1 }).execute()
    expect((await view(id)).standing).toEqual({ status: 'stale', because: 'sheets gone' })
    await ok(countSheets(database.context, { stockItemId, amount: '2' }))
    expect((await view(id)).facts.shortUnits).toBe(1)
  })
  test('two windows tick the same layout at once: one wins, the other is told, no sheet is cut twice', async () => {
    const orange = await paperNamed('Buoy Orange', '4')
    const id = await plan('First', '2026-12-01', orange)
    const { cutPlan } = await view(id)
    const { id: layoutId, sheets } = cutPlan!.layouts[0]!
    const tick = () =>
      tickCut(database.context, id, { planId: cutPlan!.id, layoutId, sheets: String(sheets) })
    const both = await Promise.all([tick(), tick()])
    expect(both.map((one) => (one.ok ? 'cut' : one.code)).sort()).toEqual(['ALREADY_CUT', 'cut'])
    expect((await view(id)).cuts).toHaveLength(1)
  })
  test('two windows plan with the last sheets at once: together they are promised no more than there are', async () => {
    const orange = await paperNamed('Buoy Orange', '4')
    const [one, other] = await Promise.all([
      plan('One', '2026-12-01', orange),
      plan('Other', '2026-12-01', orange),
    ])
    expect((await short(one)) + (await short(other))).toBe(3)
    expect(await promised()).toBe(4)
  })
  test.each([1, 2, 3, 4, 5, 6, 7, 8])(
    'walk %i over ticking, undoing, planning, paper that comes and dates that move: no sheet twice, nothing ticked lost',
    async (seed) => {
      const random = seededRandom(seed)
      const pick = <Item>(items: readonly Item[]): Item | undefined =>
        items[Math.floor(random() * items.length)]
      const papers = [await paperNamed('Buoy Orange', '6'), await paperNamed('Reed Green', '6')]
      const ids = [
        await plan('One', '2026-12-01', papers[0]!),
        await plan('Two', '2026-12-02', papers[0]!),
        await plan('Three', '2026-12-03', papers[1]!),
      ]
      let cut = 0
      for (let step = 0; step < 25; step++) {
        const id = pick(ids)!
        const project = await view(id)
        const layout = pick(project.cutPlan?.layouts ?? [])
        const standing = pick(project.cuts)
        const deeds = [
          async () => {
            if (!layout) return
            const tick = { planId: project.cutPlan!.id, layoutId: layout.id, sheets: '1' }
            if ((await tickCut(database.context, id, tick)).ok) cut++
          },
          async () => {
            if (standing && (await undoCut(database.context, id, standing.id)).ok) cut -= standing.sheets
          },
          async () => void (await planAgain(database.context, id)),
          async () => void (await holdPaperFirst(database.context, id, random() < 0.5)),
          async () => void (await archiveProject(database.context, id, random() < 0.5)),
        ]
        await pick(deeds)?.()
        const levels = new Map(
          (await database.db.selectFrom('stock_level').selectAll().execute()).map((row) => [
            row.stock_item_id,
            row.amount,
          ]),
        )
        const held = new Map<string, number>()
        for (const row of await database.db.selectFrom('reservation').selectAll().execute())
          held.set(row.stock_item_id, (held.get(row.stock_item_id) ?? 0) + row.sheets)
        for (const [stockId, sheets] of held) expect(sheets).toBeLessThanOrEqual(levels.get(stockId) ?? 0)
        const all = await Promise.all(ids.map(view))
        const sheetsCut = all.flatMap(({ cuts }) => cuts).reduce((sum, { sheets }) => sum + sheets, 0)
        expect(sheetsCut).toBe(cut)
        for (const one of all)
          for (const line of one.lines) {
            const pieces = one.cuts
              .flatMap((each) => each.pieces)
              .filter(({ lineId }) => lineId === line.id)
              .reduce((sum, { count }) => sum + count, 0)
            expect(line.papers.reduce((sum, { cutUnits }) => sum + cutUnits, 0)).toBe(pieces)
          }
      }
    },
    60_000,
  )
  test('an offcut is no sheet: not in the plan, not in the cuts, not in what is planned to be paid', async () => {
    const orange = await paperNamed('Buoy Orange', '9')
    const sheet = { paperId: orange, width: '12.45', height: '12.45', price: '', soldAs: '' }
    await ok(addSheets(database.context, { ...sheet, amount: '1', offcut: true }))
    const id = await plan('First', '2026-12-01', orange)
    expect((await view(id)).facts).toMatchObject({ sheetsToCut: 2, offcutsToCut: 1 })
    await cutAll(id, 0)
    const { facts, baseline, cuts } = await view(id)
    expect(facts).toMatchObject({ sheetsCut: 2, offcutsCut: 1, sheetsToCut: 0, offcutsToCut: 0 })
    expect(baseline).toMatchObject({ sheets: 2, paperCost: 28 })
    expect(cuts.map(({ sheets, offcut }) => ({ sheets, offcut }))).toContainEqual({ sheets: 1, offcut: true })
  })
  test('what was planned when work began is kept, once', async () => {
    const orange = await paperNamed('Buoy Orange', '9')
    const id = await plan('First', '2026-12-01', orange)
    expect((await view(id)).baseline).toBeNull()
    await cutAll(id, 0)
    const { baseline } = await view(id)
    expect(baseline).toMatchObject({ sheets: 3, units: 4, spareUnits: 1, paperCost: 42, dueOn: '2026-12-01' })
    await ok(planAgain(database.context, id))
    await startRun({ id, orange, green: '' })
    expect((await view(id)).baseline).toEqual(baseline)
  })
})

describe('questions asked of the database', () => {
  const asked = async (read: (context: FlowContext) => Promise<unknown>) => {
    let questions = 0
    const db = database.db.withPlugin({
      transformQuery: ({ node }) => {
        questions++
        return node
      },
      transformResult: ({ result }) => Promise.resolve(result),
    })
    await read({ ...database.context, db })
    return questions
  }
  test('as many for many projects as for one, on every page that shows several', async () => {
    const first = await planned()
    const pages = {
      bench: (context: FlowContext) => readBench(context, TODAY),
      projects: (context: FlowContext) => readProjectList(context, false, 1),
      papers: (context: FlowContext) => readDrawer(context),
      logbook: (context: FlowContext) => readLogbook(context),
      project: (context: FlowContext) => readProject(context, first.id),
    }
    const count = async () =>
      Object.fromEntries(
        await Promise.all(
          Object.entries(pages).map(async ([name, read]) => [name, await asked(read)] as const),
        ),
      )
    // Once before, so that the designs are known.
    await count()
    const forOne = await count()
    expect(forOne['bench']).toBeGreaterThan(0)
    for (let more = 0; more < 3; more++) {
      const orange = await paperNamed(`Orange ${more}`, '10')
      const line = lineOf(orange)
      await ok(saveBrief(database.context, null, briefOf([line])))
    }
    expect(await count()).toEqual(forOne)
  })
})

describe('newer versions', () => {
  const rosetteNow = async () => {
    const { id, orange } = await planned()
    const source = LIBRARY.find((design) => design.id === 'corner-folded-rosette')!
    const changed = { ...source, summary: 'Told anew.' }
    const { hash, text } = contentHash(changed)
    await saveDesignVersion(
      database.db,
      { id: source.id, name: source.name, family: source.family, hash, document: text },
      1,
    )
    return { id, orange, hash }
  }
  const hashes = async (id: string) => (await view(id)).lines.map((line) => line.designHash)

  test('a newer version is offered with what differs, and taken only when asked', async () => {
    const { id, hash } = await rosetteNow()
    const before = await hashes(id)
    const [offer, ...others] = await readNewer(database.context, id)
    expect(others).toEqual([])
    expect(offer).toMatchObject({ name: 'Corner-folded rosette', words: true, sizes: [] })
    expect(await hashes(id)).toEqual(before)
    await ok(takeNewerDesign(database.context, id, offer!.lineId))
    expect(await hashes(id)).toEqual([hash, before[1]])
    expect(await readNewer(database.context, id)).toEqual([])
  })
  test('what an older engine measured and is gone is said to be gone', async () => {
    const { id } = await planned()
    const engine = FOLD_ENGINE_VERSION - 1
    await database.db.updateTable('brief_line').set({ engine }).execute()
    const [gone] = await readNewer(database.context, id)
    expect(gone).toMatchObject({ words: false, lost: true })
    const [line] = (await view(id)).lines
    const body = JSON.stringify(line!.design)
    await database.db
      .insertInto('figure')
      .values({ program_hash: line!.designHash, engine, key: 'measured', body, at_ms: 1 })
      .execute()
    const offers = await readNewer(database.context, id)
    expect(offers.map(({ lineId, lost }) => [lineId, lost])).toContainEqual([line!.id, false])
  })
  test('what is begun stays with its version', async () => {
    const { id, hash } = await rosetteNow()
    await cutAll(id, 0)
    const [offer] = await readNewer(database.context, id)
    expect(await refusal(takeNewerDesign(database.context, id, offer!.lineId))).toMatchObject({
      code: 'LINE_BEGUN',
    })
    expect(await hashes(id)).not.toContain(hash)
  })
})

describe('the shelf', () => {
  test('good pieces left over go on the shelf and serve a later line of the same before any sheet', async () => {
    const job = await planned()
    const { runId } = await startRun(job, '6')
    await ok(
      send(
        runId,
        [1, 2, 3, 4, 5, 6].map((piece) => tapOf(piece)),
      ),
    )
    const [line] = (await view(job.id)).lines
    const place = { lineId: line!.id, partKey: line!.parts[0]!.key, paperId: job.orange }
    expect(line!.papers[0]).toMatchObject({ usableUnits: 6, leftOver: 2 })
    await ok(shelveLeftOver(database.context, job.id, place))
    expect((await view(job.id)).lines[0]!.papers[0]).toMatchObject({ usableUnits: 4, leftOver: 0 })
    expect(await refusal(shelveLeftOver(database.context, job.id, place))).toMatchObject({
      code: 'NOTHING_LEFT_OVER',
    })
    expect(await readShelf(database.context)).toMatchObject([
      { units: 2, designName: 'Corner-folded rosette' },
    ])

    const { projectId } = await ok(saveBrief(database.context, null, briefOf([lineOf(job.orange)])))
    const later = (await view(projectId)).lines[0]!
    expect(later.papers[0]).toMatchObject({ onShelf: 2, unitsToCut: 5 })
    const there = { lineId: later.id, partKey: later.parts[0]!.key, paperId: job.orange }
    const both = await Promise.all([1, 2].map(() => takeOffShelf(database.context, projectId, there)))
    expect(both.map((one) => (one.ok ? 'taken' : one.code)).sort()).toEqual(['NOT_ON_THE_SHELF', 'taken'])
    expect((await view(projectId)).lines[0]!.papers[0]).toMatchObject({ usableUnits: 2, onShelf: 0 })
    expect((await view(projectId)).lines[0]!.papers[0]!.unitsToCut).toBeLessThan(5)
    const hand = (pieces: readonly string[]) =>
      handOver(database.context, projectId, {
        note: '',
        pieces: pieces.map((count) => ({ lineId: later.id, pieces: count })),
      })
    expect((await refusal(hand(['1', '1']))).fields['pieces.1.pieces']).toContain('twice')
    // What was handed over cannot go back on the shelf: one of the two still can.
    await ok(hand(['1']))
    await ok(putBackOnShelf(database.context, projectId, there))
    expect(await readShelf(database.context)).toMatchObject([{ units: 1 }])
    expect(await refusal(putBackOnShelf(database.context, projectId, there))).toMatchObject({
      code: 'NOT_ON_THE_SHELF',
    })
    expect((await view(projectId)).owed).toMatchObject([{ handedOver: 1, most: 0 }])
  })
})

const LAST_STEP = 8
const tapOf = (piece: number, id = `tap-${piece}-aaaaaa`): RunEvent => ({
  id,
  lane: 1,
  atMs: TEST_NOW_MS,
  kind: 'done',
  piece,
  step: LAST_STEP - 1,
  repeat: 1,
  attempt: 0,
  lapMs: 300_000,
})
const send = (runId: string, events: readonly object[], epoch = '') =>
  recordEvents(database.context, runId, { epoch, since: 0, events })

describe('folding', () => {
  test('taps count once, whatever is sent again, and the projections follow', async () => {
    const job = await planned()
    const { runId } = await startRun(job)
    await ok(send(runId, [tapOf(1)]))
    await ok(send(runId, [tapOf(1), tapOf(2)]))
    await ok(send(runId, [tapOf(2, 'another-window')]))
    const project = await view(job.id)
    expect(project.lines[0]?.papers[0]).toMatchObject({ usableUnits: 2, spoiledUnits: 0 })
    const run = await readRun(database.context, runId)
    expect(run?.feed.events).toHaveLength(3)
  })
  test('a tap at a place this run does not have is refused by name and not stored; the rest is kept', async () => {
    const { runId } = await startRun(await planned())
    const taken = await ok(send(runId, [{ ...tapOf(1), step: 77 }, tapOf(2)]))
    expect(taken.refused).toEqual(['tap-1-aaaaaa'])
    expect(taken.kept).toEqual(['tap-2-aaaaaa'])
    expect(taken.events).toHaveLength(1)
  })
  test('a tap that cannot be does not hold up those beside it', async () => {
    const { runId } = await startRun(await planned())
    const taken = await ok(send(runId, [{ ...tapOf(1), kind: 'dance' }, tapOf(2)]))
    expect(taken).toMatchObject({ kept: ['tap-2-aaaaaa'], refused: ['tap-1-aaaaaa'] })
  })
  test('an id that stands in another run is not said to be kept in this one', async () => {
    const job = await planned()
    const one = await startRun(job)
    await ok(send(one.runId, [tapOf(1)]))
    await ok(archiveRun(database.context, one.runId, true))
    const other = await startRun(job)
    const taken = await ok(send(other.runId, [tapOf(1), tapOf(2)]))
    expect(taken).toMatchObject({ kept: ['tap-2-aaaaaa'], refused: ['tap-1-aaaaaa'] })
    expect(taken.events).toHaveLength(1)
  })
  test.each([
    ['from the year 2199', Date.UTC(2199, 0, 1)],
    ['from before the run', TEST_NOW_MS - 24 * 3600 * 1000],
    ['from the year 1970', 0],
  ])('a tap %s is kept, but its time is not believed', async (_, atMs) => {
    const { runId } = await startRun(await planned())
    const taken = await ok(
      send(runId, [
        { ...tapOf(1), atMs },
        { ...tapOf(2), atMs: TEST_NOW_MS + 60_000 },
      ]),
    )
    expect(taken.kept).toHaveLength(2)
    const run = await readRun(database.context, runId)
    expect(run?.oddClocks).toBe(1)
    expect(run?.feed.events.map((event) => event.atMs)).toEqual([TEST_NOW_MS, TEST_NOW_MS + 60_000])
    const { units } = await readRunLog(database.context, runId)
    expect(units[0]?.lastTapAtMs).toBe(TEST_NOW_MS)
  })
  test('a batch with an event that has no name is refused whole', async () => {
    const { runId } = await startRun(await planned())
    expect(await refusal(send(runId, [tapOf(1), { kind: 'done' }]))).toMatchObject({ code: 'FIELDS' })
    expect((await readRun(database.context, runId))?.feed.events).toEqual([])
    expect(await refusal(send('nowhere', []))).toMatchObject({ code: 'NOT_FOUND' })
  })
  test('a tap whose transaction fails leaves nothing behind, not in what is remembered either', async () => {
    const { runId } = await startRun(await planned())
    await ok(send(runId, [tapOf(1)]))
    await sql`CREATE TRIGGER full BEFORE INSERT ON run_unit BEGIN SELECT RAISE(ABORT, 'full'); END`.execute(
      database.db,
    )
    await expect(send(runId, [tapOf(2)])).rejects.toThrow('full')
    await sql`DROP TRIGGER full`.execute(database.db)
    expect((await readRunLog(database.context, runId, 1)).units.map(({ ordinal }) => ordinal)).toEqual([1])
    expect(await readRunHead(database.context, runId)).toMatchObject({ usable: 1 })
    await ok(send(runId, [tapOf(2)]))
    expect(await readRunHead(database.context, runId)).toMatchObject({ usable: 2 })
  })
  test('projections made anew from the ledger are the same', async () => {
    const { runId } = await startRun(await planned())
    const spoil = { id: 'spoiled-it-aa', lane: 1, atMs: TEST_NOW_MS, kind: 'spoil', piece: 2, attempt: 0 }
    const reason = {
      id: 'because-aaaa',
      lane: 1,
      atMs: TEST_NOW_MS,
      kind: 'reason',
      piece: 2,
      reason: 'torn',
    }
    await ok(send(runId, [tapOf(1), spoil, reason, tapOf(3)]))
    const units = () => database.db.selectFrom('run_unit').selectAll().orderBy('ordinal').execute()
    const progress = () => database.db.selectFrom('run_progress').selectAll().execute()
    const before = [await units(), await progress()]
    await database.db.deleteFrom('run_unit').execute()
    await database.db.deleteFrom('run_progress').execute()
    expect(await rebuildRunProjections(database.context)).toBe(1)
    expect([await units(), await progress()]).toEqual(before)
  })
  test('rejects and times in the log change the next estimate', async () => {
    const job = await planned()
    const { runId } = await startRun(job)
    const before = (await view(job.id)).lines[0]!
    const spoiled = [1, 2, 3].map((piece) => ({
      id: `spoiled-${piece}-aaa`,
      lane: 1,
      atMs: TEST_NOW_MS,
      kind: 'spoil',
      piece,
      attempt: 0,
    }))
    await ok(send(runId, [...spoiled, tapOf(4), tapOf(5)]))
    const after = (await view(job.id)).lines[0]!
    expect(after.rate).toEqual({ alpha: before.rate.alpha + 3, beta: before.rate.beta + 2 })
    expect(after.secondsPerUnit).toBeLessThan(before.secondsPerUnit)
    const log = await readLogbook(database.context)
    expect(log.reasons).toEqual([{ label: '', units: 3 }])
  })
})

describe('joining and handing over', () => {
  test('no more can be joined than is folded, and one press counts once', async () => {
    const job = await planned()
    const lineId = (await view(job.id)).lines[0]!.id
    const press = (id: string, delta: 1 | -1) => recordJoin(database.context, job.id, { id, lineId, delta })
    expect(await refusal(press('first', 1))).toMatchObject({ code: 'NOTHING_TO_JOIN' })
    const { runId } = await startRun(job)
    await ok(send(runId, [tapOf(1), tapOf(2)]))
    expect(await refusal(press('first', 1))).toMatchObject({ code: 'NOTHING_TO_JOIN' })
    const { runId: leafRun } = await ok(
      startProjectRun(database.context, job.id, {
        ...(await runOf({ id: job.id, paperId: job.green, line: 1 })),
        pieces: '8',
        traySize: '8',
      }),
    )
    await ok(
      send(
        leafRun,
        [1, 2, 3, 4].map((piece) => ({ ...tapOf(piece, `leaf-${piece}-aaaaaa`), step: 3 })),
      ),
    )
    await ok(press('first', 1))
    await ok(press('first', 1))
    const after = await view(job.id)
    expect(after.joins[0]).toMatchObject({ joined: 1, joinable: 2, pieces: 4 })
    // More are folded; what can go is what is joined.
    expect(after.facts.ready).toBe(1)
    await ok(press('back', -1))
    expect(await refusal(press('below', -1))).toMatchObject({ code: 'NOTHING_JOINED' })
  })
  test('handed over a part at a time: what is owed stays owed, no more than is folded goes, and it is taken back', async () => {
    const job = await planned()
    const lineId = (await view(job.id)).lines[0]!.id
    const hand = (pieces: string) =>
      handOver(database.context, job.id, { note: 'to the jetty', pieces: [{ lineId, pieces }] })
    expect((await refusal(hand('1'))).fields['pieces.0.pieces']).toContain('None of these')
    const { runId } = await startRun(job)
    await ok(
      send(
        runId,
        [1, 2, 3].map((piece) => tapOf(piece)),
      ),
    )
    await ok(hand('2'))
    expect((await refusal(hand('2'))).fields['pieces.0.pieces']).toContain('There are 1')
    expect(await refusal(hand('0'))).toMatchObject({ code: 'NOTHING_TO_HAND_OVER' })
    const part = await view(job.id)
    expect(part.owed).toMatchObject([{ handedOver: 2, owed: 2, most: 1 }])
    expect(part.next.deed).not.toBe('nothing left')
    expect(part.stations.find(({ key }) => key === 'deliver')).toMatchObject({ state: 'wanting' })
    await ok(send(runId, [tapOf(4)]))
    await ok(hand('2'))
    const whole = await view(job.id)
    expect(whole.facts).toMatchObject({ ordered: 4, handedOver: 4 })
    expect(whole.stations.find(({ key }) => key === 'deliver')).toMatchObject({ state: 'done' })
    const last = whole.deliveries.at(-1)!.id
    await ok(undoHandOver(database.context, job.id, last))
    expect(await refusal(undoHandOver(database.context, job.id, last))).toMatchObject({ code: 'NOT_FOUND' })
    expect((await view(job.id)).owed).toMatchObject([{ handedOver: 2, owed: 2 }])
  })
  test('two windows hand the same pieces over at once: one does, the other is told there are none left', async () => {
    const job = await planned()
    const lineId = (await view(job.id)).lines[0]!.id
    const { runId } = await startRun(job)
    await ok(
      send(
        runId,
        [1, 2, 3].map((piece) => tapOf(piece)),
      ),
    )
    const hand = () => handOver(database.context, job.id, { note: '', pieces: [{ lineId, pieces: '3' }] })
    const both = await Promise.all([hand(), hand()])
    expect(both.map((one) => (one.ok ? '' : one.fields['pieces.0.pieces'])).sort()).toEqual([
      '',
      'None of these is there to hand over.',
    ])
    expect((await view(job.id)).owed).toMatchObject([{ handedOver: 3 }])
  })
})

test('settings: defaults, the unit switch takes the ruler along, nonsense is refused', async () => {
  expect(await currentSettings(database.context)).toMatchObject({ unit: 'cm', ruler: 'mm-0.5' })
  expect(await ok(switchUnit(database.context, 'in'))).toMatchObject({ unit: 'in', ruler: 'inch-1/16' })
  const refused = await refusal(saveSettings(database.context, { unit: 'furlong' }))
  expect(Object.keys(refused.fields)).toContain('unit')
  expect(await currentSettings(database.context)).toMatchObject({ unit: 'in' })
})

test('the demo loads through the same deeds as everything else, the first tray folded, waiting at piece 7', async () => {
  await loadDemo(database.context)
  const bench = await readBench(database.context, TODAY)
  expect(bench.openRuns.find((run) => run.designId === 'corner-folded-rosette')).toMatchObject({
    atPiece: 7,
    wanted: 12,
  })
  expect(bench.projects.map((project) => project.next.deed).sort()).toEqual([
    'cut a proof piece',
    'get paper',
    'get paper',
    'go on folding',
  ])
  expect(bench.recurring.map(({ name, logged }) => [name, logged])).toEqual([
    ['Wreath on the boathouse door', true],
  ])
  for (const project of bench.projects)
    for (const line of project.lines) expect(line.colours.length).toBeGreaterThan(0)
  // The quick list of projects that owe something is what their surveys say.
  const open = await loadProjects(database.context, await listOpenProjects(database.db))
  const owing = open.filter((one) => !allDelivered(surveyProject(one).facts)).map(({ row }) => row.id)
  expect(owing.length).toBeGreaterThan(0)
  expect(owing.length).toBeLessThan(open.length)
  expect((await listOwingProjects(database.db)).map(({ id }) => id).toSorted()).toEqual(owing.toSorted())
}, 30_000)
