import { CoreError } from '../../errors'
import { area, lineThrough, move, point, type Line } from '../../geometry'
import {
  BASES,
  check,
  cutOff,
  figuresOf,
  flatSheet,
  fold,
  refold,
  relation,
  reverseFold,
  runProgram,
  simpleFold,
  stopLine,
  tuck,
  unitSquare,
  whereIs,
  type FoldedState,
  type FoldProgram,
} from '..'

const { at, foldAndUnfold, middleOf, onto, partWay, square, step, through, valley, unfold, turnOverLevel } =
  fold

const vertical = (x: number, up = true): Line =>
  up ? lineThrough(point(x, 0), point(x, 1)) : lineThrough(point(x, 1), point(x, 0))

/** A refusal's code and detail. */
function refusal(act: () => unknown): CoreError {
  try {
    act()
  } catch (error) {
    if (error instanceof CoreError) return error
    throw error
  }
  throw new Error('nothing was refused')
}

/** The sheet halved, left over right: two layers, the fold on the left after turning to x from 0.5 to 1. */
const book = (): FoldedState =>
  simpleFold(flatSheet(unitSquare), { line: vertical(0.5), way: 'valley', grip: 'all' })

/** A strip of eighths by eighths folded to a two-layer flap with its closed end below: for reverse folds. */
const strip = flatSheet([point(0, 0), point(1, 0), point(1, 0.25), point(0, 0.25)])
const halved = simpleFold(strip, {
  line: lineThrough(point(0, 0.125), point(1, 0.125)),
  way: 'valley',
  grip: 'all',
})

describe('reverse folds', () => {
  // The halved strip lies from y = 0 to 0.125, closed at the top: inside, its right tip goes down between the open
  // edges; outside, it goes up around the closed one. The fold lines are 45 degrees to the strip.
  const lines = {
    inside: lineThrough(point(0.75, 0.125), point(0.875, 0)),
    outside: lineThrough(point(0.875, 0.125), point(0.75, 0)),
  }
  const tip = { at: point(0.95, 0.04), from: 0, upper: 1, layers: 2 }
  const way = (kind: 'inside' | 'outside') => reverseFold(halved, { ...tip, line: lines[kind], way: kind })
  test.each(['inside', 'outside'] as const)('%s: the piece is whole, flat and keeps its paper', (kind) => {
    const state = way(kind)
    expect(check(state)).toEqual([])
    expect(figuresOf(state).paper).toBeCloseTo(0.25, 12)
    // The tip stands square to the strip.
    const y = whereIs(state, point(1, 0.01))?.y ?? 0
    expect(kind === 'inside' ? y < 0 : y > 0.125).toBe(true)
  })
  test('inside lies between the two sides, outside around both', () => {
    for (const kind of ['inside', 'outside'] as const) {
      const state = way(kind)
      const faceWith = (x: number, y: number) =>
        state.faces.findIndex(({ sheet }) =>
          sheet.every((p, index) => {
            const q = sheet[(index + 1) % sheet.length] ?? p
            return (q.x - p.x) * (y - p.y) - (q.y - p.y) * (x - p.x) > 0
          }),
        )
      const [bodyOne, bodyTwo] = [faceWith(0.3, 0.05), faceWith(0.3, 0.2)]
      const [tipOne, tipTwo] = [faceWith(0.97, 0.05), faceWith(0.97, 0.2)]
      const outer = relation(state, bodyOne, bodyTwo)
      // Where tip and body overlap, body faces are both outside an inside reverse fold.
      const order = [tipOne, tipTwo].map((face) => [
        relation(state, bodyOne, face),
        relation(state, bodyTwo, face),
      ])
      for (const [one, two] of order) {
        if (one === 0 || two === 0) continue
        if (kind === 'inside') expect([one, two]).toEqual([outer, -outer])
        else expect(one).toBe(two)
      }
      expect(outer).not.toBe(0)
    }
  })
  test('no such layers: the refusal says so', () => {
    const three = () => reverseFold(halved, { ...tip, line: lines.inside, way: 'inside', layers: 3 })
    expect(refusal(three).code).toBe('NO_SUCH_LAYER')
  })
})

describe('tucks', () => {
  test('a flap folded under the layer it lay on comes between, and the piece stays whole', () => {
    // A book with a corner of the upper page tucked between the pages.
    const state = book()
    const upper = point(0.02, 0.98)
    const tucked = tuck(state, {
      line: lineThrough(point(0.75, 1), point(1, 0.75)),
      take: [upper],
      hints: [{ above: point(0.3, 0.5), below: upper }],
    })
    expect(check(tucked)).toEqual([])
    expect(figuresOf(tucked).mostLayers).toBe(3)
    // On top the corner of the page is gone and the page below shows.
    expect(whereIs(tucked, upper)?.x).toBeLessThan(0.98)
  })
  test('pulled out again it lies on top as before', () => {
    const state = book()
    const upper = point(0.02, 0.98)
    const line = lineThrough(point(0.75, 1), point(1, 0.75))
    const tucked = tuck(state, { line, take: [upper], hints: [{ above: point(0.3, 0.5), below: upper }] })
    const out = tuck(tucked, {
      // The flap lies on the other side of its crease now.
      line: lineThrough(point(1, 0.75), point(0.75, 1)),
      take: [upper],
      hints: [{ above: upper, below: point(0.98, 0.98) }],
    })
    expect(check(out)).toEqual([])
    expect(figuresOf(out).mostLayers).toBe(2)
    expect(figuresOf(out).shown).toBeCloseTo(figuresOf(state).shown, 12)
  })
  test('without a word on where it goes there are two orders, and that is refused', () => {
    const state = book()
    const act = () =>
      tuck(state, { line: lineThrough(point(0.75, 1), point(1, 0.75)), take: [point(0.02, 0.98)], hints: [] })
    expect(refusal(act).code).toBe('MANY_ORDERS')
  })
})

describe('cutting', () => {
  test('a corner cut off through both layers: what is left is the sheet from now on', () => {
    const cut = cutOff(book(), { line: lineThrough(point(0.75, 1), point(1, 0.75)), grip: 'all' })
    expect(check(cut)).toEqual([])
    // Two corners of 1/32 each are gone.
    expect(figuresOf(cut).paper).toBeCloseTo(1 - 2 / 32, 12)
    expect(cut.cutAway?.reduce((sum, part) => sum + area(part), 0)).toBeCloseTo(2 / 32, 12)
  })
  test('a snip at the closed end is one hole of both', () => {
    const cut = cutOff(book(), { line: lineThrough(point(0.5, 0.75), point(0.75, 1)), grip: 'all' })
    expect(check(cut)).toEqual([])
    expect(figuresOf(cut).paper).toBeCloseTo(1 - 2 / 32, 12)
  })
  test('off the piece there is nothing to cut', () => {
    expect(refusal(() => cutOff(book(), { line: vertical(2, false), grip: 'all' })).code).toBe(
      'OFF_THE_SHEET',
    )
  })
})

describe('stated creases', () => {
  test('a rabbit ear whose angles do not close is refused with the corner and the sum', () => {
    const sheet = flatSheet(unitSquare)
    const error = refusal(() =>
      refold(sheet, {
        open: [],
        add: [
          { from: point(0, 0), to: point(0.6, 0.4), letter: 'V' },
          { from: point(1, 0), to: point(0.6, 0.4), letter: 'V' },
          { from: point(0.6, 0.4), to: point(0.6, 0), letter: 'M' },
          { from: point(0.6, 0.4), to: point(0.6, 1), letter: 'V' },
        ],
        stays: point(0.9, 0.9),
      }),
    )
    expect(error.code).toBe('ANGLE_SUM')
    expect(error.detail.at).toEqual({ x: 0.6, y: 0.4 })
    expect(error.detail.min).toBe(180)
  })
  test('a rabbit ear on a triangle folds from its bisectors', () => {
    // Incentre of the right triangle (0,0) (1,0) (0,1): r = (2 - sqrt 2) / 2.
    const r = (2 - Math.SQRT2) / 2
    const triangle = flatSheet([point(0, 0), point(1, 0), point(0, 1)])
    const ear = refold(triangle, {
      open: [],
      add: [
        { from: point(0, 0), to: point(r, r), letter: 'V' },
        { from: point(1, 0), to: point(r, r), letter: 'V' },
        { from: point(0, 1), to: point(r, r), letter: 'V' },
        { from: point(r, r), to: point(r, 0), letter: 'M' },
      ],
      stays: point(0.3, 0.6),
    })
    expect(check(ear)).toEqual([])
    expect(figuresOf(ear).paper).toBeCloseTo(0.5, 12)
  })
  test('a point that stays must be on the paper', () => {
    expect(refusal(() => refold(book(), { open: [], add: [], stays: point(3, 3) })).code).toBe(
      'OFF_THE_SHEET',
    )
  })
})

describe('the physical stop', () => {
  /** A blintz: its flaps meet at the centre. Turning one tip outwards stops at the flap's own hinge. */
  const blintz = runProgram(BASES.find(({ id }) => id === 'blintz')?.program ?? square([])).end.state
  test('a flap goes as far as its own crease and no further', () => {
    // The flap of the sheet's corner (0, 0), its tip at the centre, hinged on the line from (0.5, 0) to (0, 0.5).
    const tip = whereIs(blintz, point(0, 0)) ?? point(0, 0)
    const hinge = [whereIs(blintz, point(0.5, 0)), whereIs(blintz, point(0, 0.5))]
    const [a, b] = [hinge[0] ?? tip, hinge[1] ?? tip]
    const across = (via: { x: number; y: number }): Line => {
      const line = { origin: via, direction: lineThrough(a, b).direction }
      const side = (tip.x - via.x) * -line.direction.y + (tip.y - via.y) * line.direction.x
      return side >= 0 ? line : { origin: via, direction: { x: -line.direction.x, y: -line.direction.y } }
    }
    const towards = (share: number) =>
      point(tip.x + ((a.x + b.x) / 2 - tip.x) * share, tip.y + ((a.y + b.y) / 2 - tip.y) * share)
    const grip = { at: towards(0.02), layers: 1 } as const
    const stop = stopLine(blintz, across(towards(0.1)), across(towards(1.6)), 'valley', grip)
    const reached = stop.origin
    const wanted = towards(1)
    const gap = (reached.x - wanted.x) * -stop.direction.y + (reached.y - wanted.y) * stop.direction.x
    expect(gap).toBeCloseTo(0, 9)
  })
  test('lines that are not parallel, or the wrong way about, are refused', () => {
    const state = book()
    expect(
      refusal(() => stopLine(state, vertical(0.9), lineThrough(point(0, 0), point(1, 1)), 'valley', 'all'))
        .code,
    ).toBe('OUT_OF_RANGE')
    expect(refusal(() => stopLine(state, vertical(0.6), vertical(0.4), 'valley', 'all')).detail.name).toBe(
      'way to the stop',
    )
  })
})

describe('fold and unfold', () => {
  const corner = onto(at(0, 0), at(0.5, 0.5))
  const flap = { at: partWay(at(0.25, 0.25), at(0, 0), 0.4), layers: 1 }
  const words = { key: 'x', say: 'x' }
  const program = (...moves: Parameters<typeof step>[1][]): FoldProgram =>
    square(moves.map((one, n) => step({ ...words, key: `${n}` }, one)))
  test('a corner folded in and out again leaves the sheet as it was, with a crease', () => {
    const { end } = runProgram(
      program(
        valley(corner, { moves: at(0, 0) }),
        unfold(through(at(0.5, 0), at(0, 0.5)), { moves: at(0, 0), take: flap }),
      ),
    )
    expect(end.state.faces).toHaveLength(1)
    expect(figuresOf(end.state).shown).toBeCloseTo(1, 12)
    expect(end.marks.length).toBeGreaterThan(0)
  })
  test('the same as a crease made in one move', () => {
    const { end } = runProgram(program(foldAndUnfold(corner, { moves: at(0, 0) })))
    expect(end.state.faces).toHaveLength(1)
    expect(end.marks).toHaveLength(1)
  })
  test('turning over twice about either axis changes nothing but is drawn', () => {
    const { end, frames } = runProgram(
      program(valley(corner, { moves: at(0, 0) }), turnOverLevel, turnOverLevel),
    )
    const once = runProgram(program(valley(corner, { moves: at(0, 0) }))).end
    expect(frames).toHaveLength(3)
    end.state.faces.forEach((face, index) => {
      const other = once.state.faces[index]
      for (const p of face.sheet) {
        const [here, there] = [move(face.pose, p), other ? move(other.pose, p) : p]
        expect(Math.hypot(here.x - there.x, here.y - there.y)).toBeLessThan(1e-9)
      }
    })
    expect([...end.state.above]).toEqual([...once.state.above])
  })
  test('a partial crease stops where it is told', () => {
    const { end } = runProgram(
      program(
        foldAndUnfold(onto(at(0, 0), at(1, 0)), { between: [at(0.5, 0), middleOf(at(0.5, 0), at(0.5, 1))] }),
      ),
    )
    const [mark] = end.marks
    const length = mark ? Math.hypot(mark.to.x - mark.from.x, mark.to.y - mark.from.y) : 0
    expect(length).toBeCloseTo(0.5, 12)
  })
})
