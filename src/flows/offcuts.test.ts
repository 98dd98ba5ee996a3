import { typedBrief, typedLine, typedPaper, typedSheets } from '../../test/typed'
import { TEST_NOW_MS, temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { howFolded } from '@/ui/project/StartRun'
import { LIBRARY } from '@/core/design'
import { connect } from '@/data/open-database'
import { tickCut, undoCut } from './deeds/cuts'
import { keepRest } from './deeds/keep-rest'
import { keepForStems, undoMove } from './deeds/ledger'
import { addSheets, savePaper } from './deeds/papers'
import { acceptProof, cutProof, skipProof } from './deeds/proofs'
import { archiveRun, recordEvents, startLooseRun, startProjectRun } from './deeds/runs'
import { planAgain } from './deeds/plan-cuts'
import { saveBrief } from './deeds/save-brief'
import { readFits, readScraps } from './read/offcut-ideas'
import { readDrawerPaper, readMoves } from './read/papers'
import { readProject, type ProjectView } from './read/project'
import { readProofs, standInOf } from './read/proofs'
import { readRests } from './read/spoiled-rests'

let database: TemporaryDatabase
let orange = ''
beforeEach(async () => {
  database = await temporaryDatabase()
  orange = await paper('Buoy Orange')
})
afterEach(() => database.remove())

const paper = async (name: string, change: object = {}) =>
  (await ok(savePaper(database.context, null, typedPaper(name, change)))).paperId
const put = (paperId: string, width: string, height: string, amount: string, offcut = false) =>
  ok(addSheets(database.context, { ...typedSheets(paperId, amount), width, height, offcut }))
const view = async (id: string): Promise<ProjectView> => (await readProject(database.context, id))!
const drawer = async (paperId: string) => (await readDrawerPaper(database.context, paperId))!
const amounts = async (paperId: string) =>
  (await drawer(paperId)).sheets.map(({ widthMm, heightMm, amount }) => [widthMm, heightMm, amount])
/** Narrow leaves of squares of just that side. */
const leaves = async (side: string, pieces: string, papers = [{ paperId: orange, pieces }]) => {
  const line = typedLine({ sizing: 'sheet', size: side, pieces, papers })
  return (await ok(saveBrief(database.context, null, typedBrief([line], { certainty: '0.8' })))).projectId
}

describe('squares that are the right size already', () => {
  test('are no work at the trimmer: the next deed is folding, and beginning takes them out', async () => {
    await put(orange, '15', '15', '40')
    const id = await leaves('15', '9')
    const before = await view(id)
    expect(before.cutPlan?.layouts.every(({ ready }) => ready)).toBe(true)
    expect(before.next).toEqual({ deed: 'start folding', station: 'fold' })
    expect(before.stations.find(({ key }) => key === 'cut')?.state).toBe('done')
    const [line] = before.lines
    const [row] = line!.papers
    const taken = row!.unitsToCut
    const of = { lineId: line!.id, partKey: row!.part.key, paperId: orange }
    const first = await ok(startProjectRun(database.context, id, { ...of, ...howFolded(9, 'right') }))
    expect(await amounts(orange)).toEqual([[150, 150, 40 - taken]])
    // What is taken is not promised any more: others may have the rest.
    expect(await database.db.selectFrom('reservation').selectAll().execute()).toEqual([])
    const after = await view(id)
    expect(after.lines[0]!.papers[0]).toMatchObject({ cutUnits: taken, waitingUnits: taken, unitsToCut: 0 })
    // Beginning anew once the first run is put away takes no more, and they can be put back.
    await ok(archiveRun(database.context, first.runId, true))
    await ok(startProjectRun(database.context, id, { ...of, ...howFolded(9, 'right') }))
    expect(await amounts(orange)).toEqual([[150, 150, 40 - taken]])
    await ok(undoCut(database.context, id, after.cuts[0]!.id))
    expect(await amounts(orange)).toEqual([[150, 150, 40]])
  })
  test('what is to be cut stays to be cut', async () => {
    await put(orange, '21', '29.7', '9')
    const id = await leaves('15', '4')
    expect((await view(id)).next.deed).toBe('cut a proof piece')
    const [line] = (await view(id)).lines
    const of = { lineId: line!.id, partKey: line!.papers[0]!.part.key, paperId: orange }
    await ok(startProjectRun(database.context, id, { ...of, ...howFolded(4, 'right') }))
    expect(await amounts(orange)).toEqual([[210, 297, 9]])
  })
})

describe('a proof piece of another paper', () => {
  test('comes of one as thick, is drawn so, and counts for nothing that was ordered', async () => {
    await put(orange, '21', '29.7', '20')
    const plum = await paper('Dusk Plum', { frontColour: '#6a4a66' })
    await put(plum, '21', '29.7', '5')
    await put(plum, '20', '20', '1', true)
    const thick = await paper('Board', { caliperMm: '0.3' })
    await put(thick, '21', '29.7', '5')
    const id = await leaves('15', '9')
    const lineId = (await view(id)).lines[0]!.id
    const choice = (await readProofs(database.context, id, [lineId])).get(lineId)!
    expect(choice.own?.paper.id).toBe(orange)
    expect(choice.standIns.map((one) => one.paper.name)).toEqual(['Dusk Plum'])
    // Off the offcut, not off a sheet.
    expect(choice.standIns[0]!.layout.sheetUm).toEqual({ widthUm: 200_000, heightUm: 200_000 })
    expect(await refusal(cutProof(database.context, id, { lineId, paperId: thick }))).toMatchObject({
      code: 'NOT_ENOUGH_STOCK',
    })
    const before = await view(id)
    await ok(cutProof(database.context, id, { lineId, paperId: plum }))
    const after = await view(id)
    expect(after.lines[0]!.papers).toEqual(before.lines[0]!.papers)
    expect(after.cutPlan?.layouts).toEqual(before.cutPlan?.layouts)
    expect(await amounts(orange)).toEqual([[210, 297, 20]])
    expect((await standInOf(database.context, after.lines[0]!))?.name).toBe('Dusk Plum')
    await ok(acceptProof(database.context, id, { lineId, axis: '', measured: '' }))
    const judged = await view(id)
    expect(judged.lines[0]!.proof).toMatchObject({ status: 'accepted', paperId: plum })
    expect(judged.next.deed).toBe('cut sheets')
    expect(await refusal(cutProof(database.context, id, { lineId, paperId: plum }))).toMatchObject({
      code: 'PROOF_DONE',
    })
    await ok(undoCut(database.context, id, judged.cuts[0]!.id))
    expect((await drawer(plum)).sheets.find(({ offcut }) => offcut)?.amount).toBe(1)
  })
})

describe('strips kept for stems', () => {
  test('are not cut for other pieces, until they are freed', async () => {
    await put(orange, '8', '21', '6', true)
    const id = await leaves('6', '9')
    expect((await view(id)).facts).toMatchObject({
      shortUnits: 0,
      offcutsToCut: expect.any(Number) as number,
    })
    const strip = (await drawer(orange)).sheets[0]!
    await ok(keepForStems(database.context, strip.stockItemId, true))
    const kept = await view(id)
    expect(kept.facts.shortUnits).toBeGreaterThan(0)
    expect(kept.facts.offcutsToCut).toBe(0)
    expect(kept.standing).toEqual({ status: 'current' })
    await ok(keepForStems(database.context, strip.stockItemId, false))
    expect((await view(id)).facts.shortUnits).toBe(0)
    expect(await refusal(keepForStems(database.context, 'nothing', true))).toMatchObject({
      code: 'NOT_FOUND',
    })
  })
  test('whoever rolls stems has them', async () => {
    await put(orange, '5', '21', '4', true)
    await ok(keepForStems(database.context, (await drawer(orange)).sheets[0]!.stockItemId, true))
    const line = typedLine({
      designId: 'rolled-stem',
      variantKey: 'plain',
      sizing: 'sheet',
      size: '20',
      pieces: '3',
      papers: [{ paperId: orange, pieces: '3' }],
    })
    const { projectId } = await ok(
      saveBrief(database.context, null, typedBrief([line], { certainty: '0.8' })),
    )
    expect((await view(projectId)).facts).toMatchObject({ shortUnits: 0 })
  })
})

describe('what is left whole of a spoiled sheet', () => {
  const spoil = (piece: number) => ({
    id: `spoiled-${piece}-aaa`,
    lane: 1,
    atMs: TEST_NOW_MS,
    kind: 'spoil',
    piece,
    attempt: 0,
  })
  test('is its largest rectangle without a crease, kept once, taken back from the ledger', async () => {
    const run = {
      designId: 'simple-heart',
      variantKey: 'rounded',
      paperId: orange,
      size: '15',
      ...howFolded(6, 'right'),
    }
    const { runId } = await ok(startLooseRun(database.context, run))
    const done = {
      id: 'done-2-aaaaaa',
      lane: 1,
      atMs: TEST_NOW_MS,
      kind: 'done',
      piece: 2,
      step: 5,
      repeat: 1,
      attempt: 0,
      lapMs: 1000,
    }
    const send = (events: readonly object[]) =>
      recordEvents(database.context, runId, { epoch: '', since: 0, events })
    await ok(send([spoil(1), done, spoil(2)]))
    const rests = await readRests(database.context, runId)
    expect(rests.map(({ piece }) => piece)).toContain(1)
    const [first] = rests
    expect(first!.widthMm * first!.heightMm).toBeGreaterThan(0)
    expect(Math.max(first!.widthMm, first!.heightMm)).toBeLessThanOrEqual(150)
    const later = rests.find(({ piece }) => piece === 2)
    if (later) expect(later.widthMm * later.heightMm).toBeLessThanOrEqual(first!.widthMm * first!.heightMm)
    await ok(keepRest(database.context, runId, { piece: 1 }))
    const { sheets } = await drawer(orange)
    expect(sheets).toMatchObject([{ offcut: true, amount: 1 }])
    expect([sheets[0]!.widthMm, sheets[0]!.heightMm]).toEqual(
      [first!.widthMm, first!.heightMm].sort((a, b) => a - b),
    )
    expect(await refusal(keepRest(database.context, runId, { piece: 1 }))).toMatchObject({
      code: 'REST_KEPT',
    })
    expect((await readRests(database.context, runId))[0]).toMatchObject({ piece: 1, kept: true })
    const [move] = await readMoves(database.context, orange)
    expect(move).toMatchObject({ kind: 'offcut', note: 'left whole of a spoiled sheet', canUndo: true })
    await ok(undoMove(database.context, move!.id))
    expect((await drawer(orange)).sheets[0]!.amount).toBe(0)
  })
  test('of a piece that is not spoiled, or not there, nothing is kept', async () => {
    const run = {
      designId: 'simple-heart',
      variantKey: 'rounded',
      paperId: orange,
      size: '15',
      ...howFolded(6, 'right'),
    }
    const { runId } = await ok(startLooseRun(database.context, run))
    for (const piece of [1, 99, 0])
      expect(await refusal(keepRest(database.context, runId, { piece }))).toMatchObject({ code: 'NOT_FOUND' })
    expect(await readRests(database.context, runId)).toEqual([])
    expect((await drawer(orange)).sheets).toEqual([])
  })
})

describe('what offcuts are good for', () => {
  test('three suggestions of different designs, within the minutes and the offcuts there are', async () => {
    expect(await readScraps(database.context, 40)).toEqual([])
    await put(orange, '8.7', '21', '4', true)
    const plum = await paper('Dusk Plum')
    await put(plum, '12', '12', '3', true)
    await put(plum, '21', '29.7', '50')
    const ideas = await readScraps(database.context, 40)
    expect(ideas).toHaveLength(3)
    expect(new Set(ideas.map(({ designId }) => designId)).size).toBe(3)
    for (const { seconds, pieces, used, sideMm, paper: of } of ideas) {
      expect(seconds).toBeLessThanOrEqual(40 * 60)
      expect(pieces).toBeGreaterThanOrEqual(1)
      expect(used).toBeLessThanOrEqual(1)
      // Whole sheets are not scraps.
      expect(sideMm).toBeLessThanOrEqual(of.id === plum ? 120 : 210)
    }
    const strip = (await drawer(orange)).sheets[0]!
    await ok(keepForStems(database.context, strip.stockItemId, true))
    expect((await readScraps(database.context, 40)).every(({ paper: of }) => of.id === plum)).toBe(true)
  })
  test('a strip against what is still wanted, and squares off its end (by hand: 21 x 8.7 gives 2 of 8.7, 2 of 3.6)', async () => {
    const id = await leaves('8', '3')
    const { wanted, squares, ideas } = await readFits(database.context, await drawer(orange), {
      widthUm: 210_000,
      heightUm: 87_000,
    })
    expect(wanted).toMatchObject([{ projectId: id, designName: 'Narrow leaf', fits: 2 }])
    expect(squares).toEqual([
      { sideMm: 87, count: 2 },
      { sideMm: 36, count: 2 },
    ])
    expect(ideas.length).toBeGreaterThan(5)
    const nothing = await readFits(database.context, await drawer(orange), {
      widthUm: 10_000,
      heightUm: 10_000,
    })
    expect(nothing).toEqual({ wanted: [], ideas: [], squares: [] })
  })
})

test('two windows tick the last sheets off at once: one has them, the other is told, none is cut twice', async () => {
  await put(orange, '21', '29.7', '5')
  const id = await leaves('15', '4')
  await ok(skipProof(database.context, id, (await view(id)).lines[0]!.id))
  const { cutPlan } = await view(id)
  const [layout] = cutPlan!.layouts
  const other = connect(`${database.folder}/kelpfield.db`)
  try {
    const input = { planId: cutPlan!.id, layoutId: layout!.id, sheets: String(layout!.sheets) }
    const results = await Promise.all([
      tickCut(database.context, id, input),
      tickCut({ ...database.context, db: other.db }, id, input),
    ])
    expect(results.filter((result) => result.ok)).toHaveLength(1)
    expect(results.find((result) => !result.ok)).toMatchObject({ code: 'ALREADY_CUT' })
    expect((await amounts(orange))[0]).toEqual([210, 297, 5 - layout!.sheets])
    expect((await view(id)).cuts).toHaveLength(1)
  } finally {
    await other.db.destroy()
  }
})

test('two windows plan with the same last sheets at once: no sheet is promised twice', async () => {
  await put(orange, '21', '29.7', '4')
  const other = connect(`${database.folder}/kelpfield.db`)
  try {
    const brief = (name: string) =>
      typedBrief(
        [typedLine({ sizing: 'sheet', size: '15', pieces: '3', papers: [{ paperId: orange, pieces: '3' }] })],
        {
          name,
          certainty: '0.8',
        },
      )
    await Promise.all([
      ok(saveBrief(database.context, null, brief('One'))),
      ok(saveBrief({ ...database.context, db: other.db }, null, brief('Other'))),
    ])
    const promised = await database.db.selectFrom('reservation').select('sheets').execute()
    expect(promised.reduce((sum, { sheets }) => sum + sheets, 0)).toBeLessThanOrEqual(4)
  } finally {
    await other.db.destroy()
  }
})

test('what is said of a paper changes: the plan says that it is out of date, and which way its sheets lie follows', async () => {
  await put(orange, '21', '29.7', '20')
  const line = typedLine({
    designId: 'framed-heart',
    variantKey: 'framed',
    sizing: 'sheet',
    size: '10',
    pieces: '9',
    papers: [{ paperId: orange, pieces: '9' }],
  })
  const variant = LIBRARY.find(({ id }) => id === 'framed-heart')!.variants[0]!.key
  const { projectId } = await ok(
    saveBrief(database.context, null, typedBrief([{ ...line, variantKey: variant }])),
  )
  const say = (change: object) => ok(savePaper(database.context, orange, typedPaper('Buoy Orange', change)))
  const standing = async () => (await view(projectId)).standing
  expect(await standing()).toEqual({ status: 'current' })
  await say({ turning: 'one way', grain: 'short' })
  expect(await amounts(orange)).toEqual([[297, 210, 20]])
  expect(await standing()).toEqual({ status: 'stale', because: 'other paper' })
  await ok(planAgain(database.context, projectId))
  const { cutPlan } = await view(projectId)
  expect(await standing()).toEqual({ status: 'current' })
  expect(cutPlan!.layouts.every(({ placements }) => placements.every(({ turned }) => !turned))).toBe(true)
  await say({ turning: 'one way', grain: 'short', toleranceMm: '2' })
  expect(await standing()).toEqual({ status: 'stale', because: 'other paper' })
  await ok(planAgain(database.context, projectId))
  for (const { placements, sheetUm } of (await view(projectId)).cutPlan!.layouts)
    for (const { xUm, yUm } of placements) {
      expect(xUm + 100_000).toBeLessThanOrEqual(sheetUm.widthUm - 2000)
      expect(yUm + 50_000).toBeLessThanOrEqual(sheetUm.heightUm - 2000)
    }
})
