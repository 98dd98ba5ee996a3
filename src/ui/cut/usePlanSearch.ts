'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { CutPlan, CutProblem } from '@/core/cut'
import { startCutPlan } from '@/workers/cut-plan-client'
import type { CutPlanAnswer, CutPlanProgress } from '@/workers/cut-plan.worker'
import type { Running } from '@/workers/running'

type SearchState<Result> =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly progress: CutPlanProgress | null }
  | { readonly kind: 'done'; readonly result: Result }
  | { readonly kind: 'failed'; readonly says: string }

/** What came of a plan that was found; or why nothing did, in words. */
export type Judged<Result> =
  { readonly ok: true; readonly result: Result } | { readonly ok: false; readonly says: string }

/**
 * A search for a plan in a worker beside the page: started, stopped, and what was made of the plan it found. It ends with
 * the page. `failedSays` is said where there is no plan.
 */
export function usePlanSearch<Result>(
  problem: CutProblem,
  judge: (plan: CutPlan) => Judged<Result> | Promise<Judged<Result>>,
  failedSays: string,
) {
  const [state, setState] = useState<SearchState<Result>>({ kind: 'idle' })
  const running = useRef<Running<CutPlanAnswer> | null>(null)
  const start = useCallback(() => {
    setState({ kind: 'running', progress: null })
    const search = startCutPlan(problem, (progress) => setState({ kind: 'running', progress }))
    running.current = search
    void search.answer
      .then(async (answer): Promise<SearchState<Result>> => {
        if (!answer.ok) return { kind: 'failed', says: failedSays }
        const judged = await judge(answer.plan)
        return judged.ok ? { kind: 'done', result: judged.result } : { kind: 'failed', says: judged.says }
      })
      .catch((): SearchState<Result> => ({ kind: 'failed', says: failedSays }))
      .then((next) => {
        if (running.current === search) setState(next)
      })
  }, [problem, judge, failedSays])
  useEffect(() => () => running.current?.cancel(), [])
  const stop = () => {
    running.current?.cancel()
    running.current = null
    setState({ kind: 'idle' })
  }
  return { state, start, stop }
}
