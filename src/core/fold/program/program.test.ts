import { CoreError } from '../../errors'
import {
  BASES,
  boxOf,
  figuresOf,
  figuresOfTrace,
  fold,
  measureAlong,
  pointOf,
  runProgram,
  type FoldProgram,
  type LineSpec,
  type MoveSpec,
  type PointSpec,
} from '..'

const {
  at,
  foldAndUnfold,
  lineOnto,
  middleOf,
  off,
  onto,
  partWay,
  plane,
  rotateBy,
  square,
  step,
  through,
  turnOverUpright,
  valley,
} = fold

const programOf = (...moves: readonly MoveSpec[]): FoldProgram =>
  square(moves.map((move, index) => step({ key: `move-${index + 1}`, say: 'fold' }, move)))

function refusal(program: FoldProgram, gauges = {}): CoreError {
  try {
    runProgram(program, gauges)
  } catch (error) {
    if (error instanceof CoreError) return error
    throw error
  }
  throw new Error('nothing was refused')
}

/** Where the fold line of the last move ran. */
function lineOfLast(program: FoldProgram, gauges = {}) {
  const line = runProgram(program, gauges).frames.at(-1)?.done.line
  if (!line) throw new Error('no line')
  return line
}
const on = (line: ReturnType<typeof lineOfLast>, x: number, y: number) =>
  Math.abs((x - line.origin.x) * line.direction.y - (y - line.origin.y) * line.direction.x)

describe('lines as a folder says them', () => {
  const bottom = through(at(0, 0), at(1, 0))
  const cases: readonly (readonly [
    string,
    LineSpec,
    PointSpec | undefined,
    readonly (readonly [number, number])[],
  ])[] = [
    [
      'a point onto a point',
      onto(at(0, 0), at(1, 1)),
      undefined,
      [
        [1, 0],
        [0, 1],
      ],
    ],
    [
      'through two points',
      through(at(0.25, 0), at(0.5, 1)),
      at(0, 0),
      [
        [0.25, 0],
        [0.5, 1],
      ],
    ],
    [
      'a line onto a line, halving the corner',
      lineOnto(bottom, through(at(0, 0), at(0, 1)), at(0.5, 0.5)),
      at(1, 0),
      [
        [0, 0],
        [1, 1],
      ],
    ],
    [
      'a line onto a parallel one, halving the strip',
      lineOnto(bottom, through(at(0, 1), at(1, 1)), at(0.5, 0.5)),
      at(0, 0),
      [
        [0, 0.5],
        [1, 0.5],
      ],
    ],
    [
      'square to a line through a point',
      { square: bottom, via: at(0.3, 0) },
      at(0, 0),
      [
        [0.3, 0],
        [0.3, 1],
      ],
    ],
    [
      'beside a line',
      { beside: bottom, by: 0.2, towards: at(0.5, 1) },
      at(0, 0),
      [
        [0, 0.2],
        [1, 0.2],
      ],
    ],
    [
      'turned about a point',
      { turned: bottom, about: at(0, 0), degrees: 30 },
      at(1, 0),
      [
        [0, 0],
        [Math.sqrt(3) / 2, 0.5],
      ],
    ],
    [
      'a point onto a line, square to another',
      { point: at(0, 0), ontoLine: through(at(0.6, 0), at(0.6, 1)), square: bottom },
      undefined,
      [
        [0.3, 0],
        [0.3, 1],
      ],
    ],
    // Haga's first theorem: the crease's end divides its side 5/8 to 3/8.
    ['a corner onto the middle of the opposite side', onto(at(0, 1), at(0.5, 0)), undefined, [[0, 3 / 8]]],
  ]
  test.each(cases)('%s', (_, line, moves, places) => {
    const found = lineOfLast(programOf(valley(line, moves ? { moves } : {})))
    for (const [x, y] of places) expect(on(found, x, y)).toBeLessThan(1e-12)
  })
  test.each([
    ['the lower', at(0.9, 0.2)],
    ['the upper', at(0.3, 0.9)],
  ])('a point onto a line through a point, two ways: %s', (which, near) => {
    const middle = through(at(0, 0.5), at(1, 0.5))
    const line: LineSpec = { point: at(1, 0), ontoLine: middle, via: at(0.25, 0), near }
    const { frames } = runProgram(programOf(valley(line)))
    const frame = frames[0]
    if (!frame?.done.line) throw new Error('no frame')
    expect(on(frame.done.line, 0.25, 0)).toBeLessThan(1e-12)
    const landed = pointOf({ state: frame.after.state, gauges: {} }, at(1, 0))
    expect(landed.y).toBeCloseTo(0.5, 12)
    expect(landed.x > 0.25).toBe(which === 'the lower')
  })
  test('two points onto two lines at once: the sheet in thirds doubles the cube (P. Messer 1986)', () => {
    const line: LineSpec = {
      points: [at(1, 0), at(1, 1 / 3)],
      ontoLines: [through(at(0, 0), at(0, 1)), through(at(0, 2 / 3), at(1, 2 / 3))],
      near: at(0.5, 0.5),
    }
    const { frames } = runProgram(programOf(valley(line)))
    const frame = frames[0]
    if (!frame) throw new Error('no frame')
    const y = pointOf({ state: frame.after.state, gauges: {} }, at(1, 0)).y
    const ratio = (1 - y) / y
    expect(Math.max(ratio, 1 / ratio)).toBeCloseTo(Math.cbrt(2), 9)
  })
})

describe('places', () => {
  const { end } = runProgram(programOf(valley(onto(at(0, 0), at(0.5, 0.5)))))
  const table = { state: end.state, gauges: { g: 0.1 } }
  test('a point of the sheet is where it lies now', () => {
    expect(pointOf(table, at(0, 0)).x).toBeCloseTo(0.5, 12)
  })
  test('between, beside, part of the way, in the plane', () => {
    expect(pointOf(table, middleOf(at(1, 0), at(1, 1)))).toEqual({ x: 1, y: 0.5 })
    expect(pointOf(table, partWay(at(1, 0), at(1, 1), { gauges: { g: 2 } })).y).toBeCloseTo(0.2, 12)
    expect(pointOf(table, off(at(1, 1), -0.25, { share: 0.1, gauges: { g: -1 } }))).toEqual({ x: 0.75, y: 1 })
    expect(pointOf(table, plane(3, 4))).toEqual({ x: 3, y: 4 })
  })
  test('the meet of two lines', () => {
    const meet: PointSpec = { meet: [through(at(1, 0), at(0.5, 1)), through(at(0.5, 0.5), at(1, 0.5))] }
    expect(pointOf(table, meet).y).toBeCloseTo(0.5, 12)
  })
})

describe('refusals name the step, the round and the place', () => {
  const two = (move: MoveSpec): FoldProgram => programOf(valley(onto(at(0, 0), at(0.5, 0.5))), move)
  test.each([
    ['a point off the sheet', two(valley(onto(at(2, 0), at(0, 0)))), 'OFF_THE_SHEET', 'point'],
    [
      'a fold line that misses the paper',
      two(valley(onto(plane(3, 3), plane(4, 4)))),
      'OFF_THE_SHEET',
      'fold line',
    ],
    [
      'parallel lines that should meet',
      two(
        valley(
          through({ meet: [through(at(0.5, 0.5), at(1, 0.5)), through(at(0.6, 0.7), at(1, 0.7))] }, at(1, 1)),
          { moves: at(1, 0) },
        ),
      ),
      'NO_SUCH_LINE',
      'meet',
    ],
    ['no side said', two(valley(through(at(0.5, 0.5), at(1, 1)))), 'NO_SUCH_LINE', 'which side'],
    [
      'a side on the line',
      two(valley(through(at(0.5, 0.5), at(1, 1)), { moves: at(0.7, 0.7) })),
      'NO_SUCH_LINE',
      'moving side',
    ],
    [
      'more layers than lie there',
      two(valley(onto(at(1, 1), at(0.6, 0.6)), { take: { at: at(0.95, 0.95), layers: 4 } })),
      'NO_SUCH_LAYER',
      'layers taken',
    ],
    [
      'an unknown gauge',
      two(valley(onto(at(1, { gauges: { depth: 1 } }), at(0.6, 0.6)))),
      'UNKNOWN_GAUGE',
      'gauge',
    ],
    [
      'a turned line away from its point',
      two(
        valley(
          { turned: through(at(1, 0), at(1, 1)), about: at(0.5, 0.9), degrees: 10 },
          { moves: at(1, 1) },
        ),
      ),
      'NO_SUCH_LINE',
      'turned line',
    ],
  ] as const)('%s', (_, program, code, words) => {
    const error = refusal(program)
    expect(error.code).toBe(code)
    expect(`${error.detail.name} ${error.detail.value}`).toContain(words)
    expect(error.detail.name).toContain('step 2 "move-2", time 1')
  })
  test('a gauge that is no number', () => {
    const program = two(valley(onto(at(1, { gauges: { depth: 1 } }), at(0.6, 0.6))))
    expect(refusal(program, { depth: NaN }).code).toBe('NOT_FINITE')
  })
  test('a sheet that is none', () => {
    const sheet = (corners: readonly (readonly [number, number])[]): FoldProgram => ({
      ...programOf(),
      sheet: { kind: 'polygon', corners },
    })
    expect(
      refusal(
        sheet([
          [0, 0],
          [1, 1],
          [1, 0],
          [0, 1],
        ]),
      ).code,
    ).toBe('OUT_OF_RANGE')
    expect(
      refusal(
        sheet([
          [0, 0],
          [1, 0],
        ]),
      ).code,
    ).toBe('OUT_OF_RANGE')
    expect(
      refusal(
        sheet([
          [0, 0],
          [1, 0],
          [NaN, 1],
        ]),
      ).detail.name,
    ).toBe('corner 3 of the sheet')
  })
  test('a crease through a part that is to stay smooth, folded or not', () => {
    const keepClear = [
      {
        name: 'the face',
        corners: [
          [0.4, 0.4],
          [0.6, 0.4],
          [0.6, 0.6],
          [0.4, 0.6],
        ] as const,
      },
    ]
    const diagonal = { ...programOf(foldAndUnfold(onto(at(0, 0), at(1, 1)))), keepClear }
    expect(refusal(diagonal)).toMatchObject({ code: 'CREASE_IN_ZONE', detail: { name: 'the face' } })
    // Beside it, and along its very edge, creases may run.
    expect(() =>
      runProgram({ ...programOf(foldAndUnfold(onto(at(0, 0), at(0.8, 0)))), keepClear }),
    ).not.toThrow()
    expect(() =>
      runProgram({ ...programOf(foldAndUnfold(onto(at(0, 0), at(0.4, 0)))), keepClear }),
    ).not.toThrow()
  })
})

describe('figures of moves', () => {
  test('a kite crease is 1.082392 long (derived: 1 / cos 22.5), over one layer, and meets one raw edge', () => {
    const kite = BASES.find(({ id }) => id === 'kite')
    if (!kite) throw new Error('no kite')
    const trace = runProgram(kite.program)
    const [, crease] = figuresOfTrace(trace)
    expect(crease?.foldLength).toBeCloseTo(1 / Math.cos(Math.PI / 8), 9)
    expect(crease?.foldLayers).toBe(1)
    // From the corner it starts in, nothing; on the far edge tan 22.5 from one corner.
    const away = crease?.marks.map(({ fromNearerCorner }) => fromNearerCorner).filter((share) => share > 1e-9)
    expect(away).toHaveLength(1)
    expect(away?.[0]).toBeCloseTo(Math.SQRT2 - 1, 9)
  })
  test('layers at the fold, folds and turns are counted', () => {
    const trace = runProgram(
      programOf(
        valley(onto(at(0, 0), at(1, 0))),
        turnOverUpright,
        valley(onto(at(1, 0), at(1, 1))),
        rotateBy(90),
      ),
    )
    const figures = figuresOfTrace(trace)
    expect(figures.map(({ foldLayers }) => foldLayers)).toEqual([1, 0, 2, 0])
    expect(figures.map(({ folds, turns }) => [folds, turns])).toEqual([
      [1, 0],
      [1, 1],
      [2, 1],
      [2, 1],
    ])
    expect(figures[2]?.after.mostLayers).toBe(4)
  })
  test('sizes along an axis: an extent, or two points of the sheet', () => {
    const { end } = runProgram(programOf(valley(onto(at(0, 0), at(1, 1)))))
    expect(measureAlong(end, { extentDegrees: 0 }, {})).toBeCloseTo(1, 12)
    // Across the long edge the triangle is half a diagonal deep.
    expect(measureAlong(end, { extentDegrees: 45 }, {})).toBeCloseTo(Math.SQRT1_2, 12)
    expect(measureAlong(end, { between: [at(1, 0), at(0, 1)] }, {})).toBeCloseTo(Math.SQRT2, 12)
  })
})

test('turning and rotating leave the piece where it lies: its box keeps its middle', () => {
  const { frames } = runProgram(
    programOf(
      valley(onto(at(0, 0), at(0.2, 0.9))),
      turnOverUpright,
      rotateBy(37),
      rotateBy(-37),
      turnOverUpright,
    ),
  )
  const middles = frames.map(({ after }) => boxOf(after.state).middle)
  expect(middles[1]?.x).toBeCloseTo(middles[0]?.x ?? NaN, 9)
  const [first, last] = [frames[0], frames.at(-1)]
  expect(first && last && figuresOf(last.after.state).width).toBeCloseTo(
    (first && figuresOf(first.after.state).width) ?? NaN,
    9,
  )
})
