import { clashesOf, fewestClashes } from './feasible'
import { unevennessOf } from './evenness'
import { shuffled } from './shuffle'
import type { OrderProblem, Shape } from './types'

/** A problem along a string, open or closed. */
export interface StringProblem extends Pick<OrderProblem, 'counts' | 'locked'> {
  readonly shape: Shape
}

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
export function quickOrder(problem: StringProblem): readonly number[] {
  const { shape, counts, locked } = problem
  const paced = mended(problem, evenPace(problem))
  const balanced = locked.size === 0 ? balancedOrder(counts) : null
  if (balanced && noWorse(problem, balanced, paced)) return balanced
  if (locked.size > 0 || clashesOf(shape, paced).length <= fewestClashes(shape, counts)) return paced
  return mended(problem, comb(counts))
}

/**
 * Another order with no more clashes than a good one has, always the same for a seed: free pieces are shuffled, and only
 * what clashes is mended; where that does not do, swaps by chance that leave the good order as good.
 */
export function otherOrder(problem: StringProblem, good: readonly number[], seed: number): readonly number[] {
  const allowed = clashesOf(problem.shape, good).length
  const free = good.flatMap((_, at) => (problem.locked.has(at) ? [] : [at]))
  const colours = [...good]
  const mixed = shuffled(
    free.map((at) => good[at] ?? 0),
    seed,
  )
  free.forEach((at, index) => (colours[at] = mixed[index] ?? 0))
  for (let round = 0; round < ROUNDS && mendClashes(problem, colours); round++);
  if (clashesOf(problem.shape, colours).length <= allowed) return colours
  return swapped(problem, [...good], free, seed)
}

/** Swaps of free positions in an order by chance, as long as they give no more clashes. */
function swapped(problem: StringProblem, colours: number[], free: readonly number[], seed: number): number[] {
  const partners = shuffled([...free, ...free, ...free], seed)
  for (let index = 0; index + 1 < partners.length; index++) {
    const [one = 0, other = 0] = [partners[index], partners[index + 1]]
    const before = clashesAt(problem, colours, one, other)
    swap(colours, one, other)
    if (clashesAt(problem, colours, one, other) > before) swap(colours, one, other)
  }
  return colours
}

/**
 * Two colours with the rarer one at even distances, rounded to whole positions: what cannot be kept apart is spread as
 * evenly as all else. `null` where there are not two. *Source* balanced words, known from scheduling and rhythm.
 */
function balancedOrder(counts: readonly number[]): readonly number[] | null {
  const [rare, common, ...others] = counts
    .flatMap((count, colour) => (count > 0 ? [{ count, colour }] : []))
    .sort((one, other) => one.count - other.count)
  if (!rare || !common || others.length > 0) return null
  const positions = rare.count + common.count
  const colours = Array<number>(positions).fill(common.colour)
  for (let at = 0; at < rare.count; at++)
    colours[Math.floor(((at + 0.5) * positions) / rare.count)] = rare.colour
  return colours
}

/** Whether an order has no more clashes than another, and is as evenly spread. */
const noWorse = (
  { shape, counts }: StringProblem,
  one: readonly number[],
  other: readonly number[],
): boolean =>
  clashesOf(shape, one).length <= clashesOf(shape, other).length &&
  unevennessOf(shape, one, counts.length) <= unevennessOf(shape, other, counts.length)

function mended(problem: StringProblem, colours: number[]): readonly number[] {
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
function evenPace({ counts, locked }: StringProblem): number[] {
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
function clashesAt({ shape }: StringProblem, colours: readonly number[], one: number, other: number): number {
  const size = colours.length
  const like = (at: number): number =>
    (at < size - 1 || shape === 'ring') && colours[at] === colours[(at + 1) % size] ? 1 : 0
  const [before, beforeOther] = [(one + size - 1) % size, (other + size - 1) % size]
  // Beside each other, or a string so short that both have the same neighbour: no pair is counted twice.
  let clashes = like(one)
  if (before !== one) clashes += like(before)
  if (other !== one && other !== before) clashes += like(other)
  if (beforeOther !== one && beforeOther !== before && beforeOther !== other) clashes += like(beforeOther)
  return clashes
}

/** *Returns* whether a swap gave fewer clashes. */
function mendClashes(problem: StringProblem, colours: number[]): boolean {
  let better = false
  const size = colours.length
  const clashes = clashesOf(problem.shape, colours)
  // Where one colour has more than half of the places, most that clash must: nothing is to be mended of those.
  let toMend = clashes.length - fewestClashes(problem.shape, problem.counts)
  for (const one of new Set(clashes.flat())) {
    if (toMend <= 0) break
    if (problem.locked.has(one)) continue
    for (let step = 1; step < size && toMend > 0; step++) {
      const other = (one + step) % size
      if (problem.locked.has(other) || colours[one] === colours[other]) continue
      const before = clashesAt(problem, colours, one, other)
      if (before === 0) continue
      swap(colours, one, other)
      const fewer = before - clashesAt(problem, colours, one, other)
      if (fewer > 0) {
        better = true
        toMend -= fewer
      } else swap(colours, one, other)
    }
  }
  return better
}

/** *Returns* whether a swap gave a more even spread with no more clashes. */
function mendEvenness(problem: StringProblem, colours: number[]): boolean {
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
