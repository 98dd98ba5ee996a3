import { nameOf } from './column-generation'
import type { PatternFinder, Tables } from './best-pattern'
import type { Lying, Part, Pattern, Strip } from './pattern'

/** More places than this are not looked at: what is sought is not proven then. */
export interface SearchLimit {
  left: number
}

interface Counted {
  readonly counts: readonly number[]
  readonly value: number
}

type PartFound = Counted & { readonly part: Part; readonly throughUm: number }
type StripFound = Counted & { readonly strip: Strip }

/** Sums of doubles in another order differ by less than this. */
const ROUNDED = 1e-9

const fits = (a: readonly number[], b: readonly number[], wanted: readonly number[]): boolean =>
  a.every((count, at) => count + (b[at] ?? 0) <= (wanted[at] ?? 0))
const plus = (a: readonly number[], b: readonly number[]): readonly number[] =>
  a.map((count, at) => count + (b[at] ?? 0))

/**
 * All that a sheet can give that is worth at least `least`, never more of a piece than is wanted: the pattern of each,
 * with the most left over at the end of the sheet. What cannot come to so much any more, by the tables, is not followed.
 */
export class PatternSearch {
  readonly #finder: PatternFinder
  readonly #tables: Tables
  readonly #values: readonly number[]
  readonly #wanted: readonly number[]
  readonly #limit: SearchLimit

  constructor(
    finder: PatternFinder,
    values: readonly number[],
    wanted: readonly number[],
    limit: SearchLimit,
  ) {
    this.#finder = finder
    this.#tables = finder.tables(values)
    this.#values = values
    this.#wanted = wanted
    this.#limit = limit
  }

  /** *Returns* `null` where the limit was reached. */
  all(stock: number, least: number): readonly Pattern[] | null {
    const strips = this.#strips(least)
    if (!strips) return null
    const { sheet } = this.#finder
    const found = new Map<string, { readonly pattern: Pattern; readonly leftUm: number }>()
    const place = (from: number, chosen: readonly Strip[], so: Counted, leftUm: number): boolean => {
      if (this.#limit.left-- <= 0) return false
      if (so.value >= least - ROUNDED && chosen.length > 0) {
        const pattern: Pattern = { stock, first: sheet.first, strips: chosen, counts: so.counts }
        const name = nameOf(pattern)
        if ((found.get(name)?.leftUm ?? -1) < leftUm) found.set(name, { pattern, leftUm })
      }
      for (let index = from; index < strips.length; index++) {
        const one = strips[index]
        if (!one || one.strip.throughUm > leftUm || !fits(so.counts, one.counts, this.#wanted)) continue
        const value = so.value + one.value
        const rest = leftUm - one.strip.throughUm
        if (value + this.#sheetWithin(rest) < least - ROUNDED) continue
        if (!place(index, [...chosen, one.strip], { counts: plus(so.counts, one.counts), value }, rest))
          return false
      }
      return true
    }
    const none = this.#wanted.map(() => 0)
    const whole = place(0, [], { counts: none, value: 0 }, sheet.throughUm)
    return whole ? [...found.values()].map(({ pattern }) => pattern) : null
  }

  #sheetWithin(lengthUm: number): number {
    return this.#tables.sheets[this.#finder.reachOf(lengthUm)] ?? 0
  }

  /** Strips of every reach that a sheet worth so much can have; of those that give the same, the thinnest. */
  #strips(least: number): readonly StripFound[] | null {
    const { through, thickestStrip, sheet } = this.#finder
    const found = new Map<string, StripFound>()
    for (let reach = 1; reach <= thickestStrip; reach++) {
      const throughUm = through[reach] ?? 0
      const need = least - this.#sheetWithin(sheet.throughUm - throughUm)
      if ((this.#tables.strips[reach] ?? 0) < need - ROUNDED) continue
      // A strip that no part fills to its reach was looked at as a thinner one.
      const parts = this.#parts(reach, need)
      if (!parts) return null
      if (!this.#fill(parts, reach, need, found)) return null
    }
    return [...found.values()].sort((a, b) => b.strip.throughUm - a.strip.throughUm)
  }

  #fill(parts: readonly PartFound[], reach: number, need: number, found: Map<string, StripFound>): boolean {
    const finder = this.#finder
    const throughUm = finder.through[reach] ?? 0
    const within = finder.inStrip(this.#tables.parts, reach)
    const place = (from: number, chosen: readonly PartFound[], so: Counted, leftUm: number): boolean => {
      if (this.#limit.left-- <= 0) return false
      if (so.value >= need - ROUNDED && chosen.some((one) => one.throughUm === throughUm)) {
        const name = so.counts.join(' ')
        if (!found.has(name))
          found.set(name, { ...so, strip: { throughUm, parts: chosen.map(({ part }) => part) } })
      }
      for (let index = from; index < parts.length; index++) {
        const one = parts[index]
        if (!one || one.part.alongUm > leftUm || !fits(so.counts, one.counts, this.#wanted)) continue
        const value = so.value + one.value
        const rest = leftUm - one.part.alongUm
        if (value + (within[finder.alongOf(rest)] ?? 0) < need - ROUNDED) continue
        if (!place(index, [...chosen, one], { counts: plus(so.counts, one.counts), value }, rest))
          return false
      }
      return true
    }
    return place(0, [], { counts: this.#wanted.map(() => 0), value: 0 }, finder.sheet.alongUm)
  }

  /** Parts of a strip of this reach that are worth enough for it. */
  #parts(reach: number, need: number): readonly PartFound[] | null {
    const finder = this.#finder
    const { lying, sheet } = finder
    const throughUm = finder.through[reach] ?? 0
    const within = finder.inStrip(this.#tables.parts, reach)
    const found = new Map<string, PartFound>()
    const pile = (
      from: number,
      pieces: readonly Lying[],
      so: Counted,
      alongUm: number,
      leftUm: number,
    ): boolean => {
      if (this.#limit.left-- <= 0) return false
      if (pieces.length > 0) {
        const rest = within[finder.alongOf(sheet.alongUm - alongUm)] ?? 0
        if (so.value + rest >= need - ROUNDED) {
          const name = `${alongUm} ${throughUm - leftUm} ${so.counts.join(' ')}`
          if (!found.has(name))
            found.set(name, { ...so, part: { alongUm, pieces }, throughUm: throughUm - leftUm })
        }
        if (finder.onePiece) return true
      }
      for (let index = from; index < lying.length; index++) {
        const one = lying[index]
        if (!one || one.throughUm > leftUm) continue
        const count = (so.counts[one.demand] ?? 0) + 1
        if (count > (this.#wanted[one.demand] ?? 0)) continue
        const counts = so.counts.map((was, at) => (at === one.demand ? count : was))
        const value = so.value + (this.#values[one.demand] ?? 0)
        const longer = Math.max(alongUm, one.alongUm)
        if (!pile(index, [...pieces, one], { counts, value }, longer, leftUm - one.throughUm)) return false
      }
      return true
    }
    return pile(0, [], { counts: this.#wanted.map(() => 0), value: 0 }, 0, throughUm)
      ? [...found.values()].sort((a, b) => b.part.alongUm - a.part.alongUm)
      : null
  }
}
