import type { DesignDocument, DesignSource } from '@/core/design'
import type { RunTally } from '@/core/run'

/** What was used last, up to a number; the rest is forgotten. For what is costly to make and never changes by its name. */
export class LatestUsed<Value> {
  readonly #values = new Map<string, Value>()
  readonly #most: number

  constructor(most: number) {
    this.#most = most
  }

  get(name: string): Value | undefined {
    const value = this.#values.get(name)
    if (value !== undefined) this.set(name, value)
    return value
  }

  /** Takes a value out, for who is going to change it and puts it back. */
  take(name: string): Value | undefined {
    const value = this.#values.get(name)
    this.#values.delete(name)
    return value
  }

  set(name: string, value: Value): void {
    this.#values.delete(name)
    this.#values.set(name, value)
    const [oldest] = this.#values.keys()
    if (this.#values.size > this.#most && oldest !== undefined) this.#values.delete(oldest)
  }
}

/** A version of a design as read, with its moves. */
export interface KnownDesign {
  readonly hash: string
  readonly engine: number
  readonly source: DesignSource
  readonly document: DesignDocument
}

/** A run's ledger added up, as far as a sequence number. */
export interface KnownRun {
  readonly tally: RunTally
  readonly seq: number
  /** Taps whose clock cannot be right. */
  readonly oddClocks: number
}

/**
 * What an open database remembers besides its file. Sized for the library and two hundred designs of one's own, each
 * with the pictures of a setting or two. Everything in it can be forgotten at any time.
 */
export class Caches {
  /** Figures that came with the build, as text by hash, engine and key. */
  readonly shipped: ReadonlyMap<string, string>
  readonly designs = new LatestUsed<KnownDesign>(500)
  readonly figures = new LatestUsed<object>(600)
  readonly runs = new LatestUsed<KnownRun>(12)

  constructor(shipped: ReadonlyMap<string, string> = new Map()) {
    this.shipped = shipped
  }
}
