/** How long to look, and for how much. */
export interface SolveLimits {
  /** Stops counting here; `orders` then says at least so many. */
  readonly most: number
  /** Guesses tried before giving up as `stopped`; as many as it takes where left out. */
  readonly mostTries?: number
  /** Asked at every guess, and while conditions are gathered. */
  readonly shouldStop?: () => boolean
  /** Told while conditions are gathered, before any guess: how much of that is done, 0 to 1. */
  readonly gathered?: (share: number) => void
}

/** The caller wants no more, or a budget is used up. Caught where the solving began. */
export class Stopped extends Error {}
