import { ROUNDING } from '../numeric'
import { areaUm2, type Multipliers } from './types'
import type { PaperProblem, SheetKind } from './paper-problem'

/** The finest scale of multipliers, and how much all that is wanted may come to in it: whole numbers that a sum holds exactly. */
const [FINEST, MOST_WANTED] = [2 ** 30, 2 ** 50]

/** What dual values of a linear program make as multipliers, as fine as sums stay exact. */
export function multipliersOf(duals: readonly number[], demands: PaperProblem['demands']): Multipliers {
  const worth = demands.map((_, at) => Math.max(0, duals[at] ?? 0))
  const wanted = demands.reduce((sum, { count }, at) => sum + count * (worth[at] ?? 0), 0)
  const scale = Math.min(FINEST, 2 ** Math.floor(Math.log2(MOST_WANTED / Math.max(1, wanted))))
  return { worth: worth.map((one) => Math.floor(one * scale)), scale }
}

/** The most that one sheet gives, counted in worths: exactly where it was searched, else by area. */
function mostOf(kind: SheetKind, { demands }: PaperProblem, worth: readonly number[]): number {
  const ready = kind.ready.reduce(
    (most, { counts }) =>
      Math.max(
        most,
        counts.reduce((sum, count, at) => sum + count * (worth[at] ?? 0), 0),
      ),
    0,
  )
  if (!kind.searched) {
    const byArea = demands.reduce(
      (most, { sizeUm }, at) => Math.max(most, (worth[at] ?? 0) / areaUm2(sizeUm)),
      0,
    )
    // A hair more: it must not be too little by rounding.
    return Math.max(ready, Math.ceil(byArea * areaUm2(kind.sheets.sizeUm) * (1 + ROUNDING)))
  }
  return kind.finders.reduce((most, finder) => {
    const { sheets } = finder.tables(worth)
    return Math.max(most, sheets[sheets.length - 1] ?? 0)
  }, ready)
}

/**
 * The least that any plan of these cuts can cost (a Lagrangian bound, Gilmore and Gomory's where the worths are the
 * duals of their linear program): all that is wanted is worth so much, a sheet gives at most so much, and what it could
 * give beyond its cost is taken off for every sheet there is. Numbers too large for exact sums prove nothing: 0.
 */
export function boundBy(problem: PaperProblem, { worth, scale }: Multipliers): number {
  const wanted = problem.demands.reduce((sum, { count }, at) => sum + count * (worth[at] ?? 0), 0)
  const most = problem.kinds.map((kind) => mostOf(kind, problem, worth))
  const over = problem.kinds.reduce(
    (sum, { sheets, cost }, at) => sum + sheets.available * Math.max(0, (most[at] ?? 0) - cost * scale),
    0,
  )
  const sums = [wanted, over, ...most, ...problem.kinds.map(({ cost }) => cost * scale)]
  if (!sums.every(Number.isSafeInteger)) return 0
  const least = Math.max(0, wanted - over) / scale
  return Math.ceil(least / problem.costStep) * problem.costStep
}
