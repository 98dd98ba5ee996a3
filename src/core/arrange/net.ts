import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { forcedClashes } from './net-bound'
import { shuffled } from './shuffle'
import type { OrderProblem, Pair } from './types'

/** Swaps one search makes before it gives up; each looks at all partners of one piece that clashes. */
const MOST_SWAPS = 2000
/** Searches from other starts, as long as neighbours are alike. */
const SEARCHES = 6
/** Partners looked at in all of them: half a second. */
const MOST_LOOKS = 3_000_000
/** Steps of the proof after which it gives up. */
const MOST_STEPS = 2_000_000
/** Rounds of spreading like pieces further apart. */
const ROUNDS = 12
/** A piece that was moved stays for so many swaps, and some by chance. */
const STAYS = 8

export interface NetOrder {
  readonly colours: readonly number[]
  /** No order of these pieces has fewer like neighbours. */
  readonly fewest: boolean
}

/** For each position those beside it. */
export function besideOf(positions: number, pairs: readonly Pair[]): readonly (readonly number[])[] {
  const beside = Array.from({ length: positions }, () => new Set<number>())
  for (const [one, other] of pairs) {
    if (one === other) continue
    beside[one]?.add(other)
    beside[other]?.add(one)
  }
  return beside.map((set) => [...set])
}

/**
 * Colours on positions that lie beside each other pair by pair, with few like neighbours, then with like pieces far
 * apart. Tabu search: the swap that gives the fewest clashes, though it be for the worse, and never straight back.
 * Proven where no more clash than are forced, or, to about 24 positions, where the search through all orders comes to
 * its end.
 * *Source* the method is common practice for colouring graphs; `test/oracles/orders-by-search.ts` tries all orders.
 */
export function arrangeOnNet(
  { counts, locked, seed = 0 }: Omit<OrderProblem, 'neighbours'>,
  pairs: readonly Pair[],
  provenPositions: number,
): NetOrder {
  const positions = counts.reduce((sum, count) => sum + count, 0)
  const beside = besideOf(positions, pairs)
  const problem = { counts, locked }
  const net = new Net(beside, walked(beside, problem), counts.length, locked, seed)
  if (seed !== 0) net.take(startOf(problem, seed))
  net.untangle()
  let best = { clashes: net.clashes, colours: net.colours }
  const forced = forcedClashes(beside, counts)
  const searches = Math.min(SEARCHES, MOST_LOOKS / (MOST_SWAPS * Math.max(1, positions)))
  for (let search = 1; search < searches && best.clashes > forced; search++) {
    net.take(startOf(problem, seed * SEARCHES + search))
    net.untangle()
    if (net.clashes < best.clashes) best = { clashes: net.clashes, colours: net.colours }
  }
  net.take(best.colours)
  if (net.clashes > forced && positions <= provenPositions) {
    const proof = new Proof(beside, counts, locked, net.clashes)
    const better = proof.run()
    if (better) net.take(better)
    if (proof.whole) {
      net.spread()
      return { colours: net.colours, fewest: true }
    }
  }
  net.spread()
  return { colours: net.colours, fewest: net.clashes === forced }
}

/**
 * From neighbour to neighbour, each in the colour that fewest of its neighbours have and most pieces are left of: where
 * two colours do by turns, this finds it.
 */
function walked(
  beside: readonly (readonly number[])[],
  { counts, locked }: Pick<OrderProblem, 'counts' | 'locked'>,
): number[] {
  const left = [...counts]
  for (const colour of locked.values()) left[colour] = (left[colour] ?? 0) - 1
  const colours = beside.map((_, at) => locked.get(at) ?? -1)
  const seen = new Set<number>()
  const queue: number[] = []
  for (let from = 0; from < beside.length; from++) {
    if (!seen.has(from)) queue.push(from)
    seen.add(from)
    for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
      const others = beside[at] ?? []
      if (!locked.has(at)) {
        const alike = (colour: number) => others.filter((other) => colours[other] === colour).length
        const [best = 0] = left
          .flatMap((count, colour) => (count > 0 ? [colour] : []))
          .sort((one, other) => alike(one) - alike(other) || (left[other] ?? 0) - (left[one] ?? 0))
        colours[at] = best
        left[best] = (left[best] ?? 1) - 1
      }
      for (const other of others)
        if (!seen.has(other)) {
          seen.add(other)
          queue.push(other)
        }
    }
  }
  return colours
}

/** All pieces shuffled; those held at their places. */
function startOf({ counts, locked }: Pick<OrderProblem, 'counts' | 'locked'>, seed: number): number[] {
  const left = [...counts]
  for (const colour of locked.values()) left[colour] = (left[colour] ?? 0) - 1
  const free = shuffled(
    left.flatMap((count, colour) => Array<number>(count).fill(colour)),
    seed,
  )
  const positions = counts.reduce((sum, count) => sum + count, 0)
  let next = 0
  return Array.from({ length: positions }, (_, at) => locked.get(at) ?? free[next++] ?? 0)
}

class Net {
  clashes = 0
  readonly #beside: readonly (readonly number[])[]
  #colours: number[]
  readonly #kinds: number
  readonly #locked: ReadonlyMap<number, number>
  readonly #random: ReturnType<typeof xoroshiro128plus>
  /** For each position and colour, how many neighbours have it. */
  #near: Int32Array

  constructor(
    beside: readonly (readonly number[])[],
    colours: number[],
    kinds: number,
    locked: ReadonlyMap<number, number>,
    seed: number,
  ) {
    this.#beside = beside
    this.#colours = colours
    this.#kinds = kinds
    this.#locked = locked
    this.#random = xoroshiro128plus(seed + 1)
    this.#near = new Int32Array(0)
    this.take(colours)
  }

  get colours(): readonly number[] {
    return this.#colours
  }

  take(colours: readonly number[]): void {
    this.#colours = [...colours]
    this.#near = new Int32Array(colours.length * this.#kinds)
    let twice = 0
    this.#beside.forEach((others, at) => {
      for (const other of others) {
        const index = at * this.#kinds + (colours[other] ?? 0)
        this.#near[index] = (this.#near[index] ?? 0) + 1
        twice += Number(colours[other] === colours[at])
      }
    })
    this.clashes = twice / 2
  }

  #nearAt(at: number, colour: number): number {
    return this.#near[at * this.#kinds + colour] ?? 0
  }

  /** How many clashes more a swap gives. */
  #change(one: number, other: number): number {
    const [a, b] = [this.#colours[one] ?? 0, this.#colours[other] ?? 0]
    const together = this.#beside[one]?.includes(other) === true ? 2 : 0
    return (
      this.#nearAt(one, b) - this.#nearAt(one, a) + this.#nearAt(other, a) - this.#nearAt(other, b) - together
    )
  }

  #swap(one: number, other: number): void {
    this.clashes += this.#change(one, other)
    const [a, b] = [this.#colours[one] ?? 0, this.#colours[other] ?? 0]
    this.#recolour(one, a, b)
    this.#recolour(other, b, a)
  }

  #recolour(at: number, from: number, to: number): void {
    this.#colours[at] = to
    for (const other of this.#beside[at] ?? []) {
      const index = other * this.#kinds
      this.#near[index + from] = (this.#near[index + from] ?? 0) - 1
      this.#near[index + to] = (this.#near[index + to] ?? 0) + 1
    }
  }

  /** Swaps until no neighbours are alike, or too many were made; the best order met is the one that stays. */
  untangle(): void {
    const size = this.#colours.length
    const until = new Int32Array(size * this.#kinds)
    let best = { clashes: this.clashes, colours: [...this.#colours] }
    for (let swaps = 1; swaps <= MOST_SWAPS && best.clashes > 0; swaps++) {
      const move = this.#bestSwap(until, swaps, best.clashes)
      if (!move) break
      const [one, other] = move
      const stays = swaps + STAYS + uniformInt(this.#random, 0, STAYS)
      until[one * this.#kinds + (this.#colours[one] ?? 0)] = stays
      until[other * this.#kinds + (this.#colours[other] ?? 0)] = stays
      this.#swap(one, other)
      if (this.clashes < best.clashes) best = { clashes: this.clashes, colours: [...this.#colours] }
    }
    this.take(best.colours)
  }

  #bestSwap(until: Int32Array, now: number, best: number): Pair | null {
    const clashing = this.#clashing()
    let found: Pair | null = null
    let least = Infinity
    // One by chance of those that clash, and its best partner.
    const from = clashing[uniformInt(this.#random, 0, Math.max(0, clashing.length - 1))]
    if (from === undefined) return null
    for (let other = 0; other < this.#colours.length; other++) {
      const [a, b] = [this.#colours[from] ?? 0, this.#colours[other] ?? 0]
      if (a === b || this.#locked.has(other)) continue
      const change = this.#change(from, other)
      const stays = (until[from * this.#kinds + b] ?? 0) > now || (until[other * this.#kinds + a] ?? 0) > now
      if (change >= least || (stays && this.clashes + change >= best)) continue
      least = change
      found = [from, other]
    }
    return found ?? this.#anySwap(from)
  }

  #anySwap(from: number): Pair | null {
    const others = this.#colours.flatMap((colour, at) =>
      colour !== this.#colours[from] && !this.#locked.has(at) ? [at] : [],
    )
    const other = others[uniformInt(this.#random, 0, Math.max(0, others.length - 1))]
    return other === undefined ? null : [from, other]
  }

  /** Free positions with a like neighbour. */
  #clashing(): readonly number[] {
    return this.#colours.flatMap((colour, at) =>
      this.#nearAt(at, colour) > 0 && !this.#locked.has(at) ? [at] : [],
    )
  }

  /** Swaps that leave the clashes as they are and part pieces of one colour that lie two steps from each other. */
  spread(): void {
    const twoSteps = this.#beside.map((others, at) => [
      ...new Set(others.flatMap((other) => this.#beside[other] ?? []).filter((other) => other !== at)),
    ])
    const alike = (at: number): number => {
      let count = 0
      for (const other of twoSteps[at] ?? []) count += Number(this.#colours[other] === this.#colours[at])
      return count
    }
    const size = this.#colours.length
    for (let round = 0; round < ROUNDS; round++) {
      let better = false
      for (let one = 0; one < size; one++) {
        if (this.#locked.has(one) || alike(one) === 0) continue
        for (let other = 0; other < size; other++) {
          if (this.#locked.has(other) || this.#colours[one] === this.#colours[other]) continue
          if (this.#change(one, other) > 0) continue
          const before = alike(one) + alike(other)
          this.#swap(one, other)
          if (alike(one) + alike(other) < before) better = true
          else this.#swap(one, other)
        }
      }
      if (!better) return
    }
  }
}

/** Every order, position by position, as long as it may have fewer clashes than what is known. */
class Proof {
  whole = true
  readonly #beside: readonly (readonly number[])[]
  readonly #left: number[]
  readonly #locked: ReadonlyMap<number, number>
  readonly #placed: number[]
  #fewest: number
  #best: readonly number[] | null = null
  #steps = 0

  constructor(
    beside: readonly (readonly number[])[],
    counts: readonly number[],
    locked: ReadonlyMap<number, number>,
    fewest: number,
  ) {
    this.#beside = beside
    this.#left = [...counts]
    this.#locked = locked
    this.#placed = Array<number>(beside.length).fill(-1)
    this.#fewest = fewest
  }

  /** *Returns* an order with fewer clashes; `null` where none was met. */
  run(): readonly number[] | null {
    this.#place(0, 0)
    return this.#best
  }

  #place(at: number, clashes: number): void {
    if (clashes >= this.#fewest || !this.whole) return
    if (++this.#steps > MOST_STEPS) {
      this.whole = false
      return
    }
    if (at === this.#placed.length) {
      this.#fewest = clashes
      this.#best = [...this.#placed]
      return
    }
    const held = this.#locked.get(at)
    const seen = new Set<number>()
    for (let colour = 0; colour < this.#left.length; colour++) {
      const left = this.#left[colour] ?? 0
      if (left === 0 || (held !== undefined && held !== colour)) continue
      // Where nothing is held, colours that come equally often and are not there yet are one like the other.
      if (this.#locked.size === 0 && !this.#placed.slice(0, at).includes(colour)) {
        if (seen.has(left)) continue
        seen.add(left)
      }
      let more = 0
      for (const other of this.#beside[at] ?? []) if (other < at && this.#placed[other] === colour) more++
      this.#left[colour] = left - 1
      this.#placed[at] = colour
      this.#place(at + 1, clashes + more)
      this.#left[colour] = left
      this.#placed[at] = -1
    }
  }
}
