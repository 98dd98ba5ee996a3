import { typedBrief, typedPaper, typedRosette, typedSheets } from '../../test/typed'
import { temporaryDatabase, TEST_NOW_MS, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { markOf, projectView } from '../../test/view'
import { checkCutPlan, countsOf, THOROUGH, planExactly } from '@/core/cut'
import { demandOf } from '@/core/plan'
import { theSolver } from '@/solvers/on-the-server'
import { archiveProject } from './deeds/archive-project'
import { tickCut, undoCut } from './deeds/cuts'
import { addSheets, savePaper } from './deeds/papers'
import { cutApart, cutTogether, planAgain, takeFoundPlan } from './deeds/plan-cuts'
import { skipProof } from './deeds/proofs'
import { recordEvents, startProjectRun } from './deeds/runs'
import { saveBrief } from './deeds/save-brief'
import { readDrawer } from './read/papers'
import type { ProjectView } from './read/project'
import { readTogether } from './read/together'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const view = (id: string) => projectView(database.context, id)

async function drawer(sheets = '40'): Promise<string> {
  const { context } = database
  const { paperId } = await ok(savePaper(context, null, typedPaper('Buoy Orange')))
  await ok(addSheets(context, typedSheets(paperId, sheets, '0.14')))
  return paperId
}

async function projectOf(
  name: string,
  paperId: string,
  pieces: string,
  dueOn = '2027-03-20',
): Promise<string> {
  const brief = { ...typedBrief([]), name, dueOn, lines: [typedRosette(paperId, pieces, { size: '5' })] }
  const { projectId } = await ok(saveBrief(database.context, null, brief))
  const { lines } = await view(projectId)
  await ok(skipProof(database.context, projectId, lines[0]!.id))
  return projectId
}

/** Two projects of odd counts on one paper: a sheet gives two pieces, so each alone wastes half a sheet. */
async function both(sheets?: string) {
  const paperId = await drawer(sheets)
  return {
    paperId,
    a: await projectOf('Lids', paperId, '4'),
    b: await projectOf('Table', paperId, '4', '2027-03-24'),
  }
}
const together = (a: string, ...projects: string[]) => ok(cutTogether(database.context, a, { projects }))
const reservations = () => database.db.selectFrom('reservation').selectAll().execute()
const tickAll = async (id: string) => {
  const { cutPlan } = await view(id)
  for (const { id: layoutId, sheets } of cutPlan!.layouts)
    await ok(tickCut(database.context, id, { planId: cutPlan!.id, layoutId, sheets: String(sheets) }))
}
const waiting = async (id: string) => (await view(id)).lines[0]!.papers[0]!.waitingUnits
const whole = async () =>
  (await readDrawer(database.context))[0]!.sheets.find(({ offcut }) => !offcut)!.amount

describe('projects cut together', () => {
  test('are one plan: fewer sheets than each by itself, a sheet with pieces of both, the plan checked', async () => {
    const { a, b } = await both()
    const { companions, asked } = await readTogether(database.context, a, [b])
    expect(companions).toMatchObject([{ id: b, joined: false, papers: [{ name: 'Buoy Orange' }] }])
    const alone = [await view(a), await view(b)].map(({ facts }) => facts.sheetsToCut)
    expect(asked!.now.sheets).toBe(alone[0]! + alone[1]!)
    expect(companions[0]!.figures).toEqual(asked)
    expect(asked!.together.sheets).toBeLessThan(asked!.now.sheets)
    await together(a, b)
    const [one, other] = [await view(a), await view(b)]
    expect(one.cutPlan!.id).toBe(other.cutPlan!.id)
    expect(checkCutPlan(one.cutPlan!.problem, one.cutPlan!.plan)).toEqual([])
    expect([one.standing, other.standing]).toEqual([{ status: 'current' }, { status: 'current' }])
    const lines = (layout: Parameters<typeof countsOf>[0]) =>
      new Set([...countsOf(layout).keys()].map((key) => demandOf(key).lineId))
    expect(one.cutPlan!.layouts.some((layout) => lines(layout).size === 2)).toBe(true)
    const taken = one.cutPlan!.plan.layouts.reduce((sum, { sheets }) => sum + sheets, 0)
    expect(taken).toBe(asked!.together.sheets)
    // Promised once, to the earlier of them.
    expect(await reservations()).toMatchObject([{ project_id: a, sheets: taken }])
    expect(one.together).toMatchObject([{ id: b, name: 'Table' }])
    expect(other.together).toMatchObject([{ id: a, name: 'Lids' }])
  })
  test('each shows the sheets that give it pieces, and no others', async () => {
    const paperId = await drawer()
    const [a, b] = [
      await projectOf('Lids', paperId, '9'),
      await projectOf('Table', paperId, '2', '2027-03-24'),
    ]
    await together(a, b)
    const [one, other] = [await view(a), await view(b)]
    const sheetsOf = ({ cutPlan }: ProjectView) =>
      cutPlan!.layouts.reduce((sum, { sheets }) => sum + sheets, 0)
    expect(sheetsOf(other)).toBeLessThan(sheetsOf(one))
    for (const { lines, cutPlan } of [one, other])
      for (const layout of cutPlan!.layouts)
        expect([...countsOf(layout).keys()].map((key) => demandOf(key).lineId)).toContain(lines[0]!.id)
    expect(one.facts.sheetsToCut).toBe(sheetsOf(one))
  })
  test('a sheet ticked off at one gives both their pieces, once; taken back, it is taken from both', async () => {
    const { a, b } = await both()
    await together(a, b)
    const before = await whole()
    await tickAll(b)
    await tickAll(a)
    const [one, other] = [await view(a), await view(b)]
    expect(one.lines[0]!.papers[0]!.unitsToCut + other.lines[0]!.papers[0]!.unitsToCut).toBe(0)
    const wanted = (project: ProjectView) =>
      project.lines[0]!.papers[0]!.goodUnits + project.lines[0]!.papers[0]!.spareUnits
    expect(await waiting(a)).toBeGreaterThanOrEqual(wanted(one))
    expect(await waiting(b)).toBeGreaterThanOrEqual(wanted(other))
    expect(await reservations()).toEqual([])
    const gone = before - (await whole())
    const shared = one.cuts.find(({ pieces }) => pieces.length === 2)!
    expect(other.cuts.map(({ id }) => id)).toContain(shared.id)
    const was = [await waiting(a), await waiting(b)]
    await ok(undoCut(database.context, a, shared.id))
    expect(await waiting(a)).toBeLessThan(was[0]!)
    expect(await waiting(b)).toBeLessThan(was[1]!)
    expect(before - (await whole())).toBe(gone - shared.sheets)
    expect((await reservations()).reduce((sum, { sheets }) => sum + sheets, 0)).toBe(shared.sheets)
    expect((await view(b)).standing).toEqual({ status: 'current' })
    await tickAll(b)
    expect([await waiting(a), await waiting(b)]).toEqual(was)
  })
  test.each([false, true])(
    'a cut is not taken back once the other project has folded of it: the later %s',
    async (swapped) => {
      const { paperId, ...two } = await both()
      const [a, b] = swapped ? [two.b, two.a] : [two.a, two.b]
      await together(a, b)
      await tickAll(a)
      await tickAll(b)
      const { lines, cuts } = await view(b)
      const { runId } = await ok(
        startProjectRun(database.context, b, {
          lineId: lines[0]!.id,
          partKey: lines[0]!.parts[0]!.key,
          paperId,
          grain: 'piece',
          order: 'piece by piece',
          hand: 'right',
          way: 'whole',
          pieces: '4',
          traySize: '2',
        }),
      )
      const first = { id: 'tap-1-aaaaaa', lane: 1, atMs: TEST_NOW_MS, kind: 'done', piece: 1, step: 7 }
      const events = [{ ...first, repeat: 1, attempt: 0, lapMs: 60_000 }]
      await ok(recordEvents(database.context, runId, { epoch: '', since: 0, events }))
      expect((await view(b)).lines[0]!.papers[0]!.usableUnits).toBe(1)
      const shared = cuts.find(({ pieces }) => pieces.length === 2)!
      expect(await refusal(undoCut(database.context, a, shared.id))).toMatchObject({ code: 'CUT_IN_USE' })
    },
  )
  test('what one of them wants more is planned for both; what is done leaves the other alone', async () => {
    const { a, b, paperId } = await both()
    await together(a, b)
    const { lines } = await view(b)
    const more = { ...typedRosette(paperId, '9', { size: '5' }), id: lines[0]!.id }
    await ok(
      saveBrief(database.context, b, {
        ...typedBrief([]),
        name: 'Table',
        dueOn: '2027-03-24',
        lines: [more],
        seen: await markOf(database.context, b),
      }),
    )
    const [one, other] = [await view(a), await view(b)]
    expect(one.cutPlan!.id).toBe(other.cutPlan!.id)
    expect(other.cutPlan!.problem.demands.map(({ key }) => demandOf(key).lineId).toSorted()).toEqual(
      [one.lines[0]!.id, other.lines[0]!.id].toSorted(),
    )
    await tickAll(a)
    await ok(planAgain(database.context, b))
    expect((await view(b)).together).toEqual([])
    expect((await view(a)).facts.sheetsToCut).toBe(0)
  })
  test('apart again, put away, or given up: each has its own plan and its own sheets', async () => {
    const { a, b } = await both()
    const alone = (await view(a)).facts.sheetsToCut
    await together(a, b)
    await ok(cutApart(database.context, b))
    for (const id of [a, b]) {
      expect((await view(id)).together).toEqual([])
      expect((await view(id)).standing).toEqual({ status: 'current' })
    }
    expect((await reservations()).map(({ project_id }) => project_id).toSorted()).toEqual([a, b].toSorted())
    await together(b, a)
    await ok(archiveProject(database.context, a, true))
    const left = await view(b)
    expect(left).toMatchObject({
      together: [],
      standing: { status: 'current' },
      facts: { sheetsToCut: alone },
    })
    expect(await reservations()).toMatchObject([{ project_id: b, sheets: alone }])
    await ok(archiveProject(database.context, a, false))
    expect((await view(a)).standing).toEqual({ status: 'current' })
    // The later one goes: what it wanted is no longer cut, though the sheets were promised to the earlier.
    await together(a, b)
    await ok(archiveProject(database.context, b, true))
    expect(await view(a)).toMatchObject({ together: [], facts: { sheetsToCut: alone } })
    expect(await reservations()).toMatchObject([{ project_id: a, sheets: alone }])
  })
  test('a sheet that was cut for both is taken back after they were parted: each wants its pieces again', async () => {
    const { a, b } = await both()
    await together(a, b)
    const { cutPlan } = await view(a)
    const mixed = cutPlan!.layouts.find(({ share }) => share < 1)!
    expect(mixed.share).toBeCloseTo(0.5, 9)
    await ok(tickCut(database.context, a, { planId: cutPlan!.id, layoutId: mixed.id, sheets: '1' }))
    const wanted = async () =>
      (await Promise.all([view(a), view(b)])).map(({ lines }) => lines[0]!.papers[0]!.unitsToCut)
    const cut = await wanted()
    await ok(cutApart(database.context, a))
    expect(await wanted()).toEqual(cut)
    await ok(undoCut(database.context, b, (await view(b)).cuts[0]!.id))
    expect(await wanted()).toEqual(cut.map((count) => count + 1))
    for (const id of [a, b]) expect((await view(id)).standing).toEqual({ status: 'current' })
  })
  test('no sheet is promised twice where the drawer is too small, and the pieces missing are told at their own', async () => {
    const { a, b } = await both('4')
    await together(a, b)
    const taken = (await reservations()).reduce((sum, { sheets }) => sum + sheets, 0)
    expect(taken).toBeLessThanOrEqual(4)
    const short = [await view(a), await view(b)].map(({ facts }) => facts.shortUnits)
    const { plan } = (await view(a)).cutPlan!
    expect(plan.status === 'short' && plan.missing.reduce((sum, { count }) => sum + count, 0)).toBe(
      short[0]! + short[1]!,
    )
  })
  test('a plan that a browser found is taken for all of them', async () => {
    const { a, b } = await both()
    await together(a, b)
    const { cutPlan } = await view(a)
    const { layouts, proofs = [] } = planExactly(cutPlan!.problem, await theSolver(), THOROUGH)
    const found = {
      planId: cutPlan!.id,
      layouts,
      proofs: proofs.map(({ paperId, multipliers }) => ({ paperId, multipliers })),
    }
    await ok(takeFoundPlan(database.context, b, found))
    expect((await view(a)).cutPlan!.id).toBe((await view(b)).cutPlan!.id)
    expect((await view(b)).standing).toEqual({ status: 'current' })
  })
  test('refused: nobody chosen, a project that is not there, put away or has nothing to cut, too many', async () => {
    const { a, b, paperId } = await both()
    const asked = (projects: unknown) => refusal(cutTogether(database.context, a, { projects }))
    expect(await asked([])).toMatchObject({ code: 'NOTHING_TO_CUT_TOGETHER' })
    expect(await asked([a])).toMatchObject({ code: 'NOTHING_TO_CUT_TOGETHER' })
    expect(await asked(['nowhere'])).toMatchObject({ code: 'NOT_FOUND' })
    expect(await asked('all')).toMatchObject({ code: 'FIELDS' })
    expect(await asked(Array.from({ length: 9 }, (_, index) => `p${index}`))).toMatchObject({
      code: 'FIELDS',
    })
    const away = await projectOf('Gate', paperId, '3')
    await ok(archiveProject(database.context, away, true))
    expect(await asked([b, away])).toMatchObject({
      code: 'NOTHING_TO_CUT_TOGETHER',
      detail: { projects: 'Gate' },
    })
    expect((await view(a)).together).toEqual([])
    // Nine by way of those that one of them is cut together with already.
    const more: string[] = []
    for (let index = 0; index < 7; index++) more.push(await projectOf(`Gate ${index}`, paperId, '1'))
    await ok(cutTogether(database.context, b, { projects: more.slice(0, 4) }))
    expect(await asked([b, ...more.slice(4)])).toMatchObject({
      code: 'TOO_MANY_TOGETHER',
      detail: { most: 8 },
    })
  })
})
