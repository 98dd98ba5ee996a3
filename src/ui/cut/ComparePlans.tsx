'use client'

import { useEffect, useRef, useState } from 'react'
import { planFigures, USUAL_TOOLS, type CutPlan, type CutProblem, type PlanFigures } from '@/core/cut'
import { startCutPlan } from '@/workers/cut-plan-client'
import type { CutPlanAnswer, CutPlanProgress } from '@/workers/cut-plan.worker'
import type { Running } from '@/workers/running'
import { sheetsText } from '../format'
import { WorkGoing } from '../forms/WorkGoing'
import { figure } from '../table/cells'
import { DataTable, type TableColumn } from '../table/DataTable'

interface ComparePlansProps {
  readonly problem: CutProblem
  readonly plan: CutPlan
}

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly progress: CutPlanProgress | null }
  | { readonly kind: 'done'; readonly other: PlanFigures }
  | { readonly kind: 'failed' }

const NAMES = { 2: 'Strips, then pieces', 3: 'Strips, parts, pieces' } as const

/** The plan beside one with the other kind of cuts: what simpler cutting costs, or what it saves to part the strips too. */
export function ComparePlans({ problem, plan }: ComparePlansProps) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const running = useRef<Running<CutPlanAnswer> | null>(null)
  useEffect(() => () => running.current?.cancel(), [])
  const tools = problem.tools ?? USUAL_TOOLS
  const otherStages = tools.stages === 2 ? 3 : 2
  const start = () => {
    setState({ kind: 'running', progress: null })
    const asked: CutProblem = { ...problem, tools: { ...tools, stages: otherStages } }
    const search = startCutPlan(asked, (progress) => setState({ kind: 'running', progress }))
    running.current = search
    search.answer
      .then(
        (answer): State =>
          answer.ok ? { kind: 'done', other: planFigures(asked, answer.plan) } : { kind: 'failed' },
        (): State => ({ kind: 'failed' }),
      )
      .then((next) => {
        if (running.current === search) setState(next)
      })
      .catch(() => undefined)
  }
  const stop = () => {
    running.current?.cancel()
    running.current = null
    setState({ kind: 'idle' })
  }
  if (state.kind === 'running')
    return (
      <WorkGoing
        says="Planning with other cuts …"
        label="Papers planned"
        done={state.progress?.done ?? 0}
        total={state.progress?.papers ?? 1}
        stop={stop}
        stopWord="Stop"
      />
    )
  if (state.kind === 'done')
    return (
      <div role="status">
        <DataTable
          className="w-auto"
          caption="This plan and one with other cuts"
          columns={COLUMNS}
          rows={[
            rowOf(`${NAMES[tools.stages]}: this plan`, planFigures(problem, plan)),
            rowOf(NAMES[otherStages], state.other),
          ]}
        />
        <p className="second mt-1">To cut the other way, choose it under “What you cut with”.</p>
      </div>
    )
  return (
    <p className="flex flex-wrap items-center gap-3">
      <button type="button" className="btn btn-outline btn-sm" onClick={start}>
        {otherStages === 2 ? 'Compare with simpler cutting' : 'Compare with cutting the strips further'}
      </button>
      {state.kind === 'failed' ? <span role="alert">The other plan could not be made.</span> : null}
    </p>
  )
}

const COLUMNS: readonly TableColumn[] = [
  { key: 'name', header: 'Cuts' },
  { key: 'sheets', header: 'Takes' },
  { key: 'layouts', header: 'Layouts', right: true },
  { key: 'cuts', header: 'Cuts in all', right: true },
  { key: 'settings', header: 'Distances to set', right: true },
  { key: 'rest', header: 'Largest rest (cm²)', right: true },
  { key: 'missing', header: 'Pieces missing', right: true },
]

const rowOf = (name: string, figures: PlanFigures) => ({
  id: name,
  cells: {
    name,
    sheets: sheetsText(figures.sheets, figures.offcuts),
    layouts: figure(figures.layouts),
    cuts: figure(figures.cuts),
    settings: figure(figures.settings),
    rest: figure(Math.round(figures.largestRestUm2 / 1e8)),
    missing: figure(figures.missing),
  },
})
