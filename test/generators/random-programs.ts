import fc from 'fast-check'
import { CoreError } from '@/core/errors'
import { runProgram, type FoldProgram, type MoveSpec, type PointSpec, type SheetSpec } from '@/core/fold'

/** Sheets of every kind the engine takes. */
export const sheetSpecs: fc.Arbitrary<SheetSpec> = fc.oneof(
  fc.constantFrom<SheetSpec>(
    { kind: 'square' },
    { kind: 'square', turnedDegrees: 45 },
    { kind: 'rectangle', height: 0.5 },
    { kind: 'rectangle', height: Math.SQRT2 },
    { kind: 'hexagon' },
  ),
  // Any convex polygon: points around a circle.
  fc.uniqueArray(fc.integer({ min: 0, max: 23 }), { minLength: 3, maxLength: 7 }).map((marks): SheetSpec => ({
    kind: 'polygon',
    corners: [...marks]
      .sort((a, b) => a - b)
      .map((mark) => {
        const angle = (mark * Math.PI) / 12
        return [0.5 + Math.cos(angle) / 2, 0.5 + Math.sin(angle) / 2] as const
      }),
  })),
)

// On a grid of thousandths: nobody aims finer, and two points are one or apart.
const thousandths = fc.integer({ min: -300, max: 1300 }).map((value) => value / 1000)
const plane = fc.tuple(thousandths, thousandths).map((spot): PointSpec => ({ plane: spot }))
const apart = fc.tuple(plane, plane).filter(([one, other]) => JSON.stringify(one) !== JSON.stringify(other))
const way = fc.constantFrom('valley' as const, 'mountain' as const)

const move: fc.Arbitrary<MoveSpec> = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({
      kind: fc.constant('fold' as const),
      way,
      line: fc.record({ onto: apart }),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('crease' as const),
      way,
      line: fc.record({ onto: apart }),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('turn over' as const),
      axis: fc.constantFrom('upright' as const, 'level' as const),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('rotate' as const),
      degrees: fc.double({ min: -180, max: 180, noNaN: true }),
    }),
  },
)

const programOf = (sheet: SheetSpec, moves: readonly MoveSpec[]): FoldProgram => ({
  sheet,
  steps: moves.map((one, index) => ({
    key: `move-${index}`,
    say: 'fold',
    each: 'fold',
    crease: 'firm',
    rigour: 'strict',
    rounds: [{ moves: [one] }],
  })),
  measures: [],
})

/** Programs that can be folded: a move that misses the paper is left out, as a folder would. */
export const programs: fc.Arbitrary<FoldProgram> = fc
  .record({ sheet: sheetSpecs, moves: fc.array(move, { minLength: 1, maxLength: 6 }) })
  .map(({ sheet, moves }) => {
    const kept: MoveSpec[] = []
    for (const one of moves) {
      try {
        runProgram(programOf(sheet, [...kept, one]))
        kept.push(one)
      } catch (error) {
        if (!(error instanceof CoreError)) throw error
      }
    }
    return programOf(sheet, kept)
  })
