import { LRUCache } from 'lru-cache'
import type { Order } from '@/core/arrange'
import type { DesignDocument, DesignSource } from '@/core/design'
import type { RunTally } from '@/core/run'
import type { KeptForms } from './kept-forms'

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
  /** How many events there are up to it. */
  readonly events: number
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
  readonly designs = new LRUCache<string, KnownDesign>({ max: 500 })
  readonly figures = new LRUCache<string, object>({ max: 600 })
  readonly runs = new LRUCache<string, KnownRun>({ max: 12 })
  /** Orders as planned, by what they are orders of: a large one takes half a second. */
  readonly orders = new LRUCache<string, Order>({ max: 200 })

  /** Spares by what they are for: a large brief asks for hundreds, the same on every page. */
  readonly spares = new LRUCache<string, readonly number[]>({ max: 5000 })

  /** Finished pieces painted with the build, or beside it. */
  readonly #forms: () => ReadonlyMap<string, KeptForms>

  constructor(
    shipped: ReadonlyMap<string, string> = new Map(),
    forms: () => ReadonlyMap<string, KeptForms> = () => new Map(),
  ) {
    this.shipped = shipped
    this.#forms = forms
  }

  get forms(): ReadonlyMap<string, KeptForms> {
    return this.#forms()
  }
}
