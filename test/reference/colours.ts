import type { Lab } from '../../src/core/colour'
import type { Reference } from './types'

/** Pairs of colours and their CIEDE2000 difference. */
export const DIFFERENCES: readonly Reference<readonly [Lab, Lab], number>[] = (
  [
    ['blue, the turn of hue', [50, 2.6772, -79.7751], [50, 0, -82.7485], 2.0425],
    ['beside grey', [50, 2.5, 0], [50, 0, -2.5], 4.3065],
    ['far apart', [50, 2.5, 0], [73, 25, -18], 27.1492],
    ['nearly black', [2.0776, 0.0795, -1.135], [0.9033, -0.0636, -0.5514], 0.9082],
  ] as const
).map(([what, [l, a, b], [otherL, otherA, otherB], value]) => ({
  what,
  source: 'G. Sharma, W. Wu, E. N. Dalal 2005, test pairs for CIEDE2000',
  locator: 'from memory',
  conditions: 'Lab directly',
  tolerance: 0.00005,
  input: [
    { l, a, b },
    { l: otherL, a: otherA, b: otherB },
  ],
  value,
}))
