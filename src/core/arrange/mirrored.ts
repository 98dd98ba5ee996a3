import { clashesOf, fewestClashes } from './feasible'
import { arrangeInOrder } from './order'
import type { Order, Shape } from './types'

/** Why no order is its own mirror image: so many colours come an odd number of times, and so many may. */
export interface NoMirror {
  readonly odd: number
  /** How many may: each of them takes a place on the axis. */
  readonly places: number
}

/**
 * The order that is its own mirror image, with the fewest like neighbours an image of itself can have (proven to 24
 * positions of its half). A ring of an even number has two places on its axis, of an odd number one; a line of an odd
 * number its middle, of an even number none. Every colour that comes an odd number of times needs one of them, and each
 * gap on the axis has like pieces on both sides. `NoMirror` where there are more such colours than places.
 */
export function mirroredOrder(shape: Shape, counts: readonly number[]): Order | NoMirror {
  const positions = counts.reduce((sum, count) => sum + count, 0)
  const odd = counts.flatMap((count, colour) => (count % 2 === 1 ? [colour] : []))
  const places = shape === 'line' ? positions % 2 : 2 - (positions % 2)
  if (odd.length > places) return { odd: odd.length, places }
  const halves = endsFor(counts, odd, places).map((ends) => halfOf(counts, ends))
  const orders = halves.map((half) => unfolded(shape, positions, places, half))
  const [best = []] = orders.toSorted(
    (one, other) => clashesOf(shape, one).length - clashesOf(shape, other).length,
  )
  const clashes = clashesOf(shape, best)
  return {
    colours: best,
    clashes,
    // No image of itself can do better than the best order of all.
    fewest: clashes.length === fewestClashes(shape, counts),
    mostEven: false,
  }
}

/** What may stand on the axis: the odd colours, or, where two places are free, one colour twice. */
function endsFor(
  counts: readonly number[],
  odd: readonly number[],
  places: number,
): readonly (readonly number[])[] {
  if (odd.length === places) return [odd]
  return counts.flatMap((count, colour) => (count >= 2 ? [[colour, colour]] : []))
}

/** Half of the pieces in a line, those on the axis at its ends. */
function halfOf(counts: readonly number[], ends: readonly number[]): readonly number[] {
  const onAxis = (colour: number): number => ends.filter((end) => end === colour).length
  const half = counts.map((count, colour) => (count - onAxis(colour)) / 2 + onAxis(colour))
  const positions = half.reduce((sum, count) => sum + count, 0)
  const locked = new Map(ends.map((end, index) => [index === 0 ? 0 : positions - 1, end]))
  return arrangeInOrder({ neighbours: 'line', counts: half, locked }).colours
}

/** The half and its image: around a ring from one place on the axis to the other and back, on a line from the middle out. */
function unfolded(
  shape: Shape,
  positions: number,
  places: number,
  half: readonly number[],
): readonly number[] {
  if (shape === 'ring')
    return Array.from({ length: positions }, (_, at) => half[Math.min(at, positions - at)] ?? 0)
  const middle = places === 1 ? half.slice(1) : half
  return [...middle.toReversed(), ...(places === 1 ? half.slice(0, 1) : []), ...middle]
}
