import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { ok, refusal } from '../../test/deeds'
import { addSupply, moveSupply, putSupplyAway, undoSupplyMove } from './deeds/supplies'
import { readSupplies } from './read/supplies'

let database: TemporaryDatabase
beforeEach(async () => {
  database = await temporaryDatabase()
})
afterEach(() => database.remove())

const stem = { name: 'stem', told: 'counted', each: '30', amount: '36', note: '' }
const add = (change: object = {}) => addSupply(database.context, { ...stem, ...change })
const move = (supplyId: string, kind: string, amount: string) =>
  moveSupply(database.context, { supplyId, kind, amount, note: '' })
const one = async () => (await readSupplies(database.context))[0]!

test('what is counted and what is measured comes and goes; any of it is taken back once', async () => {
  const { supplyId } = await ok(add())
  await ok(move(supplyId, 'used', '6'))
  await ok(move(supplyId, 'bought', '10'))
  await ok(move(supplyId, 'counted', '39'))
  expect(await one()).toMatchObject({ amount: 39, eachMm: 300, measured: false })
  const [counted, bought] = (await one()).moves
  expect(counted).toMatchObject({ kind: 'counted', delta: -1 })
  await ok(undoSupplyMove(database.context, bought!.id))
  expect((await one()).amount).toBe(29)
  expect(await refusal(undoSupplyMove(database.context, bought!.id))).toMatchObject({ code: 'MOVE_UNDONE' })
  const { supplyId: string } = await ok(add({ name: 'string', told: 'measured', amount: '2000' }))
  await ok(move(string, 'used', '231'))
  expect((await readSupplies(database.context)).find(({ id }) => id === string)).toMatchObject({
    amount: 20_000 - 2310,
    measured: true,
    eachMm: null,
  })
})

test('no more goes than is there, and what brought it is not taken back once it is used', async () => {
  const { supplyId } = await ok(add({ amount: '5' }))
  expect((await refusal(move(supplyId, 'used', '6'))).fields['amount']).toContain('not so much')
  await ok(move(supplyId, 'used', '4'))
  const bought = (await one()).moves.find(({ kind }) => kind === 'bought')!
  expect(await refusal(undoSupplyMove(database.context, bought.id))).toMatchObject({
    code: 'SUPPLY_USED',
    detail: { name: 'stem' },
  })
  expect((await one()).amount).toBe(1)
})

test.each([
  ['0', 'bought'],
  ['-1', 'bought'],
  ['NaN', 'used'],
  ['1e9', 'bought'],
  ['', 'counted'],
  ['2.5', 'counted'],
])('an amount of %j is refused at its field, and nothing moves', async (amount, kind) => {
  const { supplyId } = await ok(add())
  expect((await refusal(move(supplyId, kind, amount))).fields['amount']).toBeTruthy()
  expect((await one()).amount).toBe(36)
})

test('two of one name, in whatever number: the second is refused; one that is put away makes room', async () => {
  const { supplyId } = await ok(add())
  expect((await refusal(add({ name: 'Stems' }))).fields['name']).toContain('stem')
  await ok(putSupplyAway(database.context, supplyId))
  expect(await readSupplies(database.context)).toEqual([])
  await ok(add({ name: 'Stems', amount: '' }))
  expect(await one()).toMatchObject({ name: 'Stems', amount: 0, moves: [] })
  expect((await refusal(add({ name: '' }))).fields['name']).toBeTruthy()
  expect((await refusal(move('nothing', 'used', '1'))).code).toBe('NOT_FOUND')
})
