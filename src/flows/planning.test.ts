import { ok, refusal } from '../../test/deeds'
import { temporaryDatabase, type TemporaryDatabase } from '../../test/temporary-database'
import { typedBrief, typedPaper, typedRosette, typedSheets } from '../../test/typed'
import { projectView } from '../../test/view'
import { plansWanted } from '@/data/repositories/plans-wanted'
import { INLINE_POOL } from '@/pool/inline-pool'
import type { Pool } from '@/pool/pool'
import { tickCut } from './deeds/cuts'
import { addSheets, countSheets, savePaper } from './deeds/papers'
import { planAgain } from './deeds/plan-cuts'
import { skipProof } from './deeds/proofs'
import { saveBrief } from './deeds/save-brief'
import type { FlowContext } from './flow-context'
import { settlePlans } from './plan-cuts'

let database: TemporaryDatabase
let paperId = ''
beforeEach(async () => {
  database = await temporaryDatabase()
  paperId = (await ok(savePaper(database.context, null, typedPaper('Buoy Orange')))).paperId
  await ok(addSheets(database.context, typedSheets(paperId, '20')))
})
afterEach(() => database.remove())

/** A pool that does something of its own each time before it plans. */
const poolThat = (before: (call: number) => Promise<unknown>): Pool & { calls: number } => {
  const pool = {
    calls: 0,
    run: async (...job: Parameters<Pool['run']>) => {
      await before(++pool.calls)
      return INLINE_POOL.run(...job)
    },
  }
  return pool as Pool & { calls: number }
}
const planned = (context: FlowContext, pieces = '9') =>
  ok(saveBrief(context, null, typedBrief([typedRosette(paperId, pieces)]))).then(({ projectId }) => projectId)
const view = (id: string) => projectView(database.context, id)
const sheetsOf = async () =>
  (await database.db.selectFrom('stock_item').select('id').executeTakeFirstOrThrow()).id
const count = (amount: number) =>
  sheetsOf().then((stockItemId) =>
    // As another process would, without planning anything.
    database.db.updateTable('stock_level').set({ amount }).where('stock_item_id', '=', stockItemId).execute(),
  )

test('nothing is planned within a transaction: other deeds are done and taps kept while a plan is made', async () => {
  const { context } = database
  let meanwhile = ''
  const pool = poolThat(async () => {
    // Within a transaction this would wait for that one, which waits for this.
    meanwhile = (await ok(savePaper(context, null, typedPaper('Tidewater')))).paperId
  })
  const id = await planned({ ...context, pool })
  expect(meanwhile).not.toBe('')
  expect((await view(id)).standing.status).toBe('current')
  expect(await plansWanted(context.db)).toEqual([])
})

test('what a plan was made from changed meanwhile: it is made anew, from what is there now', async () => {
  const pool = poolThat((call) => (call === 1 ? count(3) : Promise.resolve()))
  const id = await planned({ ...database.context, pool })
  expect(pool.calls).toBe(2)
  const { cutPlan, facts } = await view(id)
  // Two squares of 124.5 mm come out of an A4 (derived): three sheets give six.
  expect(cutPlan!.plan.layouts.reduce((sum, { sheets }) => sum + sheets, 0)).toBe(3)
  expect(facts.shortUnits).toBeGreaterThan(0)
})

test('what keeps changing is tried three times, then said; what was saved is kept, and planned when asked', async () => {
  const pool = poolThat((call) => count(10 + call))
  const id = await planned({ ...database.context, pool })
  expect(pool.calls).toBe(3)
  const given = await view(id)
  expect(given).toMatchObject({ planning: 'given up', cutPlan: null, lines: [{ pieces: 9 }] })
  await ok(planAgain(database.context, id))
  expect(await view(id)).toMatchObject({ planning: 'settled', standing: { status: 'current' } })
})

test('what was given up of a paper is tried again with the project that asks, and said no more', async () => {
  const id = await planned(database.context)
  // Always fewer than its plan takes, and each time others.
  const pool = poolThat((call) => count(call))
  const stockItemId = await sheetsOf()
  await ok(countSheets({ ...database.context, pool }, { stockItemId, amount: '4' }))
  expect((await view(id)).planning).toBe('given up')
  await ok(planAgain(database.context, id))
  expect((await view(id)).planning).toBe('settled')
  expect(await plansWanted(database.context.db)).toEqual([])
})

test('a plan that cannot be made is given up with the brief kept; the next deed is planned all the same', async () => {
  const errors = jest.spyOn(console, 'error').mockImplementation(() => undefined)
  const pool = poolThat(() => Promise.reject(new Error('no memory')))
  const id = await planned({ ...database.context, pool })
  expect(await view(id)).toMatchObject({ planning: 'given up', lines: [{ pieces: 9 }] })
  expect(errors).toHaveBeenCalled()
  errors.mockRestore()
  const other = await planned(database.context, '2')
  expect((await view(other)).planning).toBe('settled')
})

test('who pressed does not wait for long: it is said to be planned, no cut is ticked meanwhile, then it is there', async () => {
  const { context } = database
  const id = await planned(context)
  await ok(skipProof(context, id, (await view(id)).lines[0]!.id))
  const { cutPlan } = await view(id)
  let go = () => {}
  const gate = new Promise<void>((resolve) => (go = resolve))
  const slow = { ...context, pool: poolThat(() => gate), patienceMs: 20 }
  await ok(countSheets(slow, { stockItemId: await sheetsOf(), amount: '2' }))
  expect((await view(id)).planning).toBe('being planned')
  const tick = { planId: cutPlan!.id, layoutId: cutPlan!.layouts[0]!.id, sheets: '1' }
  expect(await refusal(tickCut(context, id, tick))).toMatchObject({ code: 'BEING_PLANNED' })
  go()
  await settlePlans(context)
  const after = await view(id)
  expect(after.planning).toBe('settled')
  expect(after.cutPlan!.id).not.toBe(cutPlan!.id)
  expect(after.facts.shortUnits).toBeGreaterThan(0)
})

test('what an end of the process left to be planned is planned at the next start', async () => {
  const { context } = database
  const never = { ...context, pool: { run: () => new Promise<never>(() => {}) }, patienceMs: 1 }
  // Its planner never comes to an end, as if the process had ended there: another connection goes on.
  const id = await planned({ ...never, db: context.db.withoutPlugins() })
  expect((await view(id)).planning).toBe('being planned')
  await settlePlans(context)
  expect(await view(id)).toMatchObject({ planning: 'settled', standing: { status: 'current' } })
})
