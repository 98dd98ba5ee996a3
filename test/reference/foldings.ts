import type { Reference } from './types'

/** Ways to fold a strip of n labelled stamps, the first fixed face up, every crease folded. */
export const STAMP_FOLDINGS: readonly Reference<number, number>[] = [1, 2, 6, 16, 50, 144, 462].map(
  (value, index) => ({
    what: `${index + 1} stamps`,
    source: 'OEIS A000136',
    locator: 'from memory',
    conditions: 'base stamp fixed face up, every crease folded, each layer order counted once',
    tolerance: 0,
    input: index + 1,
    value,
  }),
)

/** Ways to fold a 2 x n map. */
export const MAP_FOLDINGS: readonly Reference<number, number>[] = [2, 8, 60, 320].map((value, index) => ({
  what: `2 x ${index + 1} map`,
  source: 'OEIS A001415',
  locator: 'from memory',
  conditions: 'base stamp fixed face up, every crease folded, each layer order counted once',
  tolerance: 0,
  input: index + 1,
  value,
}))
