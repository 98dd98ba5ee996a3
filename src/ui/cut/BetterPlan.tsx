'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import type { CutPlan, CutProblem } from '@/core/cut'
import type { DeedResult } from '@/flows/deed'
import { startCutPlan } from '@/workers/cut-plan-client'
import type { CutPlanAnswer, CutPlanProgress } from '@/workers/cut-plan.worker'
import type { Running } from '@/workers/running'
import { refusalWords } from '../format'
import { WorkGoing } from '../forms/WorkGoing'

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

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly progress: CutPlanProgress | null }
  | { readonly kind: 'done'; readonly kept: boolean }
  | { readonly kind: 'failed'; readonly says: string }

const NOT_LOOKED = 'A better plan could not be looked for.'

/** Looks for a plan with fewer sheets, then fewer layouts, beside the page; what is found is checked and kept by the server. */
export function BetterPlan({ planId, problem, atOnce, take }: BetterPlanProps) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const running = useRef<Running<CutPlanAnswer> | null>(null)
  const start = useCallback(() => {
    setState({ kind: 'running', progress: null })
    const search = startCutPlan(problem, (progress) => setState({ kind: 'running', progress }))
    running.current = search
    void search.answer
      .then(async (answer): Promise<State> => {
        if (!answer.ok) return { kind: 'failed', says: NOT_LOOKED }
        const { layouts, proofs = [] } = answer.plan
        const result = await take({
          planId,
          layouts,
          proofs: proofs.map(({ paperId, multipliers }) => ({ paperId, multipliers })),
        })
        return result.ok
          ? { kind: 'done', kept: result.value.kept }
          : { kind: 'failed', says: refusalWords(result) }
      })
      .catch((): State => ({ kind: 'failed', says: NOT_LOOKED }))
      .then((next) => {
        if (running.current === search) setState(next)
      })
  }, [planId, problem, take])
  const looked = useRef(false)
  useEffect(() => {
    // Once a page: what is then still open stays so.
    if (!atOnce || looked.current) return
    looked.current = true
    start()
  }, [atOnce, start])
  useEffect(() => () => running.current?.cancel(), [])
  const stop = () => {
    running.current?.cancel()
    running.current = null
    setState({ kind: 'idle' })
  }
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
          {state.kept ? 'A better plan was found and kept.' : 'None better was found.'}
        </span>
      ) : null}
      {state.kind === 'failed' ? <span role="alert">{state.says}</span> : null}
    </div>
  )
}
