import { clashesOf, fewestClashes } from './feasible'
import { unevennessOf } from './evenness'
import type { OrderProblem } from './types'

/** Rounds of mending over the whole order; it ends sooner where nothing gets better. */
const ROUNDS = 40
/** Up to so many positions every swap is tried for evenness. */
const SMALL = 48
/** Over longer orders only so near. */
const NEAR = 6

/**
 * A good order for any number of pieces: each colour at its even pace, then single swaps as long as they give fewer
 * clashes, or as few and a more even spread. Locks hold. Deterministic.
 * *Cost* a round: n times n swaps judged by their neighbours, and n times those near judged as a whole.
 */
export function quickOrder(problem: OrderProblem): readonly number[] {
  const { shape, counts, locked } = problem
  const paced = mended(problem, evenPace(problem))
  if (locked.size > 0 || clashesOf(shape, paced).length <= fewestClashes(shape, counts)) return paced
  return mended(problem, comb(counts))
}

function mended(problem: OrderProblem, colours: number[]): readonly number[] {
  for (let round = 0; round < ROUNDS; round++) {
    const fewer = mendClashes(problem, colours)
    const moreEven = mendEvenness(problem, colours)
    if (!fewer && !moreEven) break
  }
  return colours
}

/**
 * Every second position and then the ones between, filled colour by colour, the most frequent first: no order has fewer
 * like neighbours, however tight it is. Not even.
 */
function comb(counts: readonly number[]): number[] {
  const pieces = counts
    .map((count, colour) => ({ count, colour }))
    .sort((one, other) => other.count - one.count)
    .flatMap(({ count, colour }) => Array<number>(count).fill(colour))
  const colours = [...pieces]
  pieces.forEach((colour, index) => {
    const half = Math.ceil(pieces.length / 2)
    colours[index < half ? 2 * index : 2 * (index - half) + 1] = colour
  })
  return colours
}

/** Positions filled one by one with the colour most behind its pace; one that would clash only where no other is left. */
function evenPace({ counts, locked }: OrderProblem): number[] {
  const positions = counts.reduce((sum, count) => sum + count, 0)
  const left = [...counts]
  for (const colour of locked.values()) left[colour] = (left[colour] ?? 0) - 1
  const free = [...left]
  const freePositions = positions - locked.size
  const colours: number[] = []
  let placed = 0
  for (let at = 0; at < positions; at++) {
    const held = locked.get(at)
    if (held !== undefined) {
      colours.push(held)
      continue
    }
    const behind = (colour: number): number =>
      ((free[colour] ?? 0) * (placed + 0.5)) / freePositions - ((free[colour] ?? 0) - (left[colour] ?? 0))
    const [best = 0] = left
      .flatMap((count, colour) => (count > 0 ? [colour] : []))
      .sort(
        (one, other) =>
          Number(one === colours[at - 1]) - Number(other === colours[at - 1]) || behind(other) - behind(one),
      )
    colours.push(best)
    left[best] = (left[best] ?? 1) - 1
    placed++
  }
  return colours
}

const swap = (colours: number[], one: number, other: number): void => {
  const kept = colours[one] ?? 0
  colours[one] = colours[other] ?? 0
  colours[other] = kept
}

/** Like neighbours of the pairs that two positions have a part in. */
function clashesAt({ shape }: OrderProblem, colours: readonly number[], one: number, other: number): number {
  const size = colours.length
  const pairs = new Set([one - 1, one, other - 1, other].map((at) => (at + size) % size))
  let clashes = 0
  for (const at of pairs)
    if ((at < size - 1 || shape === 'ring') && colours[at] === colours[(at + 1) % size]) clashes++
  return clashes
}

/** *Returns* whether a swap gave fewer clashes. */
function mendClashes(problem: OrderProblem, colours: number[]): boolean {
  let better = false
  const size = colours.length
  const clashing = new Set(clashesOf(problem.shape, colours).flatMap((at) => [at, (at + 1) % size]))
  for (const one of clashing) {
    if (problem.locked.has(one)) continue
    for (let step = 1; step < size; step++) {
      const other = (one + step) % size
      if (problem.locked.has(other) || colours[one] === colours[other]) continue
      const before = clashesAt(problem, colours, one, other)
      if (before === 0) continue
      swap(colours, one, other)
      if (clashesAt(problem, colours, one, other) < before) better = true
      else swap(colours, one, other)
    }
  }
  return better
}

/** *Returns* whether a swap gave a more even spread with no more clashes. */
function mendEvenness(problem: OrderProblem, colours: number[]): boolean {
  const size = colours.length
  const reach = size <= SMALL ? size : NEAR
  let best = unevennessOf(problem.shape, colours, problem.counts.length)
  let better = false
  for (let one = 0; one < size; one++) {
    if (problem.locked.has(one)) continue
    for (let step = 1; step < reach; step++) {
      const other = (one + step) % size
      if (problem.locked.has(other) || colours[one] === colours[other]) continue
      const before = clashesAt(problem, colours, one, other)
      swap(colours, one, other)
      const now =
        clashesAt(problem, colours, one, other) > before
          ? Infinity
          : unevennessOf(problem.shape, colours, problem.counts.length)
      if (now < best) [best, better] = [now, true]
      else swap(colours, one, other)
    }
  }
  return better
}
