import type { Shape } from './types'

/**
 * What the gaps of one colour come to at least from some point of a search on, other colours left aside: exact for that
 * colour, so that a search may end where all colours together cannot be better. Worked out as asked, each once.
 */
export class GapBounds {
  readonly #shape: Shape
  readonly #positions: number
  readonly #known: Float64Array

  constructor(shape: Shape, positions: number) {
    this.#shape = shape
    this.#positions = positions
    this.#known = new Float64Array(positions * positions * (positions + 1) * (positions + 2)).fill(NaN)
  }

  /** The colour's last piece lies at `last`, its first at `first`. */
  closing(first: number, last: number): number {
    const around = (this.#positions - last + first) ** 2
    return this.#shape === 'ring' ? around : around + (this.#positions - 1 - last - first) ** 2
  }

  /** The gaps after `last` where `left` pieces are still to come, the next of them at least `gap` further on. */
  from(first: number, last: number, left: number, gap: number): number {
    if (left === 0) return this.closing(first, last)
    if (last + gap + left - 1 > this.#positions - 1) return Infinity
    const at = ((first * this.#positions + last) * (this.#positions + 1) + left) * (this.#positions + 2) + gap
    const known = this.#known[at] ?? NaN
    if (!Number.isNaN(known)) return known
    const least = Math.min(
      this.from(first, last, left, gap + 1),
      gap ** 2 + this.from(first, last + gap, left - 1, 1),
    )
    this.#known[at] = least
    return least
  }

  /** All gaps of `count` pieces that come at `earliest` or later. */
  whole(count: number, earliest: number): number {
    let least = Infinity
    for (let first = earliest; first + count <= this.#positions; first++)
      least = Math.min(least, this.from(first, first, count - 1, 1))
    return least
  }
}
