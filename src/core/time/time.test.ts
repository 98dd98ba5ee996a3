import { BREAK_AFTER_MS, countedLapMs, paceFrom, USUAL_WEIGHS_PIECES } from '.'

test('a lap counts, a break does not', () => {
  expect(countedLapMs(20_000, 'fold')).toBe(20_000)
  expect(countedLapMs(BREAK_AFTER_MS.fold + 1, 'fold')).toBe(0)
  expect(countedLapMs(BREAK_AFTER_MS.fold + 1, 'piece')).toBe(BREAK_AFTER_MS.fold + 1)
  expect(countedLapMs(null, 'fold')).toBe(0)
  expect(countedLapMs(-5, 'fold')).toBe(0)
})

test('pace starts at the usual time and goes over to the log', () => {
  expect(paceFrom(8, 0, 0).secondsPerPiece).toBe(480)
  expect(paceFrom(8, USUAL_WEIGHS_PIECES, USUAL_WEIGHS_PIECES * 240).secondsPerPiece).toBe(360)
  expect(paceFrom(8, 10_000, 10_000 * 240).secondsPerPiece).toBeCloseTo(240, 0)
  // By hand: the usual 8 min weigh four pieces; six pieces in 39 min 30 s make (4 x 480 + 2370) / 10 = 429 s.
  expect(paceFrom(8, 6, 2370)).toEqual({ secondsPerPiece: 429, loggedPieces: 6 })
  expect(() => paceFrom(NaN, 0, 0)).toThrow('usual minutes')
})
