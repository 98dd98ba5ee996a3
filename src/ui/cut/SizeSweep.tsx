'use client'

import { NOTHING_TO_SEE } from '@/core/numeric'
import { useEffect, useRef, useState } from 'react'
import { nextSmallerSaving, type SweepPaper, type SweepPoint, type SweepProgress } from '@/core/cut'
import type { Running } from '@/workers/running'
import { startSizeSweep } from '@/workers/size-sweep-client'
import type { SweepAnswer } from '@/workers/size-sweep.worker'
import { formatExact, plural, type Preferences } from '../format'
import { WorkGoing } from '../forms/WorkGoing'
import { figure } from '../table/cells'
import { DataTable, type TableColumn } from '../table/DataTable'
import { YieldChart } from './YieldChart'

interface SizeSweepProps {
  readonly papers: readonly SweepPaper[]
  readonly sideMm: number
  readonly preferences: Preferences
  readonly part: string
  /** The line as it is planned now. */
  readonly what: string
}

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly progress: SweepProgress | null }
  | { readonly kind: 'done'; readonly points: readonly SweepPoint[] }
  | { readonly kind: 'failed' }

const SWEEP_COLUMNS: readonly TableColumn[] = [
  { key: 'side', header: 'Squares up to' },
  { key: 'sheets', header: 'Sheets', right: true },
]

const SPAN = 0.2

/** Other sizes of sheet and what they would take, worked out in a worker. */
export function SizeSweep({ papers, sideMm, preferences, part, what }: SizeSweepProps) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const running = useRef<Running<SweepAnswer> | null>(null)
  useEffect(() => () => running.current?.cancel(), [])
  const start = () => {
    setState({ kind: 'running', progress: null })
    const request = {
      papers,
      fromMm: Math.max(1, sideMm * (1 - SPAN)),
      toMm: sideMm * (1 + SPAN),
      ruler: preferences.ruler,
    }
    const sweep = startSizeSweep(request, (progress) => setState({ kind: 'running', progress }))
    running.current = sweep
    sweep.answer.then(
      (answer) => setState(answer.ok ? { kind: 'done', points: answer.result.points } : { kind: 'failed' }),
      () => setState({ kind: 'failed' }),
    )
  }
  const cancel = () => {
    running.current?.cancel()
    setState({ kind: 'idle' })
  }
  return (
    <div>
      <p className="flex flex-wrap items-center justify-between gap-3">
        {what}
        {state.kind === 'idle' ? (
          <button
            type="button"
            className="btn btn-sm btn-outline"
            onClick={start}
            aria-label={`Try other sizes: ${what}`}
          >
            Try other sizes
          </button>
        ) : null}
      </p>
      {state.kind === 'running' ? (
        <WorkGoing
          label="Sizes tried"
          done={state.progress?.done ?? 0}
          total={state.progress?.total ?? 1}
          stop={cancel}
        />
      ) : null}
      {state.kind === 'failed' ? (
        <p role="alert">
          The sizes could not be tried.{' '}
          <button type="button" className="underline" onClick={start}>
            Try again
          </button>
        </p>
      ) : null}
      {state.kind === 'done' ? (
        <Cliffs points={state.points} sideMm={sideMm} preferences={preferences} part={part} />
      ) : null}
    </div>
  )
}

/** The steps of the curve: each largest size that takes so many sheets. */
function cliffs(points: readonly SweepPoint[]): readonly SweepPoint[] {
  return points.filter((point, index) => point.sheets !== null && points[index + 1]?.sheets !== point.sheets)
}

function Cliffs({
  points,
  sideMm,
  preferences,
  part,
}: { readonly points: readonly SweepPoint[] } & Omit<SizeSweepProps, 'papers' | 'what'>) {
  const saving = nextSmallerSaving(points, sideMm)
  const steps = cliffs(points)
  const here = points.filter((point) => point.sideMm <= sideMm + NOTHING_TO_SEE).at(-1)
  const saved = saving && here?.sheets ? here.sheets - (saving.sheets ?? 0) : 0
  return (
    <div role="status">
      <p className={saving ? 'note max-w-xl font-semibold' : ''}>
        {saving
          ? `${(sideMm - saving.sideMm).toFixed(2)} mm smaller, ${formatExact(saving.sideMm, preferences)}, saves ${plural(saved, 'sheet')}.`
          : 'No size down to a fifth less saves a sheet.'}
      </p>
      <YieldChart points={points} sideMm={sideMm} preferences={preferences} />
      <DataTable
        className="mt-3 w-auto"
        caption={`Largest squares for a ${part} by whole sheets`}
        columns={SWEEP_COLUMNS}
        rows={steps.map((point) => ({
          id: String(point.sideMm),
          cells: { side: formatExact(point.sideMm, preferences), sheets: figure(point.sheets ?? 0) },
        }))}
      />
    </div>
  )
}
