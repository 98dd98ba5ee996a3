import { CoreError, requireRange } from '../errors'
import { LONGEST_MM } from '../units'

/** So many squares of one side, taken one after another off the end of what is left. */
export interface SquareRun {
  readonly sideMm: number
  readonly count: number
}

/**
 * Ever smaller squares off a rectangle: the largest first, then again off the strip that is left.
 * *Returns* the runs in order; stops when what is left is narrower than `smallestMm`.
 * *Cost* one division a run. *Throws* `OUT_OF_RANGE`.
 */
export function shrinkingSquares(
  widthMm: number,
  heightMm: number,
  smallestMm: number,
): readonly SquareRun[] {
  requireRange('width', widthMm, 'mm', 0, LONGEST_MM)
  requireRange('height', heightMm, 'mm', 0, LONGEST_MM)
  if (!(smallestMm > 0))
    throw new CoreError('OUT_OF_RANGE', { name: 'smallest square', value: smallestMm, unit: 'mm' })
  // Whole micrometres, so that inches leave no crumbs of rounding.
  let shortUm = Math.round(Math.min(widthMm, heightMm) * 1000)
  let longUm = Math.round(Math.max(widthMm, heightMm) * 1000)
  const runs: SquareRun[] = []
  while (shortUm >= smallestMm * 1000 && shortUm > 0) {
    const count = Math.floor(longUm / shortUm)
    runs.push({ sideMm: shortUm / 1000, count })
    ;[shortUm, longUm] = [longUm - count * shortUm, shortUm]
  }
  return runs
}
