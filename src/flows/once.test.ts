import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { typedPaper, typedSheets } from '../../test/typed'
import { addSheets, savePaper } from './deeds/papers'
import { deed, RefusalError } from './deed'
import { once } from './once'
import { readDrawer } from './read/papers'

let database: TemporaryDatabase
let paperId = ''
const PAPER = typedPaper('Reed Green')
const sheets = (amount: string) => typedSheets(paperId, amount)
const add = (id: unknown, amount: string) =>
  once(database.context, { id, kind: 'add sheets', input: sheets(amount) }, (context) =>
    addSheets(context, sheets(amount)),
  )
const inDrawer = async () =>
  (await readDrawer(database.context))
    .flatMap((paper) => paper.sheets)
    .reduce((sum, one) => sum + one.amount, 0)

beforeAll(async () => {
  database = await temporaryDatabase()
  const saved = await savePaper(database.context, null, PAPER)
  if (saved.ok) paperId = saved.value.paperId
})
afterAll(() => database.remove())

test('a press that arrives twice, at the same time or late, counts once and gets the same answer', async () => {
  const [first, second] = await Promise.all([add('press-1', '10'), add('press-1', '10')])
  expect(first).toEqual({ ok: true, value: null })
  expect(second).toEqual(first)
  await add('press-2', '5')
  expect(await add('press-1', '10')).toEqual(first)
  expect(await inDrawer()).toBe(15)
})

test('the same press with other values is refused: something was kept already, and its answer got lost', async () => {
  expect(await add('press-1', '12')).toMatchObject({ ok: false, code: 'ALREADY_KEPT' })
  expect(await inDrawer()).toBe(15)
})

test('a press that was refused leaves nothing, so that it can be mended and sent again', async () => {
  expect(await add('press-3', 'many')).toMatchObject({ ok: false, code: 'FIELDS' })
  expect(await add('press-3', '1')).toMatchObject({ ok: true })
  expect(await inDrawer()).toBe(16)
})

test('a deed that is refused half way through keeps nothing of what it wrote', async () => {
  const half = once(database.context, { id: 'press-4', kind: 'half', input: null }, (context) =>
    deed(context, async (inDeed) => {
      await addSheets(inDeed, sheets('100'))
      throw new RefusalError('NOT_ENOUGH_STOCK')
    }),
  )
  expect(await half).toMatchObject({ ok: false, code: 'NOT_ENOUGH_STOCK' })
  expect(await inDrawer()).toBe(16)
})

test('a paper added twice with one press is one paper; without the press its name would be taken', async () => {
  const paper = { ...PAPER, name: 'Tidewater' }
  const addPaper = (id: string) =>
    once(database.context, { id, kind: 'add a paper', input: paper }, (context) =>
      savePaper(context, null, paper),
    )
  const first = await addPaper('press-5')
  expect(first).toMatchObject({ ok: true })
  expect(await addPaper('press-5')).toEqual(first)
  expect(await addPaper('press-6')).toMatchObject({ ok: false, code: 'FIELDS' })
})

test.each([[undefined], [null], [42], [{ toString: () => 'press-1' }], ['../x'], ['x'.repeat(65)]])(
  'a press whose id is %p does nothing',
  async (id) => {
    expect(await add(id, '1')).toMatchObject({ ok: false })
    expect(await inDrawer()).toBe(16)
  },
)

test('presses are remembered for months, not for ever', async () => {
  const DAY_MS = 24 * 60 * 60 * 1000
  const later = (days: number) => ({ ...database.context, nowMs: database.context.nowMs + days * DAY_MS })
  const press = { id: 'long-1', kind: 'count', input: null }
  const count = jest.fn(() => Promise.resolve({ ok: true as const, value: null }))
  await once(database.context, press, count)
  await once(later(89), { ...press, id: 'long-2' }, count)
  await once(later(89), press, count)
  expect(count).toHaveBeenCalledTimes(2)
  await once(later(91), { ...press, id: 'long-3' }, count)
  await once(later(91), press, count)
  expect(count).toHaveBeenCalledTimes(4)
})
