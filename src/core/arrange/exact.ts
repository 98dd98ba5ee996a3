import { clashesOf } from './feasible'
import { leastSquares, unevennessOf } from './evenness'
import { GapBounds } from './gap-bounds'
import type { StringProblem } from './quick'

/** Steps of the search after which it gives up its proof: a few tenths of a second. */
const MOST_STEPS = 3_000_000

export interface Searched {
  readonly colours: readonly number[]
  /** Everything was tried or could not be better: fewest clashes, then most even. */
  readonly whole: boolean
}

/**
 * Branch and bound, position by position: fewest clashes first, the most even among those. A branch ends where the pieces
 * left cannot go without more clashes, or where even gaps for all that is left would come to more than the best found.
 * @param start An order to be bettered; its locks hold.
 */
export function searchOrder(problem: StringProblem, start: readonly number[]): Searched {
  return new Search(problem, start).run()
}

class Search {
  readonly #problem: StringProblem
  readonly #positions: number
  readonly #left: Int32Array
  readonly #first: Int32Array
  readonly #last: Int32Array
  readonly #placed: Int32Array
  /** What each colour's gaps come to where they are as even as they can be. */
  readonly #even: Int32Array
  readonly #gaps: GapBounds
  readonly #wholes: Float64Array
  #best: readonly number[]
  #bestClashes: number
  #bestSquares: number
  #steps = 0

  constructor(problem: StringProblem, start: readonly number[]) {
    const colourCount = problem.counts.length
    this.#problem = problem
    this.#positions = start.length
    this.#left = Int32Array.from(problem.counts)
    this.#first = new Int32Array(colourCount).fill(-1)
    this.#last = new Int32Array(colourCount).fill(-1)
    this.#placed = new Int32Array(start.length).fill(-1)
    this.#gaps = new GapBounds(problem.shape, start.length)
    this.#wholes = new Float64Array((start.length + 1) ** 2).fill(-1)
    this.#even = Int32Array.from(problem.counts, (count) =>
      count === 0 ? 0 : leastSquares(start.length, count),
    )
    this.#best = start
    this.#bestClashes = clashesOf(problem.shape, start).length
    this.#bestSquares = unevennessOf(problem.shape, start, colourCount)
  }

  run(): Searched {
    this.#place(0, 0, 0)
    return { colours: this.#best, whole: this.#steps <= MOST_STEPS }
  }

  /**
   * Which colours may come at a position, the one most behind its even pace first: good orders are found early. Where
   * nothing is locked, a ring may be turned to begin with its rarest colour, and of colours that come equally often the
   * first named comes first.
   */
  #choices(at: number): readonly number[] {
    const { counts, locked, shape } = this.#problem
    const held = locked.get(at)
    if (held !== undefined) return (this.#left[held] ?? 0) > 0 ? [held] : []
    const choices: number[] = []
    for (let colour = 0; colour < counts.length; colour++)
      if ((this.#left[colour] ?? 0) > 0 && !this.#twinWaits(colour)) choices.push(colour)
    if (locked.size > 0 || at > 0 || shape === 'line')
      return choices.sort((one, other) => this.#due(one) - this.#due(other))
    return choices.sort((one, other) => (counts[one] ?? 0) - (counts[other] ?? 0)).slice(0, 1)
  }

  /** When a colour's next piece would come at its even pace. */
  #due(colour: number): number {
    const gap = this.#positions / (this.#problem.counts[colour] ?? 1)
    const last = this.#last[colour] ?? -1
    return last < 0 ? gap / 2 : last + gap
  }

  /** Whether another colour that comes as often, and was named before, has not come yet. */
  #twinWaits(colour: number): boolean {
    const { counts, locked } = this.#problem
    if (locked.size > 0 || (this.#last[colour] ?? -1) >= 0) return false
    for (let other = 0; other < colour; other++)
      if (counts[other] === counts[colour] && (this.#last[other] ?? -1) < 0) return true
    return false
  }

  #place(at: number, clashes: number, squares: number): void {
    if (this.#steps++ > MOST_STEPS) return
    if (at === this.#positions) return this.#take()
    for (const colour of this.#choices(at)) {
      const left = this.#left[colour] ?? 0
      if (left === 0) continue
      const [first, last] = [this.#first[colour] ?? -1, this.#last[colour] ?? -1]
      this.#left[colour] = left - 1
      this.#last[colour] = at
      if (first < 0) this.#first[colour] = at
      this.#placed[at] = colour
      const nowClashes = clashes + Number(at > 0 && this.#placed[at - 1] === colour)
      const nowSquares = squares + (last < 0 ? 0 : (at - last) ** 2)
      if (this.#mayBeBetter(at, nowClashes, nowSquares)) this.#place(at + 1, nowClashes, nowSquares)
      this.#left[colour] = left
      this.#last[colour] = last
      if (first < 0) this.#first[colour] = -1
    }
  }

  #take(): void {
    const { shape, counts } = this.#problem
    const colours = [...this.#placed]
    const clashes = clashesOf(shape, colours).length
    const squares = unevennessOf(shape, colours, counts.length)
    if (clashes > this.#bestClashes || (clashes === this.#bestClashes && squares >= this.#bestSquares)) return
    this.#best = colours
    this.#bestClashes = clashes
    this.#bestSquares = squares
  }

  #mayBeBetter(at: number, clashes: number, squares: number): boolean {
    const atLeast = clashes + this.#clashesToCome(at)
    if (atLeast !== this.#bestClashes) return atLeast < this.#bestClashes
    return squares + this.#squaresToCome(at) < this.#bestSquares
  }

  /** Clashes that the pieces left cannot avoid: what is left is a line between the last placed and, on a ring, the first. */
  #clashesToCome(at: number): number {
    const free = this.#positions - at - 1
    const ring = this.#problem.shape === 'ring'
    if (free === 0) return Number(ring && this.#positions > 1 && this.#placed[at] === this.#placed[0])
    let most = 0
    for (let colour = 0; colour < this.#left.length; colour++) {
      const ends = Number(this.#placed[at] === colour) + Number(ring && this.#placed[0] === colour)
      most = Math.max(most, 2 * (this.#left[colour] ?? 0) + ends - free - 1)
    }
    return most
  }

  /** The least that the gaps still open come to, each colour by itself; less its share that is always there. */
  #squaresToCome(at: number): number {
    const { counts } = this.#problem
    let squares = 0
    for (let colour = 0; colour < counts.length; colour++) {
      const [last, left, count] = [this.#last[colour] ?? -1, this.#left[colour] ?? 0, counts[colour] ?? 0]
      if (count === 0) continue
      squares +=
        last < 0
          ? this.#whole(count, at + 1)
          : this.#gaps.from(this.#first[colour] ?? 0, last, left, at + 1 - last)
      squares -= this.#even[colour] ?? 0
    }
    return squares
  }

  /** As asked of the gaps, each answer kept. */
  #whole(count: number, earliest: number): number {
    const at = count * (this.#positions + 1) + earliest
    const known = this.#wholes[at] ?? -1
    if (known >= 0) return known
    return (this.#wholes[at] = this.#gaps.whole(count, earliest))
  }
}
