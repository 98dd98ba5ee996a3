'use client'

import { useCallback, useEffect, useRef } from 'react'
import type { CutPlan, CutProblem } from '@/core/cut'
import type { DeedResult } from '@/flows/deed'
import { refusalWords } from '../format'
import { WorkGoing } from '../forms/WorkGoing'
import { usePlanSearch, type Judged } from './usePlanSearch'

interface FoundPlan {
  readonly planId: string
  readonly layouts: CutPlan['layouts']
  readonly proofs: readonly Pick<NonNullable<CutPlan['proofs']>[number], 'paperId' | 'multipliers'>[]
}

interface BetterPlanProps {
  readonly planId: string
  readonly problem: CutProblem
  /** Looks by itself as soon as the page is there: it is not proven yet that fewer sheets will not do. */
  readonly atOnce: boolean
  readonly take: (found: FoundPlan) => Promise<DeedResult<{ readonly kept: boolean }>>
}

const NOT_LOOKED = 'A better plan could not be looked for.'

/** Looks for a plan with fewer sheets, then fewer layouts, beside the page; what is found is checked and kept by the server. */
export function BetterPlan({ planId, problem, atOnce, take }: BetterPlanProps) {
  const judge = useCallback(
    async ({ layouts, proofs = [] }: CutPlan): Promise<Judged<boolean>> => {
      const result = await take({
        planId,
        layouts,
        proofs: proofs.map(({ paperId, multipliers }) => ({ paperId, multipliers })),
      })
      return result.ok ? { ok: true, result: result.value.kept } : { ok: false, says: refusalWords(result) }
    },
    [planId, take],
  )
  const { state, start, stop } = usePlanSearch(problem, judge, NOT_LOOKED)
  const looked = useRef(false)
  useEffect(() => {
    // Once a page: what is then still open stays so.
    if (!atOnce || looked.current) return
    looked.current = true
    start()
  }, [atOnce, start])
  if (state.kind === 'running')
    return (
      <WorkGoing
        says="Looking for fewer sheets and layouts …"
        label="Papers looked at"
        done={state.progress?.done ?? 0}
        total={state.progress?.papers ?? 1}
        stop={stop}
        stopWord="Stop"
      />
    )
  return (
    <div className="flex flex-wrap items-center gap-3">
      <button type="button" className="btn btn-outline btn-sm" onClick={start}>
        Look for fewer sheets and layouts
      </button>
      {state.kind === 'done' ? (
        <span role="status">
          {state.result ? 'A better plan was found and kept.' : 'None better was found.'}
        </span>
      ) : null}
      {state.kind === 'failed' ? <span role="alert">{state.says}</span> : null}
    </div>
  )
}
