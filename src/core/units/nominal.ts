import { MM_PER_INCH } from './length'

/** Two names papers are sold under for what people take as one size. Common practice, no source. */
export interface NominalPair {
  readonly cm: number
  readonly inch: number
}

const NOMINAL_PAIRS: readonly NominalPair[] = [
  { cm: 7.5, inch: 3 },
  { cm: 10, inch: 4 },
  { cm: 15, inch: 6 },
  { cm: 25, inch: 10 },
]

/** How far apart the two names of a pair are, in mm: the inch size less the centimetre size. */
export const nominalGapMm = (pair: NominalPair): number => pair.inch * MM_PER_INCH - pair.cm * 10

const SAME_MM = 0.05

/**
 * The nominal pair two sheets belong to when one carries its centimetre and the other its inch name.
 * *Returns* `undefined` where they are no such pair (two equal sheets among them).
 */
export function nominalPairOf(firstMm: number, secondMm: number): NominalPair | undefined {
  const isPair = (cmMm: number, inchMm: number, pair: NominalPair) =>
    Math.abs(cmMm - pair.cm * 10) < SAME_MM && Math.abs(inchMm - pair.inch * MM_PER_INCH) < SAME_MM
  return NOMINAL_PAIRS.find((pair) => isPair(firstMm, secondMm, pair) || isPair(secondMm, firstMm, pair))
}
