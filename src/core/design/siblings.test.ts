import { MEASURED } from '../../../test/library'
import fc from 'fast-check'
import { RULERS, type RulerKey } from '../units'
import { CHARACTERS } from '../arrange'
import { gaugeRangeMm, kindOf, outlineMm, siblingGauges } from '.'

const DESIGNS = MEASURED.filter(({ gauges }) => gauges.length > 0)
const around = { sheetMm: 150, gauges: {}, ruler: 'mm-0.5' } as const

test('alike is one kind; so is a design without gauges', () => {
  for (const design of DESIGNS) expect(siblingGauges(design, { ...around, character: 'alike' })).toEqual([{}])
  expect(siblingGauges({ gauges: [] }, { ...around, character: 'lively' })).toEqual([{}])
})
test.each(DESIGNS.map((design) => [design.name, design] as const))(
  '%s: siblings lie on the ruler, inside the range, around what is set, and fold to an outline',
  (_, design) => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CHARACTERS),
        fc.constantFrom(...(Object.keys(RULERS) as RulerKey[])),
        fc.integer({ min: 100, max: 250 }),
        (character, ruler, sheetMm) => {
          const kinds = siblingGauges(design, { sheetMm, gauges: {}, character, ruler })
          expect(kinds[0]).toEqual({})
          for (const kind of kinds.slice(1)) {
            for (const gauge of design.gauges) {
              const { leastMm, mostMm, standardMm } = gaugeRangeMm(gauge, sheetMm)
              const mm = kind[gauge.key] ?? standardMm
              expect(mm).toBeGreaterThanOrEqual(leastMm - 1e-9)
              expect(mm).toBeLessThanOrEqual(mostMm + 1e-9)
              const steps = mm / RULERS[ruler].stepMm
              if (Math.abs(mm - standardMm) > 1e-9)
                expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6)
            }
            for (const variant of design.variants)
              expect(outlineMm(design, variant, sheetMm, kind).length).toBeGreaterThan(2)
          }
        },
      ),
      { numRuns: 40 },
    )
  },
)
test('livelier reaches further', () => {
  const rosette = DESIGNS.find(({ id }) => id === 'corner-folded-rosette')!
  const spread = CHARACTERS.map((character) => {
    const set = siblingGauges(rosette, { ...around, gauges: { overhang: 3 }, character }).map(
      (kind) => kind['overhang']!,
    )
    return Math.max(...set) - Math.min(...set)
  })
  expect(spread[0]).toBe(0)
  expect(spread.toSorted((one, other) => one - other)).toEqual(spread)
  expect(spread[3]).toBeGreaterThan(spread[1]!)
})
test('pieces take the kinds in equal numbers, never three of one in a row', () => {
  for (const kinds of [1, 2, 3])
    for (const pieces of [9, 24, 100, 500]) {
      const of = Array.from({ length: pieces }, (_, at) => kindOf(at, kinds))
      for (let kind = 0; kind < kinds; kind++)
        expect(Math.abs(of.filter((one) => one === kind).length - pieces / kinds)).toBeLessThanOrEqual(2)
      if (kinds > 1)
        for (let at = 2; at < pieces; at++) expect(of[at] === of[at - 1] && of[at] === of[at - 2]).toBe(false)
    }
})
test('of two gauges one is more where the other is less: three kinds, each with a look of its own', () => {
  const gauge = (key: string) => ({
    key,
    name: key,
    explains: '',
    unit: 'mm' as const,
    standard: 10,
    least: 0,
    most: 20,
  })
  const two = { gauges: [gauge('a'), gauge('b')] }
  expect(siblingGauges(two, { ...around, character: 'some' })).toEqual([{}, { a: 15, b: 5 }, { a: 5, b: 15 }])
})
