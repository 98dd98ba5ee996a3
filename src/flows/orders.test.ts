import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok } from '../../test/deeds'
import type { DeedResult } from './deed'
import { addSheets, savePaper } from './deeds/papers'
import { chooseOrder, choosePlannedOrders, undoOrder } from './deeds/orders'
import { saveBrief } from './deeds/save-brief'
import { readColours } from './read/colours'
import { readProject } from './read/project'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const codeOf = async (result: Promise<DeedResult<unknown>>) => {
  const settled = await result
  return settled.ok ? 'done' : settled.code
}

const paper = async (name: string, frontColour: string): Promise<string> => {
  const fields = {
    name,
    feel: 'copier',
    grammageGsm: '80',
    caliperMm: '',
    pattern: 'plain',
    frontColour,
    backColour: '#ffffff',
    note: '',
  }
  const { paperId } = await ok(savePaper(database.context, null, fields))
  const sheets = { paperId, width: '21', height: '29.7', offcut: false, amount: '20', price: '' }
  await ok(addSheets(database.context, sheets))
  return paperId
}

const line = (papers: readonly { paperId: string; pieces: string }[], more: object = {}) => ({
  id: 'new-1',
  designId: 'narrow-leaf',
  variantKey: 'halved',
  sizing: 'finished',
  axis: 'tip-to-tip',
  size: '8.5',
  gauges: {},
  pieces: String(papers.reduce((sum, { pieces }) => sum + Number(pieces), 0)),
  attachedTo: '',
  made: 'batch',
  measures: {},
  colours: 'whole',
  shares: '',
  sharing: 'largest remainder',
  message: '',
  character: 'alike',
  perPiece: '',
  goesWith: '',
  sizeOf: '',
  sizePercent: '',
  papers,
  ...more,
})
const save = async (id: string | null, lines: readonly object[]): Promise<string> => {
  const brief = {
    name: 'Leaves',
    dueOn: '',
    certainty: '0.95',
    note: '',
    yearly: false,
    shoppingDays: '7',
    like: '',
    lines,
  }
  return (await ok(saveBrief(database.context, id, brief))).projectId
}
const seen = async (id: string) => {
  const project = await readProject(database.context, id)
  if (!project) throw new Error('no project')
  const { orders } = await readColours(database.context, project, 'ring')
  return { project, orders, station: project.stations.find(({ key }) => key === 'colour')?.state }
}

test('planned until chosen; every choice is a step, and steps are undone one by one', async () => {
  const [one, other] = [await paper('Tidewater', '#2c6e7f'), await paper('Oyster', '#e8dcc8')]
  const id = await save(null, [
    line([
      { paperId: one, pieces: '3' },
      { paperId: other, pieces: '3' },
    ]),
  ])
  const planned = await seen(id)
  const lineId = planned.project.lines[0]?.id ?? ''
  expect(planned.station).toBe('planned')
  expect(planned.orders[0]).toMatchObject({ chosen: null, outgrown: false, order: { clashes: [] } })
  const order = (at: readonly number[], locked: readonly number[] = []) =>
    chooseOrder(database.context, id, { lineId, seed: 4, papers: [one, other], at, locked })
  await ok(order([0, 0, 1, 1, 0, 1], [2]))
  expect(await seen(id)).toMatchObject({
    station: 'done',
    orders: [{ chosen: { seed: 4, locked: [2] }, order: { colours: [0, 0, 1, 1, 0, 1], fewest: false } }],
  })
  await ok(order([1, 1, 1, 0, 0, 0]))
  // Sent again, after an answer that got lost.
  await ok(order([1, 1, 1, 0, 0, 0]))
  expect((await seen(id)).orders[0]?.order?.colours).toEqual([1, 1, 1, 0, 0, 0])
  await ok(undoOrder(database.context, id, lineId))
  expect((await seen(id)).orders[0]?.order?.colours).toEqual([0, 0, 1, 1, 0, 1])
  await ok(undoOrder(database.context, id, lineId))
  expect(await seen(id)).toMatchObject({ station: 'planned', orders: [{ chosen: null }] })
  expect(await codeOf(undoOrder(database.context, id, lineId))).toBe('NO_ORDER_YET')
})

test('what is no order of its pieces is refused, and nothing is kept', async () => {
  const [one, other] = [await paper('Tidewater', '#2c6e7f'), await paper('Oyster', '#e8dcc8')]
  const id = await save(null, [
    line([
      { paperId: one, pieces: '3' },
      { paperId: other, pieces: '3' },
    ]),
  ])
  const lineId = (await seen(id)).project.lines[0]?.id ?? ''
  const good = { lineId, seed: 0, papers: [one, other], at: [0, 1, 0, 1, 0, 1], locked: [] }
  for (const [change, code] of [
    [{ at: [0, 1, 0, 1, 0] }, 'OTHER_PIECES'],
    [{ at: [0, 0, 0, 0, 1, 1] }, 'OTHER_PIECES'],
    [{ at: [0, 1, 0, 1, 0, 2] }, 'OTHER_PIECES'],
    [{ locked: [6] }, 'OTHER_PIECES'],
    [{ papers: [one, one] }, 'OTHER_PIECES'],
    [{ at: [0, 1, 0, 1, 0, -1] }, 'FIELDS'],
    [{ at: Array.from({ length: 10_000 }, () => 0) }, 'FIELDS'],
    [{ seed: 0.5 }, 'FIELDS'],
    [{ lineId: 'nobody' }, 'NOT_FOUND'],
  ] as const)
    expect([change, await codeOf(chooseOrder(database.context, id, { ...good, ...change }))]).toEqual([
      change,
      code,
    ])
  expect(await codeOf(chooseOrder(database.context, 'nobody', good))).toBe('NOT_FOUND')
  expect((await seen(id)).station).toBe('planned')
})

test('other numbers in the brief: the order is planned anew and says so; the old numbers bring the old one back', async () => {
  const [one, other] = [await paper('Tidewater', '#2c6e7f'), await paper('Oyster', '#e8dcc8')]
  const papers = (pieces: string) => [
    { paperId: one, pieces },
    { paperId: other, pieces: '3' },
  ]
  const id = await save(null, [line(papers('3'))])
  const lineId = (await seen(id)).project.lines[0]?.id ?? ''
  await ok(
    chooseOrder(database.context, id, {
      lineId,
      seed: 0,
      papers: [one, other],
      at: [0, 0, 0, 1, 1, 1],
      locked: [],
    }),
  )
  await save(id, [line(papers('4'), { id: lineId })])
  expect(await seen(id)).toMatchObject({ station: 'planned', orders: [{ chosen: null, outgrown: true }] })
  await save(id, [line(papers('3'), { id: lineId })])
  expect(await seen(id)).toMatchObject({
    station: 'done',
    orders: [{ outgrown: false, order: { colours: [0, 0, 0, 1, 1, 1] } }],
  })
})

test('one press chooses all that are planned; a project of one paper has nothing to choose', async () => {
  const [one, other] = [await paper('Tidewater', '#2c6e7f'), await paper('Oyster', '#e8dcc8')]
  const two = [
    { paperId: one, pieces: '6' },
    { paperId: other, pieces: '6' },
  ]
  const wreath = line(two, {
    id: 'new-2',
    made: 'wreath',
    measures: { pieces: '12', overlap: '0' },
    pieces: '',
  })
  const id = await save(null, [line(two), wreath])
  const before = await seen(id)
  await ok(choosePlannedOrders(database.context, id))
  const after = await seen(id)
  expect([before.station, after.station]).toEqual(['planned', 'done'])
  expect(after.orders.map(({ order }) => order?.colours)).toEqual(
    before.orders.map(({ order }) => order?.colours),
  )
  await ok(choosePlannedOrders(database.context, id))
  const lineId = after.project.lines[0]?.id ?? ''
  await ok(undoOrder(database.context, id, lineId))
  expect(await codeOf(undoOrder(database.context, id, lineId))).toBe('NO_ORDER_YET')
  const plain = await save(null, [line([{ paperId: one, pieces: '6' }])])
  expect((await seen(plain)).station).toBe('done')
})
