import fc from 'fast-check'
import { CoreError } from '../errors'
import { LIBRARY, mainPart, programOf } from '../design'
import { distance, inner, normalOf, sized, less, type Spot } from '../geometry'
import {
  BASES,
  fold,
  runProgram,
  SHAPING_TOOLS,
  type FoldProgram,
  type MoveSpec,
  type ShapeAct,
} from '../fold'
import {
  checkForm,
  crossingsOf,
  extentOf,
  GATES,
  measureForm,
  passes,
  shapedForm,
  shapingSteps,
  TOOL_RADIUS_MM,
  type ShapedForm,
  type ShapeSettings,
} from '.'
import type { Patch } from './patches'

const { at, onto, plane, step, through, valley } = fold
const SETTINGS: ShapeSettings = { gauges: {}, sheetMm: 100 }
const shape = (acts: readonly ShapeAct[], before?: string) =>
  step(
    { key: 'shape', say: 'Shape', each: 'piece', crease: 'rolled' },
    { kind: 'shape', name: 'curl', model: 'told', acts, ...(before === undefined ? {} : { before }) },
  )
const sheet = (...steps: FoldProgram['steps']): FoldProgram => ({
  sheet: { kind: 'square' },
  steps,
  measures: [],
})
function formOf(program: FoldProgram, settings: ShapeSettings = SETTINGS): ShapedForm {
  const trace = runProgram(program, settings.gauges)
  return shapedForm(shapingSteps(program, trace), trace.end.state, settings)
}
/** What lies right of an upright line is bent. */
const bentAt = (x: number, ...curve: Extract<ShapeAct, { act: 'bend' }>['curve']): ShapeAct => ({
  act: 'bend',
  line: through(plane(x, 0), plane(x, 1)),
  moves: plane(1, 0.5),
  curve,
})
/** Where a place of the sheet is in space. */
function spotOf({ patches }: ShapedForm, x: number, y: number): Spot {
  for (const { sheet: corners, spots } of patches) {
    const found = corners.findIndex((corner) => distance(corner, { x, y }) < 1e-9)
    const spot = spots[found]
    if (spot) return spot
  }
  throw new Error(`no corner at ${x}, ${y}`)
}
const apart = (one: Spot, other: Spot): number => sized(less(one, other))

test('a strip rolled over a round: its ends are 2 r sin(L / 2r) apart', () => {
  for (const [length, radius] of [
    [0.3, 0.1],
    [0.5, 0.07],
    [0.2, 1],
  ] as const) {
    const form = formOf(
      sheet(shape([bentAt(1 - length, { roll: (length / radius) * (180 / Math.PI), over: radius })])),
    )
    // Derived: the chord of an arc of that length.
    const chord = Math.abs(2 * radius * Math.sin(length / (2 * radius)))
    expect(Math.abs(apart(spotOf(form, 1 - length, 0), spotOf(form, 1, 0)) / chord - 1)).toBeLessThan(1e-3)
    expect(checkForm(form).worstStrain).toBeLessThan(1e-9)
  }
})

test('a strip rolled all round is a tube of L / 2 pi, and closes', () => {
  const form = formOf(sheet(shape([bentAt(0, { roll: 360, over: 1 / (2 * Math.PI) })])))
  expect(apart(spotOf(form, 0, 0), spotOf(form, 1, 0))).toBeLessThan(1e-9)
  expect(measureForm(form, 'height')).toBeCloseTo(1 / Math.PI, 2)
  expect(extentOf(form, { x: 0, y: 1, z: 0 })).toBeCloseTo(1, 9)
})

test('a flap opened to an angle stands as high as its length times the sine', () => {
  for (const turn of [20, 45, 90, 130]) {
    const form = formOf(sheet(shape([bentAt(0.7, { turn })])))
    const rad = (turn * Math.PI) / 180
    expect(spotOf(form, 1, 0).z).toBeCloseTo(0.3 * Math.sin(rad), 9)
    expect(spotOf(form, 1, 0).x).toBeCloseTo(0.7 + 0.3 * Math.cos(rad), 9)
    expect(measureForm(form, 'height')).toBeCloseTo(0.3 * Math.sin(rad), 9)
  }
})

test('a straight part comes before the roll, and after it the paper runs straight on', () => {
  const radius = 0.1
  const quarter = (radius * Math.PI) / 2
  const form = formOf(sheet(shape([bentAt(0.5, { straight: 0.1 }, { roll: 90, over: radius })])))
  const end = spotOf(form, 1, 0)
  expect(end.x).toBeCloseTo(0.5 + 0.1 + radius, 3)
  expect(end.z).toBeCloseTo(radius + (0.5 - 0.1 - quarter), 3)
})

test('lengths, area and joints are kept, whatever is bent how', () => {
  const angle = fc.integer({ min: -170, max: 170 })
  const curve = fc.array(
    fc.oneof(
      angle.map((turn) => ({ turn })),
      fc.double({ min: 0, max: 0.2, noNaN: true }).map((straight) => ({ straight })),
      fc.record({ roll: angle, over: fc.double({ min: 0.02, max: 0.5, noNaN: true }) }),
    ),
    { minLength: 1, maxLength: 4 },
  )
  fc.assert(
    fc.property(
      fc.constantFrom(...BASES),
      curve,
      fc.integer({ min: 0, max: 359 }),
      (base, parts, degrees) => {
        const { steps, ...rest } = base.program
        const line = { turned: through(plane(0.5, 0.5), plane(0.6, 0.5)), about: plane(0.5, 0.5), degrees }
        const rad = ((degrees + 90) * Math.PI) / 180
        const moves = plane(0.5 + Math.cos(rad), 0.5 + Math.sin(rad))
        const form = formOf({
          ...rest,
          steps: [...steps, shape([{ act: 'bend', line, moves, curve: parts }])],
        })
        const { meanStrain, worstStrain, torn, sheetArea } = checkForm(form)
        expect(meanStrain).toBeLessThan(GATES.meanStrain)
        expect(worstStrain).toBeLessThan(GATES.worstStrain)
        expect(torn).toBeLessThan(1e-6)
        const whole = checkForm(formOf(base.program)).sheetArea
        expect(Math.abs(sheetArea - whole)).toBeLessThan(1e-6)
      },
    ),
    { numRuns: 60, seed: 12 },
  )
})

test('corners around a place of the sheet that is no edge still make a whole turn', () => {
  const form = formOf(
    sheet(
      shape([
        bentAt(0.5, { turn: 40 }),
        {
          act: 'bend',
          line: through(plane(0, 0.5), plane(1, 0.5)),
          moves: plane(0.5, 1),
          curve: [{ turn: 0 }],
        },
      ]),
    ),
  )
  let [sum, found] = [0, 0]
  for (const { sheet: corners, spots } of form.patches) {
    const index = corners.findIndex((corner) => distance(corner, { x: 0.5, y: 0.5 }) < 1e-9)
    const [here, next, before] = [spots[index], spots[(index + 1) % spots.length], spots.at(index - 1)]
    if (index < 0 || !here || !next || !before) continue
    const [a, b] = [less(next, here), less(before, here)]
    sum += Math.acos((a.x * b.x + a.y * b.y + a.z * b.z) / (sized(a) * sized(b)))
    found++
  }
  expect(found).toBe(4)
  expect((sum * 180) / Math.PI).toBeCloseTo(360, 6)
})

test('what is bent within a flap goes along when the flap is lifted', () => {
  const tip = bentAt(0.8, { turn: 90 })
  const whole = formOf(sheet(shape([tip, bentAt(0.5, { turn: 90 })])))
  // Derived: 0.3 up, then 0.2 back over the sheet.
  expect(spotOf(whole, 1, 0)).toMatchObject({
    x: expect.closeTo(0.3, 9) as number,
    z: expect.closeTo(0.3, 9) as number,
  })
})

test('only the flap that is named goes: the layers below stay', () => {
  const corner = valley(onto(at(1, 1), at(0.5, 0.5)))
  const half = step({ key: 'corner', say: 'Corner in', each: 'corner' }, corner)
  const lift: ShapeAct = { act: 'lift', flap: 'corner', curve: [{ turn: 90 }] }
  const form = formOf(sheet(half, shape([lift])))
  // The flap is a right triangle of legs 1/2: as high as half its hypotenuse.
  expect(measureForm(form, 'height')).toBeCloseTo(Math.SQRT2 / 4, 9)
  expect(spotOf(form, 0, 0).z).toBe(0)
})

test('a piece can be told of as it lay before a step, and stands', () => {
  const halve = step({ key: 'halve', say: 'Halve', each: 'fold' }, valley(onto(at(0, 0.5), at(1, 0.5))))
  const wing = (x: number): ShapeAct => ({
    act: 'bend',
    line: through(plane(0.5, 0), plane(0.5, 1)),
    moves: plane(x, 0.5),
    curve: [{ turn: 30 }],
  })
  const form = formOf(sheet(halve, shape([wing(0), wing(1), { act: 'stand', degrees: 90 }], 'halve')))
  expect(form.stands).toBe(true)
  expect(measureForm(form, 'height')).toBeCloseTo(1, 9)
  // Derived: both halves lean by 30 degrees.
  expect(measureForm(form, 'across')).toBeCloseTo(Math.cos(Math.PI / 6), 9)
  const up = form.turned({ x: 0, y: 1, z: 0 })
  expect(up.z).toBeCloseTo(1, 9)
})

test('over a thicker tool the round is larger, on a larger sheet it is the smaller share', () => {
  const rolled = shape([bentAt(0.2, { roll: 180, over: { tools: ['skewer', ...SHAPING_TOOLS] } })])
  const height = (settings: Partial<ShapeSettings>) =>
    measureForm(formOf(sheet(rolled), { ...SETTINGS, ...settings }), 'height')
  for (const tool of SHAPING_TOOLS) expect(height({ tool })).toBeCloseTo((2 * TOOL_RADIUS_MM[tool]) / 100, 2)
  // Without a choice the first named.
  expect(height({})).toBe(height({ tool: 'skewer' }))
  expect(height({ sheetMm: 200, tool: 'pencil' })).toBeCloseTo(height({ tool: 'pencil' }) / 2, 3)
})

test('angles run from the least to the most that hands do', () => {
  const opened = shape([bentAt(0.5, { turn: { usual: 30, least: 10, most: 90 } })])
  const height = (angles: ShapeSettings['angles']) =>
    measureForm(formOf(sheet(opened), { ...SETTINGS, ...(angles ? { angles } : {}) }), 'height')
  expect(height('least')).toBeCloseTo(0.5 * Math.sin(Math.PI / 18), 9)
  expect(height('usual')).toBeCloseTo(0.25, 9)
  expect(height('most')).toBeCloseTo(0.5, 9)
})

test('the side that looks up stays told apart: uprights of the front run with the paper', () => {
  const form = formOf(sheet(shape([bentAt(0.5, { turn: 180 })])))
  const over = form.patches.filter(({ lay }) => lay.some(({ x }) => x > 0.6))
  expect(over.length).toBeGreaterThan(0)
  for (const { spots } of over) expect(normalOf(spots).z).toBeCloseTo(-1, 9)
})

describe('petals around an axis', () => {
  const frog = BASES.find(({ id }) => id === 'frog')
  if (!frog) throw new Error('no frog base')
  const foot = at(0.5, 0.5)
  /** The frog base lies with its open points down: the axis runs down from the closed tip. */
  const opened = (change: Partial<Extract<ShapeAct, { act: 'petals' }>> = {}): FoldProgram => ({
    ...frog.program,
    steps: [
      ...frog.program.steps,
      shape([
        {
          act: 'petals',
          foot,
          tip: at(1, 1),
          bendsAt: 0.4,
          lean: 60,
          fan: [88, 130],
          curve: [{ straight: 0.1 }],
          ...change,
        },
      ]),
    ],
  })
  test('every length is kept, the page below stays plane, and petals reach out by the sine of their lean', () => {
    const form = formOf(opened())
    const { worstStrain, torn } = checkForm(form)
    expect(worstStrain).toBeLessThan(1e-9)
    expect(torn).toBeLessThan(1e-9)
    // Derived: a petal is what a half diagonal leaves over 0.4.
    const out = (Math.SQRT1_2 - 0.4) * Math.sin(Math.PI / 3)
    const tips = [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ].map(([x = 0, y = 0]) => spotOf(form, x, y))
    // Opposite tips, as far apart as both reach from the axis.
    expect(apart(tips[0]!, tips[2]!)).toBeCloseTo(2 * out, 9)
    expect(apart(tips[1]!, tips[3]!)).toBeCloseTo(2 * out, 9)
    expect(apart(tips[0]!, tips[1]!)).toBeCloseTo(Math.SQRT2 * out, 9)
  })
  test('paper too short for the lean asked is refused with both angles; so is an axis with no pages', () => {
    const refusal = (program: FoldProgram): CoreError => {
      try {
        formOf(program)
      } catch (error) {
        if (error instanceof CoreError) return error
        throw error
      }
      throw new Error('was not refused')
    }
    const short = refusal(opened({ lean: 20 }))
    expect(short.detail).toMatchObject({ name: 'angle between the sides of a fan', unit: 'degrees' })
    expect(Number(short.detail.value)).toBeGreaterThan(short.detail.max ?? Infinity)
    expect(refusal(opened({ fan: [130, 88] })).code).toBe('OUT_OF_RANGE')
    const flat = sheet(
      shape([
        {
          act: 'petals',
          foot,
          tip: at(1, 1),
          bendsAt: 0.4,
          lean: 60,
          fan: [88, 130],
          curve: [{ straight: 0 }],
        },
      ]),
    )
    expect(refusal(flat).code).toBe('NO_SUCH_LAYER')
  })
})

describe('what cannot be is refused with its place', () => {
  const refused = (program: FoldProgram, settings?: ShapeSettings): CoreError => {
    try {
      formOf(program, settings)
    } catch (error) {
      if (error instanceof CoreError) return error
      throw error
    }
    throw new Error('was not refused')
  }
  test('a flap of a step that is not there', () => {
    const error = refused(sheet(shape([{ act: 'lift', flap: 'none', curve: [{ turn: 10 }] }])))
    expect(error.detail).toMatchObject({ name: 'shaping in step 1', value: 'no earlier fold "none"' })
  })
  test('a piece before a step that comes later or never', () => {
    const error = refused(sheet(shape([bentAt(0.5, { turn: 10 })], 'never')))
    expect(error.detail.value).toBe('no earlier step "never"')
  })
  test('a straight part below zero, a radius of none, a gauge nobody set', () => {
    expect(refused(sheet(shape([bentAt(0.5, { straight: -0.1 })]))).code).toBe('OUT_OF_RANGE')
    expect(refused(sheet(shape([bentAt(0.5, { roll: 10, over: 0 })]))).detail.name).toBe('radius of a roll')
    expect(refused(sheet(shape([bentAt(0.5, { straight: { gauges: { x: 1 } } })]))).code).toBe(
      'UNKNOWN_GAUGE',
    )
  })
  test('a line whose moving place lies on it', () => {
    const act: ShapeAct = {
      act: 'bend',
      line: through(plane(0.5, 0), plane(0.5, 1)),
      moves: plane(0.5, 0.2),
      curve: [{ turn: 10 }],
    }
    expect(refused(sheet(shape([act]))).code).toBe('NO_SUCH_LINE')
  })
})

test('a stretched or torn form misses its gate', () => {
  const form = formOf(sheet(shape([bentAt(0.5, { turn: 40 })])))
  expect(passes(checkForm(form))).toBe(true)
  const moved = (by: (spot: Spot) => Spot) => ({
    ...form,
    patches: form.patches.map((patch, index) =>
      index === 0 ? { ...patch, spots: patch.spots.map(by) } : patch,
    ),
  })
  expect(passes(checkForm(moved(({ x, y, z }) => ({ x: 1.02 * x, y, z }))))).toBe(false)
  expect(passes(checkForm(moved(({ x, y, z }) => ({ x, y: y + 0.01, z }))))).toBe(false)
})

describe('faces through one another', () => {
  const patch = (face: number, ...spots: readonly (readonly [number, number, number])[]): Patch => ({
    face,
    sheet: spots.map(([x, y]) => ({ x, y })),
    lay: spots.map(([x, y]) => ({ x, y })),
    spots: spots.map(([x, y, z]) => ({ x, y, z })),
  })
  const table = patch(0, [0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0])
  /** A point that comes down from a level edge to so far over the table, below zero under it. */
  const point = (low: number, y = 0.31) => patch(1, [0.3, y, 0.2], [0.5, y, 0.2], [0.42, y, low])
  test('how far the point of a triangle stands through a plate', () => {
    expect(crossingsOf({ patches: [table, point(-0.03)] })).toEqual([
      { faces: [1, 0], depth: expect.closeTo(0.03, 12) as number },
    ])
    expect(crossingsOf({ patches: [table, point(0.03)] })).toEqual([])
  })
  test('what stands on a plate, hangs on its edge or lies on it goes through nothing', () => {
    expect(crossingsOf({ patches: [table, point(0)] })).toEqual([])
    expect(crossingsOf({ patches: [table, point(-0.03, 0)] })).toEqual([])
    expect(crossingsOf({ patches: [table, { ...table, face: 1 }] })).toEqual([])
  })
  test('a plate through the middle of another counts by its shorter side', () => {
    const wall = patch(2, [0.5, 0.2, -0.1], [0.5, 0.8, -0.1], [0.5, 0.8, 0.4], [0.5, 0.2, 0.4])
    expect(crossingsOf({ patches: [table, wall] })[0]?.depth).toBeCloseTo(0.1, 12)
  })
})

describe('a hollow that is filled, and petals peeled from it', () => {
  const tulip = LIBRARY.find(({ id }) => id === 'tulip')!
  const program = programOf(mainPart(tulip), tulip.variants[0]!)!
  /** The program with each of its acts changed, or left out. */
  const withActs = (change: (act: ShapeAct) => readonly ShapeAct[]): FoldProgram => ({
    ...program,
    steps: program.steps.map((one) => ({
      ...one,
      rounds: one.rounds.map((round) => ({
        ...round,
        moves: round.moves.flatMap((move): readonly MoveSpec[] => {
          if (move.kind !== 'shape') return [move]
          const acts = (move.acts ?? []).flatMap(change)
          return acts.length === 0 ? [] : [{ ...move, acts }]
        }),
      })),
    })),
  })
  const withFill = (change: (fill: FillAct) => FillAct): FoldProgram =>
    withActs((act) => [act.act === 'fill' ? change(act) : act])
  const withWalls = (change: (walls: Walls) => Walls): FoldProgram =>
    withFill((fill) => ({ ...fill, walls: change(fill.walls) }))
  const form = formOf(withActs((act) => (act.act === 'peel' ? [] : [act])))
  const spots = form.patches.flatMap((patch) => patch.spots)
  test('keeps its lengths, tears nowhere, loses no paper', () => {
    const { worstStrain, torn, sheetArea } = checkForm(form)
    expect(worstStrain).toBeLessThan(1e-4)
    expect(torn).toBeLessThan(1e-5)
    expect(sheetArea).toBeCloseTo(1, 6)
    expect(crossingsOf(form)).toEqual([])
  })
  test('is round: all of it lies on one side of every wall', () => {
    const within = form.patches.map(({ spots: own }) => {
      const [base] = own
      const normal = normalOf(own)
      const off = spots.map((spot) => inner(normal, less(spot, base ?? spot)))
      return Math.min(Math.max(...off), -Math.min(...off))
    })
    expect(Math.max(...within)).toBeLessThan(1e-5)
  })
  test('peeled, its petals keep their lengths and hang on, and their tips are where a mirror puts them', () => {
    const whole = formOf(program)
    const { worstStrain, torn, sheetArea } = checkForm(whole)
    expect(worstStrain).toBeLessThan(1e-4)
    expect(torn).toBeLessThan(1e-5)
    expect(sheetArea).toBeCloseTo(1, 6)
    expect(crossingsOf(whole)).toEqual([])
    // By hand, from the middle of the bottom: the leaning fold goes from an eighth of the diagonal of the sheet, level, to
    // a quarter of it, upright over the middle; its petal turns half way by 95 degrees outwards.
    const [foot, top] = [Math.SQRT2 / 8, Math.SQRT2 / 4]
    const length = Math.hypot(foot, top)
    const [along, out] = [
      { r: -foot / length, z: top / length },
      { r: top / length, z: foot / length },
    ]
    const [cos, sin] = [Math.cos((95 * Math.PI) / 180), Math.sin((95 * Math.PI) / 180)]
    const tip = {
      r: foot / 2 + (length / 2) * (cos * along.r + sin * out.r),
      z: top / 2 + (length / 2) * (cos * along.z + sin * out.z),
    }
    const bottom = Math.min(...whole.patches.flatMap((patch) => patch.spots.map(({ z }) => z)))
    const corner = whole.patches.flatMap((patch) =>
      patch.sheet.flatMap(({ x, y }, index) => (x > 0.9999 && y < 1e-4 ? [patch.spots[index]!] : [])),
    )
    expect(corner.length).toBeGreaterThan(1)
    for (const { x, y, z } of corner) {
      expect(Math.hypot(x - 0.5, y)).toBeCloseTo(tip.r, 4)
      expect(z - bottom).toBeCloseTo(tip.z, 4)
    }
  })
  test.each([
    ['a place beside the paper', { layers: [[2, 2]] }, 'on no layer'],
    ['a tip that is on other layers', { tip: [0.5, 0.5] }, 'not on them'],
    ['a tip on the crease itself', { from: [1, 0], tip: [1, 0], layers: [[0.708, 0.042]] }, 'on the crease'],
  ] as const)('%s is refused where it is peeled', (_, change, says) => {
    const bad = withActs((act) => [act.act === 'peel' ? { ...act, ...change } : act])
    expect(() => formOf(bad)).toThrow(says)
  })
  test('with a wall too few it tears, and is not shown', () => {
    const open = formOf(withWalls((walls) => walls.slice(1)))
    expect(passes(checkForm(open))).toBe(false)
  })
  test('turned by half a turn about its axis it is itself', () => {
    const middle = { x: 0.5, y: 0 }
    for (const spot of spots) {
      const turned = { x: 2 * middle.x - spot.x, y: 2 * middle.y - spot.y, z: spot.z }
      expect(Math.min(...spots.map((other) => sized(less(other, turned))))).toBeLessThan(1e-4)
    }
  })
  test.each([
    [
      'two lengths for one edge',
      (walls: Walls) => walls.map((wall, index) => (index === 0 ? shifted(wall) : wall)),
      'lengths',
    ],
    ['a corner off the paper', (walls: Walls) => walls.map((wall) => beside(wall)), 'not on the paper'],
    ['very many corners', (walls: Walls) => walls.flatMap(renamed), 'at most 40'],
    ['a length that is no number', (walls: Walls) => walls.map(unnumbered), 'NOT_FINITE'],
    ['a wall cut short', (walls: Walls) => walls.map(cutShort), 'lies on none of them'],
  ])('%s is refused', (_, change, says) => {
    expect(() => formOf(withWalls(change))).toThrow(CoreError)
    expect(() => formOf(withWalls(change))).toThrow(says)
  })
  test('an axis without length is refused where it begins', () => {
    expect(() => formOf(withFill((fill) => ({ ...fill, tip: fill.foot })))).toThrow('the axis has no length')
  })
})
type FillAct = Extract<ShapeAct, { act: 'fill' }>
type Walls = FillAct['walls']
const shifted = (wall: Walls[number]): Walls[number] => ({
  ...wall,
  corners: wall.corners.map((corner, index) => (index === 3 ? { ...corner, at: [0.375, 0.2] } : corner)),
})
const beside = (wall: Walls[number]): Walls[number] => ({
  ...wall,
  corners: wall.corners.map((corner) =>
    corner.name === 'closed point' ? { ...corner, at: [3, 3] } : corner,
  ),
})
/** Walls that share no corner, each ten times over. */
const renamed = (wall: Walls[number], index: number): Walls =>
  Array.from({ length: 10 }, (_, time) => ({
    ...wall,
    corners: wall.corners.map(({ name, at }) => ({ name: `${name} ${index} ${time}`, at })),
  }))
const unnumbered = (wall: Walls[number]): Walls[number] => ({
  ...wall,
  corners: wall.corners.map((corner) => ({ ...corner, at: [NaN, NaN] })),
})
const cutShort = (wall: Walls[number]): Walls[number] => ({ ...wall, corners: wall.corners.slice(0, 3) })
