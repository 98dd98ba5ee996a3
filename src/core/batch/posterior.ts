import { requireCount } from '../errors'

/** What is known of a reject rate: a Beta(alpha, beta) distribution over it. */
export interface RejectRate {
  readonly alpha: number
  readonly beta: number
}

/**
 * Before any log: one reject in twenty, held as firmly as eighty pieces would show it, so that one bad tray does not
 * run away with the estimate. Common practice, no source.
 */
export const NO_HISTORY: RejectRate = { alpha: 4, beta: 76 }

/** The rate after more pieces were seen: Beta-binomial updating. */
export function updateRejectRate(rate: RejectRate, rejects: number, good: number): RejectRate {
  requireCount('rejects', rejects, 0, 1e9)
  requireCount('good', good, 0, 1e9)
  return { alpha: rate.alpha + rejects, beta: rate.beta + good }
}

export const meanRejectRate = ({ alpha, beta }: RejectRate): number => alpha / (alpha + beta)
