import { MEASURED } from '../../../test/library'
import { largest, least } from '../numeric'
import fc from 'fast-check'
import { CoreError } from '../errors'
import {
  defaultGauges,
  finishedSizes,
  gaugeMm,
  LIBRARY,
  mainPart,
  outlineMm,
  sheetForFinished,
  stagesOf,
  variantOf,
  type DesignDocument,
} from '.'

const DESIGNS = MEASURED
const find = (id: string): DesignDocument => {
  const design = DESIGNS.find((candidate) => candidate.id === id)
  if (!design) throw new Error(`no design ${id}`)
  return design
}
const rosette = find('corner-folded-rosette')
const leaf = find('narrow-leaf')
const heart = find('simple-heart')
const sizeOf = (design: DesignDocument, variantKey: string, axis: string, sheetMm: number, gauges = {}) =>
  finishedSizes(design, variantOf(design, variantKey), sheetMm, gauges).find((size) => size.axis === axis)
    ?.sizeMm

/** Whether a size is the width or the height of the finished outline: measured so, and not of one unit of several. */
function alongTheBox(id: string, variantKey: string, axis: string): boolean {
  const variant = LIBRARY.find((one) => one.id === id)?.variants.find((one) => one.key === variantKey)
  const size = variant?.sizes.find((one) => one.axis === axis)
  return (
    size !== undefined &&
    'measure' in size &&
    'extentDegrees' in size.measure &&
    size.measure.extentDegrees % 90 === 0 &&
    variant?.assembly === undefined
  )
}

describe('closed forms, derived on paper', () => {
  test('rosette: a triple blintz of 15 cm is 5.30 cm; 3 mm of overhang make it 5.90 edge to edge', () => {
    expect(sizeOf(rosette, 'plain', 'edge-to-edge', 150, { overhang: 0 })).toBeCloseTo(53.03, 2)
    expect(sizeOf(rosette, 'plain', 'edge-to-edge', 150, { overhang: 3 })).toBeCloseTo(59.03, 2)
    expect(sizeOf(rosette, 'plain', 'corner-to-corner', 150)).toBeCloseTo(75, 9)
  })
  test('rosette: 5 cm edge to edge with 3 mm of overhang wants a sheet of 44 x sqrt(8) = 124.45 mm', () => {
    const sheetMm = sheetForFinished(rosette, variantOf(rosette, 'plain'), 'edge-to-edge', 50, {
      overhang: 3,
    })
    expect(sheetMm).toBeCloseTo(124.451, 3)
  })
  test('leaf: a quarter of 15 cm gives 10.6 cm tip to tip; opened it has the fish base outline 0.5858 x 1.4142', () => {
    expect(sizeOf(leaf, 'halved', 'tip-to-tip', 75)).toBeCloseTo(106.07, 2)
    expect(sizeOf(leaf, 'open', 'width', 1)).toBeCloseTo(0.585786, 6)
    expect(sizeOf(leaf, 'halved', 'width', 1)).toBeCloseTo(0.292893, 6)
  })
  test('heart: pointed it is 5/4 by 1 half diagonals, rounded 9/8 by 7/8', () => {
    const half = Math.SQRT1_2
    expect(sizeOf(heart, 'pointed', 'width', 1)).toBeCloseTo(1.25 * half, 12)
    expect(sizeOf(heart, 'rounded', 'height', 1)).toBeCloseTo(0.875 * half, 12)
  })
})

/** Heart folded numerically: reflect the diamond's corner points as the steps say, an independent second way. */
test('heart: folding a diamond point by point gives the same width and height', () => {
  const half = Math.SQRT1_2
  const creaseY = -half / 4
  // Side folds reflect across the 45 degree line through the bottom point: (u, v) -> (v, u), v from the crease up.
  const rightCorner = { u: half, v: 0 - creaseY }
  const lifted = { u: rightCorner.v, v: rightCorner.u }
  const onBoth = (half - creaseY) / 2 // where u = v meets the raw edge u + v = half + 1/4 half
  expect(lifted.v).toBeCloseTo(sizeOf(heart, 'pointed', 'height', 1) ?? NaN, 12)
  expect(2 * onBoth).toBeCloseTo(sizeOf(heart, 'pointed', 'width', 1) ?? NaN, 12)
})

describe.each(DESIGNS.flatMap((design) => design.variants.map((variant) => ({ design, variant }))))(
  '$design.name, $variant.name',
  ({ design, variant }) => {
    const gauges = defaultGauges(design)
    test('finished size and sheet size are each other’s inverse on every axis', () => {
      fc.assert(
        fc.property(fc.double({ min: 40, max: 700, noNaN: true }), (sheetMm) => {
          for (const { axis, sizeMm } of finishedSizes(design, variant, sheetMm, gauges))
            expect(sheetForFinished(design, variant, axis, sizeMm, gauges)).toBeCloseTo(sheetMm, 8)
        }),
      )
    })
    test('the outline spans what the sizes say and runs counter-clockwise', () => {
      const points = outlineMm(design, variant, 150, gauges)
      const span = (key: 'x' | 'y') => {
        const values = points.map((point) => point[key])
        return largest(values) - least(values)
      }
      const spans = [span('x'), span('y')]
      for (const { axis, sizeMm } of finishedSizes(design, variant, 150, gauges).filter(({ axis }) =>
        alongTheBox(design.id, variant.key, axis),
      ))
        expect({ axis, near: spans.some((value) => Math.abs(value - sizeMm) < 1e-9) }).toEqual({
          axis,
          near: true,
        })
      const twiceArea = points.reduce((sum, { x, y }, index) => {
        const next = points[(index + 1) % points.length] ?? { x, y }
        return sum + x * next.y - next.x * y
      }, 0)
      expect(twiceArea).toBeGreaterThan(0)
    })
    test('it can be folded: steps with repeats, each step key once', () => {
      const steps = stagesOf(mainPart(design), variant).flatMap((stage) => stage.steps)
      expect(steps.length).toBeGreaterThan(0)
      expect(new Set(steps.map((step) => step.key)).size).toBe(steps.length)
      expect(steps.every((step) => step.repeats >= 1 && step.say.length <= 60)).toBe(true)
    })
  },
)

test('the rosette has 24 corners and petals besides its diagonals and the curl (common practice)', () => {
  const steps = stagesOf(mainPart(rosette), variantOf(rosette, 'plain')).flatMap((stage) => stage.steps)
  const folds = steps.filter((step) => step.each === 'corner' || step.each === 'petal')
  expect(folds.reduce((sum, step) => sum + step.repeats, 0)).toBe(24)
})

describe('a caller’s mistakes say what, where and the range', () => {
  test.each([
    ['unknown variant', () => variantOf(rosette, 'giant'), 'UNKNOWN_VARIANT'],
    [
      'unknown axis',
      () => sheetForFinished(rosette, variantOf(rosette, 'plain'), 'across', 50, {}),
      'UNKNOWN_AXIS',
    ],
    ['gauge out of range', () => gaugeMm(rosette, { overhang: 9 }, 'overhang', 150), 'OUT_OF_RANGE'],
    ['gauge not known', () => gaugeMm(rosette, {}, 'depth', 150), 'UNKNOWN_GAUGE'],
    [
      'smaller than its own overhang',
      () => sheetForFinished(rosette, variantOf(rosette, 'plain'), 'edge-to-edge', 5, { overhang: 3 }),
      'SIZE_NOT_REACHABLE',
    ],
    ['no sheet', () => finishedSizes(rosette, variantOf(rosette, 'plain'), NaN, {}), 'NOT_FINITE'],
  ])('%s', (_, deed, code) => {
    expect(deed).toThrow(CoreError)
    expect(deed).toThrow(code)
  })
})
