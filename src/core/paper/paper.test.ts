import fc from 'fast-check'
import {
  caliperOf,
  cheapestPacks,
  creepMm,
  FEELS,
  grainOf,
  grammageOf,
  massOfG,
  roomMm,
  sheetsByMass,
  sizeAsKept,
  thicknessMm,
} from '.'

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
  const ream = { massG: 2494.8, readsToG: 1, widthMm: 210, heightMm: 297, grammageGsm: 80, grammageSpread: 0 }
  const { sheets, remainderSheets } = sheetsByMass(ream)
  expect(sheets).toBe(500)
  expect(remainderSheets).toBeCloseTo(0, 6)
  expect(() => sheetsByMass({ ...ream, massG: -1 })).toThrow('mass')
})

test('a weighed count holds every true count, whatever the zero, the reading and the grammage were within', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 600 }),
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.double({ min: -1, max: 1, noNaN: true }),
      fc.constantFrom(0.1, 1, 5),
      fc.constantFrom(0, 0.04, 0.25),
      (there, scaleOff, grammageOff, readsToG, grammageSpread) => {
        const sheetG = 0.21 * 0.297 * 80 * (1 + grammageOff * grammageSpread)
        const massG = Math.max(0, there * sheetG + scaleOff * readsToG)
        const size = { widthMm: 210, heightMm: 297, grammageGsm: 80 }
        const { least, most } = sheetsByMass({ massG, readsToG, ...size, grammageSpread })
        expect(least).toBeLessThanOrEqual(there)
        expect(most).toBeGreaterThanOrEqual(there)
      },
    ),
  )
})

describe('packs', () => {
  const pack = fc.record({
    priceMinor: fc.integer({ min: 0, max: 90 }),
    gives: fc.integer({ min: 0, max: 9 }),
  })
  /** Every way to buy up to as many packs as could be wanted. */
  const cheapestByTrying = (
    wanted: number,
    packs: readonly { priceMinor: number; gives: number }[],
  ): number => {
    if (wanted <= 0) return 0
    return Math.min(
      Infinity,
      ...packs
        .filter(({ gives }) => gives > 0)
        .map(({ priceMinor, gives }) => priceMinor + cheapestByTrying(wanted - gives, packs)),
    )
  }
  test('the cheapest packs are as cheap as trying all of them, and give enough', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 11 }),
        fc.array(pack, { minLength: 0, maxLength: 3 }),
        (wanted, some) => {
          const packs = some.map((one, index) => ({ key: String(index), ...one }))
          const bought = cheapestPacks(wanted, packs)
          const least = cheapestByTrying(wanted, packs)
          expect(bought?.priceMinor ?? Infinity).toBe(least)
          if (!bought) return
          const of = (key: string) => packs.find((one) => one.key === key)!
          const sum = (each: (one: (typeof packs)[number]) => number) =>
            bought.packs.reduce((total, { key, count }) => total + count * each(of(key)), 0)
          expect(sum(({ gives }) => gives)).toBe(bought.gives)
          expect(bought.gives).toBeGreaterThanOrEqual(wanted)
          expect(sum(({ priceMinor }) => priceMinor)).toBe(bought.priceMinor)
        },
      ),
    )
  })
  test('23 sheets out of packs of 10 at 3.00 and of 25 at 6.00: one of 25; 20 are two of 10 or none cheaper', () => {
    const packs = [
      { key: 'ten', priceMinor: 300, gives: 10 },
      { key: 'twenty-five', priceMinor: 700, gives: 25 },
    ]
    expect(cheapestPacks(23, packs)?.packs).toEqual([{ key: 'twenty-five', count: 1 }])
    expect(cheapestPacks(20, packs)?.packs).toEqual([{ key: 'ten', count: 2 }])
    expect(cheapestPacks(0, packs)).toEqual({ packs: [], priceMinor: 0, gives: 0 })
    expect(cheapestPacks(1, [])).toBeNull()
    expect(() => cheapestPacks(1.5, packs)).toThrow('wanted')
  })
})

describe('which way sheets lie', () => {
  const a4 = { widthUm: 210_000, heightUm: 297_000 }
  const turned = { widthUm: 297_000, heightUm: 210_000 }
  const papers = {
    free: { grain: 'unknown', turnable: true },
    long: { grain: 'long', turnable: false },
    short: { grain: 'short', turnable: false },
    pattern: { grain: 'unknown', turnable: false },
  } as const
  test('the narrow side first; with the grain up the height where pieces run one way', () => {
    for (const size of [a4, turned]) {
      expect(sizeAsKept(papers.free, size, false)).toEqual(a4)
      expect(sizeAsKept(papers.long, size, false)).toEqual(a4)
      expect(sizeAsKept(papers.short, size, false)).toEqual(turned)
      expect(sizeAsKept(papers.pattern, size, false)).toEqual(size)
      expect(sizeAsKept(papers.free, size, true)).toEqual(a4)
      expect(sizeAsKept(papers.short, size, true)).toEqual(size)
    }
  })
  test('the grain is told where it is known: not of an offcut that may have been turned', () => {
    expect(grainOf(papers.free, a4, false)).toBeNull()
    expect(grainOf({ grain: 'long', turnable: true }, a4, false)).toBe('height')
    expect(grainOf({ grain: 'short', turnable: true }, a4, false)).toBe('width')
    expect(grainOf({ grain: 'short', turnable: true }, a4, true)).toBeNull()
    expect(grainOf(papers.short, turned, true)).toBe('height')
  })
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
