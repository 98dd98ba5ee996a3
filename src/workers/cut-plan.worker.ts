import { expose } from 'comlink'
import {
  asOnePlan,
  isClosed,
  papersOf,
  plannedPaper,
  type CutPlan,
  type CutProblem,
  type PaperPlan,
} from '@/core/cut'
import { CoreError } from '@/core/errors'
import { loadSolver } from '@/solvers/highs'

/** How far the search is: papers done of all, and how many of them are proven. */
export interface CutPlanProgress {
  readonly done: number
  readonly papers: number
  readonly proven: number
}

export type CutPlanAnswer =
  { readonly ok: true; readonly plan: CutPlan } | { readonly ok: false; readonly code: string }

/** Plans all papers to the end, the best that is found. Failures are returned: an error would lose its fields. */
async function planThoroughly(
  problem: CutProblem,
  tell: (progress: CutPlanProgress) => void,
): Promise<CutPlanAnswer> {
  try {
    const solver = await loadSolver()
    const papers = papersOf(problem)
    const plans: PaperPlan[] = []
    for (const [paperId, paper] of papers) {
      plans.push(plannedPaper(paper, paperId, solver))
      tell({ done: plans.length, papers: papers.length, proven: plans.filter(isClosed).length })
    }
    return { ok: true, plan: asOnePlan(problem, plans) }
  } catch (error) {
    if (error instanceof CoreError) return { ok: false, code: error.code }
    throw error
  }
}

export interface CutPlanWorker {
  planThoroughly: typeof planThoroughly
}

expose({ planThoroughly } satisfies CutPlanWorker)
