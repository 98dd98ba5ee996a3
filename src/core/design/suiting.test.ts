import fc from 'fast-check'
import {
  expectedSize,
  hardestFolds,
  nearestSquares,
  paperSuits,
  sizeFamily,
  smallestSheet,
  thickestCaliperMm,
  tubeFit,
  type FoldToMake,
} from '.'

const fold = (layers: number, lengthShare: number, pieceShare = 1): FoldToMake => ({
  says: `${layers} layers`,
  layers,
  lengthShare,
  pieceShare,
})

describe('how small, how thick', () => {
  test('the fold that decides is named, with how thick it is', () => {
    // 8 layers of 0.07 mm are 0.56 mm; three times that over 0.024 of the side: 70 mm.
    const folds = [fold(1, 1), fold(8, 0.024), fold(4, 0.5)]
    const least = smallestSheet(folds, 0.07)
    expect(least?.sheetMm).toBeCloseTo((3 * 0.56) / 0.024, 9)
    expect(least).toMatchObject({ fold: { layers: 8 } })
    expect(least?.thicknessMm).toBeCloseTo(0.56, 9)
  })
  test('thin paper is limited by fingers: a fold line of 1.5 mm, a piece of 15', () => {
    expect(smallestSheet([fold(1, 0.1, 1)], 0.01)?.sheetMm).toBeCloseTo(15, 9)
    expect(smallestSheet([fold(1, 0.05, 1)], 0.01)?.sheetMm).toBeCloseTo(30, 9)
    expect(smallestSheet([fold(1, 1, 0.25)], 0.01)?.sheetMm).toBeCloseTo(60, 9)
    expect(smallestSheet([fold(1, 1, 0.25)], 0.01)?.because).toBe('piece')
    expect(smallestSheet([fold(1, 0.05, 1)], 0.01)?.because).toBe('line')
    expect(smallestSheet([], 0.1)).toBeNull()
  })
  test('thicker paper never lets one go smaller', () => {
    const folds = fc.array(
      fc.record({
        says: fc.constant('fold'),
        layers: fc.integer({ min: 1, max: 30 }),
        lengthShare: fc.double({ min: 0.01, max: 1, noNaN: true }),
        pieceShare: fc.double({ min: 0.1, max: 1, noNaN: true }),
      }),
      { minLength: 1, maxLength: 30 },
    )
    fc.assert(
      fc.property(folds, (all) => {
        const [thin, thick] = [smallestSheet(all, 0.06), smallestSheet(all, 0.12)]
        expect(thick?.sheetMm).toBeGreaterThanOrEqual(thin?.sheetMm ?? Infinity)
        // What is kept of the folds decides as all of them do.
        expect(smallestSheet(hardestFolds(all), 0.09)?.sheetMm).toBeCloseTo(
          smallestSheet(all, 0.09)?.sheetMm ?? NaN,
          9,
        )
      }),
    )
  })
  test('layers by caliper: with the nail to 0.4 mm, a bone folder to 0.75; card is out', () => {
    expect(paperSuits([fold(4, 1)], 0.1)).toMatchObject({ suits: 'easily', layers: 4 })
    expect(paperSuits([fold(7, 1)], 0.1)).toMatchObject({ suits: 'with a bone folder' })
    expect(paperSuits([fold(8, 1)], 0.1)).toMatchObject({ suits: 'too thick' })
    expect(thickestCaliperMm([fold(8, 1)])).toBeCloseTo(0.75 / 8, 12)
    expect(thickestCaliperMm([fold(1, 1)])).toBe(0.25)
  })
})

describe('what to buy', () => {
  test('the squares next to a side', () => {
    expect(nearestSquares(124.5)).toEqual({ belowMm: 100, aboveMm: 150 })
    expect(nearestSquares(150)).toMatchObject({ belowMm: 150 })
    expect(nearestSquares(20)).toMatchObject({ belowMm: null, aboveMm: expect.any(Number) as number })
    expect(nearestSquares(5000)).toMatchObject({ aboveMm: null })
  })
  test('a family off A4: one of 210, two of 87, and so on down (derived)', () => {
    expect(sizeFamily(210, 297, 30).slice(0, 3)).toEqual([
      { sideMm: 210, count: 1 },
      { sideMm: 87, count: 2 },
      { sideMm: 36, count: 2 },
    ])
  })
})

describe('a stem and its stick', () => {
  test('twice the flat width around, the wall off on both sides, a little room (derived)', () => {
    // 150 mm: the strip is 37.5 wide, the flat tube 4.6875, around 9.375, across 2.984; 8 layers of 0.07 are 0.56.
    const { stickMm, holeMm } = tubeFit(150 / 32, 8, 0.07)
    expect(stickMm).toBeCloseTo(9.375 / Math.PI - 0.56 - 0.2, 9)
    expect(holeMm).toBeCloseTo(9.375 / Math.PI + 0.2, 9)
  })
  test('thick paper in a small stem leaves no room, never less than none', () => {
    expect(tubeFit(1, 8, 0.14).stickMm).toBe(0)
  })
})

describe('what size to expect', () => {
  test('the folds alone, or shaped', () => {
    expect(expectedSize(50, undefined, [])).toMatchObject({ lowMm: 50, highMm: 50, basis: 'flat' })
    expect(expectedSize(50, [0.8, 0.9], [])).toMatchObject({ lowMm: 40, highMm: 45, basis: 'shaping' })
  })
  test('one sample is told and taken in; from two on mean and twice the spread', () => {
    expect(expectedSize(50, [0.8, 1], [0.9])).toMatchObject({
      lowMm: 40,
      highMm: 50,
      basis: 'one sample',
      meanMm: 45,
      spreadMm: null,
    })
    const two = expectedSize(50, [0.8, 1], [0.88, 0.92])
    const spread = Math.sqrt(2) // Of 44 and 46: squares 1 + 1, by one.
    expect(two.basis).toBe('samples')
    expect(two.meanMm).toBeCloseTo(45, 9)
    expect(two.spreadMm).toBeCloseTo(spread, 9)
    expect(two.lowMm).toBeCloseTo(45 - 2 * spread, 9)
    expect(two.highMm).toBeCloseTo(45 + 2 * spread, 9)
  })
  test('samples win over the estimate, and reach no further than what was estimated or measured', () => {
    expect(expectedSize(50, [0.8, 0.9], [1])).toMatchObject({ lowMm: 40, highMm: 50, basis: 'one sample' })
    expect(expectedSize(50, [0.8, 1], [0.6, 1.2])).toMatchObject({ lowMm: 30, highMm: 60 })
    const beyond = expectedSize(50, [0.8, 1], [1.2, 1.202])
    expect(beyond.lowMm).toBeGreaterThan(50)
    // Just above the estimate: what was measured is within what is expected.
    const near = expectedSize(50, [0.8, 0.9], [0.91, 0.93])
    expect(near.highMm).toBeCloseTo(46.5, 9)
    expect(near.meanMm).toBeLessThan(near.highMm)
  })
})
