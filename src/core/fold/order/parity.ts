/**
 * Unknowns that are 1 or -1, tied to one another as equal or opposite: union-find with parity.
 * `InPlace` methods change it; a copy is an independent try.
 */
export class ParitySets {
  readonly #parent: Int32Array
  /** 1 where a node equals its parent, -1 where it is opposite. */
  readonly #sign: Int8Array
  readonly #rank: Uint8Array

  constructor(count: number) {
    this.#parent = Int32Array.from({ length: count }, (_, index) => index)
    this.#sign = new Int8Array(count).fill(1)
    this.#rank = new Uint8Array(count)
  }

  /** Root of a node and how the node lies to it. */
  find(node: number): { readonly root: number; readonly sign: number } {
    let root = node
    let sign = 1
    for (let up = this.#parent[root] ?? root; up !== root; up = this.#parent[root] ?? root) {
      sign *= this.#sign[root] ?? 1
      root = up
    }
    return { root, sign }
  }

  /** Ties two nodes; *returns* false where they are tied the other way already. */
  tieInPlace(a: number, b: number, sign: number): boolean {
    const [first, second] = [this.find(a), this.find(b)]
    if (first.root === second.root) return first.sign * second.sign === sign
    const [low, high] =
      (this.#rank[first.root] ?? 0) < (this.#rank[second.root] ?? 0)
        ? [first.root, second.root]
        : [second.root, first.root]
    this.#parent[low] = high
    this.#sign[low] = first.sign * second.sign * sign
    if (this.#rank[low] === this.#rank[high]) this.#rank[high] = (this.#rank[high] ?? 0) + 1
    return true
  }
}
