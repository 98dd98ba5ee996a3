import { largest } from '../numeric'
import { countsIn, throughOf, type Pattern } from './pattern'
import { boundBy, multipliersOf } from './multipliers'
import type { Multipliers } from './types'
import type { Effort } from './effort'
import type { Cutting, PaperProblem } from './paper-problem'
import type { LinearProgram, LinearSolver } from './solver'

/** A pattern by what it gives, whatever lies where. */
export const nameOf = ({ stock, counts }: Pattern): string => `${stock} ${counts.join(' ')}`

/** Patterns known so far, each once. */
export class Pool {
  readonly #patterns = new Map<string, Pattern>()

  constructor(patterns: Iterable<Pattern>) {
    for (const pattern of patterns) this.add(pattern)
  }
  /** *Returns* whether it is new. */
  add(pattern: Pattern): boolean {
    const name = nameOf(pattern)
    if (this.#patterns.has(name)) return false
    this.#patterns.set(name, pattern)
    return true
  }
  get all(): readonly Pattern[] {
    return [...this.#patterns.values()]
  }
}

/** A pattern with no more of a piece than is wanted: what is over is left out, and the rest closes up. */
export function withinWanted(pattern: Pattern, wanted: readonly number[]): Pattern {
  if (pattern.counts.every((count, at) => count <= (wanted[at] ?? 0))) return pattern
  const left = [...wanted]
  const strips = pattern.strips.flatMap((strip) => {
    const parts = strip.parts.flatMap((part) => {
      const pieces = part.pieces.filter(({ demand }) => {
        const more = (left[demand] ?? 0) > 0
        if (more) left[demand] = (left[demand] ?? 0) - 1
        return more
      })
      return pieces.length === 0 ? [] : [{ alongUm: largest(pieces.map(({ alongUm }) => alongUm)), pieces }]
    })
    return parts.length === 0 ? [] : [{ throughUm: largest(parts.map(throughOf)), parts }]
  })
  return { ...pattern, strips, counts: countsIn(strips, wanted.length) }
}

/** Dearer than any plan: what a piece costs that cannot be had. */
const missingCost = ({ kinds }: PaperProblem): number =>
  1000 * kinds.reduce((most, { cost }) => Math.max(most, cost), 1)

/** The program of a pool: sheets of each pattern, so that all that is wanted is cut and no more taken than is there. */
export function programOf(
  { demands, kinds }: PaperProblem,
  patterns: readonly Pattern[],
  whole: boolean,
): LinearProgram {
  const rows = [
    ...demands.map(({ count }) => ({ least: count, most: Infinity })),
    ...kinds.map(({ sheets }) => ({ least: -Infinity, most: sheets.available })),
  ]
  return {
    rows,
    columns: patterns.map(({ stock, counts }) => ({
      cost: kinds[stock]?.cost ?? 0,
      most: kinds[stock]?.sheets.available ?? 0,
      whole,
      in: [
        ...counts.flatMap((count, at): (readonly [number, number])[] => (count === 0 ? [] : [[at, count]])),
        [demands.length + stock, 1] as const,
      ],
    })),
  }
}

/** What the linear program of all patterns comes to. */
export interface Relaxed {
  readonly pool: Pool
  /** Its cost, not rounded, and what no plan costs less than. */
  readonly cost: number
  readonly bound: number
  readonly multipliers: Multipliers
  readonly duals: readonly number[]
  /** Sheets of each pattern of the pool, not whole. */
  readonly sheets: readonly number[]
  /** Not even parts of sheets are enough. */
  readonly short: boolean
  /** Whether no other pattern would make it cheaper: only then are patterns ruled out by their worth. */
  readonly settled: boolean
}

/** Rounding of the solver: a pattern is new only if it is better by more. */
const WORTH_IT = 1e-7
const LP_SECONDS = 20

/**
 * The linear program over all patterns, solved with patterns found as they are needed (Gilmore and Gomory 1961). Yields
 * after each round, so that it can be left.
 */
export function* relaxed(
  problem: PaperProblem,
  start: Cutting,
  solver: LinearSolver,
  { rounds, work }: Pick<Effort, 'rounds' | 'work'>,
): Generator<undefined, Relaxed | null> {
  const { demands, kinds } = problem
  const wanted = demands.map(({ count }) => count)
  const pool = new Pool([...start.uses.map(({ pattern }) => pattern), ...kinds.flatMap(({ ready }) => ready)])
  const dear = missingCost(problem)
  const each = kinds.reduce((sum, kind) => kind.finders.reduce((all, finder) => all + finder.work, sum), 0)
  if (each > work) return null
  for (let round = 1; round <= rounds; round++) {
    yield
    const patterns = pool.all
    const program = programOf(problem, patterns, false)
    const lacking = demands.map((_, at) => ({
      cost: dear,
      most: Infinity,
      whole: false,
      in: [[at, 1]] as const,
    }))
    const solved = solver({ ...program, columns: [...program.columns, ...lacking] }, LP_SECONDS)
    if (solved.status !== 'optimal') return null
    const { duals, columns, cost } = solved
    let found = false
    for (const kind of kinds) {
      const price = kind.cost - (duals[demands.length + kind.stock] ?? 0)
      for (const finder of kind.finders) {
        const tables = finder.tables(duals)
        const value = tables.sheets[tables.sheets.length - 1] ?? 0
        if (value <= price + WORTH_IT * Math.max(1, price)) continue
        const strips = finder.strips(duals, tables)
        const pattern = {
          stock: kind.stock,
          first: finder.sheet.first,
          strips,
          counts: countsIn(strips, demands.length),
        }
        found = pool.add(pattern) || found
        pool.add(withinWanted(pattern, wanted))
      }
    }
    if (found && round < rounds && (round + 1) * each <= work) continue
    const multipliers = multipliersOf(duals, demands)
    const short = columns.slice(patterns.length).some((count) => count > WORTH_IT)
    return {
      pool,
      cost,
      multipliers,
      duals,
      sheets: columns.slice(0, patterns.length),
      short,
      settled: !found && kinds.every(({ searched }) => searched),
      bound: short ? 0 : boundBy(problem, multipliers),
    }
  }
  return null
}
