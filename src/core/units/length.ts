import { requireRange } from '../errors'

/** 1 in = 25.4 mm exactly. Source: international yard and pound agreement, 1959. */
export const MM_PER_INCH = 25.4

/** Longest length the application takes anywhere: 100 m, a long garland. */
export const LONGEST_MM = 100_000

export const mmFromInch = (lengthInch: number): number => lengthInch * MM_PER_INCH
export const inchFromMm = (lengthMm: number): number => lengthMm / MM_PER_INCH
export const mmFromCm = (lengthCm: number): number => lengthCm * 10
export const cmFromMm = (lengthMm: number): number => lengthMm / 10
export const mmFromUm = (lengthUm: number): number => lengthUm / 1000

/**
 * Whole micrometres nearest to a length in mm; stock and cuts are kept in these.
 * Throws `NOT_FINITE`, or `OUT_OF_RANGE` beyond +-100 m.
 */
export function umFromMm(lengthMm: number): number {
  requireRange('length', lengthMm, 'mm', -LONGEST_MM, LONGEST_MM)
  return Math.round(lengthMm * 1000)
}
