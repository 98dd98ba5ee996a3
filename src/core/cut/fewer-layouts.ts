import { patternsWithin, usesOf, withoutIdle } from './closing'
import type { Effort } from './effort'
import { Pool, programOf, type Relaxed } from './column-generation'
import { cuttingOf, missingIn, type Cutting, type PaperProblem } from './paper-problem'
import type { Pattern } from './pattern'
import type { LinearProgram, LinearSolver } from './solver'

/** A layout less counts for more than any number of cuts of a plan that a person cuts. */
const LAYOUT = 1000

/** Cuts a pattern takes, about: one behind each strip, each part and each piece. */
const cutsIn = ({ strips }: Pattern): number =>
  strips.reduce(
    (sum, { parts }) =>
      sum + 1 + parts.reduce((all, { pieces }) => all + 1 + Math.max(0, pieces.length - 1), 0),
    0,
  )

/** Layouts to set up, then cuts by the stack: what is least at equal cost. */
const workOf = ({ tools }: PaperProblem, { uses }: Pick<Cutting, 'uses'>): number =>
  uses.reduce(
    (sum, { pattern, sheets }) =>
      sum + (pattern.ready ? 0 : LAYOUT + Math.ceil(sheets / tools.stackSheets) * cutsIn(pattern)),
    0,
  )

/** At no more cost, a plan of fewer layouts; `null` where none was found. */
export function fewerLayouts(
  { problem, cutting }: { readonly problem: PaperProblem; readonly cutting: Cutting },
  linear: Relaxed,
  solver: LinearSolver,
  effort: NonNullable<Effort['layouts']>,
): Cutting | null {
  if (cutting.uses.length < 2 || missingIn(cutting) > 0) return null
  const pool = new Pool(cutting.uses.map(({ pattern }) => pattern))
  const near =
    patternsWithin(problem, linear, cutting.cost, {
      places: effort.places,
      patterns: 20 * effort.patterns,
    }) ?? []
  for (const pattern of [...linear.pool.all, ...near].slice(0, effort.patterns)) pool.add(pattern)
  const patterns = pool.all
  const base = programOf(problem, patterns, true)
  const { demands, tools } = problem
  const rowOf = (index: number) => base.rows.length + 1 + index
  const mostOf = ({ counts, stock }: Pattern) =>
    Math.min(
      problem.kinds[stock]?.sheets.available ?? 0,
      counts.reduce(
        (most, count, at) =>
          count === 0 ? most : Math.max(most, Math.ceil((demands[at]?.count ?? 0) / count)),
        0,
      ),
    )
  const program: LinearProgram = {
    rows: [
      ...base.rows,
      { least: -Infinity, most: cutting.cost },
      ...patterns.map(() => ({ least: -Infinity, most: 0 })),
    ],
    columns: [
      ...base.columns.map((column, index) => ({
        ...column,
        most: Math.min(column.most, mostOf(patterns[index] as Pattern)),
        cost: cutsIn(patterns[index] as Pattern) / tools.stackSheets,
        in: [...column.in, [base.rows.length, column.cost] as const, [rowOf(index), 1] as const],
      })),
      ...patterns.map((pattern, index) => ({
        cost: pattern.ready ? 0 : LAYOUT,
        most: 1,
        whole: true,
        in: [[rowOf(index), -mostOf(pattern)] as const],
      })),
    ],
  }
  const solved = solver(program, effort.seconds)
  if (!('columns' in solved)) return null
  const uses = withoutIdle(problem, usesOf(patterns, solved.columns.slice(0, patterns.length)))
  const fewer = cuttingOf(problem, uses)
  const better = missingIn(fewer) === 0 && fewer.cost <= cutting.cost
  return better && workOf(problem, fewer) < workOf(problem, cutting) ? fewer : null
}
