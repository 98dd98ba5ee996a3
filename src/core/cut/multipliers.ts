import { areaUm2, type Multipliers } from './types'
import type { PaperProblem, SheetKind } from './paper-problem'

/** Sums of so many pieces at such worths stay whole numbers that a computer holds exactly. */
const SCALE = 2 ** 30

/** What dual values of a linear program make as multipliers. */
export function multipliersOf(duals: readonly number[], demands: number): Multipliers {
  return {
    worth: duals.slice(0, demands).map((dual) => Math.max(0, Math.floor(dual * SCALE))),
    scale: SCALE,
  }
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
    return Math.max(ready, Math.ceil(byArea * areaUm2(kind.sheets.sizeUm)))
  }
  return kind.finders.reduce((most, finder) => {
    const { sheets } = finder.tables(worth)
    return Math.max(most, sheets[sheets.length - 1] ?? 0)
  }, ready)
}

/**
 * The least that any plan of these cuts can cost (a Lagrangian bound, Gilmore and Gomory's where the worths are the
 * duals of their linear program): all that is wanted is worth so much, a sheet gives at most so much, and what it could
 * give beyond its cost is taken off for every sheet there is.
 */
export function boundBy(problem: PaperProblem, { worth, scale }: Multipliers): number {
  const wanted = problem.demands.reduce((sum, { count }, at) => sum + count * (worth[at] ?? 0), 0)
  const over = problem.kinds.reduce(
    (sum, kind) =>
      sum + kind.sheets.available * Math.max(0, mostOf(kind, problem, worth) - kind.cost * scale),
    0,
  )
  const least = Math.max(0, wanted - over) / scale
  return Math.ceil(least / problem.costStep) * problem.costStep
}
