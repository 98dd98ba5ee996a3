import { availableParallelism } from 'node:os'
import { AT_ONCE, checkCutPlan, type TogetherProblem } from '@/core/cut'
import { INLINE_POOL } from './inline-pool'
import { CancelledError } from './pool'
import { ThreadPool } from './thread-pool'

const PATH = process.env['KELPFIELD_TEST_POOL'] ?? ''
let pool: ThreadPool
beforeEach(() => {
  pool = new ThreadPool(PATH, 1)
})
afterEach(() => pool.close())

const um = (mm: number) => Math.round(mm * 1000)
const square = (mm: number) => ({ widthUm: um(mm), heightUm: um(mm) })
const problem = (count: number, sides: readonly number[] = [74.25]): TogetherProblem => ({
  parties: [
    sides.map((side) => ({ key: `l${side} p q`, paperId: 'q', sizeUm: square(side), count, turnable: true })),
  ],
  stock: [
    {
      stockId: 'a4',
      paperId: 'q',
      sizeUm: { widthUm: 210_000, heightUm: 297_000 },
      available: 10_000,
      offcut: false,
    },
  ],
  tools: { stages: 3, marginUm: 0, trimmerUm: null, stackSheets: 1 },
})
const plan = (count: number, options = {}) =>
  pool.run('plan cuts', { problem: problem(count), effort: AT_ONCE }, options)
/** Some seconds of work. */
const LONG = {
  problem: problem(900, [31, 37, 41, 43.5, 47, 53, 59.5, 61, 67, 71]),
  effort: { ...AT_ONCE, sums: 6000, rounds: 400, places: 3_000_000, patterns: 20_000, seconds: 6 },
}

test('a plan made in a thread is the one made here, and is checked on its way back', async () => {
  // Eight squares of 74.25 mm come out of an A4 (derived), so seventeen take three.
  const { problem: asked, plan: made } = await plan(17)
  expect(made.layouts.reduce((sum, { sheets }) => sum + sheets, 0)).toBe(3)
  expect(checkCutPlan(asked, made)).toEqual([])
  const here = await INLINE_POOL.run('plan cuts', { problem: problem(17), effort: AT_ONCE })
  expect(made).toEqual(here.plan)
})

test('one thread takes one job after another; what somebody waits for comes before what nobody does', async () => {
  const order: string[] = []
  const noted = (name: string, urgency: 'waited for' | 'behind') =>
    plan(8, { urgency }).then(() => order.push(name))
  await Promise.all([
    noted('first', 'behind'),
    noted('behind', 'behind'),
    noted('behind too', 'behind'),
    noted('waited for', 'waited for'),
  ])
  expect(order).toEqual(['first', 'waited for', 'behind', 'behind too'])
  expect(pool.threads).toBe(1)
})

test('a job is cancelled while it runs and while it waits; the next ones are done all the same', async () => {
  const [running, waiting] = [new AbortController(), new AbortController()]
  const long = pool.run('plan cuts', LONG, { signal: running.signal })
  const later = plan(8, { signal: waiting.signal })
  const next = plan(9)
  waiting.abort()
  await expect(later).rejects.toThrow(CancelledError)
  running.abort()
  await expect(long).rejects.toThrow(CancelledError)
  expect((await next).plan.status).toBe('proven')
  await expect(plan(8, { signal: AbortSignal.abort() })).rejects.toThrow(CancelledError)
})

test('what a job throws comes back as words, and the thread goes on', async () => {
  const bad = { problem: problem(-1), effort: AT_ONCE }
  await expect(pool.run('plan cuts', bad)).rejects.toThrow('"plan cuts" failed: ')
  expect((await plan(8)).plan.status).toBe('proven')
})

test('while a thread works, this one answers; idle threads end, and are started anew when wanted', async () => {
  const quick = new ThreadPool(PATH, 1, 50)
  const stop = new AbortController()
  const long = quick.run('plan cuts', LONG, { signal: stop.signal })
  let beats = 0
  const heart = setInterval(() => beats++, 10)
  await new Promise((resolve) => setTimeout(resolve, 500))
  clearInterval(heart)
  expect(beats).toBeGreaterThan(10)
  stop.abort()
  await expect(long).rejects.toThrow(CancelledError)
  await quick.run('plan cuts', { problem: problem(8), effort: AT_ONCE })
  expect(quick.threads).toBe(1)
  await new Promise((resolve) => setTimeout(resolve, 300))
  expect(quick.threads).toBe(0)
  await quick.run('plan cuts', { problem: problem(8), effort: AT_ONCE })
  quick.close()
})

test('as many threads as there are processors less one, and at least one', async () => {
  const most = Math.max(1, availableParallelism() - 1)
  const usual = new ThreadPool(PATH)
  await Promise.all(
    Array.from({ length: most + 2 }, () => usual.run('plan cuts', { problem: problem(8), effort: AT_ONCE })),
  )
  expect(usual.threads).toBe(most)
  usual.close()
})
