import { requireRange } from '../errors'
import { inchFromMm, LONGEST_MM, mmFromInch } from './length'

/** A length in inches as read off a ruler: `whole` inches and `numerator / denominator`, in lowest terms. */
export interface InchFraction {
  readonly whole: number
  readonly numerator: number
  readonly denominator: number
  /** This reading less the true length, in mm. */
  readonly errorMm: number
}

export type InchDenominator = 1 | 2 | 4 | 8 | 16 | 32

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b)
}

/**
 * The ruler reading nearest to a length, in `1/denominator` inches; a tie goes up.
 * *Returns* the fraction in lowest terms with its error; `0/1` where it is a whole number of inches.
 * *Throws* `NOT_FINITE`, `OUT_OF_RANGE` (below 0 or over 100 m).
 */
export function nearestInchFraction(lengthMm: number, denominator: InchDenominator): InchFraction {
  requireRange('length', lengthMm, 'mm', 0, LONGEST_MM)
  const steps = Math.round(inchFromMm(lengthMm) * denominator)
  const whole = Math.floor(steps / denominator)
  const rest = steps - whole * denominator
  const divisor = greatestCommonDivisor(rest, denominator)
  return {
    whole,
    numerator: rest / divisor,
    denominator: denominator / divisor,
    errorMm: mmFromInch(steps / denominator) - lengthMm,
  }
}
