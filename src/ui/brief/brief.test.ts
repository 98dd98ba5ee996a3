import { MEASURED } from '../../../test/library'
import { typedBrief } from '../../../test/typed'
import { NO_HISTORY } from '@/core/batch'
import type { DrawerPaper } from '@/flows/read/papers'
import { briefFields } from '@/schema/brief'
import { nextYearly } from '@/schema/days'
import { parseFields } from '@/schema/field-errors'
import type { BriefDesign } from '@/flows/read/brief-designs'
import type { Preferences } from '../format'
import { colourOfName } from '../paper/colour-of-name'
import { begunLine, newLine, usualMeasures } from './form-values'
import { previewLine } from './line-preview'

const DESIGNS = MEASURED

const PACE = { layers: {}, looks: {}, rate: NO_HISTORY, secondsPerUnit: 300 }
const CM: Preferences = {
  unit: 'cm',
  ruler: 'mm-0.5',
  zone: 'UTC',
  currency: 'EUR',
  locale: 'en-GB',
  nowMs: 0,
}
const paper: DrawerPaper = {
  id: 'orange',
  name: 'Buoy Orange',
  frontColour: '#c4491d',
  backColour: '#ffffff',
  feel: 'copier',
  pattern: 'plain',
  texture: 'smooth',
  grain: 'unknown',
  turnable: true,
  toleranceMm: null,
  feelLabel: 'copier paper',
  grammageGsm: 80,
  caliperMm: 0.1,
  caliperMeasuredMm: null,
  note: '',
  sheets: [
    {
      stockItemId: 'a4',
      widthMm: 210,
      heightMm: 297,
      formatLabel: 'A4',
      offcut: false,
      amount: 10,
      priceMinor: null,
      soldAs: '',
      forStems: false,
      grain: null,
    },
  ],
}
const [rosette] = DESIGNS
if (!rosette) throw new Error('an empty library')
const fresh = newLine('new-1', rosette, [paper], CM)

test('a fresh line only lacks its numbers', () => {
  const filled = { ...fresh, size: '5', pieces: '4', papers: [{ paperId: 'orange', pieces: '4' }] }
  const brief = typedBrief([filled], { name: 'Lids' })
  expect(
    parseFields(
      briefFields({
        unit: 'cm',
        ruler: 'mm-0.5',
        designs: DESIGNS,
        papers: [{ id: 'orange', sheets: [] }],
      }),
      brief,
    ).ok,
  ).toBe(true)
})

describe('the preview', () => {
  const known: BriefDesign = { document: rosette, hardest: {}, ...PACE }
  const preview = (change: Partial<typeof fresh>, preferences = CM, design = known) =>
    previewLine({ ...fresh, ...change }, design, [paper], preferences)
  const INCH: Preferences = { ...CM, unit: 'in', ruler: 'inch-1/16' }

  test('finished size to sheet, rounded to the ruler, with what the rounding does', () => {
    expect(preview({ size: '5' })).toEqual({
      kind: 'sheet',
      parts: [{ key: 'flower', sheetUm: { widthUm: 124_500, heightUm: 124_500 }, unitsPerPiece: 1 }],
      sheetMm: 124.5,
      text: 'From a square of 12.45 cm: 5 cm edge to edge, 6.25 cm corner to corner.',
      rounding: 'Exactly 12.445 cm; cut to your ruler it is 0.05 mm more.',
      advice: [],
    })
  })
  test('in inches nothing is said in centimetres', () => {
    const told = JSON.stringify(preview({ size: '2', gauges: { overhang: '1/8' } }, INCH))
    expect(told).toContain(' in')
    expect(told).not.toContain('cm')
    expect(JSON.stringify(preview({ size: '2', gauges: { overhang: '3' } }, INCH))).toContain(' in.')
  })
  test('sheet to finished sizes, the sheet as typed', () => {
    expect(preview({ sizing: 'sheet', size: '15' })).toMatchObject({ sheetMm: 150, rounding: null })
  })
  test('it is rounded downwards where the mark above would lose a square from the sheets there are', () => {
    const wholeMm = { ...CM, ruler: 'mm-1' as const }
    // 74.6 mm: on whole millimetres 75 would give 6 from an A4, 74 gives 8.
    const sizeCm = String(((74.6 / Math.sqrt(8) + 6) / 10).toFixed(4))
    expect(preview({ size: sizeCm }, wholeMm)).toMatchObject({ sheetMm: 74 })
  })
  test.each(['0', 'abc', '-5', '0.1', '1e999'])('%p says what is wrong rather than nonsense', (size) => {
    const told = preview({ size })
    expect(told).toMatchObject({ kind: 'problem' })
    expect(told.kind === 'problem' ? told.text : '').toMatch(/^[A-Z].*\.$/)
  })
  test('nothing typed yet is no problem', () => {
    expect(preview({ size: '' })).toEqual({ kind: 'nothing yet' })
  })
  test.each(['wide', '4'])('a gauge of %p says its range', (overhang) => {
    expect(preview({ size: '5', gauges: { overhang } })).toMatchObject({ kind: 'problem' })
  })
  test('a size no sheet there gives: what the largest gives, and what would do', () => {
    const told = preview({ size: '10' })
    expect(told).toMatchObject({
      advice: ['Too large for Buoy Orange: A4 gives 8 cm. A3 would do.'],
    })
    expect(preview({ size: '8' })).toMatchObject({ advice: [] })
  })
  test('a sheet too small for the paper says from what size on it can be folded', () => {
    const fold = { says: 'Tips back', layers: 8, lengthShare: 0.1, pieceShare: 0.5 }
    const told = preview({ size: '1.5' }, CM, { document: rosette, hardest: { plain: [fold] }, ...PACE })
    expect(told).toMatchObject({ kind: 'sheet' })
    const [advice] = told.kind === 'sheet' ? told.advice : []
    expect(advice).toMatch(/^Too small for Buoy Orange: "Tips back" cannot be set\. From \d/)
  })
})

test('a name tells a colour until one is chosen', () => {
  expect(colourOfName('Reed Green')).toBe(colourOfName('green'))
  expect(colourOfName('Orange or red')).toBe(colourOfName('red'))
  expect(colourOfName('Tidewater')).toBeNull()
})

describe('planned again', () => {
  test.each([
    ['2026-11-28', '2026-11-28', '2026-11-28'],
    ['2026-12-24', '2026-11-28', '2026-12-24'],
    ['2025-12-24', '2026-11-28', '2026-12-24'],
    ['2025-05-01', '2026-11-28', '2027-05-01'],
    ['2024-02-29', '2026-11-28', '2027-02-28'],
    ['2024-02-29', '2027-06-01', '2028-02-29'],
  ])('what was due on %s falls, on %s, on %s', (dueOn, today, next) => {
    expect(nextYearly(dueOn, today)).toBe(next)
  })
})

test('who measures in inches begins with lengths on that ruler', () => {
  const INCH: Preferences = { ...CM, unit: 'in', ruler: 'inch-1/16' }
  expect(usualMeasures('topper', CM)['margin']).toBe('1')
  expect(usualMeasures('topper', INCH)['margin']).toBe('3/8')
  expect(usualMeasures('garland', INCH)).toMatchObject({
    tail: '11 13/16',
    knot: '1 3/16',
    long: '',
    pieces: '',
  })
  const begun = begunLine(
    rosette,
    { sizeMm: 60, made: 'wreath', values: { radius: 150, overlap: 0 } },
    [paper],
    INCH,
    [],
  )
  expect(begun).toMatchObject({ size: '2 5/16', measures: { radius: '5 7/8', overlap: '0', pieces: '' } })
})
