import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok } from '../../test/deeds'
import { markOf } from '../../test/view'
import { typedBrief, typedLine, typedPaper, typedSheets } from '../../test/typed'
import type { DeedResult } from './deed'
import { addSheets, savePaper } from './deeds/papers'
import { chooseOrder, choosePlannedOrders, undoOrder } from './deeds/orders'
import { cutProof } from './deeds/proofs'
import { saveBrief } from './deeds/save-brief'
import { swapPapers } from './deeds/swap-papers'
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
  const { paperId } = await ok(savePaper(database.context, null, typedPaper(name, { frontColour })))
  const sheets = typedSheets(paperId, '20')
  await ok(addSheets(database.context, sheets))
  return paperId
}

const line = (papers: readonly { paperId: string; pieces: string }[], more: object = {}) =>
  typedLine({
    pieces: String(papers.reduce((sum, { pieces }) => sum + Number(pieces), 0)),
    papers: [...papers],
    ...more,
  })
const save = async (id: string | null, lines: Parameters<typeof typedBrief>[0]): Promise<string> =>
  (await ok(saveBrief(database.context, id, typedBrief(lines, { seen: await markOf(database.context, id) }))))
    .projectId
const seen = async (id: string) => {
  const project = await readProject(database.context, id)
  if (!project) throw new Error('no project')
  const { orders } = await readColours(database.context, project, 'ring')
  return { project, orders, station: project.stations.find(({ key }) => key === 'colour')?.state }
}

const stepOf = async (id: string) => (await seen(id)).orders[0]?.chosen?.step ?? 0

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
  await ok(undoOrder(database.context, id, { lineId, step: await stepOf(id) }))
  expect((await seen(id)).orders[0]?.order?.colours).toEqual([0, 0, 1, 1, 0, 1])
  await ok(undoOrder(database.context, id, { lineId, step: await stepOf(id) }))
  expect(await seen(id)).toMatchObject({ station: 'planned', orders: [{ chosen: null }] })
  expect(await codeOf(undoOrder(database.context, id, { lineId, step: 1 }))).toBe('NO_ORDER_YET')
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
  await ok(undoOrder(database.context, id, { lineId, step: await stepOf(id) }))
  expect(await codeOf(undoOrder(database.context, id, { lineId, step: 1 }))).toBe('NO_ORDER_YET')
  const plain = await save(null, [line([{ paperId: one, pieces: '6' }])])
  expect((await seen(plain)).station).toBe('done')
})

test('other papers take the places of those there are, with their pieces and in the order that was chosen', async () => {
  const [one, other, third] = [
    await paper('Tidewater', '#2c6e7f'),
    await paper('Oyster', '#e8dcc8'),
    await paper('Dusk Plum', '#6a4a66'),
  ]
  const id = await save(null, [
    line([
      { paperId: one, pieces: '4' },
      { paperId: other, pieces: '2' },
    ]),
  ])
  const lineId = (await seen(id)).project.lines[0]!.id
  const at = [0, 1, 0, 0, 1, 0]
  await ok(chooseOrder(database.context, id, { lineId, seed: 3, papers: [one, other], at, locked: [1] }))
  await ok(swapPapers(database.context, id, { lineId, instead: { [one]: third } }))
  const after = await seen(id)
  expect(after.project.lines[0]!.papers.map(({ paper: { id: of }, goodUnits }) => [of, goodUnits])).toEqual([
    [third, 4],
    [other, 2],
  ])
  expect(after.orders[0]).toMatchObject({ outgrown: false, chosen: { seed: 3, locked: [1] } })
  const named = after.orders[0]!.order!.colours.map((colour) => after.orders[0]!.counts[colour]!.paper.id)
  expect(named).toEqual(at.map((colour) => (colour === 0 ? third : other)))
  // Both exchanged for each other, in one go.
  await ok(swapPapers(database.context, id, { lineId, instead: { [third]: other, [other]: third } }))
  expect((await seen(id)).project.lines[0]!.papers.map(({ paper: { id: of } }) => of)).toEqual([other, third])
})
test('two papers cannot become one, a paper that is none is refused, and so is what is begun', async () => {
  const [one, other] = [await paper('Tidewater', '#2c6e7f'), await paper('Oyster', '#e8dcc8')]
  const id = await save(null, [
    line([
      { paperId: one, pieces: '4' },
      { paperId: other, pieces: '2' },
    ]),
  ])
  const lineId = (await seen(id)).project.lines[0]!.id
  const swap = (instead: Record<string, string>) =>
    codeOf(swapPapers(database.context, id, { lineId, instead }))
  expect(await swap({ [one]: other })).toBe('FIELDS')
  expect(await swap({ [one]: 'none' })).toBe('NOT_FOUND')
  expect(await codeOf(swapPapers(database.context, id, { lineId: 'none', instead: {} }))).toBe('NOT_FOUND')
  await ok(cutProof(database.context, id, { lineId, paperId: one }))
  const third = await paper('Dusk Plum', '#6a4a66')
  expect(await swap({ [one]: third })).toBe('PAPERS_BEGUN')
})

test('flowers and leaves of the same bottles are seen among each other, each in its own order', async () => {
  const [one, other] = [await paper('Tidewater', '#2c6e7f'), await paper('Oyster', '#e8dcc8')]
  const bottles = {
    made: 'bouquet' as const,
    measures: { bouquets: '2', each: '3', stem: '', vase: '' },
    id: 'new-1',
  }
  const id = await save(null, [
    line(
      [
        { paperId: one, pieces: '4' },
        { paperId: other, pieces: '2' },
      ],
      bottles,
    ),
    line([{ paperId: one, pieces: '' }], {
      ...bottles,
      id: 'new-2',
      goesWith: 'new-1',
      measures: { bouquets: '', each: '1', stem: '', vase: '' },
    }),
  ])
  const { orders } = await seen(id)
  expect(orders.map(({ orderable, besides }) => [orderable, besides.length])).toEqual([
    [true, 1],
    [false, 1],
  ])
  expect(orders[0]!.hung!.scene.places).toHaveLength(6)
  expect(orders[0]!.besides[0]!.hung.scene.places).toHaveLength(2)
  await ok(choosePlannedOrders(database.context, id))
  expect((await seen(id)).orders[0]!.chosen).not.toBeNull()
})

test('lines may follow each other any way round: each is written, and read as it was', async () => {
  const one = await paper('Tidewater', '#2c6e7f')
  const papers = [{ paperId: one, pieces: '' }]
  // The first is half as large as the second; the second is glued to the first, two to each.
  const id = await save(null, [
    line(papers, { id: 'new-1', pieces: '6', sizeOf: 'new-2', sizePercent: '50' }),
    line(papers, { id: 'new-2', pieces: '', size: '12', attachedTo: 'new-1', perPiece: '2' }),
  ])
  const [first, second] = (await seen(id)).project.lines
  expect(first).toMatchObject({ askedMm: 60, sizeOf: { lineId: second!.id, percent: 50 }, attachedTo: null })
  expect(second).toMatchObject({ pieces: 12, attachedTo: first!.id, perPiece: 2, sizeOf: null })
})
