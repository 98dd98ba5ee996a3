import { requireRange } from '../errors'

/** u of sinh(u) / u = ratio, by Newton's method from below the root. */
function steepness(ratio: number): number {
  // sinh(u)/u = 1 + u^2/6 + ...: a start that lies above the root, from where Newton's method falls to it.
  let u = Math.sqrt(6 * (ratio - 1))
  for (let round = 0; round < 60; round++) {
    const step = (Math.sinh(u) - ratio * u) / (Math.cosh(u) - ratio)
    u -= step
    if (Math.abs(step) <= 1e-15 * u) break
  }
  return u
}

/** How a string hangs between two hooks of one height. */
export interface Hang {
  /** How far its lowest point is below the hooks. */
  readonly sagMm: number
  /** a of y = a cosh(x / a); endless where it is taut. */
  readonly aMm: number
}

/**
 * A string of one weight along its length hangs as a catenary, y = a cosh(x / a): its length over the span L is
 * 2 a sinh(L / 2a).
 * *Throws* `OUT_OF_RANGE` (across) where the hooks are further apart than the string is long.
 */
export function hangOf(stringMm: number, acrossMm: number): Hang {
  requireRange('across', acrossMm, 'mm', 1, stringMm)
  if (stringMm === acrossMm) return { sagMm: 0, aMm: Infinity }
  const u = steepness(stringMm / acrossMm)
  const aMm = acrossMm / (2 * u)
  return { sagMm: 2 * aMm * Math.sinh(u / 2) ** 2, aMm }
}

/** A place on a hanging string: across from the middle, down from the hooks, and which way the string runs there. */
export interface HungPlace {
  readonly xMm: number
  readonly downMm: number
  readonly slope: number
}

/** The place at a length along the string, from its left hook. */
export function placeAlong({ sagMm, aMm }: Hang, stringMm: number, alongMm: number): HungPlace {
  const fromMiddle = alongMm - stringMm / 2
  if (!Number.isFinite(aMm)) return { xMm: fromMiddle, downMm: 0, slope: 0 }
  const slope = fromMiddle / aMm
  const xMm = aMm * Math.asinh(slope)
  return { xMm, downMm: sagMm - 2 * aMm * Math.sinh(xMm / (2 * aMm)) ** 2, slope }
}
