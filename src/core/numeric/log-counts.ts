import { gammaln } from 'simple-statistics'

/** ln n! for whole n >= 0. */
export const logFactorial = (n: number): number => gammaln(n + 1)

/** ln of n choose k, for whole 0 <= k <= n. */
export const logChoose = (n: number, k: number): number =>
  k === 0 || k === n ? 0 : logFactorial(n) - logFactorial(k) - logFactorial(n - k)

/** ln B(a, b), the beta function, for a, b > 0. */
export const logBeta = (a: number, b: number): number => gammaln(a) + gammaln(b) - gammaln(a + b)
