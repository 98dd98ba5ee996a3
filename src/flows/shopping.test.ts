import { typedBrief, typedLine, typedPaper, typedRosette, typedSheets } from '../../test/typed'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { askShop, forgetPack, savePack, takeInPacks } from './deeds/packs'
import { measuredNamed } from '../../test/library'
import { daysOn } from '@/schema/days'
import { addSheets, savePaper } from './deeds/papers'
import { saveBrief } from './deeds/save-brief'
import { addSupply } from './deeds/supplies'
import { readPacks } from './read/packs'
import { readDrawerPaper } from './read/papers'
import { readShopping } from './read/shopping'

let database: TemporaryDatabase
let paperId = ''
beforeEach(async () => {
  database = await temporaryDatabase()
  paperId = (await ok(savePaper(database.context, null, typedPaper('Oyster')))).paperId
})
afterEach(() => database.remove())

const pack = (change: object = {}) =>
  savePack(database.context, {
    paperId,
    form: 'sheets',
    width: '21',
    height: '29.7',
    sheets: '10',
    price: '2.10',
    leadDays: '3',
    ...change,
  })
/** Rosettes of 5 cm: squares of 14.1 cm with the overhang, two to an A4. */
const project = async (pieces: string, dueOn = '2027-02-01', name = 'Lids') => {
  const line = typedRosette(paperId, pieces)
  await ok(saveBrief(database.context, null, typedBrief([line], { name, dueOn })))
}
const TODAY = '2026-12-01'
const list = (today = TODAY) => readShopping(database.context, today)

test('nothing is short: nothing to buy', async () => {
  await ok(addSheets(database.context, typedSheets(paperId, '50')))
  await project('12')
  expect(await list()).toMatchObject({ papers: [] })
})

test('two projects short of one paper share a pack; what comes is put in and planned with', async () => {
  await ok(pack())
  await ok(pack({ sheets: '50', price: '7.90' }))
  await project('8', '2027-02-01', 'Lids')
  await project('6', '2027-01-20', 'Lamps')
  const { papers } = await list()
  expect(papers).toHaveLength(1)
  const [oyster] = papers
  expect(oyster!.by.map(({ name }) => name).sort()).toEqual(['Lamps', 'Lids'])
  const sheets = oyster!.best!.sheetsWanted
  expect(sheets).toBe(Math.ceil(oyster!.pieces / 2))
  expect(oyster!.best).toMatchObject({ priceMinor: 210, leadDays: 3, sheetsOver: 10 - sheets })
  // It has to be there for the earlier of the two.
  expect(oyster!.neededOn! < '2027-01-20').toBe(true)
  expect(oyster!.orderOn! < oyster!.neededOn!).toBe(true)
  const packs = oyster!.best!.packs.map(({ pack: { id }, count }) => ({ packId: id, count }))
  await ok(takeInPacks(database.context, { packs, there: oyster!.sheetsThere }))
  expect((await readDrawerPaper(database.context, paperId))!.sheets[0]).toMatchObject({
    amount: 10,
    priceMinor: 21,
    formatLabel: 'A4',
  })
  expect((await list()).papers).toEqual([])
})

test('the cheapest that comes in time is the choice; where none does, the soonest, told as too late', async () => {
  await ok(pack({ sheets: '10', price: '1.00', leadDays: '40' }))
  await ok(pack({ width: '29.7', height: '42', price: '9.00', leadDays: '2' }))
  await ok(pack({ form: 'pad', width: '20', height: '20', price: '20.00', leadDays: '1' }))
  await project('4', '2026-12-20')
  const [inTime] = (await list()).papers
  expect(inTime!.best).toMatchObject({ priceMinor: 900, leadDays: 2 })
  expect(inTime!.others).toMatchObject([{ priceMinor: 100 }, { priceMinor: 2000 }])
  const [late] = (await list('2026-12-19')).papers
  expect(late!.best).toMatchObject({ leadDays: 1 })
  expect(late!.orderOn! < '2026-12-19').toBe(true)
})

test('packs whose sheets are too small for the pieces are no choice, and that is said', async () => {
  await project('4')
  expect((await list()).papers[0]).toMatchObject({ best: null, tooLarge: false })
  await ok(pack({ form: 'pad', width: '10', height: '10' }))
  expect((await list()).papers[0]).toMatchObject({ best: null, tooLarge: true })
})

test('the shop that stands in: its packs are kept, asked again they are changed, and can be forgotten', async () => {
  await ok(askShop(database.context, paperId))
  const first = await readPacks(database.context, paperId)
  expect(first.length).toBeGreaterThan(4)
  const later = { ...database.context, nowMs: database.context.nowMs + 21 * 24 * 3600 * 1000 }
  await ok(askShop(later, paperId))
  const second = await readPacks(database.context, paperId)
  expect(second.map(({ id }) => id)).toEqual(first.map(({ id }) => id))
  expect(second.map(({ priceMinor }) => priceMinor)).not.toEqual(first.map(({ priceMinor }) => priceMinor))
  await ok(forgetPack(database.context, first[0]!.id))
  expect(await readPacks(database.context, paperId)).toHaveLength(first.length - 1)
  expect(await refusal(forgetPack(database.context, first[0]!.id))).toMatchObject({ code: 'NOT_FOUND' })
  expect(await refusal(askShop(database.context, 'nothing'))).toMatchObject({ code: 'NOT_FOUND' })
})

test.each([
  [{ sheets: '0' }, 'sheets'],
  [{ sheets: '1e9' }, 'sheets'],
  [{ price: '-1' }, 'price'],
  [{ price: 'NaN' }, 'price'],
  [{ leadDays: '' }, 'leadDays'],
  [{ width: '0' }, 'width'],
  [{ form: 'crate' }, 'form'],
])('a pack with %j is refused at its field', async (change, field) => {
  expect((await refusal(pack(change))).fields[field]).toBeTruthy()
  expect(await readPacks(database.context, paperId)).toEqual([])
})

test('packs that are not there, or none of them: refused, and nothing comes in', async () => {
  await ok(pack())
  const [there] = await readPacks(database.context, paperId)
  const packs = [
    { packId: there!.id, count: 1 },
    { packId: 'nothing', count: 1 },
  ]
  expect(await refusal(takeInPacks(database.context, { packs, there: 0 }))).toMatchObject({
    code: 'NOT_FOUND',
  })
  expect(await refusal(takeInPacks(database.context, { packs: [], there: 0 }))).toMatchObject({
    code: 'FIELDS',
  })
  expect((await readDrawerPaper(database.context, paperId))!.sheets).toEqual([])
})

test('supplies that projects want together, against what is kept', async () => {
  await ok(addSheets(database.context, typedSheets(paperId, '50')))
  const bouquet = typedLine({
    id: 'new-1',
    pieces: '',
    made: 'bouquet',
    measures: { bouquets: '4', each: '3', stem: '18' },
    papers: [{ paperId, pieces: '' }],
  })
  await ok(saveBrief(database.context, null, typedBrief([bouquet])))
  const standing = async () => (await list()).supplies.find(({ what }) => what === 'stem')
  expect(await standing()).toMatchObject({
    wanted: [{ count: 12, eachMm: 180 }],
    standing: { status: 'not kept' },
  })
  await ok(addSupply(database.context, { name: 'Stems', told: 'counted', each: '40', amount: '5', note: '' }))
  // Two of 18 cm out of one of 40: six are wanted.
  expect((await standing())?.standing).toEqual({ status: 'kept', measured: false, wanted: 6, short: 1 })
})

test('paper is wanted before folding and drying: by hand, for stems that are glued and for rosettes that are not', async () => {
  await ok(pack())
  const stem = measuredNamed('rolled-stem')
  const rosette = measuredNamed('corner-folded-rosette')
  expect(stem.guide?.dryingMinutes).toBe(20)
  expect(rosette.guide?.dryingMinutes).toBe(0)
  const [variant] = stem.variants
  const stems = typedLine({
    designId: 'rolled-stem',
    variantKey: variant!.key,
    sizing: 'sheet',
    axis: '',
    size: '10',
    pieces: '30',
    papers: [{ paperId, pieces: '30' }],
  })
  // An evening is two hours; each begun one is a day. What is glued on the last dries for a day more.
  const evenings = (minutes: number) => Math.ceil((30 * minutes) / 120)
  const due = (days: number) => daysOn('2027-06-30', -days)
  await ok(saveBrief(database.context, null, typedBrief([stems], { name: 'Stems', dueOn: '2027-06-30' })))
  expect((await list()).papers[0]!.neededOn).toBe(due(evenings(stem.usualMinutes) + 1))
  const other = (await ok(savePaper(database.context, null, typedPaper('Tidewater')))).paperId
  const lids = typedBrief([typedRosette(other, '30')], { name: 'Lids', dueOn: '2027-06-30' })
  await ok(saveBrief(database.context, null, lids))
  const tidewater = (await list()).papers.find(({ paper }) => paper.name === 'Tidewater')
  expect(tidewater!.neededOn).toBe(due(evenings(rosette.usualMinutes)))
})
