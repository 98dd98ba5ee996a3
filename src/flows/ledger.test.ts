import { typedBrief, typedPaper, typedRosette, typedSheets } from '../../test/typed'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { tickCut } from './deeds/cuts'
import { takeSheets, undoMove } from './deeds/ledger'
import { addSheets, countSheets, savePaper } from './deeds/papers'
import { skipProof } from './deeds/proofs'
import { saveBrief } from './deeds/save-brief'
import { readDrawerPaper, readMoves } from './read/papers'
import { readProject } from './read/project'
import { rebuildStockLevels } from '@/data/repositories/stock'

let database: TemporaryDatabase
let paperId = ''
beforeEach(async () => {
  database = await temporaryDatabase()
  paperId = (await ok(savePaper(database.context, null, typedPaper('Buoy Orange')))).paperId
  await put('20')
})
afterEach(() => database.remove())

const put = (amount: string) => ok(addSheets(database.context, typedSheets(paperId, amount)))
const sheets = async () =>
  (await readDrawerPaper(database.context, paperId))!.sheets.find((one) => !one.offcut)!
const moves = () => readMoves(database.context, paperId)
const take = async (change: object = {}) =>
  takeSheets(database.context, {
    stockItemId: (await sheets()).stockItemId,
    amount: '3',
    kind: 'spoiled',
    note: 'tea',
    ...change,
  })
const project = async (pieces = '12') => {
  const line = typedRosette(paperId, pieces)
  const { projectId } = await ok(
    saveBrief(database.context, null, { ...typedBrief([]), name: 'Lids', lines: [line] }),
  )
  return projectId
}

test('sheets that are spoiled or given away go, with why; any of it can be taken back once', async () => {
  await ok(take())
  await ok(take({ amount: '2', kind: 'given away', note: '' }))
  expect((await sheets()).amount).toBe(15)
  const [given, spoiled, bought] = await moves()
  expect(spoiled).toMatchObject({ kind: 'spoiled', delta: -3, note: 'tea', canUndo: true })
  await ok(undoMove(database.context, spoiled!.id))
  expect((await sheets()).amount).toBe(18)
  expect(await refusal(undoMove(database.context, spoiled!.id))).toMatchObject({ code: 'MOVE_UNDONE' })
  const [undone] = await moves()
  expect(undone).toMatchObject({ kind: 'undone', delta: 3, canUndo: false })
  expect(await refusal(undoMove(database.context, undone!.id))).toMatchObject({ code: 'MOVE_UNDONE' })
  await ok(undoMove(database.context, given!.id))
  await ok(undoMove(database.context, bought!.id))
  expect((await sheets()).amount).toBe(0)
  // The levels are a projection of the ledger.
  await rebuildStockLevels(database.db)
  expect((await sheets()).amount).toBe(0)
})

test('a count is taken back too; one that would leave less than nothing is refused', async () => {
  await ok(countSheets(database.context, { stockItemId: (await sheets()).stockItemId, amount: '50' }))
  await ok(take({ amount: '45' }))
  const counted = (await moves()).find(({ kind }) => kind === 'counted')!
  expect((await refusal(undoMove(database.context, counted.id))).code).toBe('NOT_ENOUGH_STOCK')
  expect((await sheets()).amount).toBe(5)
})

test('what a project counts with is not taken away unseen: the refusal names it', async () => {
  await project()
  const [bought] = await moves()
  expect(await refusal(undoMove(database.context, bought!.id))).toMatchObject({
    code: 'MOVE_IN_USE',
    detail: { projects: 'Lids' },
  })
  // More than what is promised can go.
  await put('5')
  const [more] = await moves()
  await ok(undoMove(database.context, more!.id))
  expect((await sheets()).amount).toBe(20)
})

test('a cut is taken back at its project, which the refusal names', async () => {
  const id = await project()
  const before = (await readProject(database.context, id))!
  await ok(skipProof(database.context, id, before.lines[0]!.id))
  const { cutPlan } = (await readProject(database.context, id))!
  const [layout] = cutPlan!.layouts
  await ok(tickCut(database.context, id, { planId: cutPlan!.id, layoutId: layout!.id, sheets: '1' }))
  const cut = (await moves()).find(({ kind }) => kind === 'cut')!
  expect(cut.canUndo).toBe(false)
  expect(await refusal(undoMove(database.context, cut.id))).toMatchObject({
    code: 'MOVE_OF_CUT',
    detail: { projects: 'Lids' },
  })
})

test('sheets that go are missed by who counted with them', async () => {
  const id = await project()
  await ok(take({ amount: '20', note: '' }))
  const { facts, standing } = (await readProject(database.context, id))!
  expect(facts.shortUnits).toBeGreaterThan(0)
  expect(standing.status).toBe('current')
})

test.each([
  ['amount', '0'],
  ['amount', '-3'],
  ['amount', '1e9'],
  ['amount', ''],
  ['amount', '21'],
  ['kind', 'eaten'],
  ['note', 'x'.repeat(201)],
])('%s "%s" is refused at its field, and nothing goes', async (field, value) => {
  expect(Object.keys((await refusal(take({ [field]: value }))).fields)).toEqual([field])
  expect((await sheets()).amount).toBe(20)
})
test('movements and sizes that are not there are refused', async () => {
  expect(await refusal(undoMove(database.context, 'none'))).toMatchObject({ code: 'NOT_FOUND' })
  expect(await refusal(take({ stockItemId: 'none' }))).toMatchObject({ code: 'NOT_FOUND' })
})
