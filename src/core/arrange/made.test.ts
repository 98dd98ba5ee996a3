import fc from 'fast-check'
import { hangOf, placeAlong } from './hang'
import { MADE, MADE_KINDS, workOut, type Making, type PieceSize } from './made'

const PIECE: PieceSize = { acrossMm: 60, highMm: 90 }
const made = (kind: Making['kind'], values: Making['values'], piece = PIECE) =>
  workOut({ kind, values }, piece)
const fact = (found: ReturnType<typeof made>, wanted: string) =>
  found.facts.find((one) => one.fact === wanted)?.mm

/** Length of y = a cosh(x / a) over the span by the trapezoid rule on the arc element: no sinh in it. */
function lengthByChords(aMm: number, acrossMm: number): number {
  const steps = 20_000
  let length = 0
  for (let step = 0; step < steps; step++) {
    const [x, next] = [step, step + 1].map((at) => -acrossMm / 2 + (acrossMm * at) / steps) as [
      number,
      number,
    ]
    length += Math.hypot(next - x, aMm * (Math.cosh(next / aMm) - Math.cosh(x / aMm)))
  }
  return length
}

describe('a string hangs as a catenary (closed form: CHECKS, y = a cosh(x / a), length 2 a sinh(L / 2a))', () => {
  test.each([
    [1000.001, 1000],
    [1010, 1000],
    [13_410, 13_000],
    [3000, 1000],
    [50_000, 1000],
  ])('%d mm of string over %d mm', (stringMm, acrossMm) => {
    const { aMm, sagMm } = hangOf(stringMm, acrossMm)
    expect(2 * aMm * Math.sinh(acrossMm / (2 * aMm))).toBeCloseTo(stringMm, 4)
    expect(lengthByChords(aMm, acrossMm) / stringMm).toBeCloseTo(1, 5)
    expect(sagMm / (aMm * (Math.cosh(acrossMm / (2 * aMm)) - 1))).toBeCloseTo(1, 4)
  })
  test('a shallow one is the parabola: sag^2 = 3/8 L (s - L)', () => {
    const sag = hangOf(10_001, 10_000).sagMm
    expect(sag / Math.sqrt((3 / 8) * 10_000 * 1)).toBeCloseTo(1, 3)
  })
  test('taut it does not sag, and it cannot be shorter than the hooks are apart', () => {
    expect(hangOf(1000, 1000).sagMm).toBe(0)
    expect(() => hangOf(999, 1000)).toThrow('OUT_OF_RANGE: across')
  })
  test('places along it are as far along as they say: chords between close ones add up', () => {
    const hang = hangOf(6000, 5000)
    const places = Array.from({ length: 6001 }, (_, mm) => placeAlong(hang, 6000, mm))
    const chords = places
      .slice(1)
      .map((place, at) => Math.hypot(place.xMm - places[at]!.xMm, place.downMm - places[at]!.downMm))
    for (const chord of chords) expect(chord).toBeCloseTo(1, 4)
    for (const [place, xMm] of [
      [places[0], -2500],
      [places.at(-1), 2500],
    ] as const) {
      expect(place?.xMm).toBeCloseTo(xMm, 4)
      expect(place?.downMm).toBeCloseTo(0, 4)
    }
    expect(places[3000]?.downMm).toBeCloseTo(hang.sagMm, 6)
  })
})

/** The pieces of a garland laid down one by one, as a hand does. */
function laidDown(longMm: number, everyMm: number, acrossMm: number): number {
  let pieces = 0
  while (pieces * everyMm + acrossMm <= longMm + 1e-6) pieces++
  return pieces
}

describe('a garland', () => {
  const values = { every: 200, tail: 300, knot: 30 }
  test('6 m long, one every 20 cm: 30 of 6 cm, from 5.86 m of it', () => {
    const garland = made('garland', { ...values, long: 6000 })
    expect(garland.pieces).toBe(30)
    expect(fact(garland, 'dressed')).toBe(60 + 29 * 200)
    expect(fact(garland, 'gap')).toBe(140)
    // n w + (n - 1) gap + 2 tails, and the knots.
    expect(garland.supplies).toEqual([
      { what: 'string', count: 1, eachMm: 30 * 60 + 29 * 140 + 2 * 300 + 30 * 30 },
    ])
  })
  test('as many as a hand lays down, whatever the numbers', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 300 }),
        fc.integer({ min: 5, max: 400 }),
        fc.integer({ min: 0, max: 9000 }),
        (acrossMm, every, more) => {
          const long = acrossMm + more
          const { pieces } = made('garland', { ...values, every, long }, { acrossMm, highMm: 50 })
          expect(pieces).toBe(laidDown(long, every, acrossMm))
        },
      ),
    )
  })
  test('as many as are asked for give the length that gives as many', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.integer({ min: 1, max: 240 }), (pieces, every) => {
        const asked = made('garland', { ...values, pieces, every })
        const back = made('garland', { ...values, every, long: fact(asked, 'dressed')! })
        expect(back.pieces).toBe(pieces)
      }),
    )
  })
  test('length or count, one of the two; room for one piece; hooks no further than it reaches', () => {
    expect(() => made('garland', { ...values, long: 6000, pieces: 3 })).toThrow('ONE_OF_TWO')
    expect(() => made('garland', values)).toThrow('ONE_OF_TWO')
    expect(() => made('garland', { ...values, long: 59 })).toThrow('OUT_OF_RANGE: long')
    expect(() => made('garland', { ...values, pieces: 2, across: 261 })).toThrow('OUT_OF_RANGE: across')
    expect(() => made('garland', { ...values, pieces: 502 })).toThrow('OUT_OF_RANGE: pieces')
    expect(() => made('garland', { tail: 0, knot: 0, long: 6000 })).toThrow('NOT_FINITE: every')
  })
})

describe('a wreath', () => {
  test('floor(2 pi r / pitch): 15 cm radius, pieces of 6 cm, 1 cm over the next', () => {
    const wreath = made('wreath', { radius: 150, overlap: 10 })
    expect(wreath.pieces).toBe(Math.floor((2 * Math.PI * 150) / 50))
    expect(fact(wreath, 'outside')).toBe(300 + 90)
    expect(fact(wreath, 'pitch')! * wreath.pieces).toBeCloseTo(2 * Math.PI * 150, 9)
  })
  test('never one too many: each has its pitch or more, one further would not', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 3000 }), fc.integer({ min: 0, max: 50 }), (radius, overlap) => {
        const pitch = 60 - overlap
        fc.pre(2 * Math.PI * radius >= 3 * pitch)
        const { pieces } = made('wreath', { radius, overlap })
        expect(pieces * pitch).toBeLessThanOrEqual(2 * Math.PI * radius + 1e-6)
        expect((pieces + 1) * pitch).toBeGreaterThan(2 * Math.PI * radius)
      }),
    )
  })
  test('from a count follows the ring that just holds it', () => {
    const wreath = made('wreath', { pieces: 15, overlap: 0 })
    expect(fact(wreath, 'radius')).toBeCloseTo((15 * 60) / (2 * Math.PI), 9)
    expect(made('wreath', { radius: fact(wreath, 'radius')!, overlap: 0 }).pieces).toBe(15)
  })
  test('three at the least, and no piece quite over the next', () => {
    expect(() => made('wreath', { radius: 20, overlap: 0 })).toThrow('OUT_OF_RANGE: radius')
    expect(() => made('wreath', { radius: 150, overlap: 58 })).toThrow('OUT_OF_RANGE: overlap')
  })
})

test('a mobile: each thread to its last piece, a knot above each and one at the top', () => {
  const mobile = made('mobile', { threads: 5, each: 4, drop: 200, every: 150, knot: 30 })
  expect(mobile.pieces).toBe(20)
  expect(mobile.supplies).toEqual([{ what: 'thread', count: 5, eachMm: 200 + 3 * 150 + 5 * 30 }])
  expect(fact(mobile, 'hangs')).toBe(200 + 3 * 150 + 90)
})

test('bottles of flowers: a stem a flower, none so short that it sinks in', () => {
  const bottles = made('bouquet', { bouquets: 14, each: 3, stem: 180, vase: 120 })
  expect(bottles.pieces).toBe(42)
  expect(bottles.supplies).toEqual([{ what: 'stem', count: 42, eachMm: 180 }])
  expect(fact(bottles, 'above')).toBe(180 - 120 + 90)
  expect(() => made('bouquet', { bouquets: 14, each: 3, stem: 100, vase: 120 })).toThrow('OUT_OF_RANGE: stem')
})

test('a card is the piece and two margins', () => {
  expect(made('topper', { gifts: 8, each: 1, margin: 10 }).supplies).toEqual([
    { what: 'card', count: 8, eachMm: 80, highMm: 110 },
  ])
  // Three side by side on one card: three pieces, four margins.
  expect(made('topper', { gifts: 8, each: 3, margin: 10 })).toMatchObject({
    pieces: 24,
    supplies: [{ what: 'card', count: 8, eachMm: 220, highMm: 110 }],
  })
})

test.each(MADE_KINDS)(
  '%s: a number that is missing, none or far too large is refused by its name',
  (kind) => {
    for (const { key, open } of MADE[kind].inputs as readonly { key: string; open?: true }[]) {
      if (open) continue
      const usual = Object.fromEntries(
        (MADE[kind].inputs as readonly { key: string; open?: true }[]).flatMap((input) =>
          input.open || input.key === key ? [] : [[input.key, 1]],
        ),
      )
      expect(() => made(kind, usual)).toThrow(`NOT_FINITE: ${key}`)
      expect(() => made(kind, { ...usual, [key]: 1e9 })).toThrow(`OUT_OF_RANGE: ${key}`)
    }
  },
)
