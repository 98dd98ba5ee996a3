import fc from 'fast-check'
import { isBehind, NONE_CLOSED, piecesOf, RunTally, runState, type RunEvent, type RunPlan } from '@/core/run'
import type { EventsTaken } from '@/flows/deeds/runs'
import type { Outbox } from './outbox'
import { RunSync, type Post, type SyncView } from './sync'

const PLAN: RunPlan = {
  steps: [{ stage: 0, repeats: 3 }],
  grain: 'fold',
  order: 'piece by piece',
  traySize: 4,
  wanted: 8,
}

/** The server's side in a few lines: an append-only list, one of each id. */
class FakeServer {
  ledger: RunEvent[] = []
  epoch = 'first'
  posts = 0
  /** What goes wrong with the next posts: lost on the way there, or the answer lost on the way back. */
  faults: ('there' | 'back')[] = []

  readonly post: Post = (body) => {
    this.posts++
    const fault = this.faults.shift()
    if (fault === 'there') return Promise.resolve(null)
    for (const event of body.events)
      if (!this.ledger.some((known) => known.id === event.id)) this.ledger.push(event)
    if (fault === 'back') return Promise.resolve(null)
    const since = body.epoch === this.epoch ? body.since : 0
    const answer: EventsTaken = {
      epoch: this.epoch,
      seq: this.ledger.length,
      events: this.ledger.slice(since),
      kept: body.events.map((event) => event.id),
      refused: [],
    }
    return Promise.resolve(answer)
  }
}

/** The browser's store as an object that outlives pages. */
class FakeOutbox implements Outbox {
  readonly persistent = true
  taps: { event: RunEvent; epoch: string | null }[] = []
  add = (event: RunEvent) => {
    this.taps.push({ event, epoch: null })
    return Promise.resolve()
  }
  untaken = (epoch: string) =>
    Promise.resolve(this.taps.filter((tap) => tap.epoch !== epoch).map((tap) => tap.event))
  markTaken = (ids: readonly string[], epoch: string) => {
    for (const tap of this.taps) if (ids.includes(tap.event.id)) tap.epoch = epoch
    return Promise.resolve()
  }
  drop = (ids: readonly string[]) => {
    this.taps = this.taps.filter((tap) => !ids.includes(tap.event.id))
    return Promise.resolve()
  }
}

let serial = 0
function nextTap(view: SyncView): RunEvent {
  const state = runState(PLAN, view.events)
  if (state.phase.kind !== 'fold') throw new Error('nothing to fold')
  const { cell } = state.phase
  return {
    id: `tap${serial++}`,
    lane: 1,
    atMs: serial,
    kind: 'done',
    ...cell,
    attempt: state.attemptAt(cell),
    lapMs: 10,
  }
}

const page = async (server: FakeServer, outbox: FakeOutbox, closed = NONE_CLOSED) => {
  const events = server.ledger.filter((event) => !isBehind(closed, event))
  const feed = { epoch: server.epoch, seq: server.ledger.length, events }
  const sync = new RunSync({ feed, closed }, outbox, server.post, () => undefined)
  await sync.begin()
  await sync.flush()
  return sync
}
const settle = async (sync: RunSync) => {
  for (let round = 0; round < 30 && sync.view().unsent > 0; round++) await sync.flush()
}
const done = (events: readonly RunEvent[]) =>
  piecesOf(runState(PLAN, events)).reduce((sum, piece) => sum + piece.foldsDone, 0)

beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

test('a tap shows at once and reaches the server once, though answers are lost', async () => {
  const server = new FakeServer()
  const sync = await page(server, new FakeOutbox())
  server.faults = ['there', 'back', 'back']
  const tapped = sync.tap(nextTap(sync.view()))
  expect(done(sync.view().events)).toBe(1)
  await tapped
  expect(sync.view().sync).toBe('waiting')
  await settle(sync)
  expect(server.ledger).toHaveLength(1)
  expect(sync.view()).toMatchObject({ unsent: 0, sync: 'kept' })
  sync.stop()
})

test('taps made while the server is away are sent in order by a later page', async () => {
  const server = new FakeServer()
  const outbox = new FakeOutbox()
  const before = await page(server, outbox)
  server.faults = Array<'there'>(10).fill('there')
  const tapped: string[] = []
  for (let count = 0; count < 5; count++) {
    const tap = nextTap(before.view())
    tapped.push(tap.id)
    await before.tap(tap)
  }
  before.stop()
  server.faults = []
  const after = await page(server, outbox)
  expect(done(after.view().events)).toBe(5)
  await settle(after)
  expect(server.ledger.map((event) => event.id)).toEqual(tapped)
  after.stop()
})

test('two windows that press next at the same fold make one step', async () => {
  const server = new FakeServer()
  const [one, other] = [await page(server, new FakeOutbox()), await page(server, new FakeOutbox())]
  await Promise.all([one.tap(nextTap(one.view())), other.tap(nextTap(other.view()))])
  await one.flush()
  await other.flush()
  expect(server.ledger).toHaveLength(2)
  expect(done(server.ledger)).toBe(1)
  expect(runState(PLAN, one.view().events).phase).toEqual(runState(PLAN, other.view().events).phase)
  one.stop()
  other.stop()
})

test('after a backup was put back the browser offers its kept taps again', async () => {
  const server = new FakeServer()
  const sync = await page(server, new FakeOutbox())
  for (let count = 0; count < 4; count++) await sync.tap(nextTap(sync.view()))
  expect(server.ledger).toHaveLength(4)
  server.ledger = server.ledger.slice(0, 1)
  server.epoch = 'restored'
  await sync.flush()
  await settle(sync)
  expect(server.ledger).toHaveLength(4)
  expect(done(sync.view().events)).toBe(4)
  sync.stop()
})

test('whatever is lost on the way, the server ends with each tap once and in order', async () => {
  const fault = fc.constantFrom<'there' | 'back' | 'none'>('there', 'back', 'none')
  await fc.assert(
    fc.asyncProperty(
      fc.array(fault, { maxLength: 12 }),
      fc.integer({ min: 1, max: 8 }),
      async (faults, taps) => {
        const server = new FakeServer()
        const sync = await page(server, new FakeOutbox())
        server.faults = faults.filter((one): one is 'there' | 'back' => one !== 'none')
        const made: string[] = []
        for (let count = 0; count < taps; count++) {
          const tap = nextTap(sync.view())
          made.push(tap.id)
          await sync.tap(tap)
        }
        await settle(sync)
        expect(server.ledger.map((event) => event.id)).toEqual(made)
        expect(done(sync.view().events)).toBe(taps)
        sync.stop()
      },
    ),
    { numRuns: 60 },
  )
})

describe('a long run begun from its closed pieces as sums', () => {
  /** Both trays of four folded and looked over but for the last piece; the first tray known as sums. */
  const long = async () => {
    const server = new FakeServer()
    const first = await page(server, new FakeOutbox())
    for (let presses = 0; presses < 3 * 7 + 1; presses++) {
      const state = runState(PLAN, first.view().events)
      await first.tap(
        state.phase.kind === 'inspect'
          ? { id: `look${serial++}`, lane: 1, atMs: serial, kind: 'inspect', pieces: state.phase.pieces }
          : nextTap(first.view()),
      )
    }
    await settle(first)
    const closed = { pieces: 4, usable: 4, spoiled: 0, activeMs: 4 * 30 }
    return { server, closed }
  }
  const stateOf = ({ closed, events }: SyncView) => new RunTally(PLAN, closed).addAll(events).state()

  test('knows as much as a page that was given every tap', async () => {
    const { server, closed } = await long()
    const short = await page(server, new FakeOutbox(), closed)
    expect(short.view().events.length).toBeLessThan(server.ledger.length / 2 + 2)
    const { phase, usable, activeMs } = stateOf(short.view())
    const whole = runState(PLAN, server.ledger)
    expect({ phase, usable, activeMs }).toEqual({
      phase: whole.phase,
      usable: whole.usable,
      activeMs: whole.activeMs,
    })
  })
  test('asks for the whole ledger once another window touches a piece it knows only as a sum', async () => {
    const { server, closed } = await long()
    const short = await page(server, new FakeOutbox(), closed)
    const spoil: RunEvent = { id: 'late', lane: 1, atMs: 9, kind: 'spoil', piece: 2, attempt: 0 }
    server.ledger.push(spoil)
    await short.flush()
    await jest.runAllTimersAsync()
    expect(short.view().closed).toEqual(NONE_CLOSED)
    expect(short.view().events).toEqual(server.ledger)
    expect(stateOf(short.view())).toMatchObject({ spoiled: 1 })
  })
  test('takes up an old tap for such a piece, sends it, and counts it once', async () => {
    const { server, closed } = await long()
    const outbox = new FakeOutbox()
    await outbox.add({ id: 'kept', lane: 1, atMs: 9, kind: 'spoil', piece: 3, attempt: 0 })
    const short = await page(server, outbox, closed)
    await jest.runAllTimersAsync()
    expect(server.ledger.filter(({ id }) => id === 'kept')).toHaveLength(1)
    expect(short.view().unsent).toBe(0)
    expect(stateOf(short.view())).toMatchObject({ spoiled: 1, usable: runState(PLAN, server.ledger).usable })
  })
})
