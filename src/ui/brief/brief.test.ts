import { largest, least } from '@/core/numeric'
import fc from 'fast-check'
import { LIBRARY, measureDesign } from '@/core/design'
import type { DrawerPaper } from '@/flows/read/papers'
import { parseBrief } from '@/schema/brief'
import type { Preferences } from '../format'
import { newLine } from './form-values'
import { previewLine } from './line-preview'
import { evenShares } from './LinePapers'

const DESIGNS = LIBRARY.map(measureDesign)

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
    },
  ],
}
const [rosette] = DESIGNS
if (!rosette) throw new Error('an empty library')
const fresh = newLine('new-1', rosette, [paper], CM)

test('shares are as even as they come and always add up', () => {
  expect(evenShares(36, 3)).toEqual([12, 12, 12])
  expect(evenShares(10, 3)).toEqual([4, 3, 3])
  fc.assert(
    fc.property(fc.nat(10_000), fc.integer({ min: 1, max: 30 }), (total, count) => {
      const shares = evenShares(total, count)
      expect(shares.reduce((sum, share) => sum + share, 0)).toBe(total)
      expect(largest(shares) - least(shares)).toBeLessThanOrEqual(1)
    }),
  )
})

test('a fresh line only lacks its numbers', () => {
  const filled = { ...fresh, size: '5', pieces: '4', papers: [{ paperId: 'orange', pieces: '4' }] }
  const brief = { name: 'Lids', dueOn: '', certainty: '0.95', note: '', lines: [filled] }
  expect(
    parseBrief(brief, {
      unit: 'cm',
      ruler: 'mm-0.5',
      designs: DESIGNS,
      papers: [{ id: 'orange', sheets: [] }],
    }).ok,
  ).toBe(true)
})

describe('the preview', () => {
  const preview = (change: Partial<typeof fresh>, preferences = CM) =>
    previewLine({ ...fresh, ...change }, rosette, [paper], preferences)
  test('finished size to sheet, rounded to the ruler, with what the rounding does', () => {
    expect(preview({ size: '5' })).toEqual({
      sheetMm: 124.5,
      text: 'From a square of 12.45 cm: 5 cm edge to edge, 6.25 cm corner to corner.',
      rounding: 'Exactly 12.445 cm; cut to your ruler it is 0.05 mm more.',
    })
  })
  test('sheet to finished sizes, the sheet as typed', () => {
    expect(preview({ sizing: 'sheet', size: '15' })).toMatchObject({ sheetMm: 150, rounding: null })
  })
  test('it is rounded downwards where the mark above would lose a square from the sheets there are', () => {
    const wholeMm = { ...CM, ruler: 'mm-1' as const }
    // 74.6 mm: on whole millimetres 75 would give 6 from an A4, 74 gives 8.
    const sizeCm = String(((74.6 / Math.sqrt(8) + 6) / 10).toFixed(4))
    expect(preview({ size: sizeCm }, wholeMm)?.sheetMm).toBe(74)
  })
  test.each(['', '0', 'abc', '-5', '0.1', '1e999'])('%p gives none rather than nonsense', (size) => {
    expect(preview({ size })).toBeNull()
  })
  test('a gauge that is no length gives none', () => {
    expect(preview({ size: '5', gauges: { overhang: 'wide' } })).toBeNull()
    expect(preview({ size: '5', gauges: { overhang: '4' } })).toBeNull()
  })
})
