'use client'

import { useEffect, useState } from 'react'
import type { SweepPaper, SweepPoint } from '@/core/cut'
import { sheetFor } from '@/core/plan'
import { roundToRuler } from '@/core/units'
import { readGauges } from '@/schema/asked-size'
import { startSizeSweep } from '@/workers/size-sweep-client'
import { formatLength, lengthInput, plural, type Preferences } from '../format'
import { sweepPapers, tradesOf, type Asked } from './trade-off'

interface TradeOffProps extends Asked {
  readonly preferences: Preferences
  readonly take: (size: string) => void
}

/** Typing goes on for a moment; a size is tried when it rests. */
const REST_MS = 350
/** A fifth smaller and larger: beyond it is another piece. */
const SPAN = 0.2

function useSweep(papers: readonly SweepPaper[], sideMm: number, { ruler }: Preferences) {
  const request = JSON.stringify({
    papers,
    fromMm: sideMm * (1 - SPAN),
    toMm: sideMm * (1 + SPAN),
    ruler,
  })
  const [swept, setSwept] = useState<{ readonly of: string; readonly points: readonly SweepPoint[] } | null>(
    null,
  )
  const nothing = papers.length === 0
  useEffect(() => {
    if (nothing) return
    let cancel = () => {}
    const rest = setTimeout(() => {
      const sweep = startSizeSweep(JSON.parse(request) as Parameters<typeof startSizeSweep>[0], () => {})
      cancel = () => sweep.cancel()
      // Advice that cannot be had is left out; the plan does not hang on it.
      sweep.answer.then(
        (answer) => setSwept(answer.ok ? { of: request, points: answer.result.points } : null),
        () => setSwept(null),
      )
    }, REST_MS)
    return () => {
      clearTimeout(rest)
      cancel()
    }
  }, [nothing, request])
  return !nothing && swept?.of === request ? swept.points : null
}

/** The best advice there is about the size: what the same sheets could give, and what a little less would save. */
export function TradeOff(props: TradeOffProps) {
  const { line, design, preview, preferences, take } = props
  const sideMm = preview.sheetMm
  const points = useSweep(sweepPapers(props), sideMm, preferences)
  const trades = points && tradesOf(points, sideMm)
  if (!trades) return null
  const sizeAt = (mm: number): number | null => {
    if (line.sizing === 'sheet') return mm
    const gauges = readGauges(line.gauges, preferences.unit)
    const asked = { variantKey: line.variantKey, sizing: 'sheet' as const, axis: line.axis, mm, gauges }
    const { sizes } = sheetFor(design, asked, { ruler: preferences.ruler, sheets: [] })
    const finishedMm = sizes.find(({ axis }) => axis === line.axis)?.sizeMm
    // On the ruler, and never a hair more than the sheet gives.
    return finishedMm === undefined ? null : roundToRuler(finishedMm, preferences.ruler, 'down')
  }
  const { now, larger, smaller } = trades
  if (!larger && !smaller) return null
  return (
    <ul className="flex flex-col gap-2" aria-label={`Sizes near ${formatLength(sideMm, preferences)}`}>
      {larger ? (
        <Advice sizeMm={sizeAt(larger.sideMm)} take={take} preferences={preferences}>
          {`Larger still takes ${plural(now.sheets, 'sheet')}, before spares`}
        </Advice>
      ) : null}
      {smaller ? (
        <Advice sizeMm={sizeAt(smaller.sideMm)} take={take} preferences={preferences}>
          {`A little smaller: ${plural(now.sheets - smaller.sheets, 'sheet')} fewer of ${now.sheets}, before spares`}
        </Advice>
      ) : null}
    </ul>
  )
}

interface AdviceProps {
  readonly sizeMm: number | null
  readonly take: (size: string) => void
  readonly preferences: Preferences
  readonly children: string
}

/** A piece of advice with the button that takes it. */
function Advice({ sizeMm, take, preferences, children }: AdviceProps) {
  if (sizeMm === null) return null
  return (
    <li className="note flex flex-wrap items-center gap-x-4 gap-y-1">
      <span>{children}.</span>
      <button
        type="button"
        className="btn btn-sm btn-outline"
        onClick={() => take(lengthInput(sizeMm, preferences))}
      >
        Take {formatLength(sizeMm, preferences)}
      </button>
    </li>
  )
}
