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

/** The names that squares are sold under in pairs: `15 cm` and `6 in`. */
export const NOMINAL_NAMES: readonly string[] = NOMINAL_PAIRS.flatMap(({ cm, inch }) => [
  `${cm} cm`,
  `${inch} in`,
])

const SAME_MM = 0.05

/** A square as it lies in a drawer. */
export interface NamedSquare {
  readonly sideMm: number
  /** The name it is sold under; empty where that is its size. */
  readonly soldAs: string
}

const nameOf = ({ sideMm, soldAs }: NamedSquare): string => {
  if (soldAs !== '') return soldAs
  const pair = NOMINAL_PAIRS.find(
    ({ cm, inch }) => Math.abs(sideMm - cm * 10) < SAME_MM || Math.abs(sideMm - inch * MM_PER_INCH) < SAME_MM,
  )
  if (!pair) return ''
  return Math.abs(sideMm - pair.cm * 10) < SAME_MM ? `${pair.cm} cm` : `${pair.inch} in`
}

/** The pair that squares are both names of, which must not go into one ring unawares; `undefined` where they are none. */
export function mixedPairOf(squares: readonly NamedSquare[]): NominalPair | undefined {
  const names = new Set(squares.map(nameOf))
  return NOMINAL_PAIRS.find(({ cm, inch }) => names.has(`${cm} cm`) && names.has(`${inch} in`))
}
