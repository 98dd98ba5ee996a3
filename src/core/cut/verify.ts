import { boundSheets } from './bound'
import { leastMissingBy } from './least-missing'
import { offcutsLeft } from './offcuts'
import { costIn, leastIn, paperProblem, USUAL_TOOLS } from './paper-problem'
import { boundBy } from './multipliers'
import {
  givenBy,
  wholeSheets,
  type CutLayout,
  type CutPlan,
  type CutProblem,
  type MissingPieces,
  type Multipliers,
  type PaperProof,
} from './types'

/** What is said to prove the bound of a paper. */
export interface ClaimedProof {
  readonly paperId: string
  readonly multipliers: Multipliers
  readonly missing?: { readonly multipliers: Multipliers }
}

/**
 * A plan made of layouts that somebody else found, with no more said of it than is worked out here: what it costs, the
 * bound that the multipliers named prove, or one that was known before. Layouts are named anew, each by its place: no
 * two alike, and what they leave is worked out. Whether they can be cut is `checkCutPlan`'s.
 */
export function verifiedPlan(
  problem: CutProblem,
  found: readonly Omit<CutLayout, 'id' | 'offcuts'>[],
  claimed: readonly ClaimedProof[],
  known: readonly PaperProof[],
): CutPlan {
  const { demands, tools = USUAL_TOOLS } = problem
  const layouts = found.map((layout, at): CutLayout => ({
    ...layout,
    id: String(at + 1),
    offcuts: offcutsLeft(layout, demands, tools),
  }))
  const papers = [...new Set(problem.demands.map(({ paperId }) => paperId))].sort()
  const proofs = papers.flatMap((paperId) => {
    const claim = claimed.find((one) => one.paperId === paperId)
    const before = known.find((one) => one.paperId === paperId)
    const paper = paperProblem(problem, paperId)
    const cost = costIn(problem, paperId, layouts)
    const fits = claim?.multipliers.worth.length === paper.demands.length
    const bound = claim && fits ? boundBy(paper, claim.multipliers) : -1
    const { least } = paper
    const short = claim?.missing ?? before?.missing
    const missing =
      short?.multipliers.worth.length === paper.demands.length
        ? { missing: { least: leastMissingBy(paper, short.multipliers), multipliers: short.multipliers } }
        : {}
    if (claim && bound > (before?.bound ?? -1))
      return [
        {
          paperId,
          least,
          cost,
          bound,
          by: 'multipliers' as const,
          multipliers: claim.multipliers,
          ...missing,
        },
      ]
    if (!before) return []
    const { missing: _, ...rest } = before
    return [{ ...rest, cost, ...missing }]
  })
  return statedPlan(problem, layouts, proofs)
}

/**
 * A plan from outside with nothing believed that it says of itself: bounds are what its multipliers prove, and what took
 * looking at all patterns is not proven until it is looked at again. Its layouts keep their names, which cuts refer to.
 */
export function unbelievedPlan(problem: CutProblem, { layouts, proofs = [] }: CutPlan): CutPlan {
  const { proofs: proven = [] } = verifiedPlan(problem, layouts, proofs, [])
  return statedPlan(problem, layouts, proven)
}

/** What layouts and the proofs of their papers come to. */
export function statedPlan(
  problem: CutProblem,
  layouts: readonly CutLayout[],
  proofs: readonly PaperProof[],
): CutPlan {
  const given = givenBy(layouts)
  const missing = problem.demands.flatMap(({ key, count }): readonly MissingPieces[] => {
    const lacking = count - (given.get(key) ?? 0)
    return lacking > 0 ? [{ demand: key, count: lacking }] : []
  })
  const made = { layouts, boundSheets: boundSheets(problem), proofs }
  if (missing.length > 0)
    return {
      ...made,
      status: 'short',
      missing,
      ...(leastOfAll(problem, missing, proofs) ? { sure: true } : {}),
    }
  const wanted = [...new Set(problem.demands.flatMap(({ paperId, count }) => (count > 0 ? [paperId] : [])))]
  const open = wanted.filter((paperId) => {
    const proof = proofs.find((one) => one.paperId === paperId)
    return (!proof || proof.cost > proof.bound) && !fewestByArea(problem, paperId, layouts)
  })
  if (open.length === 0) return { ...made, status: 'proven' }
  const sheets = open.reduce((sum, paperId) => sum + sheetsOver(problem, paperId, layouts, proofs), 0)
  return { ...made, status: 'within', sheets: Math.max(1, sheets) }
}

/** Whether of every paper that something is missing of no plan leaves fewer pieces undone. */
function leastOfAll(
  { demands }: CutProblem,
  missing: readonly MissingPieces[],
  proofs: readonly PaperProof[],
): boolean {
  const lacking = new Map<string, number>()
  for (const { demand, count } of missing) {
    const paperId = demands.find(({ key }) => key === demand)?.paperId ?? ''
    lacking.set(paperId, (lacking.get(paperId) ?? 0) + count)
  }
  return [...lacking].every(([paperId, count]) =>
    proofs.some(
      (proof) => proof.paperId === paperId && proof.missing !== undefined && proof.missing.least >= count,
    ),
  )
}

/** What a paper's layouts take, and its share of the problem. */
function ofPaper(problem: CutProblem, paperId: string, layouts: readonly CutLayout[]) {
  const stock = problem.stock.filter((one) => one.paperId === paperId)
  const demands = problem.demands.filter((demand) => demand.paperId === paperId)
  const own = layouts.filter(({ stockId }) => stock.some((one) => one.stockId === stockId))
  return { stock, demands, whole: wholeSheets(own, stock) }
}

/** Whether no fewer sheets could do, by their area alone: where sheets are what is to be least. */
function fewestByArea(problem: CutProblem, paperId: string, layouts: readonly CutLayout[]): boolean {
  const { stock, demands, whole } = ofPaper(problem, paperId, layouts)
  return leastIn(problem, paperId) === 'sheets' && whole <= boundSheets({ demands, stock })
}

/** Sheets that a paper's plan may take too many, at most. */
function sheetsOver(
  problem: CutProblem,
  paperId: string,
  layouts: readonly CutLayout[],
  proofs: readonly PaperProof[],
): number {
  const { stock, demands, whole } = ofPaper(problem, paperId, layouts)
  const proof = proofs.find((one) => one.paperId === paperId)
  if (!proof) return Math.max(1, whole - boundSheets({ demands, stock }))
  const { kinds } = paperProblem(problem, paperId)
  const dearest = kinds.reduce((most, { cost }) => Math.max(most, cost), 1)
  return Math.max(1, Math.min(whole, Math.ceil((proof.cost - proof.bound) / dearest)))
}

/**
 * Whether one plan of a problem is better than another: less missing, less cost, a bound nearer to it, fewer layouts. A
 * paper without a proof has none: its cost is worked out all the same.
 */
export function isBetterPlan(problem: CutProblem, a: CutPlan, b: CutPlan): boolean {
  const papers = [...new Set(problem.demands.map(({ paperId }) => paperId))]
  const missing = (plan: CutPlan) =>
    plan.status === 'short' ? plan.missing.reduce((sum, { count }) => sum + count, 0) : 0
  const cost = (plan: CutPlan) =>
    papers.reduce((sum, paperId) => sum + costIn(problem, paperId, plan.layouts), 0)
  const bound = ({ proofs = [] }: CutPlan) => proofs.reduce((sum, proof) => sum + proof.bound, 0)
  return (
    (missing(a) - missing(b) ||
      cost(a) - cost(b) ||
      bound(b) - bound(a) ||
      a.layouts.length - b.layouts.length) < 0
  )
}
