import type { Lying, Part, Sheet, Strip } from './pattern'

/** Every sum of some lengths up to a limit, each used any number of times, 0 first. */
export function reachableSums(lengths: readonly number[], most: number, atMost: number): Float64Array | null {
  const known = new Set<number>([0])
  const queue = [0]
  for (let index = 0; index < queue.length; index++)
    for (const length of lengths) {
      const sum = (queue[index] ?? 0) + length
      if (sum > most || known.has(sum)) continue
      if (known.size > atMost) return null
      known.add(sum)
      queue.push(sum)
    }
  return Float64Array.from(known).sort()
}

/** For each sum, the index of the largest sum that is at least `length` less; -1 where there is none. */
function stepsBack(sums: Float64Array, length: number): Int32Array {
  const back = new Int32Array(sums.length).fill(-1)
  let at = 0
  for (let index = 0; index < sums.length; index++) {
    const rest = (sums[index] ?? 0) - length
    if (rest < 0) continue
    while (at + 1 < sums.length && (sums[at + 1] ?? 0) <= rest) at++
    back[index] = at
  }
  return back
}

const at = (values: Float64Array, index: number): number => values[index] ?? 0

/** Values of the best parts, strips and sheets up to each reach, for one value of each demand. */
export interface Tables {
  /** For each length along the strip, the best part of that length for each reach through it. */
  readonly parts: readonly Float64Array[]
  readonly strips: Float64Array
  readonly sheets: Float64Array
}

/**
 * Finds the most valuable pattern of a sheet, exactly: a knapsack of pieces in parts, of parts in strips and of strips in
 * the sheet, each over the sums of lengths that can be reached. How many of a piece are wanted is not looked at. With
 * whole-numbered values all sums are exact.
 * *Cost* reaches times lengths times sizes: milliseconds for a handful of sizes.
 */
export class PatternFinder {
  readonly sheet: Sheet
  readonly lying: readonly Lying[]
  /** Reaches through the sheet that strips can end at. */
  readonly through: Float64Array
  readonly along: Float64Array
  /** Lengths a part can have, short before long. */
  readonly lengths: readonly number[]
  readonly #onePiece: boolean
  readonly #thickest: number
  readonly #pieceBack: readonly Int32Array[]
  readonly #partBack: readonly Int32Array[]

  /** *Returns* `null` where no piece fits the sheet, or more than `mostSums` sums of lengths can be reached. */
  static of(
    {
      sheet,
      lying,
      thickestUm,
    }: { readonly sheet: Sheet; readonly lying: readonly Lying[]; readonly thickestUm: number },
    stages: 2 | 3,
    mostSums: number,
  ): PatternFinder | null {
    const through = reachableSums(
      lying.map((one) => one.throughUm),
      sheet.throughUm,
      mostSums,
    )
    const along = reachableSums(
      lying.map((one) => one.alongUm),
      sheet.alongUm,
      mostSums,
    )
    return through && along ? new PatternFinder(sheet, lying, stages === 2, thickestUm, through, along) : null
  }

  private constructor(
    sheet: Sheet,
    lying: readonly Lying[],
    onePiece: boolean,
    thickest: number,
    through: Float64Array,
    along: Float64Array,
  ) {
    this.sheet = sheet
    this.lying = lying
    this.#onePiece = onePiece
    this.through = through
    this.along = along
    this.lengths = [...new Set(lying.map(({ alongUm }) => alongUm))].sort((a, b) => a - b)
    this.#pieceBack = lying.map(({ throughUm }) => stepsBack(through, throughUm))
    this.#partBack = this.lengths.map((length) => stepsBack(along, length))
    this.#thickest = thickest
  }

  get onePiece(): boolean {
    return this.#onePiece
  }

  /** How much work its tables are: sums looked at, about. */
  get work(): number {
    return this.through.length * this.along.length * this.lengths.length
  }

  /** The last reach that a strip may have. */
  get thickestStrip(): number {
    let last = 0
    while (last + 1 < this.through.length && at(this.through, last + 1) <= this.#thickest) last++
    return last
  }

  tables(values: readonly number[]): Tables {
    const parts = this.lengths.map((length) => this.#partsOf(length, values))
    const strips = this.#stripsOf(parts)
    return { parts, strips, sheets: this.#sheetsOf(strips) }
  }

  #partsOf(length: number, values: readonly number[]): Float64Array {
    const { through, lying } = this
    const best = new Float64Array(through.length)
    const within = lying.flatMap((one, index) =>
      one.alongUm <= length && (values[one.demand] ?? 0) > 0
        ? [{ value: values[one.demand] ?? 0, back: this.#pieceBack[index] as Int32Array }]
        : [],
    )
    for (let reach = 1; reach < through.length; reach++) {
      let most = at(best, reach - 1)
      for (const { value, back } of within) {
        const rest = back[reach] ?? -1
        if (rest < 0) continue
        const sum = value + (this.#onePiece ? 0 : at(best, rest))
        if (sum > most) most = sum
      }
      best[reach] = most
    }
    return best
  }

  #stripsOf(parts: readonly Float64Array[]): Float64Array {
    const strips = new Float64Array(this.through.length)
    const last = this.thickestStrip
    for (let reach = 1; reach < strips.length; reach++) {
      const more = reach <= last && parts.some((part) => at(part, reach) > at(part, reach - 1))
      strips[reach] = more ? at(this.inStrip(parts, reach), this.along.length - 1) : at(strips, reach - 1)
    }
    return strips
  }

  /** The best of parts along a strip of this reach, up to each length. */
  inStrip(parts: readonly Float64Array[], reach: number): Float64Array {
    const { along } = this
    const best = new Float64Array(along.length)
    const offers = parts.flatMap((part, index) =>
      at(part, reach) > 0 ? [{ value: at(part, reach), back: this.#partBack[index] as Int32Array }] : [],
    )
    for (let length = 1; length < along.length; length++) {
      let most = at(best, length - 1)
      for (const { value, back } of offers) {
        const rest = back[length] ?? -1
        if (rest < 0) continue
        const sum = value + at(best, rest)
        if (sum > most) most = sum
      }
      best[length] = most
    }
    return best
  }

  #sheetsOf(strips: Float64Array): Float64Array {
    const { through } = this
    const best = new Float64Array(through.length)
    for (let strip = 1; strip < strips.length; strip++) {
      const value = at(strips, strip)
      if (value <= at(strips, strip - 1)) continue
      let rest = 0
      for (let reach = strip; reach < through.length; reach++) {
        const left = at(through, reach) - at(through, strip)
        while (rest + 1 < through.length && at(through, rest + 1) <= left) rest++
        const sum = value + at(best, rest)
        if (sum > at(best, reach)) best[reach] = sum
      }
    }
    return best
  }

  /** Index of the largest reach that is at most `length`. */
  reachOf(length: number): number {
    return indexWithin(this.through, length)
  }

  alongOf(length: number): number {
    return indexWithin(this.along, length)
  }

  /** The strips of the most valuable sheet. */
  strips(values: readonly number[], tables: Tables): readonly Strip[] {
    const { through } = this
    const found: Strip[] = []
    let reach = through.length - 1
    for (;;) {
      while (reach > 0 && at(tables.sheets, reach - 1) === at(tables.sheets, reach)) reach--
      if (reach === 0) return found
      const strip = this.#lastStrip(tables, reach)
      found.push(this.#stripOf(values, tables, strip))
      reach = this.reachOf(at(through, reach) - at(through, strip))
    }
  }

  #lastStrip({ strips, sheets }: Tables, reach: number): number {
    return bestOf(reach + 1, (strip) => {
      if (strip === 0 || at(strips, strip) <= at(strips, strip - 1)) return -1
      return at(strips, strip) + at(sheets, this.reachOf(at(this.through, reach) - at(this.through, strip)))
    })
  }

  #stripOf(values: readonly number[], { parts }: Tables, reach: number): Strip {
    const best = this.inStrip(parts, reach)
    const found: Part[] = []
    let length = this.along.length - 1
    for (;;) {
      while (length > 0 && at(best, length - 1) === at(best, length)) length--
      if (length === 0) return { throughUm: at(this.through, reach), parts: found }
      const last = length
      const index = bestOf(this.lengths.length, (which) => {
        const rest = this.#partBack[which]?.[last] ?? -1
        const value = at(parts[which] as Float64Array, reach)
        return rest < 0 || value <= 0 ? -1 : value + at(best, rest)
      })
      const alongUm = this.lengths[index] ?? 0
      found.push({ alongUm, pieces: this.#piecesOf(values, parts[index] as Float64Array, alongUm, reach) })
      length = this.#partBack[index]?.[length] ?? 0
    }
  }

  #piecesOf(
    values: readonly number[],
    best: Float64Array,
    alongUm: number,
    within: number,
  ): readonly Lying[] {
    const found: Lying[] = []
    let reach = within
    for (;;) {
      while (reach > 0 && at(best, reach - 1) === at(best, reach)) reach--
      if (reach === 0) return found
      const last = reach
      const index = bestOf(this.lying.length, (which) => {
        const one = this.lying[which] as Lying
        const rest = this.#pieceBack[which]?.[last] ?? -1
        const value = values[one.demand] ?? 0
        if (rest < 0 || one.alongUm > alongUm || value <= 0) return -1
        return value + (this.#onePiece ? 0 : at(best, rest))
      })
      found.push(this.lying[index] as Lying)
      if (this.#onePiece) return found
      reach = this.#pieceBack[index]?.[reach] ?? 0
    }
  }
}

/** The index of the greatest of some values: sums of rounded values are not equal in every order. */
function bestOf(count: number, value: (index: number) => number): number {
  let best = 0
  for (let index = 1; index < count; index++) if (value(index) > value(best)) best = index
  return best
}

function indexWithin(sums: Float64Array, length: number): number {
  let [low, high] = [0, sums.length - 1]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (at(sums, middle) <= length) low = middle
    else high = middle - 1
  }
  return low
}
