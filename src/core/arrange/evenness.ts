import type { Shape } from './types'

/**
 * How unevenly the colours lie: for every colour, the squares of the gaps between its pieces, less what the most even
 * gaps of whole positions would come to. 0 is as even as it can be for each colour by itself. On a line the ends count as
 * half gaps on both sides of one more piece, so that no colour bunches at an end.
 */
export function unevennessOf(shape: Shape, colours: readonly number[], colourCount: number): number {
  const positions = colours.length
  const first = new Int32Array(colourCount).fill(-1)
  const last = new Int32Array(colourCount).fill(-1)
  const counts = new Int32Array(colourCount)
  let squares = 0
  for (let at = 0; at < positions; at++) {
    const colour = colours[at] ?? 0
    const before = last[colour] ?? -1
    if (before >= 0) squares += (at - before) ** 2
    else first[colour] = at
    last[colour] = at
    counts[colour] = (counts[colour] ?? 0) + 1
  }
  for (let colour = 0; colour < colourCount; colour++) {
    if (counts[colour] === 0) continue
    const [from, to] = [first[colour] ?? 0, last[colour] ?? 0]
    // Around the ring, or over both ends of the line as if it went on there.
    squares += (positions - to + from) ** 2 - leastSquares(positions, counts[colour] ?? 1)
    if (shape === 'line') squares += (positions - 1 - to - from) ** 2
  }
  return squares
}

/** The least that the squares of so many whole gaps of a stated sum come to. */
export function leastSquares(sum: number, gaps: number): number {
  const small = Math.floor(sum / gaps)
  const large = sum - small * gaps
  return (gaps - large) * small ** 2 + large * (small + 1) ** 2
}
