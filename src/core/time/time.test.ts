import { BREAK_AFTER_MS, countedLapMs, paceFrom, trustedTime, USUAL_WEIGHS_PIECES } from '.'

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

describe('what of the log counts', () => {
  const run = (pieces: number, each: number) => ({
    pieces,
    seconds: pieces * each,
    runs: 1,
    fastest: each,
    slowest: each,
  })
  test('one run weighs no more than the usual time, however long it was', () => {
    // By hand: 36 pieces of 100 s each count as four: 400 s.
    expect(trustedTime(run(36, 100))).toEqual({ pieces: 4, seconds: 400 })
    expect(trustedTime(run(3, 100))).toEqual({ pieces: 3, seconds: 300 })
    const { pieces, seconds } = trustedTime(run(36, 100))
    // The usual 8 min and the run half and half: (480 + 100) / 2.
    expect(paceFrom(8, pieces, seconds).secondsPerPiece).toBe(290)
  })
  test('a second run that agrees counts with it, one that does not is waited with; of three all count', () => {
    const two = { pieces: 20, seconds: 2400, runs: 2, fastest: 100, slowest: 200 }
    expect(trustedTime(two)).toEqual({ pieces: 20, seconds: 2400 })
    expect(trustedTime({ ...two, slowest: 201 })).toEqual({ pieces: 4, seconds: 480 })
    expect(trustedTime({ ...two, runs: 3, slowest: 900 })).toEqual({ pieces: 20, seconds: 2400 })
    expect(trustedTime({ pieces: 0, seconds: 0, runs: 0, fastest: 0, slowest: 0 })).toEqual({
      pieces: 0,
      seconds: 0,
    })
  })
})
