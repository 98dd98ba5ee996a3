import { least } from '../../numeric'
import fc from 'fast-check'
import {
  after,
  area,
  bisectorOfPoints,
  IDENTITY,
  lineThrough,
  move,
  point,
  rotation,
  type Line,
  type Polygon,
} from '../../geometry'
import {
  cellsOf,
  check,
  figuresOf,
  flatSheet,
  foldPattern,
  lying,
  moveWhole,
  outside,
  regularHexagon,
  relation,
  shownArea,
  simpleFold,
  turnOver,
  unitSquare,
  type FoldedState,
  type SimpleFold,
} from '..'

const S2 = Math.SQRT2
const centre = point(0.5, 0.5)

/** One corner of what is now the outline brought to the centre, all layers. */
const cornerToCentre = (state: FoldedState, x: number, y: number): FoldedState =>
  simpleFold(state, { line: bisectorOfPoints(centre, point(x, y)), way: 'valley', grip: 'all' })

function blintz(state: FoldedState, corners: readonly (readonly [number, number])[]): FoldedState {
  return corners.reduce((folded, [x, y]) => cornerToCentre(folded, x, y), state)
}
const OUTER = [
  [0, 0],
  [1, 0],
  [1, 1],
  [0, 1],
] as const
const MIDDLES = [
  [0.5, 0],
  [1, 0.5],
  [0.5, 1],
  [0, 0.5],
] as const
const INNER = [
  [0.25, 0.25],
  [0.75, 0.25],
  [0.75, 0.75],
  [0.25, 0.75],
] as const

const expectSound = (state: FoldedState) => {
  expect(check(state)).toEqual([])
  expect(figuresOf(state).paper).toBeCloseTo(area(state.outline), 9)
}

describe('known sizes of a unit square (derived)', () => {
  test('one blintz: half the area, two layers everywhere, only the front is hidden', () => {
    const state = blintz(flatSheet(unitSquare), OUTER)
    expectSound(state)
    const figures = figuresOf(state)
    expect(figures.shown).toBeCloseTo(0.5, 12)
    expect([figures.fewestLayers, figures.mostLayers]).toEqual([2, 2])
    expect(figures.frontSeen).toBeCloseTo(0, 12)
  })
  test('three blintzes: a square of 0.353553 along its own edges, uniformly 8 layers', () => {
    const state = blintz(blintz(blintz(flatSheet(unitSquare), OUTER), MIDDLES), INNER)
    expectSound(state)
    const figures = figuresOf(state)
    expect(Math.sqrt(figures.shown)).toBeCloseTo(0.353553, 6)
    expect([figures.fewestLayers, figures.mostLayers]).toEqual([8, 8])
    expect(figures.width).toBeCloseTo(0.5, 12)
  })
  test('kite: 0.828427 across, 1.414214 long, area 0.585786', () => {
    const kite = [
      bisectingLine(point(0, 0), point(1, 0), point(1, 1)),
      bisectingLine(point(0, 0), point(0, 1), point(1, 1)),
    ].reduce((state, line) => simpleFold(state, { line, way: 'valley', grip: 'all' }), flatSheet(unitSquare))
    expectSound(kite)
    const upright = figuresOf(moveWhole(kite, rotation(Math.PI / 4)))
    expect(upright.width).toBeCloseTo(0.828427, 6)
    expect(upright.height).toBeCloseTo(1.414214, 6)
    expect(upright.shown).toBeCloseTo(0.585786, 6)
  })
  test('book folds: halves, quarters, eighths, doubling the layers', () => {
    const folds = [
      flip(lineThrough(point(0.5, 0), point(0.5, 1))),
      lineThrough(point(0, 0.5), point(1, 0.5)),
      flip(lineThrough(point(0.25, 0), point(0.25, 1))),
    ]
    let state = flatSheet(unitSquare)
    folds.forEach((line, index) => {
      state = simpleFold(state, { line, way: 'valley', grip: 'all' })
      expectSound(state)
      const { shown, fewestLayers, mostLayers } = figuresOf(state)
      expect(shown).toBeCloseTo(1 / 2 ** (index + 1), 12)
      expect([fewestLayers, mostLayers]).toEqual([2 ** (index + 1), 2 ** (index + 1)])
    })
  })
})

/** From a corner, halving the angle between two points; the first of them on its left. */
function bisectingLine(
  corner: { x: number; y: number },
  first: { x: number; y: number },
  second: { x: number; y: number },
): Line {
  const unit = (p: { x: number; y: number }) => {
    const size = Math.hypot(p.x - corner.x, p.y - corner.y)
    return { x: (p.x - corner.x) / size, y: (p.y - corner.y) / size }
  }
  const [u, v] = [unit(first), unit(second)]
  const line = lineThrough(corner, point(corner.x + u.x + v.x, corner.y + u.y + v.y))
  return leftHolds(line, first) ? line : flip(line)
}
const leftHolds = (line: Line, p: { x: number; y: number }) =>
  line.direction.x * (p.y - line.origin.y) - line.direction.y * (p.x - line.origin.x) > 0
const flip = (line: Line): Line => ({ ...line, direction: { x: -line.direction.x, y: -line.direction.y } })

const shares = fc.double({ min: 0.05, max: 0.95, noNaN: true })
const lineAcross = fc
  .record({ a: shares, b: shares, upright: fc.boolean(), flipped: fc.boolean() })
  .map(({ a, b, upright, flipped }) => {
    const line = upright ? lineThrough(point(a, 0), point(b, 1)) : lineThrough(point(0, a), point(1, b))
    return flipped ? flip(line) : line
  })
const anyFold = fc.record({
  line: lineAcross,
  way: fc.constantFrom<SimpleFold['way']>('valley', 'mountain'),
})
const sheets: fc.Arbitrary<Polygon> = fc.constantFrom(
  unitSquare,
  [point(0, 0), point(1, 0), point(1, 0.5), point(0, 0.5)],
  [point(0, 0), point(1, 0), point(1, S2), point(0, S2)],
  regularHexagon(1).map((p) => point(p.x + 0.5, p.y + 0.5)),
  [point(0, 0), point(1, 0.1), point(0.8, 1), point(0.1, 0.7)],
)

/** Folds that have nothing to move are left out, as a folder would. */
function foldAll(outline: Polygon, folds: readonly { line: Line; way: SimpleFold['way'] }[]): FoldedState {
  return folds.reduce((state, { line, way }) => {
    try {
      return simpleFold(state, { line, way, grip: 'all' })
    } catch {
      return state
    }
  }, flatSheet(outline))
}
const program = fc.array(anyFold, { maxLength: 4 })

describe('laws over random folds on sheets of many shapes', () => {
  test('every state passes the independent check, and area x layers is the paper', () => {
    fc.assert(
      fc.property(sheets, program, (outline, folds) => expectSound(foldAll(outline, folds))),
      { numRuns: 200 },
    )
  })
  test('turning over changes sides and nothing else', () => {
    fc.assert(
      fc.property(sheets, program, (outline, folds) => {
        const state = foldAll(outline, folds)
        const over = turnOver(state, lineThrough(point(0.5, 0), point(0.5, 1)))
        expectSound(over)
        const [one, other] = [figuresOf(state), figuresOf(over)]
        expect(other.shown).toBeCloseTo(one.shown, 9)
        expect(other.mostLayers).toBe(one.mostLayers)
        const back = turnOver(over, lineThrough(point(0.5, 0), point(0.5, 1)))
        expect([...back.above]).toEqual([...state.above])
        expect(figuresOf(back).frontSeen).toBeCloseTo(one.frontSeen, 9)
      }),
      { numRuns: 60 },
    )
  })
  test('a turned sheet folded along turned lines is the turned piece', () => {
    fc.assert(
      fc.property(program, fc.double({ min: 0, max: 6, noNaN: true }), (folds, turn) => {
        const by = after(rotation(turn), { ...IDENTITY, x: 0.3, y: -0.2 })
        const turnedSheet = unitSquare.map((p) => move(by, p))
        const turnedFolds = folds.map(({ line, way }) => ({
          way,
          line: lineThrough(
            move(by, line.origin),
            move(by, point(line.origin.x + line.direction.x, line.origin.y + line.direction.y)),
          ),
        }))
        const [one, other] = [
          figuresOf(foldAll(unitSquare, folds)),
          figuresOf(foldAll(turnedSheet, turnedFolds)),
        ]
        expect(other.shown).toBeCloseTo(one.shown, 7)
        expect(other.frontSeen).toBeCloseTo(one.frontSeen, 7)
        expect(other.mostLayers).toBe(one.mostLayers)
      }),
      { numRuns: 60 },
    )
  })
  test('patches cover the piece once', () => {
    fc.assert(
      fc.property(sheets, program, (outline, folds) => {
        const state = foldAll(outline, folds)
        const cells = cellsOf(state)
        const once = state.faces.reduce<Polygon[]>((covered, face) => {
          const shape = lying(face)
          const fresh = covered.reduce<readonly Polygon[]>(
            (parts, cell) => parts.flatMap((part) => outside(part, cell)),
            [shape],
          )
          return [...covered, ...fresh]
        }, [])
        expect(shownArea(cells)).toBeCloseTo(
          once.reduce((sum, part) => sum + area(part), 0),
          8,
        )
      }),
      { numRuns: 60 },
    )
  })
})

describe('layers', () => {
  const book = simpleFold(flatSheet(unitSquare), {
    line: lineThrough(point(0.5, 1), point(0.5, 0)),
    way: 'valley',
    grip: 'all',
  })
  test('one of two layers can be taken at the open corner; the other stays', () => {
    const acrossCorner = flip(lineThrough(point(0.4, 1), point(0, 0.6)))
    const fold = { line: acrossCorner, way: 'valley' as const }
    const one = simpleFold(book, { ...fold, grip: { at: point(0.1, 0.95), layers: 1 } })
    expectSound(one)
    expect(one.faces).toHaveLength(3)
    expect(figuresOf(one).shown).toBeCloseTo(0.5, 9)
    const both = simpleFold(book, { ...fold, grip: 'all' })
    expectSound(both)
    expect(figuresOf(both).shown).toBeCloseTo(0.5 - 0.08, 9)
  })
  test('what hangs on the moving part beyond the line moves with it: a folded edge cannot be taken by one layer', () => {
    const line = lineThrough(point(1, 0.8), point(0, 0.8))
    const down = { line: flip(line), way: 'valley' as const, grip: { at: point(0.25, 0.9), layers: 1 } }
    const state = simpleFold(book, down)
    expectSound(state)
    expect(state.faces).toHaveLength(4)
    expect(figuresOf(state).height).toBeCloseTo(0.8, 12)
  })
  test('more layers than there are: the refusal says how many', () => {
    const line = lineThrough(point(0, 0.8), point(1, 0.8))
    expect(() =>
      simpleFold(book, { line, way: 'valley', grip: { at: point(0.25, 0.9), layers: 3 } }),
    ).toThrow('NO_SUCH_LAYER')
    expect(() =>
      simpleFold(book, { line: lineThrough(point(0, 3), point(1, 3)), way: 'valley', grip: 'all' }),
    ).toThrow('OFF_THE_SHEET')
  })
})

describe('the check finds what is wrong', () => {
  const sound = blintz(flatSheet(unitSquare), OUTER)
  const count = sound.faces.length
  test('an order that is missing, or cyclic in a pair', () => {
    const above = Int8Array.from(sound.above)
    const pair = [...above].findIndex((value) => value !== 0)
    above[pair] = 0
    expect(check({ ...sound, above }).map((fault) => fault.code)).toContain('NO_ORDER')
    expect(relation(sound, Math.floor(pair / count), pair % count)).not.toBe(0)
  })
  test('a torn hinge, a lost face, stretched paper', () => {
    const torn = {
      ...sound,
      faces: sound.faces.map((face, index) =>
        index === 1 ? { ...face, pose: { ...face.pose, x: face.pose.x + 0.1 } } : face,
      ),
    }
    expect(check(torn).map((fault) => fault.code)).toContain('TORN')
    expect(
      check({ ...sound, faces: sound.faces.slice(0, -1), hinges: [] }).map((fault) => fault.code),
    ).toContain('AREA')
    const stretched = {
      ...sound,
      faces: sound.faces.map((face) => ({ ...face, pose: { ...face.pose, a: face.pose.a * 1.1 } })),
    }
    expect(check(stretched).map((fault) => fault.code)).toContain('STRETCHED')
  })

  /** A strip creased across at some places, its layers put in an order by hand: the first part lowest in `ranks`. */
  const stripInOrder = (
    length: number,
    creases: readonly number[],
    ranks: readonly number[],
  ): FoldedState => {
    const outline = [point(0, 0), point(length, 0), point(length, 1), point(0, 1)]
    const result = foldPattern(
      {
        outline,
        creases: creases.map((x) => ({ from: point(x, 0), to: point(x, 1), letter: 'U' as const })),
      },
      { most: 1 },
    )
    if (!result.ok) throw new Error(JSON.stringify(result.faults))
    const { state } = result
    const start = (index: number) => least(state.faces[index]?.sheet.map((p) => p.x) ?? [])
    const part = (index: number) => state.faces.filter((_, other) => start(other) < start(index)).length
    const faces = state.faces.length
    const above = state.above.map((value, at) => {
      const [i, j] = [Math.floor(at / faces), at % faces]
      return value === 0 ? 0 : Math.sign((ranks[part(i)] ?? 0) - (ranks[part(j)] ?? 0))
    })
    return { ...state, above }
  }
  test('a layer through a crease', () => {
    // The last part is longer than the middle one: it cannot lie between the first two, whose crease it crosses.
    expect(check(stripInOrder(3.2, [1.2, 2], [0, 1, 2]))).toEqual([])
    expect(check(stripInOrder(3.2, [1.2, 2], [0, 2, 1])).map((fault) => fault.code)).toContain(
      'THROUGH_A_CREASE',
    )
  })
  test('two creases that cross', () => {
    expect(check(stripInOrder(4, [1, 2, 3], [0, 1, 2, 3]))).toEqual([])
    expect(check(stripInOrder(4, [1, 2, 3], [0, 2, 1, 3])).map((fault) => fault.code)).toContain(
      'CREASES_CROSS',
    )
  })
})

test.each([
  ['two corners', [point(0, 0), point(1, 0)]],
  ['clockwise', [point(0, 0), point(0, 1), point(1, 1), point(1, 0)]],
  ['not convex', [point(0, 0), point(1, 0), point(0.2, 0.2), point(0, 1)]],
  ['crossing itself', [point(0, 0), point(1, 1), point(1, 0), point(0, 1)]],
  ['not a number', [point(0, 0), point(NaN, 0), point(1, 1)]],
])('a sheet that is %s is refused', (_, outline) => {
  expect(() => flatSheet(outline)).toThrow(/sheet/)
})
