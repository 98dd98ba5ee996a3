import { measuredNamed } from '../../../test/library'
import { checkForm, crossingsOf, DEEPEST_CROSSING, GATES, measureForm, paintForm, passes } from '../shape'
import {
  defaultGauges,
  finishedForm,
  formSizesMm,
  gaugeShares,
  LIBRARY,
  shapedRange,
  toolsFor,
  variantOf,
} from '.'

/**
 * Sizes of shaped pieces, read off their forms, against what follows on paper from the angles and radii of their
 * shaping. All for a square of 150 mm, as shares of its side.
 */
const SHEET_MM = 150
const design = measuredNamed
function usual(id: string, variantKey: string, axis: string): number {
  const { readings = [] } = variantOf(design(id), variantKey)
  const [tool] = readings.map((one) => one.tool)
  const row = readings.find((one) => one.tool === tool && one.sheetMm === SHEET_MM)
  const size = row?.sizes.find((one) => one.axis === axis)
  if (!size) throw new Error(`${id} has no ${axis}`)
  return size.usual
}
const rad = (degrees: number): number => (degrees * Math.PI) / 180
const sin = (degrees: number): number => Math.sin(rad(degrees))
const cos = (degrees: number): number => Math.cos(rad(degrees))

/** How far out and up a flap reaches that is opened, runs straight, then over a round, then straight on. */
function reach(length: number, turn: number, straight: number, roll: number, radius: number) {
  const rolled = Math.min(Math.abs(rad(roll)) * radius, length - straight)
  const bent = Math.sign(roll) * (rolled / radius) * (180 / Math.PI)
  const [end, way] = [turn + bent, Math.sign(roll)]
  const rest = length - straight - rolled
  return {
    out: straight * cos(turn) + way * radius * (sin(end) - sin(turn)) + rest * cos(end),
    up: straight * sin(turn) + way * radius * (cos(turn) - cos(end)) + rest * sin(end),
  }
}
const WITHIN = 2e-3

describe('sizes after shaping follow on paper', () => {
  test('corner-folded rosette: each ring is lifted from its own crease, which the ring outside it sets', () => {
    // The outer petals hang half way to the edge, and half the overhang further out; each ring stops on the square of
    // the creases outside it, nearer by the square root of 2.
    const outer = Math.SQRT2 / 16 + 3 / 150 / 2
    const pen = 9 / SHEET_MM
    const rings = [
      reach(outer, 12, 0.03, 30, pen),
      reach(outer / Math.SQRT2, 26, 0.03, 30, pen),
      reach(outer / 2, 42, 0.03, 30, pen),
    ]
    const highest = Math.max(...rings.map(({ up }) => up))
    expect(Math.abs(usual('corner-folded-rosette', 'plain', 'standing') - highest)).toBeLessThan(WITHIN)
    const across = 2 * (outer + reach(outer, 12, 0.03, 30, pen).out)
    expect(Math.abs(usual('corner-folded-rosette', 'plain', 'edge-to-edge') - across)).toBeLessThan(WITHIN)
  })
  test('strongly curled, the square below is the widest', () => {
    expect(usual('corner-folded-rosette', 'curled', 'edge-to-edge')).toBeCloseTo(Math.SQRT2 / 4, 9)
  })
  test('crocus: a petal is a quarter of the side long and hangs a quarter from the centre', () => {
    const petal = reach(1 / 4, 62, 0.1, -55, 0.2)
    expect(Math.abs(usual('crocus', 'plain', 'standing') - petal.up)).toBeLessThan(WITHIN)
    expect(Math.abs(usual('crocus', 'plain', 'tip-to-tip') - 2 * (1 / 4 + petal.out))).toBeLessThan(WITHIN)
  })
  test('field flower: the petal bends from 0.4 on, of a half diagonal, and hangs over a pen', () => {
    // It leans by 60 degrees from the stem: 30 over the level.
    const length = Math.SQRT1_2 - 0.4
    const pen = 9 / SHEET_MM
    const tip = reach(length, 30, 0.12, -90, pen)
    const crown = 0.12 * sin(30) + pen * (1 - cos(30))
    expect(Math.abs(usual('field-flower', 'plain', 'open') - 2 * tip.out)).toBeLessThan(WITHIN)
    const trimmed = 4 / SHEET_MM
    expect(Math.abs(usual('field-flower', 'plain', 'height') - (0.4 + crown - trimmed))).toBeLessThan(WITHIN)
  })
  test('crane: both wings run out over two rounds, and on', () => {
    // Told of the piece before its wings come down: they hang on the level of the closed corner, which lies half a
    // diagonal from the tips of the legs, on a base that is a side long.
    const length = 1 - Math.SQRT1_2
    // The first round takes 74 degrees, the second what is left of the wing.
    const left = length - rad(74) * 0.05
    const end = 74 + (left / 0.5) * (180 / Math.PI)
    const out = 0.05 * (1 - cos(74)) + 0.5 * (cos(74) - cos(end))
    expect(Math.abs(usual('crane', 'plain', 'wing-span') - 2 * out)).toBeLessThan(0.01)
    expect(usual('crane', 'plain', 'tail-to-head')).toBeGreaterThan(0.5)
  })
  test('tulip: filled, the closed point stands over the middle of its bottom, and its petals reach out', () => {
    // The lower ends of the leaning folds and the open end come to one level: half of the diagonal of a square of a quarter
    // apart. The closed point is the leaning fold away from both of them.
    const half = Math.SQRT2 / 8
    const fold = Math.hypot(1 / 8, 3 / 8)
    expect(usual('tulip', 'plain', 'height')).toBeCloseTo(Math.sqrt(fold ** 2 - half ** 2), 4)
    // Wide over the petals now: the tips of those on the leaning folds lie on the diagonals of the bottom.
    const [along, out] = [half / fold, usual('tulip', 'plain', 'height') / fold]
    const reach = half / 2 + (fold / 2) * (sin(95) * out - cos(95) * along)
    expect(usual('tulip', 'plain', 'width')).toBeGreaterThan(Math.SQRT2 * reach - 1e-6)
  })
  test('rolled stem: an eighth of the strip is half of its round', () => {
    // Each half turn lies 0.0004 of the side further in than the one around it.
    expect(Math.abs(usual('rolled-stem', 'plain', 'thickness') - 2 / 32 / Math.PI)).toBeLessThan(5e-4)
    expect(usual('rolled-stem', 'plain', 'length')).toBeCloseTo(1, 9)
  })

  /**
   * A butterfly's wing: the place that reaches furthest, from the tail along the middle and square to it; the ridge leans
   * by 12 degrees and is a body wide. The wing is folded up by 64 degrees at the ridge's line, runs on 0.1, is rolled
   * down by 14 over half a side; then both halves stand 86 degrees up from the middle.
   */
  function wingAcross(out: number, along: number, body: number): number {
    const beyond = out * cos(12) - along * sin(12) - body
    const foot = { across: out - beyond * cos(12), along: along + beyond * sin(12) }
    const wing = reach(beyond, -64, 0.1, -14, 0.5)
    const across = foot.across + wing.out * cos(12)
    return 2 * (across * cos(86) - wing.up * sin(86))
  }
  test.each([
    // Places as the flat spans name them.
    ['two-colour-butterfly', 13 / 32, 0.15, 0.03],
    ['quick-butterfly', 1 / 2, 1 / 2, 0.03],
    ['lapped-wing-butterfly', 0.375, 0.08, 0.03],
  ])('%s: its span', (id, out, along, body) => {
    expect(Math.abs(usual(id, 'plain', 'span') - wingAcross(out, along, body))).toBeLessThan(0.01)
  })
})

describe('every form of the library', () => {
  const shaped = LIBRARY.flatMap((source) =>
    source.variants.flatMap((variant) => {
      const settings = {
        gauges: gaugeShares(source, defaultGauges(source), SHEET_MM),
        sheetMm: SHEET_MM,
      }
      const finished = finishedForm(source, variant.key, settings)
      return finished && finished.shapedBy.length > 0
        ? [{ name: `${source.id}, ${variant.key}`, finished }]
        : []
    }),
  )
  test('there are such forms', () => {
    expect(shaped.length).toBeGreaterThanOrEqual(11)
  })
  test.each(shaped)('$name: no face goes through another', ({ finished: { form } }) => {
    expect(crossingsOf(form).filter(({ depth }) => depth > DEEPEST_CROSSING)).toEqual([])
  })
  test.each(shaped)('$name keeps its paper: lengths, joints, area', ({ finished: { form } }) => {
    const found = checkForm(form)
    expect(passes(found)).toBe(true)
    expect(found.meanStrain).toBeLessThan(GATES.meanStrain)
    expect(found.torn).toBeLessThan(1e-6)
    const flat = checkForm({
      ...form,
      patches: form.patches.map((patch) => ({
        ...patch,
        spots: patch.sheet.map(({ x, y }) => ({ x, y, z: 0 })),
      })),
    })
    expect(found.sheetArea).toBeCloseTo(flat.sheetArea, 12)
    expect(measureForm(form, 'height')).toBeGreaterThan(0.01)
  })
  test.each([
    ['crocus', 4],
    ['field-flower', 4],
    ['corner-folded-rosette', 4],
  ])('%s: like petals are alike, each a quarter turn on', (id, parts) => {
    const found = shaped.find(({ name }) => name.startsWith(`${id},`))
    const all = found?.finished.form.patches.flatMap(({ spots }) => spots) ?? []
    const [x, y] = (['x', 'y'] as const).map((axis) => {
      const values = all.map((spot) => spot[axis])
      return (Math.min(...values) + Math.max(...values)) / 2
    })
    // How far out the paper reaches in each direction, and a quarter turn on.
    const far = (angle: number) =>
      all.reduce(
        (most, spot) =>
          Math.max(most, (spot.x - (x ?? 0)) * Math.cos(angle) + (spot.y - (y ?? 0)) * Math.sin(angle)),
        0,
      )
    for (let degrees = 0; degrees < 90; degrees += 7.5)
      for (let part = 1; part < parts; part++) {
        const here = far(rad(degrees))
        expect(Math.abs(far(rad(degrees + (part * 360) / parts)) / here - 1)).toBeLessThan(0.01)
      }
  })
})

describe('what is read off a form is told for any sheet and tool', () => {
  const rosette = design('corner-folded-rosette')
  const calm = variantOf(rosette, 'plain')
  test('between two sheets a size lies between theirs; beyond the last it stays', () => {
    const high = (sheetMm: number) => formSizesMm(calm, sheetMm)[0]?.usualMm ?? NaN
    const share = (sheetMm: number) => high(sheetMm) / sheetMm
    expect(share(100)).toBeGreaterThan(Math.min(share(60), share(150)))
    expect(share(100)).toBeLessThan(Math.max(share(60), share(150)))
    expect(share(600)).toBeCloseTo(share(300), 12)
    expect(share(20)).toBeCloseTo(share(60), 12)
  })
  test('tools are offered, the usual one first, and change the size', () => {
    expect(toolsFor(calm)).toEqual(['pen', 'skewer', 'pencil'])
    const [edge] = calm.sizes
    if (!edge) throw new Error('no size')
    const [low, most] = shapedRange(calm, edge, SHEET_MM, 'pen') ?? []
    expect(low).toBeLessThan(most ?? 0)
    expect(most).toBeLessThan(1)
    expect(shapedRange(calm, edge, SHEET_MM, 'skewer')?.[1]).not.toBe(most)
    // A tool it is not rolled over is the usual one.
    expect(shapedRange(calm, edge, SHEET_MM, 'toothpick')).toEqual([low, most])
  })
  test('on any sheet, however small or large, the petals draw the outline in: never out, never beyond the square', () => {
    const [edge] = calm.sizes
    if (!edge) throw new Error('no size')
    // The square below is S / 2.828; flat, the tips stand out over it by the overhang on both sides.
    const square = Math.SQRT2 / 4 / (Math.SQRT2 / 4 + (2 * 3) / SHEET_MM)
    for (const sheetMm of [5, 25, 60, 150, 300, 900]) {
      const [low = NaN, most = NaN] = shapedRange(calm, edge, sheetMm) ?? []
      expect(low).toBeGreaterThan(square - 1e-9)
      expect(most).toBeLessThan(1)
    }
  })
  test('a design that is only folded has none, one whose form is not computed keeps its stated factors', () => {
    const heart = design('simple-heart')
    const [wide] = heart.variants[0]?.sizes ?? []
    expect(wide && heart.variants[0] && shapedRange(heart.variants[0], wide, 150)).toBeUndefined()
    const gourd = design('pleated-gourd')
    const [variant] = gourd.variants
    const stated = variant?.sizes.find(({ shaped: factor }) => factor !== undefined)
    expect(stated && variant && shapedRange(variant, stated, 150)).toEqual(stated?.shaped)
  })
})

/** Finished pieces on which both sides of the paper are seen from above: by hand, and as each tells of its sides. */
const BOTH_SIDES = new Set([
  'corner-folded-rosette plain',
  'corner-folded-rosette curled',
  'crocus plain',
  'framed-heart plain',
  'offset-wing-butterfly plain',
  'lapped-wing-butterfly plain',
  'two-colour-butterfly plain',
  'window-star eight',
  'hexagon-flake rimmed',
  'carved-face-gourd plain',
])

test.each(
  LIBRARY.flatMap((source) =>
    source.variants.map(({ key }) => [`${source.id} ${key}`, source, key] as const),
  ),
)('%s: the sides that are seen are those it tells of', (name, source, key) => {
  const gauges = gaugeShares(source, defaultGauges(source), SHEET_MM)
  const finished = finishedForm(source, key, { gauges, sheetMm: SHEET_MM })
  if (!finished) return expect(BOTH_SIDES.has(name)).toBe(false)
  const [view] = paintForm(finished.form, ['above'], 120)
  let [front, back] = [0, 0]
  for (let at = 0; at < (view?.pixels.length ?? 0); at += 4) {
    front += view?.pixels[at] ?? 0
    back += view?.pixels[at + 1] ?? 0
  }
  expect(front + back).toBeGreaterThan(0)
  expect(Math.min(front, back) / (front + back) > 0.02).toBe(BOTH_SIDES.has(name))
})
