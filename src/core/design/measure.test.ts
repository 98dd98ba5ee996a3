import { CoreError } from '../errors'
import { figuresOf, runProgram, check } from '../fold'
import {
  defaultGauges,
  finishedSizes,
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
const endOf = (id: string, gauges = {}, sheetMm = 150) => {
  const design = source(id)
  const program = programOf(mainPart(design), variantOf(design, 'plain'))
  if (!program) throw new Error(`${id} has no moves`)
  return runProgram(program, gaugeShares(design, { ...defaultGauges(design), ...gauges }, sheetMm))
}

describe.each(
  LIBRARY.filter((design) => programOf(mainPart(design), design.variants[0] ?? design.variants[0]!)),
)('$id', (design) => {
  test('passes the independent check after every move', () => {
    for (const { after } of endOf(design.id).frames) expect(check(after.state)).toEqual([])
  })
  test('its sizes as forms agree with folding it at other sheets and gauges', () => {
    const document = measureDesign(design)
    for (const sheetMm of [90, 150, 300])
      for (const at of [0, 0.5, 1]) {
        const gauges = Object.fromEntries(
          design.gauges.map(({ key, unit, least, most }) => {
            const one = unit === 'mm' ? 1 : sheetMm
            return [key, (least + (most - least) * at) * one]
          }),
        )
        const { end } = endOf(design.id, gauges, sheetMm)
        const { width, height } = figuresOf(end.state)
        const sizes = finishedSizes(document, variantOf(document, 'plain'), sheetMm, gauges)
        const byAxis = new Map(sizes.map((size) => [size.axis, size.sizeMm]))
        const wide = byAxis.get('edge-to-edge') ?? byAxis.get('tail-to-head')
        expect(wide).toBeCloseTo(width * sheetMm, 6)
        const high = byAxis.get('height')
        if (high !== undefined) expect(high).toBeCloseTo(height * sheetMm, 6)
      }
  })
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
    ({ step, after }) =>
      step < frames.length &&
      figuresOf(after.state).height > 0.9999 &&
      figuresOf(after.state).mostLayers === 16,
  )
  const figures = narrow && figuresOf(narrow.after.state)
  const [a, b] = [Math.tan(Math.PI / 8), Math.tan(Math.PI / 16)]
  expect(figures?.width).toBeCloseTo((2 * a * b) / (a + b), 9)
  expect(figures?.width).toBeCloseTo(0.268761, 6)
  expect(figures?.height).toBeCloseTo(1, 9)
})

test('a gauge that does not act in a straight line is found out', () => {
  const rosette = source('corner-folded-rosette')
  const [gauge] = rosette.gauges
  // Far beyond its range the tips pass the corner: the form no longer holds.
  const wild = { ...rosette, gauges: gauge ? [{ ...gauge, least: -30, most: 45 }] : [] }
  expect(() => measureDesign(wild)).toThrow()
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
