import type { Effort } from './effort'
import { patternsWithin, usesOf, withoutIdle } from './closing'
import { Pool, programOf, withinWanted } from './column-generation'
import { boundBy, multipliersOf } from './multipliers'
import { cuttingOf, type Cutting, type PaperProblem } from './paper-problem'
import { countsIn, type Pattern } from './pattern'
import type { LinearProgram, LinearSolver, Solved } from './solver'
import type { Multipliers } from './types'

/** A problem in which sheets cost nothing: what is least is what is missing. */
const withoutCost = (problem: PaperProblem): PaperProblem => ({
  ...problem,
  kinds: problem.kinds.map((kind) => ({ ...kind, cost: 0 })),
  costStep: 1,
})

/**
 * The least number of pieces that any plan of these cuts leaves undone, as some multipliers prove it: what is wanted is
 * worth so much, no piece more than one, and the sheets there are give at most so much of it. Whatever the multipliers
 * are, no plan leaves less undone.
 */
export const leastMissingBy = (problem: PaperProblem, { worth, scale }: Multipliers): number =>
  boundBy(withoutCost(problem), { worth: worth.map((one) => Math.min(one, scale)), scale })

/** Of each demand, in which order what is missing of it counts: of level 0 before level 1. */
export type Levels = readonly number[]

/** What is missing of each level. */
export const missingByLevel = ({ missing }: Pick<Cutting, 'missing'>, levels: Levels): readonly number[] => {
  const sums: number[] = levels.map(() => 0)
  missing.forEach((count, at) => {
    const level = levels[at] ?? 0
    sums[level] = (sums[level] ?? 0) + count
  })
  return sums
}

/** The program of a pool where pieces may be missing: of one level as few as can be, of those before it no more than `caps`. */
function programWith(
  problem: PaperProblem,
  patterns: readonly Pattern[],
  { levels, level, caps, whole }: Asked & { readonly whole: boolean },
): LinearProgram {
  const base = programOf(withoutCost(problem), patterns, whole)
  const rows = [...base.rows, ...caps.map((most) => ({ least: -Infinity, most }))]
  const missing = problem.demands.map(({ count }, at) => {
    const own = levels[at] ?? 0
    const capped = own < caps.length ? [[base.rows.length + own, 1] as const] : []
    return { cost: own === level ? 1 : 0, most: count, whole, in: [[at, 1] as const, ...capped] }
  })
  return { rows, columns: [...base.columns, ...missing] }
}

interface Asked {
  readonly levels: Levels
  readonly level: number
  /** The most that may be missing of each level before it. */
  readonly caps: readonly number[]
}

const columnsOf = (solved: Solved): readonly number[] | null => ('columns' in solved ? solved.columns : null)

/** The linear program over all patterns for one level: its patterns go into the pool. `null` where it was not solved. */
function relaxedMissing(
  problem: PaperProblem,
  pool: Pool,
  asked: Asked,
  solver: LinearSolver,
  { rounds, work }: Pick<Effort, 'rounds' | 'work'>,
) {
  const { demands, kinds } = problem
  const wanted = demands.map(({ count }) => count)
  const each = kinds.reduce((sum, kind) => kind.finders.reduce((all, finder) => all + finder.work, sum), 0)
  for (let round = 1; round <= rounds && round * each <= work; round++) {
    const solved = solver(programWith(problem, pool.all, { ...asked, whole: false }), SECONDS)
    if (solved.status !== 'optimal') return null
    const { duals, cost } = solved
    let found = false
    for (const kind of kinds) {
      const price = -(duals[demands.length + kind.stock] ?? 0)
      for (const finder of kind.finders) {
        const tables = finder.tables(duals)
        if ((tables.sheets[tables.sheets.length - 1] ?? 0) <= price + 1e-7) continue
        const strips = finder.strips(duals, tables)
        const counts = countsIn(strips, demands.length)
        const pattern = { stock: kind.stock, first: finder.sheet.first, strips, counts }
        found = pool.add(pattern) || found
        pool.add(withinWanted(pattern, wanted))
      }
    }
    if (!found) return { duals, cost, settled: kinds.every(({ searched }) => searched) }
  }
  return null
}

/** The longest one relaxed program may take. */
const SECONDS = 5

/**
 * A plan of a paper that there are too few sheets of: as little missing as can be found, of the first level first, then
 * at the least cost. With it the multipliers that say how little could be missing in all, where there is one level.
 * `null` where nothing was found.
 */
export function leastMissing(
  problem: PaperProblem,
  start: Cutting,
  levels: Levels,
  solver: LinearSolver,
  effort: Effort,
): { readonly cutting: Cutting; readonly multipliers: Multipliers | null } | null {
  const pool = new Pool([
    ...start.uses.map(({ pattern }) => pattern),
    ...problem.kinds.flatMap(({ ready }) => ready),
  ])
  const caps: number[] = []
  const last = levels.reduce((most, level) => Math.max(most, level), 0)
  let multipliers: Multipliers | null = null
  for (let level = 0; level <= last; level++) {
    const asked = { levels, level, caps }
    const linear = relaxedMissing(problem, pool, asked, solver, effort)
    if (last === 0 && linear) multipliers = multipliersOf(linear.duals, problem.demands)
    const least = leastOf(problem, pool, asked, solver, effort)
    if (least === null) return null
    caps.push(least)
    if (!linear || least <= Math.ceil(linear.cost - 1e-6)) continue
    // Every pattern that a plan with one piece less missing could use.
    const near = patternsWithin(
      withoutCost(problem),
      { ...linear, pool, bound: 0, multipliers: { worth: [], scale: 1 }, sheets: [], short: true },
      least - 1,
      effort,
    )
    if (!near) continue
    for (const pattern of near) pool.add(pattern)
    caps[level] = Math.min(least, leastOf(problem, pool, asked, solver, effort) ?? least)
  }
  const cutting = cheapest(problem, pool, { levels, level: last + 1, caps }, solver, effort)
  return cutting && { cutting, multipliers }
}

/** The least missing of one level over a pool, in whole sheets; `null` where the solver did not say. */
function leastOf(
  problem: PaperProblem,
  pool: Pool,
  asked: Asked,
  solver: LinearSolver,
  { seconds }: Effort,
): number | null {
  const patterns = pool.all
  const columns = columnsOf(solver(programWith(problem, patterns, { ...asked, whole: true }), seconds))
  if (!columns) return null
  return problem.demands.reduce(
    (sum, _, at) =>
      sum + ((asked.levels[at] ?? 0) === asked.level ? Math.round(columns[patterns.length + at] ?? 0) : 0),
    0,
  )
}

/** Of the plans of a pool with no more missing than `caps` the cheapest. */
function cheapest(
  problem: PaperProblem,
  pool: Pool,
  asked: Asked,
  solver: LinearSolver,
  { seconds }: Effort,
): Cutting | null {
  const patterns = pool.all
  const program = programWith(problem, patterns, { ...asked, whole: true })
  const costs = programOf(problem, patterns, true).columns
  const columns = columnsOf(
    solver(
      {
        ...program,
        columns: program.columns.map((column, at) => ({ ...column, cost: costs[at]?.cost ?? 0 })),
      },
      seconds,
    ),
  )
  if (!columns) return null
  return cuttingOf(problem, withoutIdle(problem, usesOf(patterns, columns.slice(0, patterns.length))))
}
