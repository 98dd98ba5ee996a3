import fc from 'fast-check'
import {
  cellKey,
  cellsOf,
  eventFits,
  isBehind,
  piecesOf,
  piecesOfTray,
  runState,
  RunTally,
  TAP_GRAINS,
  tapsOf,
  TRAY_ORDERS,
} from '.'
import type { Cell, RunEvent, RunPlan, RunState, TapGrain } from '.'

const STEPS = [
  { stage: 0, repeats: 2 },
  { stage: 0, repeats: 1 },
  { stage: 1, repeats: 3 },
]
const plan = (change: Partial<RunPlan> = {}): RunPlan => ({
  steps: STEPS,
  grain: 'fold',
  order: 'piece by piece',
  traySize: 3,
  wanted: 7,
  ...change,
})
const anyPlan = fc.record({
  grain: fc.constantFrom(...TAP_GRAINS),
  order: fc.constantFrom(...TRAY_ORDERS),
  traySize: fc.integer({ min: 1, max: 5 }),
  wanted: fc.integer({ min: 1, max: 8 }),
  steps: fc.constant(STEPS),
})

let serial = 0
const base = () => ({ id: `e${serial++}`, lane: 1, atMs: serial * 1000 })
const tap = (state: RunState, cell: Cell): RunEvent => ({
  ...base(),
  kind: 'done',
  ...cell,
  attempt: state.attemptAt(cell),
  lapMs: 1000,
})

/** What a person at the table would press next; `null` when there is nothing left. */
function nextPress(state: RunState, spoil: boolean): RunEvent | null {
  const { phase } = state
  if (phase.kind === 'finished' || phase.kind === 'elsewhere') return null
  if (phase.kind === 'inspect') return { ...base(), kind: 'inspect', pieces: phase.pieces }
  const { piece } = phase.cell
  return spoil
    ? { ...base(), kind: 'spoil', piece, attempt: state.spoilAttempt(piece) }
    : tap(state, phase.cell)
}

/** Presses like a person would, following a list of moods: n next, u undo, s spoiled. */
function play(asked: RunPlan, moods: readonly string[]): RunEvent[] {
  const events: RunEvent[] = []
  for (const mood of moods) {
    const state = runState(asked, events)
    if (mood === 'u' && state.lastAct) {
      const act = state.lastAct
      events.push(
        act.kind === 'done'
          ? { ...base(), kind: 'undo', ...act.cell, grain: act.grain, attempt: act.attempt }
          : { ...base(), kind: 'unspoil', piece: act.piece, attempt: act.attempt },
      )
    } else if (mood !== 'u') {
      const event = nextPress(state, mood === 's')
      if (event) events.push(event)
    }
  }
  return events
}

const bare = (state: RunState) => ({
  phase: state.phase,
  total: state.total,
  usable: state.usable,
  spoiled: state.spoiled,
  pieces: piecesOf(state).map(({ piece, foldsDone, finished, spoiled }) => ({
    piece,
    foldsDone,
    finished,
    spoiled,
  })),
})
const moods = fc.array(fc.constantFrom('n', 'n', 'n', 'n', 'n', 'u', 's'), { maxLength: 60 })

describe('cells', () => {
  test('taps by grain: every fold, the last of a stage, the last of all', () => {
    expect(tapsOf(STEPS, 'fold')).toHaveLength(6)
    expect(tapsOf(STEPS, 'stage').map(({ step, repeat }) => [step, repeat])).toEqual([
      [1, 1],
      [2, 3],
    ])
    expect(tapsOf(STEPS, 'piece').map(({ step, repeat }) => [step, repeat])).toEqual([[2, 3]])
  })
  test('across the tray one step goes over all its pieces before the next', () => {
    const order = cellsOf(plan({ order: 'across the tray' }), [1, 2]).map(
      ({ piece, step }) => `${piece}${step}`,
    )
    expect(order).toEqual(['10', '10', '20', '20', '11', '21', '12', '12', '12', '22', '22', '22'])
  })
  test('both orders hold the same cells once', () => {
    fc.assert(
      fc.property(anyPlan, (asked) => {
        const pieces = piecesOfTray(asked, 0, asked.wanted)
        const cells = cellsOf(asked, pieces).map(cellKey)
        expect(new Set(cells).size).toBe(cells.length)
        expect(cells.length).toBe(pieces.length * tapsOf(asked.steps, asked.grain).length)
      }),
    )
  })
})

describe('the state of a run', () => {
  test('pressing next to the end folds every wanted piece exactly once', () => {
    fc.assert(
      fc.property(anyPlan, (asked) => {
        const taps = tapsOf(asked.steps, asked.grain).length
        const trays = Math.ceil(asked.wanted / asked.traySize)
        const events = play(asked, Array(taps * asked.wanted + trays + 5).fill('n') as string[])
        expect(events).toHaveLength(taps * asked.wanted + trays)
        const state = runState(asked, events)
        expect(state.phase.kind).toBe('finished')
        expect(state.usable).toBe(asked.wanted)
      }),
    )
  })
  test('the order and repetition of events change nothing that counts', () => {
    fc.assert(
      fc.property(
        anyPlan,
        moods,
        fc.array(fc.nat(), { minLength: 150, maxLength: 150 }),
        (asked, list, noise) => {
          const events = play(asked, list)
          const shuffled = [...events, ...events]
            .map((event, index) => ({ event, key: noise[index % noise.length] ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ event }) => event)
          expect(bare(runState(asked, shuffled))).toEqual(bare(runState(asked, events)))
        },
      ),
    )
  })
  test('undo takes back exactly the last act', () => {
    fc.assert(
      fc.property(anyPlan, moods, fc.constantFrom('n', 's'), (asked, list, last) => {
        const before = play(asked, list)
        const state = runState(asked, before)
        if (state.phase.kind !== 'fold') return
        const act = nextPress(state, last === 's')
        const after = act ? [...before, act] : before
        const undone = runState(asked, after).lastAct
        expect(undone).not.toBeNull()
        const undo: RunEvent =
          undone?.kind === 'done'
            ? { ...base(), kind: 'undo', ...undone.cell, grain: undone.grain, attempt: undone.attempt }
            : { ...base(), kind: 'unspoil', piece: undone!.piece, attempt: undone!.attempt }
        expect(bare(runState(asked, [...after, undo]))).toEqual(bare(state))
      }),
    )
  })
  test('two windows pressing next at the same fold make one step', () => {
    const state = runState(plan(), [])
    const cell = { piece: 1, step: 0, repeat: 1 }
    const once = runState(plan(), [tap(state, cell)])
    const twice = runState(plan(), [tap(state, cell), tap(state, cell)])
    expect(bare(twice)).toEqual(bare(once))
  })
  test('a tap that arrives after its own undo stays undone; a new try counts', () => {
    const cell = { piece: 1, step: 0, repeat: 1 }
    const first = tap(runState(plan(), []), cell)
    const undo: RunEvent = { ...base(), kind: 'undo', ...cell, attempt: 0 }
    const late = { ...first, id: 'late' }
    const undone = runState(plan(), [first, undo, late])
    expect(undone.phase).toMatchObject({ kind: 'fold', cell })
    const again = runState(plan(), [first, undo, late, tap(undone, cell)])
    expect(again.phase).toMatchObject({ kind: 'fold', cell: { piece: 1, step: 0, repeat: 2 } })
  })
  test('a spoiled piece keeps its ordinal and a spare takes the next', () => {
    const events = play(plan({ wanted: 2, traySize: 2, grain: 'piece' }), ['n', 's', 'n'])
    const state = runState(plan({ wanted: 2, traySize: 2, grain: 'piece' }), events)
    expect(state.total).toBe(3)
    expect(piecesOf(state).map(({ spoiled }) => spoiled)).toEqual([false, true, false])
    expect(state.phase).toMatchObject({ kind: 'fold', tray: 1, cell: { piece: 3 } })
  })
  test('taps that come faster than any hand folds tell no time: half a second a fold', () => {
    // STEPS has six folds in all: three seconds a piece are the least that is believed.
    const lap = (piece: number, lapMs: number): RunEvent => ({
      ...base(),
      kind: 'done',
      piece,
      step: 2,
      repeat: 3,
      grain: 'piece',
      attempt: 0,
      lapMs,
    })
    const asked = plan({ wanted: 2, grain: 'piece' })
    const tally = (...laps: readonly number[]) =>
      new RunTally(asked).addAll(laps.map((ms, index) => lap(index + 1, ms))).history
    expect(tally(2999, 611)).toMatchObject({ timedUnits: 0, timedMs: 0 })
    expect(tally(3000, 611)).toMatchObject({ timedUnits: 1, timedMs: 3000 })
    expect(tally(60_000, 50_000)).toMatchObject({ timedUnits: 2, timedMs: 110_000 })
  })
  test('breaks do not count as folding time', () => {
    const cell = { piece: 1, step: 0, repeat: 1 }
    const lap = (lapMs: number | null): RunEvent => ({ ...base(), kind: 'done', ...cell, attempt: 0, lapMs })
    expect(runState(plan(), [lap(9000)]).piece(1).activeMs).toBe(9000)
    expect(runState(plan(), [lap(3_600_000)]).piece(1).activeMs).toBe(0)
  })
})

describe('taps of any grain', () => {
  const done = (grain: TapGrain, cell: Cell): RunEvent => ({
    ...base(),
    kind: 'done',
    ...cell,
    grain,
    attempt: 0,
    lapMs: 1000,
  })
  const whole = { step: 2, repeat: 3 }

  test('a coarse tap settles every finer cell under it, whatever the run’s own grain', () => {
    for (const grain of TAP_GRAINS) {
      const asked = plan({ grain })
      expect(runState(asked, [done('piece', { piece: 1, ...whole })]).piece(1).finished).toBe(true)
      const stage = runState(asked, [done('stage', { piece: 1, step: 1, repeat: 1 })])
      expect(stage.piece(1)).toMatchObject({ foldsDone: 3, finished: false })
    }
  })
  test('all finer taps together are as good as the coarse one', () => {
    const asked = plan({ grain: 'piece', wanted: 1 })
    const folds = tapsOf(STEPS, 'fold').map((tap) => done('fold', { piece: 1, ...tap }))
    expect(runState(asked, folds.slice(1)).phase).toMatchObject({ kind: 'fold', cell: whole })
    expect(runState(asked, folds).phase.kind).toBe('inspect')
  })
  test('undoing a coarse tap leaves what finer taps did', () => {
    const one = done('fold', { piece: 1, step: 0, repeat: 1 })
    const stage = done('stage', { piece: 1, step: 1, repeat: 1 })
    const undo: RunEvent = {
      ...base(),
      kind: 'undo',
      piece: 1,
      step: 1,
      repeat: 1,
      grain: 'stage',
      attempt: 0,
    }
    expect(runState(plan(), [one, stage, undo]).piece(1).foldsDone).toBe(1)
  })
  test('a tap from before taps carried their grain has the run’s own', () => {
    const old: RunEvent = { ...base(), kind: 'done', piece: 1, ...whole, attempt: 0, lapMs: null }
    expect(runState(plan({ grain: 'piece' }), [old]).piece(1).finished).toBe(true)
    expect(runState(plan({ grain: 'fold' }), [old]).piece(1).foldsDone).toBe(1)
  })
  test('a mixture in any order comes to the same', () => {
    const any = fc.record({
      grain: fc.constantFrom(...TAP_GRAINS),
      piece: fc.integer({ min: 1, max: 3 }),
      at: fc.nat(),
      undone: fc.boolean(),
    })
    fc.assert(
      fc.property(anyPlan, fc.array(any, { maxLength: 20 }), fc.nat(), (asked, list, turn) => {
        const events = list.flatMap(({ grain, piece, at, undone }): RunEvent[] => {
          const taps = tapsOf(STEPS, grain)
          const { step, repeat } = taps[at % taps.length]!
          const cell = { piece, step, repeat, grain, attempt: 0 }
          return [
            { ...base(), kind: 'done', ...cell, lapMs: 1000 },
            ...(undone ? [{ ...base(), kind: 'undo' as const, ...cell }] : []),
          ]
        })
        const cut = events.length === 0 ? 0 : turn % events.length
        const turned = [...events.slice(cut), ...events.slice(0, cut)].toReversed()
        expect(bare(runState(asked, turned, null))).toEqual(bare(runState(asked, events, null)))
      }),
    )
  })
})

describe('lanes', () => {
  test('a tray belongs to the lane that taps in it first; the other goes on with the next, and its taps count', () => {
    const asked = plan({ grain: 'piece', wanted: 6, traySize: 3 })
    const tapIn = (lane: number, piece: number): RunEvent => ({
      ...base(),
      lane,
      kind: 'done',
      piece,
      step: 2,
      repeat: 3,
      grain: 'piece',
      attempt: 0,
      lapMs: null,
    })
    const begun = [tapIn(1, 1)]
    expect(runState(asked, begun, 1).phase).toMatchObject({ kind: 'fold', cell: { piece: 2 } })
    expect(runState(asked, begun, 2).phase).toMatchObject({ kind: 'fold', cell: { piece: 4 } })
    const both = [...begun, tapIn(2, 4)]
    expect(runState(asked, both, 3).phase).toEqual({ kind: 'elsewhere' })
    expect(runState(asked, [...both, tapIn(2, 2)], 1).phase).toMatchObject({ cell: { piece: 3 } })
  })
})

describe('added up as it comes', () => {
  test('one event at a time comes to the same as all at once, with the same totals', () => {
    fc.assert(
      fc.property(anyPlan, moods, (asked, list) => {
        const events = play(asked, list)
        const tally = new RunTally(asked)
        for (const event of events) {
          tally.add(event)
          tally.state()
        }
        const whole = new RunTally(asked).addAll(events)
        expect(bare(tally.state())).toEqual(bare(whole.state()))
        const counted = (one: RunTally) => ({
          ...one.history,
          outcomes: [...one.history.outcomes].filter(([, units]) => units > 0).sort(),
        })
        expect(counted(tally)).toEqual(counted(whole))
      }),
    )
  })
  test('a long run begun from its closed pieces as sums goes on like one that knows every tap', () => {
    const asked = plan({ grain: 'piece', wanted: 90, traySize: 3 })
    const events = play(asked, Array(95).fill('n') as string[])
    const whole = new RunTally(asked).addAll(events)
    const closed = whole.closedPieces()
    expect(closed.pieces).toBeGreaterThan(30)
    const open = events.filter((event) => !isBehind(closed, event))
    expect(open.length).toBeLessThan(events.length / 2)
    const short = new RunTally(asked, closed).addAll(open)
    const { phase, total, usable, spoiled, activeMs, lastAct } = short.state()
    expect({ phase, total, usable, spoiled, activeMs, lastAct }).toEqual(
      (({ phase, total, usable, spoiled, activeMs, lastAct }) => ({
        phase,
        total,
        usable,
        spoiled,
        activeMs,
        lastAct,
      }))(whole.state()),
    )
  })
})

describe('places a run does not have', () => {
  const done = (cell: Cell): RunEvent => ({ ...base(), kind: 'done', ...cell, attempt: 0, lapMs: null })
  test.each<[RunEvent, boolean]>([
    [done({ piece: 1, step: 0, repeat: 1 }), true],
    [done({ piece: 0, step: 0, repeat: 1 }), false],
    [done({ piece: 1.5, step: 0, repeat: 1 }), false],
    [done({ piece: 1, step: 9, repeat: 1 }), false],
    [done({ piece: 1, step: 0, repeat: 3 }), false],
    [done({ piece: 1e6, step: 0, repeat: 1 }), false],
    [{ ...base(), kind: 'inspect', pieces: [] }, false],
    [{ ...done({ piece: 1, step: 1, repeat: 1 }), grain: 'stage' } as RunEvent, true],
    [{ ...done({ piece: 1, step: 0, repeat: 2 }), grain: 'stage' } as RunEvent, false],
    [{ ...done({ piece: 1, step: 2, repeat: 3 }), grain: 'piece' } as RunEvent, true],
    [{ ...base(), kind: 'spoil', piece: 2, attempt: 0 }, true],
  ])('%j fits: %p', (event, fits) => expect(eventFits(plan(), event)).toBe(fits))
})
