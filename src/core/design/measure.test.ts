import { measured } from '../../../test/library'
import { CoreError } from '../errors'
import { check, figuresOf, measureAlong, runProgram } from '../fold'
import { area } from '../geometry'
import {
  defaultGauges,
  finishedSizes,
  gaugeRangeMm,
  gaugeShares,
  LIBRARY,
  mainPart,
  measureDesign,
  programOf,
  variantOf,
  type DesignSource,
} from '.'

const source = (id: string): DesignSource => {
  const found = LIBRARY.find((design) => design.id === id)
  if (!found) throw new Error(`no design ${id}`)
  return found
}
const runOf = (design: DesignSource, variantKey: string, gauges = {}, sheetMm = 150) => {
  const program = programOf(mainPart(design), variantOf(design, variantKey))
  if (!program) throw new Error(`${design.id} has no moves`)
  const shares = gaugeShares(design, { ...defaultGauges(design), ...gauges }, sheetMm)
  return { program, shares, trace: runProgram(program, shares) }
}
const endOf = (id: string, gauges = {}, sheetMm = 150) => runOf(source(id), 'plain', gauges, sheetMm).trace

const FOLDED = LIBRARY.flatMap((design) =>
  design.variants.flatMap((variant) =>
    programOf(mainPart(design), variant) ? [{ design, variant, name: `${design.id}, ${variant.key}` }] : [],
  ),
)

test('every design that ships is folded, not told in words', () => {
  expect(new Set(FOLDED.map(({ design }) => design.id))).toEqual(new Set(LIBRARY.map(({ id }) => id)))
})

describe.each(FOLDED)('$name', ({ design, variant }) => {
  test('passes the independent check after every move, and loses no paper but what is cut', () => {
    const { trace } = runOf(design, variant.key)
    for (const { after } of trace.frames) {
      expect(check(after.state)).toEqual([])
      const cut = (after.state.cutAway ?? []).reduce((sum, part) => sum + area(part), 0)
      expect(figuresOf(after.state).paper + cut).toBeCloseTo(area(after.state.outline), 9)
    }
  })
  test('its sizes as forms agree with folding it at other sheets and gauges', () => {
    const document = measured(design)
    for (const sheetMm of [120, 150, 300])
      for (const at of [0, 0.5, 1]) {
        const gauges = Object.fromEntries(
          design.gauges.map(({ key, unit, least, most }) => {
            const one = unit === 'mm' ? 1 : sheetMm
            return [key, (least + (most - least) * at) * one]
          }),
        )
        const { program, shares, trace } = runOf(design, variant.key, gauges, sheetMm)
        const sizes = finishedSizes(document, variantOf(document, variant.key), sheetMm, gauges)
        expect(sizes.length).toBeGreaterThan(0)
        for (const { axis, measure } of program.measures)
          expect(sizes.find((size) => size.axis === axis)?.sizeMm).toBeCloseTo(
            measureAlong(trace.end, measure, shares) * sheetMm,
            6,
          )
      }
  })
})

test('field flower: half a diagonal high less the trimmed tip, 1 - 1 / sqrt 2 wide (derived from the frog base)', () => {
  const { state } = endOf('field-flower', { trim: 6 }).end
  const { width, height, mostLayers } = figuresOf(state)
  expect(height).toBeCloseTo(Math.SQRT1_2 - 6 / 150, 9)
  expect(width).toBeCloseTo(1 - Math.SQRT1_2, 9)
  expect(mostLayers).toBe(16)
})

test('hexagon flake: blunt, it is a hexagon of half the size (derived: 4 of 8 grid steps)', () => {
  const { state } = runOf(source('hexagon-flake'), 'blunt').trace.end
  const { width, height, shown } = figuresOf(state)
  expect(width).toBeCloseTo(1 / 2, 9)
  expect(height).toBeCloseTo(Math.sqrt(3) / 4, 9)
  expect(shown).toBeCloseTo((3 * Math.sqrt(3)) / 32, 9)
})

test('simple heart: the front shows colour alone, the back white only beside the tips (looked at)', () => {
  const { state } = runOf(source('simple-heart'), 'rounded').trace.end
  const figures = figuresOf(state)
  expect(figures.frontSeen).toBeCloseTo(0, 9)
  expect(figures.frontSeenBelow / figures.shown).toBeGreaterThan(0.05)
  expect(figures.frontSeenBelow / figures.shown).toBeLessThan(0.2)
})

test('rosette: 12 layers at most; its area is that of the square and four tips, 1/8 + 4 p squared (derived)', () => {
  for (const overhang of [0, 3, 8]) {
    const figures = figuresOf(endOf('corner-folded-rosette', { overhang }).end.state)
    const p = overhang / 150
    expect(figures.shown).toBeCloseTo(1 / 8 + 4 * p * p, 9)
    expect(figures.mostLayers).toBeLessThanOrEqual(12)
    expect(figures.width).toBeCloseTo(1 / Math.sqrt(8) + 2 * p, 9)
  }
})

test('crane: narrowed it is 0.268761 x 1 with 16 layers (derived: tan 22.5 and tan 11.25 meet)', () => {
  const { frames } = endOf('crane')
  const narrow = frames.findLast(
    ({ after }) => figuresOf(after.state).height > 0.9999 && figuresOf(after.state).mostLayers === 16,
  )
  const figures = narrow && figuresOf(narrow.after.state)
  const [a, b] = [Math.tan(Math.PI / 8), Math.tan(Math.PI / 16)]
  expect(figures?.width).toBeCloseTo((2 * a * b) / (a + b), 9)
  expect(figures?.width).toBeCloseTo(0.268761, 6)
  expect(figures?.height).toBeCloseTo(1, 9)
})

test('a gauge that does not act in a straight line is found out', () => {
  const heart = source('framed-heart')
  // Half as wide again as it may be, the frame's tips pass the outline: it is wide by another law from there on.
  const wild = heart.gauges.map((gauge) =>
    gauge.key === 'frame' ? { ...gauge, most: 1.5 * gauge.most } : gauge,
  )
  expect(() => measureDesign({ ...heart, gauges: wild })).toThrow('framed-heart, wide (0): not linear')
})

test('a sheet too small for its gauge: the engine says at which step', () => {
  let error: unknown
  try {
    endOf('corner-folded-rosette', { overhang: 8 }, 20)
  } catch (thrown) {
    error = thrown
  }
  expect(error).toBeInstanceOf(CoreError)
  expect(String(error)).toContain('step')
})

describe('a gauge in mm is much on a small sheet', () => {
  const measuredOf = (id: string) => measured(LIBRARY.find((one) => one.id === id)!)
  test('a rosette of 40 mm takes an overhang up to an eighth of the diagonal (derived), no more', () => {
    const rosette = measuredOf('corner-folded-rosette')
    const [variant] = rosette.variants
    const sizes = (sheetMm: number, overhang: number) =>
      finishedSizes(rosette, variant!, sheetMm, { overhang })
    // A flap of a triple blintz is an eighth of the diagonal high; folded at most along its own edge its tip overhangs by as much.
    const most = (Math.SQRT2 / 8) * 40
    const range = gaugeRangeMm(rosette.gauges[0]!, 40)
    expect(range.mostMm).toBeCloseTo(most, 1)
    expect(range.mostMm).toBeLessThan(most + 1e-6)
    expect(sizes(40, most - 0.05)[0]?.sizeMm).toBeGreaterThan(0)
    expect(() => sizes(40, 8)).toThrow(/OUT_OF_RANGE/)
    expect(sizes(46, 8)).toHaveLength(variant!.sizes.length)
  })
  const inMm = LIBRARY.filter(({ gauges }) => gauges.some(({ unit }) => unit === 'mm'))
  test.each(inMm.map((source) => ({ id: source.id, source })))(
    '$id: what is told at the ends of a range can be folded, on sheets from 20 to 150 mm',
    ({ source }) => {
      const design = measured(source)
      for (const sheetMm of [20, 27, 40, 66, 100, 150])
        for (const gauge of design.gauges) {
          const { leastMm, mostMm } = gaugeRangeMm(gauge, sheetMm)
          for (const settingMm of [leastMm, mostMm])
            for (const variant of source.variants) {
              const shares = gaugeShares(design, { [gauge.key]: settingMm }, sheetMm)
              expect(() => runProgram(programOf(mainPart(source), variant)!, shares)).not.toThrow()
            }
        }
    },
  )
})
