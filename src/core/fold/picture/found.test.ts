import { defaultGauges, gaugeShares, LIBRARY, mainPart, programOf } from '../../design'
import { distance, lineThrough, mirrored, signedDistance, type Line, type Point } from '../../geometry'
import { BASES, fold, runProgram, type FoldProgram, type Frame, type GaugeShares } from '..'
import { foundBy, type Finding } from './found'
import { placeName } from './places'

const { at, foldAndUnfold, lineOnto, off, onto, plane, square, step, through, valley } = fold

/** Every fold of the library that runs along a line. */
const FOLDS = LIBRARY.flatMap((design) =>
  design.variants.flatMap((variant) => {
    const program = programOf(mainPart(design), variant)
    if (!program) return []
    const gauges = gaugeShares(design, defaultGauges(design), 150)
    return runProgram(program, gauges).frames.flatMap((frame) => {
      const finding = foundBy(frame, gauges)
      const key = program.steps[frame.step]?.key ?? ''
      return finding
        ? [{ name: `${design.id} ${variant.key} ${key} ${frame.round + 1}`, frame, finding }]
        : []
    })
  }),
)

const turnedLine = (line: Line, angle: number, shift: number): Line => {
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  const { x, y } = line.direction
  const direction = { x: cos * x - sin * y, y: sin * x + cos * y }
  return { direction, origin: { x: line.origin.x - y * shift, y: line.origin.y + x * shift } }
}

/**
 * What a stranger who sees only what is drawn can hold against a fold line: numbers that are zero on the right one.
 * Told again from the meaning of the signs, without the code that chose them.
 */
function misfits(finding: Finding, made: Line): (line: Line) => readonly number[] {
  const { moves, targets, linesMoved, linesAimedAt, along, measures, squarely } = finding
  const [moved] = linesMoved
  const [aimed] = linesAimedAt
  const across = (line: Line, { from, to }: { from: Point; to: Point }) =>
    ((to.x - from.x) * line.direction.x + (to.y - from.y) * line.direction.y) / distance(from, to)
  return (line) => [
    ...along.flatMap(({ from, to }) => [signedDistance(line, from), signedDistance(line, to)]),
    ...(moves.length > 0 && aimed
      ? moves.map(({ at }, index) => {
          const onto = moves.length === 1 ? aimed : (linesAimedAt[index] ?? aimed)
          return signedDistance(lineThrough(onto.from, onto.to), mirrored(line, at))
        })
      : []),
    ...(moved && aimed && moves.length === 0
      ? [moved.from, moved.to].map((end) =>
          signedDistance(lineThrough(aimed.from, aimed.to), mirrored(line, end)),
        )
      : []),
    // An edge that comes to lie on itself is crossed squarely.
    ...(moved && (!aimed || moves.length > 0) ? [across(line, moved)] : []),
    ...(moves.length === 1 && targets.length === 1 && !aimed && !squarely
      ? brought(line, moves[0]!.at, targets[0]!.at)
      : targets.map(({ at }) => signedDistance(line, at))),
    ...(squarely ? [halving(line, made, moves[0]!)] : []),
    ...measures.map(({ from, to, share }) =>
      Math.abs(signedDistance(made, to)) < 1e-6
        ? signedDistance(line, to)
        : distance(mirrored(line, mirrored(made, to)), from) - share,
    ),
  ]
}
type Corner = Finding['moves'][number]
const EDGE_ON = 1e-4
/** How differently the two edges of a corner that were told to go over alike lie to the line. */
function halving(line: Line, made: Line, { at, lines }: Corner): number {
  const away = lines.flatMap(({ from, to }) => {
    const ends = [from, to].filter((end) => distance(end, at) < EDGE_ON)
    if (ends.length !== 1) return []
    const other = ends[0] === from ? to : from
    return [{ x: (other.x - at.x) / distance(at, other), y: (other.y - at.y) / distance(at, other) }]
  })
  const level = (one: Line, v: Point) => v.x * one.direction.x + v.y * one.direction.y
  for (const one of away)
    for (const other of away)
      if (Math.abs(level(made, one) + level(made, other)) < EDGE_ON && Math.abs(level(made, one)) > 0.05)
        return level(line, one) + level(line, other)
  return 1
}
function brought(line: Line, from: Point, to: Point): readonly number[] {
  const onto = mirrored(line, from)
  return [onto.x - to.x, onto.y - to.y]
}

describe('every fold of the library can be found from what is drawn', () => {
  test('there are such folds', () => expect(FOLDS.length).toBeGreaterThan(250))
  test('what is drawn fits the fold line, and no line beside it', () => {
    const wrong = FOLDS.flatMap(({ name, frame, finding }) => {
      const stops = frame.done.spec.kind === 'fold' && frame.done.spec.stopFrom !== undefined
      if (stops) return []
      const made = frame.done.line!
      const told = misfits(finding, made)
      if (told(made).some((miss) => !(Math.abs(miss) < 2e-4))) return [`${name} does not fit`]
      // Turned about the middle of what is drawn, and shifted: something must not fit any more.
      const small = 1e-3
      const least = Array.from({ length: 24 }, (_, index) => (index * Math.PI) / 12).map((way) => {
        const line = turnedLine(made, small * Math.cos(way), small * Math.sin(way))
        return Math.hypot(...told(line).map((miss, index) => miss - told(made)[index]!))
      })
      return Math.min(...least) < small * 0.01 ? [`${name} is not determined`] : []
    })
    expect(wrong).toEqual([])
  })
})

/** The last move of a square, and how it is found. */
function last(gauges: GaugeShares, ...moves: Parameters<typeof step>[1][]): Finding {
  const program: FoldProgram = square(
    moves.map((move, index) => step({ key: `s${index}`, say: 'Fold' }, move)),
  )
  const { frames } = runProgram(program, gauges)
  const finding = foundBy(frames.at(-1) as Frame, gauges)
  if (!finding) throw new Error('no fold line')
  return finding
}
const names = (places: Finding['moves']) => places.map(placeName)
const book = foldAndUnfold(onto(at(0, 0), at(1, 0)))
const level = foldAndUnfold(onto(at(0, 0), at(0, 1)))

describe('told by hand', () => {
  test('a corner onto where two creases cross, named by the steps that made them', () => {
    const { moves, targets, measures, open } = last({}, book, level, valley(onto(at(0, 0), at(0.5, 0.5))))
    expect(names(moves)).toEqual([{ kind: 'corner' }])
    expect(names(targets)).toEqual([
      {
        kind: 'meeting',
        lines: [
          { kind: 'crease', steps: [0] },
          { kind: 'crease', steps: [1] },
        ],
      },
    ])
    expect([measures, open]).toEqual([[], 0])
  })
  test('an edge onto a crease; onto the same line without a crease it is measured', () => {
    const fold = valley(
      lineOnto(through(at(0, 0), at(0, 1)), through(at(0.5, 0), at(0.5, 1)), at(0.25, 0.5)),
      {
        moves: at(0, 0.5),
      },
    )
    const aimed = last({}, book, fold)
    // Seen from both sides of the flat sheet.
    expect(new Set(aimed.linesMoved.map(({ kind }) => kind))).toEqual(new Set(['raw']))
    expect(aimed.linesAimedAt.map(({ kind, step: made }) => [kind, made])).toEqual([['crease', 0]])
    const bare = last({}, fold)
    expect(bare.linesAimedAt).toEqual([])
    expect(bare.measures.map(({ share }) => share)).toEqual([expect.closeTo(0.25, 12)])
    // The edge that is crossed squarely is what keeps the fold upright.
    expect(bare.linesMoved).toHaveLength(1)
  })
  test('a fold through two places needs nothing else; through one, a measure at its far end', () => {
    const pinch = foldAndUnfold(onto(at(0, 0), at(1, 0)), { between: [at(0.5, 0), at(0.5, 0.05)] })
    const two = last({}, pinch, valley(through(at(0.5, 0), at(0, 1)), { moves: at(0, 0) }))
    expect(names(two.targets)).toHaveLength(2)
    expect(two.measures).toEqual([])
    const one = last({}, pinch, valley(through(at(0.5, 0), at(0, 0.7)), { moves: at(0, 0) }))
    expect(one.targets).toHaveLength(1)
    expect(one.measures.map(({ share }) => share)).toEqual([expect.closeTo(0.3, 12)])
  })
  test('a gauge has its own length drawn: how far a tip stands over an edge, not how deep its flap is', () => {
    const over = { gauges: { over: 0.5 }, share: 0.25 }
    const flap = valley(through(off(at(0, 0), 0, over), off(at(1, 0), 0, over)), { moves: at(0.5, 0) })
    const { measures } = last({ over: 0.08 }, level, flap)
    // The edge comes to lie twice 0.29 up, 0.08 over the middle crease.
    expect(measures.map(({ share }) => share)).toEqual([expect.closeTo(0.08, 12)])
  })
  test('a slanting line with no mark on it wants two measures', () => {
    const slant = valley(through(plane(0.3, 0), plane(0, 0.45)), { moves: at(0, 0) })
    expect(
      last({}, slant)
        .measures.map(({ share }) => share)
        .sort(),
    ).toEqual([expect.closeTo(0.3, 12), expect.closeTo(0.45, 12)])
  })
  test('what lies under another layer cannot be aimed at from above', () => {
    const pinch = foldAndUnfold(onto(at(0, 0), at(1, 0)), { between: [at(0.5, 0), at(0.5, 0.05)] })
    const cover = valley(onto(at(0, 1), at(0, 0)))
    // The corner that lies on the near left comes onto the middle of the near edge: where the pinch is, one layer down.
    const corner = valley(onto(at(0, 1), plane(0.5, 0)), { take: { at: at(0.1, 0.95), layers: 1 } })
    const open = last({}, pinch, valley(onto(at(0, 0), plane(0.5, 0))))
    expect(names(open.targets)).toMatchObject([{ kind: 'meeting' }])
    const covered = last({}, pinch, cover, corner)
    expect(covered.targets).toEqual([])
    expect(covered.measures).toHaveLength(1)
  })
})

// Some are told in the plane the piece lies in: turned, they would be other folds.
const TURNS = BASES.filter(({ program }) => !/"(plane|by)"/.test(JSON.stringify(program)))
test.each(TURNS.map(({ id, program }) => ({ id, program })))(
  '$id base: turned on the table by 17 degrees, every fold is found in the same way',
  ({ program }) => {
    const told = (turned: FoldProgram) =>
      runProgram(turned).frames.flatMap((frame) => {
        const finding = foundBy(frame, {})
        if (!finding) return []
        const { moves, targets, linesMoved, linesAimedAt, along, measures } = finding
        return [
          {
            places: [...moves, ...targets].map(
              ({ lines }) => new Set(lines.map(({ step: made }) => made)).size,
            ),
            lines: [linesMoved, linesAimedAt, along].map((lines) => lines.length > 0),
            measures: measures.map(({ share }) => Math.round(share * 1e6)),
          },
        ]
      })
    const turn = step({ key: 'turn', say: 'Turn', crease: 'none' }, fold.rotateBy(17))
    // Steps are counted from the first crease.
    expect(told({ ...program, steps: [turn, ...program.steps] })).toEqual(told(program))
  },
)
