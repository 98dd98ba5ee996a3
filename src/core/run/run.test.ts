import fc from 'fast-check'
import { cellKey, cellsOf, eventFits, piecesOfTray, runState, TAP_GRAINS, tapsOf, TRAY_ORDERS } from '.'
import type { Cell, RunEvent, RunPlan, RunState } from '.'

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
  if (phase.kind === 'finished') return null
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
          ? { ...base(), kind: 'undo', ...act.cell, attempt: act.attempt }
          : { ...base(), kind: 'unspoil', piece: act.piece, attempt: act.attempt },
      )
    } else if (mood !== 'u') {
      const event = nextPress(state, mood === 's')
      if (event) events.push(event)
    }
  }
  return events
}

const bare = ({ phase, total, usable, spoiled, pieces }: RunState) => ({
  phase,
  total,
  usable,
  spoiled,
  pieces: pieces.map(({ piece, tapsDone, finished, spoiled: lost }) => ({ piece, tapsDone, finished, lost })),
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
            ? { ...base(), kind: 'undo', ...undone.cell, attempt: undone.attempt }
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
    expect(state.pieces.map(({ spoiled }) => spoiled)).toEqual([false, true, false])
    expect(state.phase).toMatchObject({ kind: 'fold', tray: 1, cell: { piece: 3 } })
  })
  test('breaks do not count as folding time', () => {
    const cell = { piece: 1, step: 0, repeat: 1 }
    const lap = (lapMs: number | null): RunEvent => ({ ...base(), kind: 'done', ...cell, attempt: 0, lapMs })
    expect(runState(plan(), [lap(9000)]).pieces[0]?.activeMs).toBe(9000)
    expect(runState(plan(), [lap(3_600_000)]).pieces[0]?.activeMs).toBe(0)
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
    [{ ...base(), kind: 'spoil', piece: 2, attempt: 0 }, true],
  ])('%j fits: %p', (event, fits) => expect(eventFits(plan(), event)).toBe(fits))
})
