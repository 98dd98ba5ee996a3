import {
  BASES,
  creasedAgainst,
  fold,
  LEAST_HELD,
  looseLocks,
  runProgram,
  type FoldProgram,
  type MoveSpec,
} from '..'

const { at, foldAndUnfold, onto, square, step, through, turnOverUpright, valley } = fold
const flip = (key: string) => step({ key, say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright)

describe('a collapse against how its lines were creased', () => {
  const diagonals = step(
    { key: 'diagonals', say: 'Diagonals' },
    foldAndUnfold(onto(at(1, 0), at(0, 1))),
    foldAndUnfold(onto(at(0, 0), at(1, 1))),
  )
  const halves = step({ key: 'halves', say: 'Half' }, foldAndUnfold(onto(at(0, 0), at(0, 1))))
  const collapse = BASES.find(({ id }) => id === 'waterbomb')!.program.steps.at(-1)!
  const against = (...steps: Parameters<typeof square>[0]) =>
    creasedAgainst(runProgram(square(steps)).frames).length

  test.each(BASES.map(({ id, program }) => ({ id, program })))('no line of $id', ({ program }) => {
    expect(creasedAgainst(runProgram(program).frames)).toEqual([])
  })
  test('the waterbomb creased from the wrong sides: all six lines; from one side: two halves', () => {
    expect(against(halves, flip('a'), diagonals, flip('b'), collapse)).toBe(6)
    expect(against(diagonals, halves, collapse)).toBe(2)
    expect(against(diagonals, flip('a'), halves, flip('b'), collapse)).toBe(0)
  })
  test('a line creased both ways, or not at all, goes either way', () => {
    expect(
      against(halves, flip('a'), diagonals, flip('b'), diagonals, flip('c'), halves, flip('d'), collapse),
    ).toBe(0)
    expect(against(collapse)).toBe(0)
  })
  test('each line that goes against is named with both its ways', () => {
    const { frames } = runProgram(square([diagonals, halves, collapse]))
    expect(creasedAgainst(frames).map(({ creased, folded }) => [creased, folded])).toEqual([
      ['V', 'M'],
      ['V', 'M'],
    ])
  })
})

describe('a lock', () => {
  /** A strip whose right end is folded over to 0.4, and whose left end, folded at `line`, goes under it. */
  const strip = (line: number): FoldProgram => {
    const tuck: MoveSpec = {
      kind: 'tuck',
      name: 'tuck',
      line: through(at(line, 0), at(line, 0.3)),
      moves: at(0.1, 0.15),
      take: [[0.05, 0.15]],
      hints: [
        [
          [0.95, 0.15],
          [0.05, 0.15],
        ],
        [
          [0.05, 0.15],
          [0.5, 0.15],
        ],
      ],
    }
    return {
      sheet: { kind: 'rectangle', height: 0.3 },
      steps: [
        step(
          { key: 'over', say: 'Right end over' },
          valley(through(at(0.7, 0), at(0.7, 0.3)), { moves: at(0.9, 0.1) }),
        ),
        step({ key: 'tuck', say: 'Left end under it' }, tuck),
      ],
      measures: [],
    }
  }
  const loose = (line: number) => looseLocks(runProgram(strip(line)).frames)
  test('holds where the tip lies between layers that stay', () => {
    expect(loose(0.25)).toEqual([])
  })
  test('does not hold where the tip stops short of the pocket', () => {
    // The fold at 0.19 brings the end to 0.38, and the pocket begins at 0.4.
    expect(loose(0.19)).toEqual([{ step: 1, round: 0, heldArea: 0 }])
  })
  test('nor where it reaches in by less than a hand can feel: 0.0006 of the side by its whole height', () => {
    const [found] = loose(0.2003)
    expect(found?.heldArea).toBeCloseTo(0.0006 * 0.3, 9)
    expect(0.0006 * 0.3).toBeLessThan(LEAST_HELD)
  })
})
