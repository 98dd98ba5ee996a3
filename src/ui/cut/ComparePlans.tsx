'use client'

import { useCallback, useState } from 'react'
import { planFigures, USUAL_TOOLS, type CutPlan, type CutProblem, type PlanFigures } from '@/core/cut'
import { WorkGoing } from '../forms/WorkGoing'
import { DataTable } from '../table/DataTable'
import { FIGURE_COLUMNS, figureRow } from './figure-table'
import { usePlanSearch, type Judged } from './usePlanSearch'

interface ComparePlansProps {
  readonly problem: CutProblem
  readonly plan: CutPlan
}

const NAMES = { 2: 'Strips, then pieces', 3: 'Strips, parts, pieces' } as const

/** The plan beside one with the other kind of cuts: what simpler cutting costs, or what it saves to part the strips too. */
export function ComparePlans({ problem, plan }: ComparePlansProps) {
  const tools = problem.tools ?? USUAL_TOOLS
  const otherStages = tools.stages === 2 ? 3 : 2
  const [asked] = useState((): CutProblem => ({ ...problem, tools: { ...tools, stages: otherStages } }))
  const judge = useCallback(
    (other: CutPlan): Judged<PlanFigures> => ({ ok: true, result: planFigures(asked, other) }),
    [asked],
  )
  const { state, start, stop } = usePlanSearch(asked, judge, 'The other plan could not be made.')
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
          columns={FIGURE_COLUMNS}
          rows={[
            figureRow(`${NAMES[tools.stages]}: this plan`, planFigures(problem, plan)),
            figureRow(NAMES[otherStages], state.result),
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
      {state.kind === 'failed' ? <span role="alert">{state.says}</span> : null}
    </p>
  )
}
