import type { JobName, Jobs } from './jobs'

/** Somebody waits for it, or nobody does. */
export type Urgency = 'waited for' | 'behind'

export interface JobOptions {
  readonly urgency?: Urgency
  /** Ends the job: one that waits is dropped, one that runs is stopped with its thread. */
  readonly signal?: AbortSignal
}

/** A job that was cancelled. */
export class CancelledError extends Error {
  override readonly name = 'CancelledError'
}

/** Where heavy work is done. Results are checked before they are given back. */
export interface Pool {
  /** *Throws* `CancelledError`, or what the job threw, as an `Error`. */
  readonly run: <Name extends JobName>(
    name: Name,
    given: Jobs[Name]['given'],
    options?: JobOptions,
  ) => Promise<Jobs[Name]['made']>
}
