import { area } from '../../geometry'
import {
  BASES,
  figuresOf,
  fold,
  motionOf,
  pictureOf,
  pictureOfPiece,
  runProgram,
  formsShown,
  sidesShown,
  drawProgram,
  turnedPiece,
  type FoldProgram,
  type FoldSymbol,
  type MoveSpec,
} from '..'
import { acrossAt, sectionOf } from './section'

const {
  at,
  foldAndUnfold,
  lineOnto,
  onto,
  partWay,
  plane,
  rotateBy,
  square,
  step,
  through,
  turnOverUpright,
  unfold,
  valley,
  mountain,
} = fold
const programOf = (...moves: readonly MoveSpec[]): FoldProgram =>
  square(moves.map((move, index) => step({ key: `move-${index + 1}`, say: 'fold' }, move)))
const lastFrame = (...moves: readonly MoveSpec[]) => {
  const frame = runProgram(programOf(...moves)).frames.at(-1)
  if (!frame) throw new Error('no frame')
  return frame
}
const symbols = (...moves: readonly MoveSpec[]) => pictureOf(lastFrame(...moves)).symbols
const kinds = (all: readonly FoldSymbol[]) => all.map(({ kind }) => kind)
const find = <Kind extends FoldSymbol['kind']>(all: readonly FoldSymbol[], kind: Kind) =>
  all.find((one): one is Extract<FoldSymbol, { kind: Kind }> => one.kind === kind)
const pairs = (numbers: readonly number[]) =>
  numbers.flatMap((x, index) => (index % 2 === 0 ? [{ x, y: numbers[index + 1] ?? 0 }] : []))
const cornerIn = valley(onto(at(0, 0), at(0.5, 0.5)))

test('one corner folded in: its flap is a seventh of what is seen, and nothing of it from behind', () => {
  // Derived: the sheet less the corner's triangle is 7/8 of it, the flap 1/8; the flap shows the other side.
  const { end } = runProgram(programOf(cornerIn))
  const above = sidesShown(pictureOfPiece(end))
  expect(Math.min(above.front, above.back)).toBeCloseTo(1 / 7, 4)
  expect(above.front + above.back).toBeCloseTo(1, 12)
  const behind = sidesShown(pictureOfPiece(turnedPiece(end)))
  expect(Math.min(behind.front, behind.back)).toBeCloseTo(0, 12)
  expect(sidesShown({ regions: [] })).toEqual({ front: 0, back: 0 })
})

test('in what forms a side is seen: a strip along the outline, a line within, an area', () => {
  const rect = (left: number, bottom: number, right: number, top: number) => [
    left,
    bottom,
    right,
    bottom,
    right,
    top,
    left,
    top,
  ]
  const other = (...parts: readonly (readonly number[])[]) => ({ side: 'back' as const, parts })
  const main = (...parts: readonly (readonly number[])[]) => ({ side: 'front' as const, parts })
  // A hem of 0.05 along the lower edge of the unit square, in two parts.
  const hem = [other(rect(0, 0, 0.5, 0.05), rect(0.5, 0, 1, 0.05)), main(rect(0, 0.05, 1, 1))]
  expect(formsShown({ regions: hem }, 'back', 0.06)).toEqual([
    { form: 'border', share: expect.closeTo(0.05, 9) as number },
  ])
  // Derived: its rim is 2.1, so that it is 0.1 / 2.1 wide on the whole.
  expect(formsShown({ regions: hem }, 'back', 0.1 / 2.1 - 1e-6)[0]?.form).toBe('area')
  expect(formsShown({ regions: hem }, 'front', 0.06)).toEqual([
    { form: 'area', share: expect.closeTo(0.95, 9) as number },
  ])
  const vein = [
    main(rect(0, 0, 0.48, 1)),
    other(rect(0.48, 0.01, 0.52, 0.99)),
    main(rect(0.52, 0, 1, 1), rect(0.48, 0, 0.52, 0.01), rect(0.48, 0.99, 0.52, 1)),
  ]
  expect(formsShown({ regions: vein }, 'back', 0.06)[0]?.form).toBe('line')
  // Whichever way its corners run.
  const turned = vein.map(({ side, parts }) => ({
    side,
    parts: parts.map((row) =>
      row
        .flatMap((_, at) => (at % 2 === 0 ? [row.slice(at, at + 2)] : []))
        .reverse()
        .flat(),
    ),
  }))
  expect(formsShown({ regions: turned }, 'back', 0.06)).toEqual(formsShown({ regions: vein }, 'back', 0.06))
  expect(formsShown({ regions: [] }, 'back', 0.06)).toEqual([])
  // What is kept is rounded: slivers lose a corner, or all their area.
  const slivers = [...hem, other([0.5, 0.5, 0.5, 0.5, 0.6, 0.5]), main([0, 0.05, 0, 0.05, 0.5, 0.05, 0.5, 0])]
  expect(formsShown({ regions: slivers }, 'back', 0.06)[0]?.form).toBe('border')
})
test('forms of both sides together are all that is seen', () => {
  const { end } = runProgram(programOf(cornerIn))
  const picture = pictureOfPiece(end)
  const { front, back } = sidesShown(picture)
  const sum = (side: 'front' | 'back') =>
    formsShown(picture, side, 0.05).reduce((total, { share }) => total + share, 0)
  expect(sum('front')).toBeCloseTo(front, 12)
  expect(sum('back')).toBeCloseTo(back, 12)
})

describe('what is seen', () => {
  test.each(BASES.map(({ id, program }) => [id, program] as const))(
    '%s: regions of both sides are as large as the figures say, from above and turned over',
    (_, program) => {
      const { end } = runProgram(program)
      for (const piece of [end, turnedPiece(end)]) {
        const figures = figuresOf(piece.state)
        const drawn = (side: 'front' | 'back') =>
          pictureOfPiece(piece)
            .regions.filter((region) => region.side === side)
            .flatMap(({ parts }) => parts)
            .reduce((sum, part) => sum + area(pairs(part)), 0)
        expect(Math.abs(drawn('front') - figures.frontSeen)).toBeLessThan(1e-3)
        expect(Math.abs(drawn('back') - figures.backSeen)).toBeLessThan(1e-3)
      }
    },
  )
  test('an edge under another layer is hidden, the raw edge of a flap is seen', () => {
    const { edges } = pictureOfPiece(runProgram(programOf(cornerIn)).end)
    // From above: the flap's two raw edges and the outline; beneath it nothing ends.
    expect(edges.hidden).toEqual([])
    const behind = pictureOfPiece(turnedPiece(runProgram(programOf(cornerIn)).end))
    expect(behind.edges.hidden.length).toBeGreaterThan(0)
  })
  test('a crease that was opened again is a mark on the layer that carries it', () => {
    const { marks } = pictureOfPiece(runProgram(programOf(foldAndUnfold(onto(at(0, 0), at(1, 1))))).end)
    expect(marks).toHaveLength(4)
    expect(new Set(marks)).toEqual(new Set([0, 1]))
  })
})

describe('symbols of the international convention', () => {
  test('a valley fold of a point onto a point: dashed line, arrow from point to point, both landmarks', () => {
    const diagonals = [onto(at(0, 0), at(1, 1)), onto(at(1, 0), at(0, 1))].map((line) => foldAndUnfold(line))
    const all = symbols(...diagonals, cornerIn)
    expect(find(all, 'line')).toMatchObject({ style: 'valley', seen: true })
    expect(find(all, 'arrow')).toMatchObject({ head: 'front', from: { x: 0, y: 0 }, to: { x: 0.5, y: 0.5 } })
    expect(all.filter(({ kind }) => kind === 'landmark')).toMatchObject([
      { role: 'moves', at: { x: 0, y: 0 }, name: { kind: 'corner' } },
      { role: 'target', at: { x: 0.5, y: 0.5 }, name: { kind: 'meeting' } },
    ])
    expect(find(all, 'measure')).toBeUndefined()
  })
  test('the centre of a sheet without creases is no mark: the same fold is measured', () => {
    const all = symbols(cornerIn)
    expect(all.filter(({ kind }) => kind === 'landmark')).toMatchObject([{ role: 'moves', squarely: true }])
    // Half of half the diagonal, from the corner square to the fold.
    expect(find(all, 'measure')).toMatchObject({ from: { x: 0, y: 0 }, to: { x: 0.25, y: 0.25 } })
    expect(find(all, 'measure')?.share).toBeCloseTo(Math.SQRT2 / 4, 4)
  })
  test('a mountain fold goes behind', () => {
    const all = symbols(mountain(onto(at(0, 0), at(0.5, 0.5))))
    expect(find(all, 'line')).toMatchObject({ style: 'mountain' })
    expect(find(all, 'arrow')).toMatchObject({ head: 'behind' })
  })
  test('a crease goes there and back; an unfolding has its own head and no fold line', () => {
    expect(find(symbols(foldAndUnfold(onto(at(0, 0), at(1, 1)))), 'arrow')).toMatchObject({
      head: 'there and back',
    })
    const take = { at: partWay(at(0.25, 0.25), at(0, 0), 0.4), layers: 1 }
    const opened = symbols(cornerIn, unfold(through(at(0.5, 0), at(0, 0.5)), { moves: at(0, 0), take }))
    expect(find(opened, 'arrow')).toMatchObject({ head: 'unfold' })
    expect(find(opened, 'line')).toBeUndefined()
  })
  test('a crease made behind goes behind and back', () => {
    const made = { ...foldAndUnfold(onto(at(0, 0), at(1, 1))), way: 'mountain' } as MoveSpec
    expect(find(symbols(made), 'arrow')).toMatchObject({ head: 'behind and back' })
  })
  test('a line onto a line shows both lines', () => {
    const edge = lineOnto(through(at(0, 0), at(1, 0)), through(at(0, 0), at(1, 1)), at(0.8, 0.3))
    const roles = (...moves: readonly MoveSpec[]) =>
      symbols(...moves, valley(edge, { moves: at(1, 0) })).flatMap((one) =>
        one.kind === 'landmark line' ? [one.role] : [],
      )
    expect(roles(foldAndUnfold(onto(at(1, 0), at(0, 1))))).toEqual(['moves', 'target'])
    // Without its crease the diagonal cannot be aimed at.
    expect(roles()).toEqual([])
  })
  test('layers are told only where there is a choice', () => {
    const book = valley(onto(at(0, 0), at(1, 0)))
    const take = { at: at(0.05, 0.95), layers: 1 }
    const one = symbols(book, valley(onto(at(0, 1), at(0.3, 0.7)), { take }))
    expect(find(one, 'layers')).toMatchObject({ taken: 1, of: 2 })
    expect(find(symbols(book, valley(onto(at(0, 1), at(0.3, 0.7)))), 'layers')).toBeUndefined()
  })
  test('turning over shows its axis, rotating its angle, a cut its line', () => {
    expect(symbols(turnOverUpright)).toEqual([{ kind: 'turn over', axis: 'upright' }])
    expect(symbols(rotateBy(90))).toEqual([{ kind: 'rotate', degrees: 90 }])
    const cut = symbols({ kind: 'cut', line: through(at(0.5, 1), at(1, 0.5)), moves: at(1, 1) })
    expect(cut).toMatchObject([
      { kind: 'line', style: 'cut' },
      { kind: 'landmark', squarely: true },
      { kind: 'measure', share: expect.closeTo(Math.SQRT2 / 4, 4) as number },
    ])
  })
  test('so is one through several layers, of which it is made on some only', () => {
    const flap = valley(through(at(0.2, 0), at(0.2, 1)), { moves: at(0, 0.5) })
    const pinch = foldAndUnfold(onto(at(0.5, 0), at(0.5, 1)), { between: [at(0.95, 0.5), at(1, 0.5)] })
    const lines = symbols(flap, pinch).flatMap((one) => (one.kind === 'line' ? [one] : []))
    expect(lines).toHaveLength(1)
    expect(Math.abs((lines[0]?.from.x ?? 0) - (lines[0]?.to.x ?? 0))).toBeCloseTo(0.05, 4)
  })
  test('a partial crease is drawn no longer than it is made', () => {
    const line = find(
      symbols(foldAndUnfold(onto(at(0, 0), at(1, 0)), { between: [at(0.5, 0), at(0.5, 0.25)] })),
      'line',
    )
    expect(Math.abs((line?.from.y ?? 0) - (line?.to.y ?? 0))).toBeCloseTo(0.25, 4)
  })
  test('a line that no mark tells has its measure: how far it is from what moves', () => {
    const [measure] = symbols(
      valley(through(plane(0.3, 0), plane(0.3, 1)), { moves: plane(0, 0.5) }),
    ).flatMap((symbol) => (symbol.kind === 'measure' ? [symbol] : []))
    expect(measure?.share).toBeCloseTo(0.3, 4)
    expect(measure?.from.x).toBeCloseTo(0, 4)
    expect(measure?.to.x).toBeCloseTo(0.3, 4)
    const onto1 = symbols(valley(onto(at(0, 0), at(1, 0))))
    expect(kinds(onto1)).not.toContain('measure')
  })
  test('a pinch is ringed at both its ends', () => {
    const drawn = symbols(foldAndUnfold(onto(at(0, 0), at(1, 0)), { between: [at(0.5, 0), at(0.5, 0.25)] }))
    const ends = drawn.flatMap((symbol) =>
      symbol.kind === 'landmark' && symbol.role === 'end' ? [symbol.at] : [],
    )
    expect(ends.map(({ y }) => y).sort()).toEqual([0, expect.closeTo(0.25, 4)])
    const whole = symbols(foldAndUnfold(onto(at(0, 0), at(1, 0))))
    expect(whole.some((symbol) => symbol.kind === 'landmark' && symbol.role === 'end')).toBe(false)
  })
  test('every move of every base has something drawn, and petal folds show both kinds of line', () => {
    for (const { program } of BASES)
      for (const { kind, picture } of drawProgram(program).moves)
        expect(kind === 'shape' || picture.symbols.length > 0).toBe(true)
    const bird = BASES.find(({ id }) => id === 'bird')
    const petal = bird && drawProgram(bird.program).moves.find((move) => move.kind === 'refold')
    const styles = petal?.picture.symbols.flatMap((one) => (one.kind === 'line' ? [one.style] : []))
    expect(new Set(styles)).toEqual(new Set(['valley', 'mountain']))
    expect(kinds(petal?.picture.symbols ?? [])).toContain('arrow')
  })
})

describe('the stack from the side', () => {
  test('a pleated strip: so many runs, each above the one before, loops closing them', () => {
    const pleats = BASES.find(({ id }) => id === 'pleats')
    if (!pleats) throw new Error('no pleats')
    const { end } = runProgram(pleats.program)
    const { layers, loops } = sectionOf(end.state, { origin: { x: 0, y: 0.5 }, direction: { x: 1, y: 0 } })
    expect(layers.map(({ level }) => level).sort()).toEqual([0, 1, 2, 3, 4, 5, 6, 7])
    expect(loops).toHaveLength(7)
    for (const { levels } of loops) expect(Math.abs(levels[0] - levels[1])).toBe(1)
    expect(new Set(loops.map(({ side }) => side))).toEqual(new Set([1, -1]))
  })
  test('at a fold the layers that move are named', () => {
    const { section } = pictureOf(
      lastFrame(valley(onto(at(0, 0), at(1, 0))), valley(onto(at(1, 0), at(1, 1)))),
    )
    expect(section?.layers).toHaveLength(2)
    expect(section?.moving).toHaveLength(2)
  })
  test('the cut runs square to the fold line', () => {
    const line = acrossAt({ origin: { x: 0, y: 0 }, direction: { x: 1, y: 0 } }, { x: 0.3, y: 0 })
    expect(Math.abs(line.direction.y)).toBe(1)
    expect(line.origin).toEqual({ x: 0.3, y: 0 })
  })
})

describe('in between', () => {
  const areaOf = (regions: readonly { readonly parts: readonly (readonly number[])[] }[]) =>
    regions.flatMap(({ parts }) => parts).reduce((sum, part) => sum + area(pairs(part)), 0)
  test('a simple fold: what stays and what moves are the piece before it; what comes down shows its other side', () => {
    const motion = motionOf(lastFrame(cornerIn))
    if (!motion) throw new Error('no motion')
    expect(motion.over).toBe(true)
    expect(areaOf(motion.stays.regions)).toBeCloseTo(7 / 8, 3)
    expect(areaOf(motion.rises.regions)).toBeCloseTo(1 / 8, 3)
    expect(areaOf(motion.comesDown.regions)).toBeCloseTo(1 / 8, 3)
    expect(motion.rises.regions.map(({ side }) => side)).toEqual(['front'])
    expect(motion.comesDown.regions.map(({ side }) => side)).toEqual(['back'])
  })
  test('composite moves, cuts and turning have none', () => {
    expect(motionOf(lastFrame(turnOverUpright))).toBeNull()
    expect(
      motionOf(lastFrame({ kind: 'cut', line: through(at(0.5, 1), at(1, 0.5)), moves: at(1, 1) })),
    ).toBeNull()
  })
})
