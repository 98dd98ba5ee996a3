/** How long to look, and for how much. */
export interface SolveLimits {
  /** Stops counting here; `orders` then says at least so many. */
  readonly most: number
  /** Guesses tried before giving up as `stopped`; as many as it takes where left out. */
  readonly mostTries?: number
  readonly shouldStop?: () => boolean
}
