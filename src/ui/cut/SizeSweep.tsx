'use client'

import { NOTHING_TO_SEE } from '@/core/numeric'
import { useEffect, useRef, useState } from 'react'
import {
  finishedSizes,
  variantOf,
  type DesignDocument,
  type FinishedSize,
  type GaugeSettings,
} from '@/core/design'
import { CoreError } from '@/core/errors'
import {
  nextSmallerSaving,
  type CutTools,
  type SweepPaper,
  type SweepPoint,
  type SweepProgress,
} from '@/core/cut'
import type { Running } from '@/workers/running'
import { startSizeSweep } from '@/workers/size-sweep-client'
import type { SweepAnswer } from '@/workers/size-sweep.worker'
import { formatExact, formatLength, plural, type Preferences } from '../format'
import { WorkGoing } from '../forms/WorkGoing'
import { figure } from '../table/cells'
import { DataTable, type TableColumn } from '../table/DataTable'
import { YieldChart } from './YieldChart'

/** A design as far as its sizes go, and the size that is asked of it; `null` where the sheet's own is. */
export interface FinishedOf {
  readonly design: DesignDocument
  readonly variantKey: string
  readonly gauges: GaugeSettings
  readonly axis: string | null
  readonly askedMm: number | null
}

function sizeAt({ design, variantKey, gauges, axis }: FinishedOf, sideMm: number): FinishedSize | null {
  try {
    const sizes = finishedSizes(design, variantOf(design, variantKey), sideMm, gauges)
    return sizes.find((size) => size.axis === axis) ?? sizes[0] ?? null
  } catch (error) {
    // A gauge that does not go with so small a sheet.
    if (error instanceof CoreError) return null
    throw error
  }
}

/** `4.9 to 5.2 cm edge to edge`. */
function sizeWords(of: FinishedOf, sideMm: number, preferences: Preferences): string {
  const size = sizeAt(of, sideMm)
  if (!size) return 'not with these gauges'
  const [low, high] = [formatLength(size.lowestMm, preferences), formatLength(size.highestMm, preferences)]
  return `${low === high ? low : `${low} to ${high}`} ${size.label}`
}

/** Whether the size that is asked for is still within what the design's gauges reach. */
function rangeWords(of: FinishedOf, sideMm: number, preferences: Preferences): string {
  const size = sizeAt(of, sideMm)
  const reached = `It comes out at ${sizeWords(of, sideMm, preferences)}`
  if (!size || of.askedMm === null) return `${reached}.`
  const within = of.askedMm >= size.lowestMm - NOTHING_TO_SEE && of.askedMm <= size.highestMm + NOTHING_TO_SEE
  const asked = formatLength(of.askedMm, preferences)
  return within ? `${reached}: ${asked} is still within it.` : `${reached}, not the ${asked} you asked for.`
}

interface SizeSweepProps {
  readonly papers: readonly SweepPaper[]
  readonly sideMm: number
  readonly tools: CutTools
  /** What comes of a sheet of a size. */
  readonly finished: FinishedOf
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
  { key: 'side', header: 'Cut up to' },
  { key: 'finished', header: 'Finished' },
  { key: 'sheets', header: 'Sheets', right: true },
]

const SPAN = 0.2

/** Other sizes of sheet and what they would take, worked out in a worker. */
export function SizeSweep({ papers, sideMm, tools, finished, preferences, part, what }: SizeSweepProps) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const running = useRef<Running<SweepAnswer> | null>(null)
  useEffect(() => () => running.current?.cancel(), [])
  const start = () => {
    setState({ kind: 'running', progress: null })
    const request = {
      papers,
      tools,
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
        <Cliffs {...{ sideMm, finished, preferences, part }} points={state.points} />
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
  finished,
  preferences,
  part,
}: { readonly points: readonly SweepPoint[] } & Omit<SizeSweepProps, 'papers' | 'tools' | 'what'>) {
  const saving = nextSmallerSaving(points, sideMm)
  const steps = cliffs(points)
  const here = points.filter((point) => point.sideMm <= sideMm + NOTHING_TO_SEE).at(-1)
  const saved = saving && here?.sheets ? here.sheets - (saving.sheets ?? 0) : 0
  return (
    <div role="status">
      <p className={saving ? 'note max-w-xl font-semibold' : ''}>
        {saving
          ? `${(sideMm - saving.sideMm).toFixed(2)} mm smaller, ${formatExact(saving.sideMm, preferences)}, saves ${plural(saved, 'sheet')}. ${rangeWords(finished, saving.sideMm, preferences)}`
          : 'No size down to a fifth less saves a sheet.'}
      </p>
      <YieldChart points={points} sideMm={sideMm} preferences={preferences} />
      <DataTable
        className="mt-3 w-auto"
        caption={`Largest sizes for a ${part} by whole sheets`}
        columns={SWEEP_COLUMNS}
        rows={steps.map((point) => ({
          id: String(point.sideMm),
          cells: {
            side: formatExact(point.sideMm, preferences),
            finished: sizeWords(finished, point.sideMm, preferences),
            sheets: figure(point.sheets ?? 0),
          },
        }))}
      />
    </div>
  )
}
