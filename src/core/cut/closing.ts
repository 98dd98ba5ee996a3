import { PatternSearch, type SearchLimit } from './all-patterns'
import { programOf, withinWanted, type Relaxed } from './column-generation'
import { cuttingOf, missingIn, type Cutting, type PaperProblem } from './paper-problem'
import type { Pattern } from './pattern'
import { cutInShelves } from './shelves'
import type { LinearProgram, LinearSolver } from './solver'

/** Uses of patterns as a solution counts them. */
export const usesOf = (patterns: readonly Pattern[], sheets: readonly number[]): Cutting['uses'] =>
  patterns.flatMap((pattern, index) => {
    const count = Math.round(sheets[index] ?? 0)
    return count > 0 ? [{ pattern, sheets: count }] : []
  })

/** Leaves out sheets that nothing wanted needs, the dearest first. */
export function withoutIdle(problem: PaperProblem, uses: Cutting['uses']): Cutting['uses'] {
  let kept = uses
  const costOf = ({ pattern }: Cutting['uses'][number]) => problem.kinds[pattern.stock]?.cost ?? 0
  for (const use of uses.toSorted((a, b) => costOf(b) - costOf(a)))
    for (let sheets = use.sheets; sheets > 0; sheets--) {
      const fewer = kept.flatMap((one) =>
        one.pattern !== use.pattern ? [one] : one.sheets > 1 ? [{ ...one, sheets: one.sheets - 1 }] : [],
      )
      if (missingIn(cuttingOf(problem, fewer)) > missingIn(cuttingOf(problem, kept))) break
      kept = fewer
    }
  return kept
}

/** The relaxed plan rounded down, and what is then still wanted cut anew. */
export function roundedDown(problem: PaperProblem, { pool, sheets }: Relaxed): Cutting {
  const patterns = pool.all
  const uses = usesOf(
    patterns,
    sheets.map((count) => Math.floor(count + 1e-6)),
  )
  const sofar = cuttingOf(problem, uses)
  const taken = (stock: number) =>
    uses.filter(({ pattern }) => pattern.stock === stock).reduce((sum, one) => sum + one.sheets, 0)
  const rest: PaperProblem = {
    ...problem,
    demands: problem.demands.map((demand, at) => ({ ...demand, count: sofar.missing[at] ?? 0 })),
    kinds: problem.kinds.map((kind) => ({
      ...kind,
      sheets: { ...kind.sheets, available: kind.sheets.available - taken(kind.stock) },
    })),
  }
  const more = cutInShelves(rest).uses
  return cuttingOf(problem, withoutIdle(problem, merged([...uses, ...more])))
}

/** The same pattern twice is one. */
export function merged(uses: Cutting['uses']): Cutting['uses'] {
  const counted = new Map<Pattern, number>()
  for (const { pattern, sheets } of uses) counted.set(pattern, (counted.get(pattern) ?? 0) + sheets)
  return [...counted].map(([pattern, sheets]) => ({ pattern, sheets }))
}

/** The best whole plan of some patterns that costs at most so much. */
export function bestOf(
  problem: PaperProblem,
  patterns: readonly Pattern[],
  most: number,
  solver: LinearSolver,
  seconds: number,
): { readonly cutting: Cutting | null; readonly none: boolean } {
  // Nothing can be cut by no patterns.
  if (patterns.length === 0) return { cutting: null, none: true }
  const program = programOf(problem, patterns, true)
  const within: LinearProgram = {
    rows: [...program.rows, { least: -Infinity, most }],
    columns: program.columns.map((column) => ({
      ...column,
      in: column.cost === 0 ? column.in : [...column.in, [program.rows.length, column.cost] as const],
    })),
  }
  const solved = solver(within, seconds)
  if (!('columns' in solved)) return { cutting: null, none: solved.status === 'impossible' }
  const cutting = cuttingOf(problem, withoutIdle(problem, usesOf(patterns, solved.columns)))
  return { cutting: missingIn(cutting) === 0 ? cutting : null, none: false }
}

/**
 * Every pattern that a plan of at most so much cost can use: its cost is within what is left between the relaxed cost
 * and that of what its pieces are worth. `null` where there are too many.
 */
export function patternsWithin(
  problem: PaperProblem,
  { duals, cost, settled }: Relaxed,
  most: number,
  { places, patterns }: { readonly places: number; readonly patterns: number },
): readonly Pattern[] | null {
  if (!settled) return null
  const { demands, kinds } = problem
  const wanted = demands.map(({ count }) => count)
  const values = demands.map((_, at) => Math.max(0, duals[at] ?? 0))
  const slack = most - cost + 1e-6 * Math.max(1, most)
  const limit: SearchLimit = { left: places }
  const found: Pattern[] = []
  for (const kind of kinds) {
    const price = kind.cost - (duals[demands.length + kind.stock] ?? 0)
    for (const pattern of kind.ready) found.push(pattern)
    for (const finder of kind.finders) {
      const all = new PatternSearch(finder, values, wanted, limit).all(kind.stock, price - slack)
      if (!all) return null
      for (const pattern of all) found.push(withinWanted(pattern, wanted))
      if (found.length > patterns) return null
    }
  }
  return undominated(found)
}

/** Without patterns that give no more of anything than another of the same stock. */
function undominated(patterns: readonly Pattern[]): readonly Pattern[] {
  if (patterns.length > 3000) return patterns
  const size = ({ counts }: Pattern) => counts.reduce((sum, count) => sum + count, 0)
  const kept: Pattern[] = []
  for (const one of patterns.toSorted((a, b) => size(b) - size(a)))
    if (
      !kept.some(
        (other) =>
          other.stock === one.stock && one.counts.every((count, at) => count <= (other.counts[at] ?? 0)),
      )
    )
      kept.push(one)
  return kept
}
