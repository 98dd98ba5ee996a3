import { caliperOf, FEELS, grammageOf, massOfG, sheetsByMass, thicknessMm } from '.'

test('a feel stands for numbers until they are known (common practice: copier about 0.10 mm, 8 layers 0.8 mm)', () => {
  expect(caliperOf({ feel: 'copier', grammageGsm: null, caliperMeasuredMm: null })).toBe(0.1)
  expect(thicknessMm(8, caliperOf({ feel: 'copier', grammageGsm: 80, caliperMeasuredMm: null }))).toBeCloseTo(
    0.8,
    12,
  )
  expect(caliperOf({ feel: 'copier', grammageGsm: 160, caliperMeasuredMm: null })).toBeCloseTo(0.2, 12)
  expect(caliperOf({ feel: 'thin', grammageGsm: 60, caliperMeasuredMm: 0.09 })).toBe(0.09)
  expect(Object.keys(FEELS)).toContain('heavy')
})

test('sheets counted by weight: a ream of A4 at 80 g/m2 weighs 2,494.8 g (derived)', () => {
  const { sheets, remainderSheets } = sheetsByMass(2494.8, 210, 297, 80)
  expect(sheets).toBe(500)
  expect(remainderSheets).toBeCloseTo(0, 6)
  expect(() => sheetsByMass(-1, 210, 297, 80)).toThrow('mass')
})

test('paper weighs area x grammage (ISO 536): A4 at 80 g/m2 is 4.9896 g; a feel stands in for a grammage', () => {
  expect(massOfG(210 * 297, 80)).toBeCloseTo(4.9896, 9)
  expect(grammageOf({ feel: 'copier', grammageGsm: null })).toBe(80)
  expect(grammageOf({ feel: 'copier', grammageGsm: 120 })).toBe(120)
})
