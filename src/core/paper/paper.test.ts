import { caliperOf, creepMm, FEELS, grammageOf, massOfG, roomMm, sheetsByMass, thicknessMm } from '.'

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

describe('creep', () => {
  // By hand: four layers of 0.1 mm. The inner one runs around 0.05 mm, the outer one around 0.35: pi 0.3 = 0.942 mm apart.
  test('half of what the ways around the fold differ by', () => {
    expect(creepMm(4, 0.1)).toBeCloseTo((Math.PI * (0.35 - 0.05)) / 2, 12)
    expect(creepMm(1, 0.1)).toBe(0)
  })
  test('later folds add up', () => {
    expect(roomMm([2, 4], 0.07)).toBeCloseTo((Math.PI / 2) * 0.07 * 4, 12)
    expect(roomMm([], 0.07)).toBe(0)
  })
})
