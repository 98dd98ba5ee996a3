import { requireRange } from '../errors'
import { LONGEST_MM, MM_PER_INCH } from './length'

/** The steps a folder's ruler or trimmer can be read to. */
export const RULERS = {
  'mm-1': { label: 'whole millimetres', stepMm: 1 },
  'mm-0.5': { label: 'half millimetres', stepMm: 0.5 },
  'inch-1/8': { label: 'eighths of an inch', stepMm: MM_PER_INCH / 8 },
  'inch-1/16': { label: 'sixteenths of an inch', stepMm: MM_PER_INCH / 16 },
} as const satisfies Record<string, { readonly label: string; readonly stepMm: number }>

export type RulerKey = keyof typeof RULERS
export type Rounding = 'nearest' | 'down' | 'up'

/** A length that is within this of a mark counts as on it: a thousandth of a millimetre, far below any trimmer. */
const ON_MARK_MM = 0.001

const ROUND: Readonly<Record<Rounding, (steps: number, slack: number) => number>> = {
  nearest: (steps) => Math.round(steps),
  down: (steps, slack) => Math.floor(steps + slack),
  up: (steps, slack) => Math.ceil(steps - slack),
}

/**
 * The mark of a ruler nearest to, below or above a length in mm.
 * A length already on a mark (within 1 um) stays there in every mode.
 * *Throws* `NOT_FINITE`, `OUT_OF_RANGE`.
 */
export function roundToRuler(lengthMm: number, ruler: RulerKey, rounding: Rounding): number {
  requireRange('length', lengthMm, 'mm', 0, LONGEST_MM)
  const { stepMm } = RULERS[ruler]
  return ROUND[rounding](lengthMm / stepMm, ON_MARK_MM / stepMm) * stepMm
}
