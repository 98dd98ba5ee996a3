import { typedPaper, typedSheets } from '../../test/typed'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { addSheets, savePaper } from './deeds/papers'
import { takeTableIn } from './deeds/take-table-in'
import { previewDrawer, type TableMeans } from './drawer-table'
import { once } from './once'
import { drawerAsCsv } from './read/drawer-table'
import { readDrawer, readMoves } from './read/papers'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const TABLE = [
  'paper;width;height;sheets;offcut;price;feel;grain;turning;colour_side;note',
  'Tidewater;21;29,7;25;;0,14;thin;short;one way;#2C6E7F;from the mill',
  'Tidewater;15;15;40;;;;;;;',
  'Tidewater;8,7;21;3;yes;;;;;;',
  'Oyster;;;;;;soft;;;;',
].join('\r\n')
const shown = async (text: string, means: TableMeans = 'put in') => {
  const preview = await previewDrawer(database.context, text, means)
  if (!preview.ok) throw new Error(preview.fault.code)
  return preview
}
const takeIn = async (text: string, means: TableMeans = 'put in') => {
  const { stamp } = await shown(text, means)
  return takeTableIn(database.context, { text, means, stamp })
}

test('a drawer typed in a spreadsheet comes in as its preview shows', async () => {
  const preview = await shown(TABLE)
  expect(preview).toMatchObject({ refused: [], unread: [], newPapers: 2 })
  expect(preview.rows.map(({ row, paper, isNew, now, then }) => [row, paper, isNew, now, then])).toEqual([
    [2, 'Tidewater', true, 0, 25],
    [3, 'Tidewater', true, 0, 40],
    [4, 'Tidewater', true, 0, 3],
    [5, 'Oyster', true, 0, 0],
  ])
  expect(await readDrawer(database.context)).toEqual([])
  expect(await ok(takeIn(TABLE))).toEqual({ rows: 4, papers: 2 })
  const [oyster, tidewater] = await readDrawer(database.context)
  expect(oyster).toMatchObject({ name: 'Oyster', feel: 'soft', sheets: [] })
  expect(tidewater).toMatchObject({
    feel: 'thin',
    grain: 'short',
    turnable: false,
    frontColour: '#2c6e7f',
    note: 'from the mill',
  })
  // The grain runs along the short side, so that is the height.
  expect(
    tidewater!.sheets.map(({ widthMm, heightMm, amount, offcut, priceMinor }) => [
      widthMm,
      heightMm,
      amount,
      offcut,
      priceMinor,
    ]),
  ).toEqual([
    [297, 210, 25, false, 14],
    [150, 150, 40, false, null],
    [87, 210, 3, true, null],
  ])
})

test('what is saved as a table is taken in again as it was: nothing moves', async () => {
  await ok(takeIn(TABLE))
  const before = await readDrawer(database.context)
  const text = await drawerAsCsv(database.context)
  const preview = await shown(text, 'counted')
  expect(preview.refused).toEqual([])
  expect(preview.rows.every(({ now, then, isNew }) => now === then && !isNew)).toBe(true)
  const moves = await readMoves(database.context, before[1]!.id)
  await ok(takeIn(text, 'counted'))
  expect(await readDrawer(database.context)).toEqual(before)
  expect(await readMoves(database.context, before[1]!.id)).toEqual(moves)
  // And into an empty drawer, the same drawer but for the ids.
  const other = await temporaryDatabase()
  try {
    const { stamp } = (await previewDrawer(other.context, text, 'put in')) as { stamp: string }
    await ok(takeTableIn(other.context, { text, means: 'put in', stamp }))
    const plain = (drawer: Awaited<ReturnType<typeof readDrawer>>) =>
      drawer.map(({ id: _, sheets, ...paper }) => ({
        ...paper,
        sheets: sheets.map(({ stockItemId: __, ...sheet }) => sheet),
      }))
    expect(plain(await readDrawer(other.context))).toEqual(plain(before))
  } finally {
    await other.remove()
  }
})

test('a count sets what is there, as one movement; the paper that is known keeps what is said of it', async () => {
  const { paperId } = await ok(savePaper(database.context, null, typedPaper('Tidewater')))
  await ok(addSheets(database.context, typedSheets(paperId, '30')))
  await ok(takeIn('paper,width,height,sheets,feel\nTIDEWATER,29.7,21,25,heavy', 'counted'))
  const [tidewater] = await readDrawer(database.context)
  expect(tidewater).toMatchObject({ name: 'Tidewater', feel: 'copier' })
  expect(tidewater!.sheets[0]).toMatchObject({ amount: 25 })
  const [counted] = await readMoves(database.context, paperId)
  expect(counted).toMatchObject({ kind: 'counted', delta: -5, canUndo: true })
})

test('a drawer that changed since the preview, or another table: refused, and nothing of it is kept', async () => {
  const { stamp } = await shown(TABLE)
  await ok(savePaper(database.context, null, typedPaper('Oyster')))
  const late = takeTableIn(database.context, { text: TABLE, means: 'put in', stamp })
  expect(await refusal(late)).toMatchObject({ code: 'DRAWER_CHANGED' })
  const other = takeTableIn(database.context, { text: 'paper\nReed', means: 'put in', stamp })
  expect(await refusal(other)).toMatchObject({ code: 'DRAWER_CHANGED' })
  expect((await readDrawer(database.context)).map(({ name }) => name)).toEqual(['Oyster'])
})

test('rows that cannot be read stay out, the others come; one press twice comes once', async () => {
  const text = 'paper,width,height,sheets\nOyster,21,29.7,5\nReed,0,29.7,5\nSea Holly,15,15,-2'
  const { stamp, refused } = await shown(text)
  expect(refused.map(({ row, column }) => [row, column])).toEqual([
    [3, 'width'],
    [4, 'sheets'],
  ])
  const input = { text, means: 'put in', stamp }
  const press = () =>
    once(database.context, { id: 'press-1', kind: 'take a table in', input }, (inDeed) =>
      takeTableIn(inDeed, input),
    )
  await ok(press())
  await ok(press())
  const drawer = await readDrawer(database.context)
  expect(drawer.map(({ name, sheets }) => [name, sheets[0]?.amount])).toEqual([['Oyster', 5]])
})
