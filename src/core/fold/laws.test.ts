import fc from 'fast-check'
import { programs, sheetSpecs } from '../../../test/generators/random-programs'
import { area, move } from '../geometry'
import {
  cellsOf,
  check,
  figuresOf,
  figuresOfTrace,
  fold,
  runProgram,
  drawProgram,
  silhouetteOf,
  turnOver,
  type Amount,
  type FoldProgram,
  type MoveSpec,
  type PointSpec,
} from '.'

const { onto, step, valley, unfold, square } = fold
const RUNS = { numRuns: 120 }

describe('laws over random programs on sheets of every kind', () => {
  test('every state passes the independent check, and area x layers is the paper', () => {
    fc.assert(
      fc.property(programs, (program) => {
        const { start, frames } = runProgram(program)
        const paper = area(start.state.outline)
        for (const { after } of frames) {
          expect(check(after.state)).toEqual([])
          expect(figuresOf(after.state).paper).toBeCloseTo(paper, 8)
        }
      }),
      { numRuns: 300 },
    )
  })

  test('sides seen are all of what is shown; turned over they change places', () => {
    fc.assert(
      fc.property(programs, (program) => {
        const { state } = runProgram(program).end
        const figures = figuresOf(state)
        expect(figures.frontSeen + figures.backSeen).toBeCloseTo(figures.shown, 9)
        expect(figures.frontSeenBelow + figures.backSeenBelow).toBeCloseTo(figures.shown, 9)
        const over = figuresOf(turnOver(state, { origin: { x: 0, y: 0 }, direction: { x: 0, y: 1 } }))
        expect(over.frontSeen).toBeCloseTo(figures.frontSeenBelow, 9)
        expect(over.backSeenBelow).toBeCloseTo(figures.backSeen, 9)
        expect(over.mostLayers).toBe(figures.mostLayers)
      }),
      RUNS,
    )
  })

  test('a sheet twice as large folds to a piece twice as large with the same layers', () => {
    fc.assert(
      fc.property(programs, (program) => {
        const [one, two] = [program, grown(program)].map((each) => figuresOf(runProgram(each).end.state))
        expect(two?.width).toBeCloseTo(2 * (one?.width ?? 0), 7)
        expect(two?.shown).toBeCloseTo(4 * (one?.shown ?? 0), 7)
        expect(two?.mostLayers).toBe(one?.mostLayers)
      }),
      RUNS,
    )
  })

  test('the mirrored folds make the mirrored piece', () => {
    fc.assert(
      fc.property(programs, (program) => {
        const [one, two] = [program, mirroredProgram(program)].map((each) =>
          figuresOf(runProgram(each).end.state),
        )
        for (const key of ['width', 'height', 'shown', 'frontSeen', 'backSeenBelow', 'mostLayers'] as const)
          expect(two?.[key]).toBeCloseTo(one?.[key] ?? NaN, 7)
      }),
      RUNS,
    )
  })

  test('figures of every move agree with those of its state alone; counts only grow', () => {
    fc.assert(
      fc.property(programs, (program) => {
        const trace = runProgram(program)
        const figures = figuresOfTrace(trace)
        expect(figures).toHaveLength(trace.frames.length)
        figures.forEach((move, index) => {
          const frame = trace.frames[index]
          expect(move.after).toEqual(frame && figuresOf(frame.after.state))
          expect(move.folds).toBeGreaterThanOrEqual(figures[index - 1]?.folds ?? 0)
          expect(move.foldLength > 0).toBe(move.foldLayers > 0)
        })
      }),
      RUNS,
    )
  })

  test('what is drawn covers what is shown, side by side, and the outline encloses it', () => {
    fc.assert(
      fc.property(programs, (program) => {
        const { end } = runProgram(program)
        const { front } = drawProgram(program)
        const { frontSeen, backSeen, shown } = figuresOf(end.state, cellsOf(end.state))
        const drawn = (side: 'front' | 'back') =>
          front.regions
            .filter((region) => region.side === side)
            .flatMap(({ parts }) => parts)
            .reduce((sum, part) => sum + area(pairs(part)), 0)
        // Drawn to 1e-4 of the side.
        expect(Math.abs(drawn('front') - frontSeen)).toBeLessThan(2e-3)
        expect(Math.abs(drawn('back') - backSeen)).toBeLessThan(2e-3)
        expect(area(silhouetteOf(end.state))).toBeGreaterThan(shown - 1e-7)
      }),
      RUNS,
    )
  })

  test('a crease opened again leaves the very same state', () => {
    fc.assert(
      fc.property(programs, (program) => {
        for (const { before, done, after } of runProgram(program).frames)
          if (done.spec.kind === 'crease') expect(after.state).toBe(before.state)
      }),
      RUNS,
    )
  })
})

const pairs = (numbers: readonly number[]) =>
  numbers.flatMap((x, index) => (index % 2 === 0 ? [{ x, y: numbers[index + 1] ?? 0 }] : []))

test('a flap folded over and unfolded again is the sheet it was, on sheets of every kind', () => {
  const spot = fc.double({ min: 0.1, max: 0.9, noNaN: true })
  let folded = 0
  fc.assert(
    fc.property(sheetSpecs, spot, spot, spot, spot, (sheet, a, b, c, d) => {
      const line = onto({ plane: [a, b] }, { plane: [c, d] })
      fc.pre(Math.hypot(a - c, b - d) > 0.05)
      const over = { plane: [c, d] } as const
      const program = (...moves: readonly MoveSpec[]): FoldProgram => ({
        ...square(moves.map((one, index) => step({ key: `${index}`, say: 'fold' }, one))),
        sheet,
      })
      let once
      try {
        once = runProgram(program(valley(line))).end
      } catch {
        return
      }
      // Where the moved point came down there must be paper of the flap to take.
      if (once.state.faces.length !== 2 || !holdsPaper(sheet, [a, b])) return
      folded++
      const { end } = runProgram(
        program(valley(line), unfold(line, { moves: over, take: { at: over, layers: 1 } })),
      )
      expect(end.state.faces).toHaveLength(1)
      expect(figuresOf(end.state).shown).toBeCloseTo(area(once.state.outline), 9)
    }),
    { numRuns: 200 },
  )
  expect(folded).toBeGreaterThan(60)
})

/** Whether a place lies well inside the flat sheet. */
function holdsPaper(sheet: FoldProgram['sheet'], [x, y]: readonly [number, number]): boolean {
  const { state } = runProgram({ sheet, steps: [], measures: [] }).start
  return state.faces.some(({ sheet: shape, pose }) => {
    const corners = shape.map((p) => move(pose, p))
    return corners.every((p, index) => {
      const q = corners[(index + 1) % corners.length] ?? p
      return (q.x - p.x) * (y - p.y) - (q.y - p.y) * (x - p.x) > 1e-3
    })
  })
}

type Spot = readonly [Amount, Amount]

/** The same program with every sheet corner and plane point changed. */
function changed(
  program: FoldProgram,
  change: (spot: Spot) => Spot,
  corners: (all: readonly (readonly [number, number])[]) => readonly (readonly [number, number])[],
  moveOf: (move: MoveSpec) => MoveSpec,
): FoldProgram {
  const point = (spec: PointSpec): PointSpec => ('plane' in spec ? { plane: change(spec.plane) } : spec)
  const { state } = runProgram({ ...program, steps: [] }).start
  const laid = state.faces.flatMap(({ sheet, pose }) =>
    sheet.map((p) => move(pose, p)).map(({ x, y }) => [x, y] as const),
  )
  return {
    ...program,
    sheet: { kind: 'polygon', corners: corners(laid) },
    steps: program.steps.map((one) => ({
      ...one,
      rounds: one.rounds.map(({ moves }) => ({
        moves: moves.map((move): MoveSpec => {
          const own = moveOf(move)
          return 'line' in own && 'onto' in own.line
            ? { ...own, line: { onto: [point(own.line.onto[0]), point(own.line.onto[1])] } }
            : own
        }),
      })),
    })),
  }
}
const number = (amount: Amount): number => (typeof amount === 'number' ? amount : NaN)
const grown = (program: FoldProgram): FoldProgram =>
  changed(
    program,
    ([x, y]) => [2 * number(x), 2 * number(y)],
    (all) => all.map(([x, y]) => [2 * x, 2 * y]),
    (one) => one,
  )
const mirroredProgram = (program: FoldProgram): FoldProgram =>
  changed(
    program,
    ([x, y]) => [-number(x), number(y)],
    (all) => all.map(([x, y]) => [-x, y] as const).reverse(),
    (one) => (one.kind === 'rotate' ? { ...one, degrees: -one.degrees } : one),
  )
