/**
 * How much is tried. Counts of work rather than time, so that the same problem has the same plan everywhere, but where a
 * very busy machine lets a call of the solver run into its limit in seconds: its layouts may then be others.
 */
export interface Effort {
  /** Sums of lengths on a sheet up to which all its patterns are searched. */
  readonly sums: number
  /** Rounds of new patterns, and sums looked at in all of them: what a large problem takes is bounded by these. */
  readonly rounds: number
  readonly work: number
  /** Places looked at in a search for all patterns. */
  readonly places: number
  /** Patterns among which a whole plan is sought. */
  readonly patterns: number
  /** The longest one call of the solver may take, in seconds. */
  readonly seconds: number
  /** Patterns and places for fewer layouts; none are sought where it is `null`. */
  readonly layouts: { readonly patterns: number; readonly places: number; readonly seconds: number } | null
}

/** Within a deed: what is open after it is left to a worker. */
export const AT_ONCE: Effort = {
  sums: 500,
  rounds: 60,
  work: 2e7,
  places: 30_000,
  patterns: 120,
  seconds: 0.2,
  layouts: { patterns: 60, places: 4000, seconds: 0.1 },
}

/** Only strips filled by rule: for what nobody looks at now. Whoever opens it has it planned further. */
export const BY_RULE: Effort = { ...AT_ONCE, rounds: 0, layouts: null }

/** In a worker, with progress and cancel. */
export const THOROUGH: Effort = {
  sums: 6000,
  rounds: 400,
  work: Infinity,
  places: 3_000_000,
  patterns: 20_000,
  seconds: 6,
  layouts: { patterns: 600, places: 300_000, seconds: 3 },
}
