import { isBehind, NONE_CLOSED, type ClosedPieces, type RunEvent } from '@/core/run'
import type { EventsTaken } from '@/flows/deeds/runs'
import type { RunFeed } from '@/flows/run-plan'
import type { Outbox } from './outbox'

export type SyncState = 'kept' | 'sending' | 'waiting'

/** What the screen shows: all events it knows, those sent first, and how the sending goes. */
export interface SyncView {
  /** The pieces that are over and done with, as sums; `events` are about the others. */
  readonly closed: ClosedPieces
  readonly events: readonly RunEvent[]
  readonly unsent: number
  readonly sync: SyncState
  readonly refused: number
}

const BATCH = 200
const RETRY_MS = [500, 1000, 2000, 4000, 8000] as const

/** A run's ledger as a page begins with it. */
export interface Ledger {
  readonly feed: RunFeed
  readonly closed: ClosedPieces
}

export type Post = (body: {
  epoch: string
  since: number
  events: readonly RunEvent[]
}) => Promise<EventsTaken | null>

/** Sends one batch to the server; `null` where it did not answer or could not take it now. */
export const postEvents =
  (runId: string): Post =>
  async (body) => {
    try {
      const response = await fetch(`/api/runs/${runId}/events`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(8000),
      })
      if (!response.ok) return null
      const answer = (await response.json()) as { ok: true; value: EventsTaken }
      return answer.value
    } catch {
      return null
    }
  }

/**
 * Keeps one run's taps and the server's ledger together. A tap is shown at once, kept in the browser, then sent in
 * order; it leaves the waiting list only when the server says it has it. The same tap may be sent many times: the
 * server counts it once.
 */
export class RunSync {
  #known: RunEvent[]
  #closed: ClosedPieces
  /** A tap came for a piece known only as a part of a sum: the next exchange asks for the whole ledger. */
  #wantsAll = false
  #epoch: string
  #seq: number
  #waiting: RunEvent[] = []
  #refused = 0
  #sync: SyncState = 'kept'
  #running: Promise<void> | null = null
  #failures = 0
  #timer: ReturnType<typeof setTimeout> | undefined
  #stopped = false
  readonly #post: Post
  readonly #outbox: Outbox
  readonly #changed: (view: SyncView) => void

  constructor({ feed, closed }: Ledger, outbox: Outbox, post: Post, changed: (view: SyncView) => void) {
    this.#known = [...feed.events]
    this.#closed = closed
    this.#epoch = feed.epoch
    this.#seq = feed.seq
    this.#outbox = outbox
    this.#post = post
    this.#changed = changed
  }

  view(): SyncView {
    const seen = new Set(this.#known.map((event) => event.id))
    const waiting = this.#waiting.filter((event) => !seen.has(event.id) && !isBehind(this.#closed, event))
    return {
      closed: this.#closed,
      events: [...this.#known, ...waiting],
      unsent: this.#waiting.length,
      sync: this.#sync,
      refused: this.#refused,
    }
  }

  /** Takes up the taps that an earlier page left unsent. Call once before the first tap. */
  async begin(): Promise<void> {
    this.#waiting = [...(await this.#outbox.untaken(this.#epoch))]
    this.#wantsAll = this.#waiting.some((event) => isBehind(this.#closed, event))
    this.#tell()
    void this.flush()
  }

  /** A tap: shown now, kept, then sent. */
  async tap(event: RunEvent): Promise<void> {
    this.#waiting.push(event)
    this.#tell()
    await this.#outbox.add(event)
    await this.flush()
  }

  /** Sends what waits and fetches what is new; one at a time. */
  flush(): Promise<void> {
    this.#running ??= this.#exchange().finally(() => {
      this.#running = null
      if (!this.#stopped && (this.#waiting.length > 0 || this.#wantsAll)) this.#again()
    })
    return this.#running
  }

  stop(): void {
    this.#stopped = true
    clearTimeout(this.#timer)
  }

  #again(): void {
    clearTimeout(this.#timer)
    const delayMs = this.#failures === 0 ? 0 : RETRY_MS[Math.min(this.#failures, RETRY_MS.length) - 1]
    this.#timer = setTimeout(() => void this.flush(), delayMs)
  }

  async #exchange(): Promise<void> {
    const events = this.#waiting.slice(0, BATCH)
    if (events.length > 0) this.#set('sending')
    const since = this.#wantsAll ? 0 : this.#seq
    const taken = await this.#post({ epoch: this.#epoch, since, events })
    if (this.#stopped) return
    if (taken === null) {
      this.#failures++
      this.#set(this.#waiting.length > 0 ? 'waiting' : 'kept')
      return
    }
    this.#failures = 0
    await this.#take(taken, since === 0)
    this.#set(this.#waiting.length > 0 ? 'sending' : 'kept')
  }

  /** Takes the server's answer up; `whole` where it has the ledger from its beginning. */
  async #take(taken: EventsTaken, whole: boolean): Promise<void> {
    const newEpoch = taken.epoch !== this.#epoch
    if (newEpoch || whole) {
      this.#known = [...taken.events]
      this.#closed = NONE_CLOSED
      this.#wantsAll = false
    } else {
      const seen = new Set(this.#known.map((event) => event.id))
      this.#known = [
        ...this.#known,
        ...taken.events.filter((event) => !seen.has(event.id) && !isBehind(this.#closed, event)),
      ]
      this.#wantsAll = taken.events.some((event) => isBehind(this.#closed, event))
    }
    this.#epoch = taken.epoch
    this.#seq = taken.seq
    this.#refused += taken.refused.length
    const settled = new Set([...taken.kept, ...taken.refused])
    this.#waiting = this.#waiting.filter((event) => !settled.has(event.id))
    await this.#outbox.markTaken(taken.kept, taken.epoch)
    await this.#outbox.drop(taken.refused)
    // Another life of the database (a backup was put back): offer it every tap of this run that it has not taken.
    if (newEpoch) this.#waiting = [...(await this.#outbox.untaken(taken.epoch))]
  }

  #set(sync: SyncState): void {
    this.#sync = sync
    this.#tell()
  }

  #tell(): void {
    if (!this.#stopped) this.#changed(this.view())
  }
}
