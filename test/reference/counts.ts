import type { Reference } from './types'

interface SpareQuestion {
  readonly good: number
  readonly alpha: number
  readonly beta: number
  readonly certainty: number
}

/** Pieces to cut so that enough are good. A rate known exactly is a Beta law held by a thousand million pieces. */
export const PIECES_TO_CUT: readonly Reference<SpareQuestion, number>[] = [
  {
    what: 'no history: 24 good need 29',
    source: 'derived',
    locator: 'Beta(1,19) prior, Beta-binomial',
    conditions: '19 in 20',
    tolerance: 0,
    input: { good: 24, alpha: 1, beta: 19, certainty: 0.95 },
    value: 29,
  },
  {
    what: '100 good at a 5 % reject rate',
    source: 'standard binomial tables',
    locator: 'from memory, recomputed by test/oracles/chance-enough.ts',
    conditions: '19 in 20, rate known',
    tolerance: 0,
    input: { good: 100, alpha: 0.05e9, beta: 0.95e9, certainty: 0.95 },
    value: 109,
  },
  {
    what: '100 good at a 10 % reject rate',
    source: 'standard binomial tables',
    locator: 'from memory, recomputed by test/oracles/chance-enough.ts',
    conditions: '19 in 20, rate known',
    tolerance: 0,
    input: { good: 100, alpha: 0.1e9, beta: 0.9e9, certainty: 0.95 },
    value: 117,
  },
  {
    what: '1,000 good after 10 rejects and 208 good under Beta(1,1)',
    source: 'derived',
    locator: 'Beta(11,209), Beta-binomial',
    conditions: '19 in 20',
    tolerance: 0,
    input: { good: 1000, alpha: 11, beta: 209, certainty: 0.95 },
    value: 1085,
  },
]

/** P(X <= k) of a binomial law. */
export const BINOMIAL_TABLE: readonly Reference<
  { readonly n: number; readonly p: number; readonly k: number },
  number
>[] = (
  [
    [20, 0.1, 2, 0.6769],
    [20, 0.1, 4, 0.9568],
    [15, 0.3, 4, 0.5155],
    [20, 0.05, 2, 0.9245],
  ] as const
).map(([n, p, k, value]) => ({
  what: `n=${n} p=${p} P(X<=${k})`,
  source: 'standard binomial tables',
  locator: 'from memory, recomputed by test/oracles/chance-enough.ts',
  conditions: 'four decimals',
  tolerance: 5e-5,
  input: { n, p, k },
  value,
}))
