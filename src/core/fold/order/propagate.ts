import { pairOf, type OrderConditions } from './conditions'
import type { ParitySets } from './parity'

/**
 * Signs found so far and all that follows from them. A unit is a class of pairs tied to one another.
 *
 * values      Int8Array, per unit:  1 or -1, 0 while unknown
 * unitOf      Int32Array, per pair: its unit
 * signOf      Int8Array, per pair:  1 where it equals its unit, -1 where it is opposite
 * trail       units in the order they were set; undone from its end
 */
export class OrderState {
  readonly values: Int8Array
  readonly unitOf: Int32Array
  readonly signOf: Int8Array
  readonly trail: number[] = []
  readonly conditions: OrderConditions
  /** Pairs of each unit. */
  readonly members: readonly (readonly number[])[]
  /** Nested conditions as four pairs with one sign: the product of the four unknowns is that sign. */
  readonly nested: readonly { readonly pairs: readonly number[]; readonly sign: number }[]
  readonly nestedOf: readonly (readonly number[])[]
  /** Faces that overlap each face. */
  readonly neighbours: readonly (readonly number[])[]

  constructor(conditions: OrderConditions, sets: ParitySets) {
    const { pairs } = conditions
    this.conditions = conditions
    this.unitOf = new Int32Array(pairs.count)
    this.signOf = new Int8Array(pairs.count)
    const units = new Map<number, number>()
    const members: number[][] = []
    for (let pair = 0; pair < pairs.count; pair++) {
      const { root, sign } = sets.find(pair)
      const unit = units.get(root) ?? units.size
      units.set(root, unit)
      this.unitOf[pair] = unit
      this.signOf[pair] = sign
      const list = members[unit] ?? []
      list.push(pair)
      members[unit] = list
    }
    this.members = members
    this.values = new Int8Array(units.size)
    this.nested = conditions.nested.flatMap(([a, b, c, d]) => {
      const four = [pairOf(pairs, a, c), pairOf(pairs, a, d), pairOf(pairs, b, c), pairOf(pairs, b, d)]
      const all = four.flatMap((one) => one ?? [])
      if (all.length < 4) return []
      return [
        { pairs: all.map((one) => one.pair), sign: all.reduce((product, one) => product * one.sign, 1) },
      ]
    })
    const nestedOf: number[][] = Array.from({ length: pairs.count }, () => [])
    this.nested.forEach((four, index) => four.pairs.forEach((pair) => nestedOf[pair]?.push(index)))
    this.nestedOf = nestedOf
    const neighbours: number[][] = Array.from({ length: pairs.faceCount }, () => [])
    for (const [i, j] of pairs.faces) {
      neighbours[i]?.push(j)
      neighbours[j]?.push(i)
    }
    this.neighbours = neighbours
  }

  /** The sign of a pair's unknown, 0 while it is not known. */
  sign(pair: number): number {
    return (this.values[this.unitOf[pair] ?? 0] ?? 0) * (this.signOf[pair] ?? 1)
  }

  /** 1 where i is known to lie above j, -1 below, 0 unknown or apart. */
  relation(i: number, j: number): number {
    const pair = this.conditions.pairs.at[i * this.conditions.pairs.faceCount + j] ?? -1
    return pair < 0 ? 0 : i < j ? this.sign(pair) : -this.sign(pair)
  }

  undoInPlace(to: number): void {
    while (this.trail.length > to) this.values[this.trail.pop() ?? 0] = 0
  }

  /** What the nested conditions alone decide before anything is known. *Returns* a pair in contradiction, or `null`. */
  propagateAllInPlace(): number | null {
    const done = this.trail.length
    for (const four of this.nested) {
      const failed = this.#followNested(four)
      if (failed !== null) return failed
    }
    return this.drainInPlace(done)
  }

  /** Follows every unit set since the trail was `done` long. *Returns* a pair that cannot hold, or `null`. */
  drainInPlace(done: number): number | null {
    for (let at = done; at < this.trail.length; at++)
      for (const pair of this.members[this.trail[at] ?? 0] ?? []) {
        const failed = this.#followPair(pair)
        if (failed !== null) return failed
      }
    return null
  }

  /** Sets one unit without looking further. *Returns* false where it is set the other way. */
  setInPlace(unit: number, value: number): boolean {
    const before = this.values[unit] ?? 0
    if (before !== 0) return before === value
    this.values[unit] = value
    this.trail.push(unit)
    return true
  }

  /** What follows from one pair's sign. *Returns* a pair that cannot hold, or `null`. */
  #followPair(pair: number): number | null {
    for (const index of this.nestedOf[pair] ?? []) {
      const four = this.nested[index]
      if (!four) continue
      const failed = this.#followNested(four)
      if (failed !== null) return failed
    }
    return this.#followTriples(pair)
  }

  #followNested(four: { readonly pairs: readonly number[]; readonly sign: number }): number | null {
    let product = four.sign
    let open = -1
    let openSign = 1
    for (const pair of four.pairs) {
      const unit = this.unitOf[pair] ?? 0
      const value = this.values[unit] ?? 0
      const own = this.signOf[pair] ?? 1
      if (value !== 0) product *= value * own
      else if (open === unit) {
        open = -1
        product *= openSign * own
      } else if (open < 0) {
        open = unit
        openSign = own
      } else return null
    }
    if (open >= 0) this.setInPlace(open, product * openSign)
    else if (product !== 1) return four.pairs[0] ?? 0
    return null
  }

  /** a above b: what is below b is below a, what is above a is above b, wherever the three share a patch. */
  #followTriples(pair: number): number | null {
    const { pairs, sharePatch } = this.conditions
    const [i = 0, j = 0] = pairs.faces[pair] ?? []
    const [a, b] = this.sign(pair) > 0 ? [i, j] : [j, i]
    const shorter = (this.neighbours[a]?.length ?? 0) < (this.neighbours[b]?.length ?? 0) ? a : b
    for (const k of this.neighbours[shorter] ?? []) {
      if (k === a || k === b) continue
      const [toA, toB] = [this.relation(k, a), this.relation(k, b)]
      let force: readonly [number, number] | null = null
      if (toB < 0 && toA >= 0) force = [a, k]
      else if (toA > 0 && toB <= 0) force = [k, b]
      if (force === null) continue
      const place = pairOf(pairs, force[0], force[1])
      if (!place || !sharePatch(a, b, k)) continue
      const value = place.sign * (this.signOf[place.pair] ?? 1)
      if (!this.setInPlace(this.unitOf[place.pair] ?? 0, value)) return place.pair
    }
    return null
  }

  /** Unknown units tied to one another by conditions: each group can be solved by itself. */
  components(): readonly (readonly number[])[] {
    const { pairs, sharePatch } = this.conditions
    const seen = new Uint8Array(this.values.length)
    const groups: number[][] = []
    const unknown = (unit: number) => (this.values[unit] ?? 0) === 0
    for (let start = 0; start < this.values.length; start++) {
      if (seen[start] || !unknown(start)) continue
      const group: number[] = []
      const queue = [start]
      seen[start] = 1
      const reach = (unit: number) => {
        if (seen[unit] || !unknown(unit)) return
        seen[unit] = 1
        queue.push(unit)
      }
      for (let unit = queue.pop(); unit !== undefined; unit = queue.pop()) {
        group.push(unit)
        for (const pair of this.members[unit] ?? []) {
          for (const index of this.nestedOf[pair] ?? [])
            for (const other of this.nested[index]?.pairs ?? []) reach(this.unitOf[other] ?? 0)
          const [i = 0, j = 0] = pairs.faces[pair] ?? []
          for (const k of this.neighbours[i] ?? []) {
            const [one, other] = [pairOf(pairs, i, k), pairOf(pairs, j, k)]
            if (!one || !other) continue
            const [first, second] = [this.unitOf[one.pair] ?? 0, this.unitOf[other.pair] ?? 0]
            const news = [first, second].some((near) => !seen[near] && unknown(near))
            if (!news || !sharePatch(i, j, k)) continue
            reach(first)
            reach(second)
          }
        }
      }
      groups.push(group.sort((one, other) => one - other))
    }
    return groups
  }

  pairsOfUnits(units: readonly number[]): readonly number[] {
    return units.flatMap((unit) => this.members[unit] ?? [])
  }
}

/**
 * Sets a pair's sign and all that follows from it, on the trail.
 * *Returns* `null`, or a pair that cannot hold: then undo to where the trail ended before.
 */
export function assign(state: OrderState, pair: number, sign: number): number | null {
  const done = state.trail.length
  if (!state.setInPlace(state.unitOf[pair] ?? 0, sign * (state.signOf[pair] ?? 1))) return pair
  return state.drainInPlace(done)
}
