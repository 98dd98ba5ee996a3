'use client'

import { useEffect, useId, useState } from 'react'
import type { CutTools } from '@/core/cut'
import { NOTHING_TO_SEE } from '@/core/numeric'
import { eveningsFor, sheetFor, type DialBatch, type DialStop, type DialTurn } from '@/core/plan'
import { roundToRuler } from '@/core/units'
import { readGauges } from '@/schema/asked-size'
import { daysOn } from '@/schema/days'
import { CERTAINTIES } from '@/schema/settings'
import { startTradeDial } from '@/workers/trade-dial-client'
import {
  formatCertainty,
  formatDay,
  formatDuration,
  formatLength,
  lengthInput,
  plural,
  todayIn,
  type Preferences,
} from '../format'
import { cliffsOf, dialBatch, tradesOf, type Asked } from './trade-dial'

/** What a line does not know of itself: the time of what else the project has, and of what is folded already. */
export interface DialTime {
  readonly eveningSeconds: number
  readonly otherSeconds: number
  readonly doneSeconds: number
  /** Days until its day; `null` where it has none. */
  readonly daysLeft: number | null
}

export interface Taken {
  readonly size?: string
  readonly certainty?: (typeof CERTAINTIES)[number]
  readonly pieces?: string
}

interface TradeDialProps extends Omit<Asked, 'ruler'> {
  readonly time: DialTime
  /** Whether the number of pieces is what is asked for, and does not follow from something else. */
  readonly counted: boolean
  readonly preferences: Preferences
  readonly tools: CutTools
  readonly take: (taken: Taken) => void
}

/** Typing goes on for a moment; a dial is turned when it rests. */
const REST_MS = 350

function useStops(batch: DialBatch | null, turn: DialTurn, tools: CutTools): readonly DialStop[] | null {
  const request = batch && JSON.stringify({ batch, turn, tools })
  const [turned, setTurned] = useState<{ readonly of: string; readonly stops: readonly DialStop[] } | null>(
    null,
  )
  useEffect(() => {
    if (request === null) return
    let cancel = () => {}
    const rest = setTimeout(() => {
      const dial = startTradeDial(JSON.parse(request) as Parameters<typeof startTradeDial>[0])
      cancel = () => dial.cancel()
      // Advice that cannot be had is left out; the plan does not hang on it.
      dial.answer.then(
        (answer) => setTurned({ of: request, stops: answer.ok ? answer.stops : [] }),
        () => setTurned({ of: request, stops: [] }),
      )
    }, REST_MS)
    return () => {
      clearTimeout(rest)
      cancel()
    }
  }, [request])
  return request !== null && turned?.of === request ? turned.stops : null
}

const TURN_WORDS: Readonly<Record<DialTurn, string>> = {
  size: 'Size',
  certainty: 'How sure',
  pieces: 'How many',
}

/** Size, sheets, hours, certainty and date, moved together; and the best advice there is about the size. */
export function TradeDial(props: TradeDialProps) {
  const { preferences, counted, tools } = props
  const [turn, setTurn] = useState<DialTurn>('size')
  const batch = dialBatch({ ...props, ruler: preferences.ruler })
  const sizes = useStops(batch, 'size', tools)
  const others = useStops(turn === 'size' ? null : batch, turn, tools)
  const stops = turn === 'size' ? sizes : others
  const name = useId()
  if (!batch) return null
  const turns = (Object.keys(TURN_WORDS) as DialTurn[]).filter((one) => one !== 'pieces' || counted)
  return (
    <div className="flex flex-col gap-2">
      {sizes ? <Advices {...props} stops={sizes} /> : null}
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="second">What may give</span>
        <span role="radiogroup" aria-label="What may give" className="flex gap-3">
          {turns.map((one) => (
            <label key={one} className="flex min-h-6 cursor-pointer items-center gap-1.5">
              <input
                type="radio"
                className="radio radio-xs"
                name={name}
                checked={turn === one}
                onChange={() => setTurn(one)}
              />
              {TURN_WORDS[one]}
            </label>
          ))}
        </span>
      </div>
      {stops && stops.length > 1 ? (
        // Another batch is another dial: it begins at what is asked for.
        <Dial
          key={JSON.stringify([turn, batch])}
          {...props}
          stops={stops}
          turn={turn}
          asked={askedStop(stops, turn, {
            ...batch,
            pieces:
              batch.papers.reduce((sum, paper) => sum + paper.pieces, 0) / Math.max(1, batch.unitsPerPiece),
          })}
        />
      ) : (
        <p className="second min-h-16" aria-live="polite">
          {stops === null ? 'Working out what each would take ...' : 'No other can be worked out here.'}
        </p>
      )}
    </div>
  )
}

/** Where the dial stands for what is asked for. */
function askedStop(
  stops: readonly DialStop[],
  turn: DialTurn,
  asked: Pick<DialStop, 'sideMm' | 'certainty' | 'pieces'>,
): number {
  const key = turn === 'size' ? 'sideMm' : turn
  const at = stops.findIndex((stop) => Math.abs(stop[key] - asked[key]) < NOTHING_TO_SEE)
  return Math.max(0, at)
}

/** The finished size that a side of sheet gives, as it is asked for; the side where that is. */
function sizeAt({ line, design, preferences }: TradeDialProps, sideMm: number): number {
  if (line.sizing === 'sheet') return sideMm
  const gauges = readGauges(line.gauges, preferences.unit)
  const asked = { variantKey: line.variantKey, sizing: 'sheet' as const, axis: line.axis, mm: sideMm, gauges }
  const { sizes } = sheetFor(design.document, asked, { ruler: preferences.ruler, sheets: [] })
  const finishedMm = sizes.find(({ axis }) => axis === line.axis)?.sizeMm ?? sideMm
  // On the ruler, and never a hair more than the sheet gives.
  return roundToRuler(finishedMm, preferences.ruler, 'down')
}

/** What one takes from a stop, and how it is said. */
function takenFrom(
  props: TradeDialProps,
  turn: DialTurn,
  stop: DialStop,
): { readonly taken: Taken; readonly says: string } {
  const { preferences } = props
  if (turn === 'certainty') {
    const certainty = CERTAINTIES.find((text) => Number(text) === stop.certainty)
    return {
      taken: certainty ? { certainty } : {},
      says: `${formatCertainty(stop.certainty)} sure`,
    }
  }
  if (turn === 'pieces') return { taken: { pieces: String(stop.pieces) }, says: String(stop.pieces) }
  const mm = sizeAt(props, stop.sideMm)
  return { taken: { size: lengthInput(mm, preferences) }, says: formatLength(mm, preferences) }
}

interface DialProps extends TradeDialProps {
  readonly stops: readonly DialStop[]
  readonly turn: DialTurn
  readonly asked: number
}

/** The dial itself: what stands at each of its stops, and a button that takes it. */
function Dial(props: DialProps) {
  const { stops, turn, asked, time, take, preferences } = props
  const [at, setAt] = useState(asked)
  const stop = stops[at]
  if (!stop) return null
  const { taken, says } = takenFrom(props, turn, stop)
  const size = formatLength(sizeAt(props, stop.sideMm), preferences)
  const comes = comesTo(stop, size, time, preferences)
  return (
    <div>
      <input
        type="range"
        className="range range-primary range-sm w-full"
        min={0}
        max={stops.length - 1}
        value={at}
        aria-label={`${TURN_WORDS[turn]}, and what follows`}
        aria-valuetext={comes.map(([label, value]) => `${label} ${value}`).join(', ')}
        onChange={(event) => setAt(Number(event.target.value))}
      />
      <div className="second relative h-6 text-sm" aria-hidden>
        {cliffsOf(stops, asked).map((cliff) => (
          <span
            key={cliff}
            className="absolute -translate-x-1/2 whitespace-nowrap"
            style={{ left: `${Math.min(94, Math.max(6, (100 * cliff) / (stops.length - 1)))}%` }}
          >
            {takenFrom(props, turn, stops[cliff] ?? stop).says}: {stops[cliff]?.sheets}
          </span>
        ))}
      </div>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
        <dl className="flex flex-wrap gap-x-6 gap-y-2" aria-live="polite">
          {comes.map(([label, value]) => (
            <div key={label}>
              <dt className="second text-sm">{label}</dt>
              <dd className="figure text-lg">{value}</dd>
            </div>
          ))}
        </dl>
        {at === asked || stop.sheets === null ? null : (
          <button type="button" className="btn btn-sm btn-outline" onClick={() => take(taken)}>
            Take {says}
          </button>
        )}
      </div>
    </div>
  )
}

type Figures = readonly (readonly [label: string, value: string])[]

/** Size, sheets, hours, certainty and date of a stop. */
function comesTo(stop: DialStop, size: string, time: DialTime, preferences: Preferences): Figures {
  const seconds = Math.max(0, stop.seconds - time.doneSeconds)
  const { evenings, days } = eveningsFor(seconds + time.otherSeconds, time.eveningSeconds)
  const ready = daysOn(todayIn(preferences), days)
  return [
    ['Size', size],
    ['Pieces', String(stop.pieces)],
    ['Sheets, with spares', stop.sheets === null ? 'none is that large' : String(stop.sheets)],
    [time.doneSeconds > 0 ? 'Folding left' : 'Folding', seconds === 0 ? 'none' : formatDuration(seconds)],
    ['Sure of enough', formatCertainty(stop.certainty)],
    [
      time.otherSeconds > 0 ? 'With the rest of it, folded by' : 'Folded by',
      `${formatDay(ready, preferences)}, ${plural(evenings, 'evening')}${spareWords(time.daysLeft, days)}`,
    ],
  ]
}

/** How it stands to its day. */
function spareWords(daysLeft: number | null, days: number): string {
  if (daysLeft === null) return ''
  if (daysLeft < days) return `, ${plural(days - daysLeft, 'day')} late`
  return daysLeft === days ? ', on its day' : `, ${plural(daysLeft - days, 'day')} to spare`
}

/** What the same sheets could give, and what a little less would save, each with a button that takes it. */
function Advices(props: TradeDialProps & { readonly stops: readonly DialStop[] }) {
  const { stops, preview, preferences, take } = props
  const trades = tradesOf(stops, preview.sheetMm)
  if (!trades || (!trades.larger && !trades.smaller)) return null
  const { now, larger, smaller } = trades
  const advice = [
    ...(larger ? [[larger, `Larger still takes ${plural(now.sheets, 'sheet')}`] as const] : []),
    ...(smaller
      ? [
          [
            smaller,
            `A little smaller: ${plural(now.sheets - smaller.sheets, 'sheet')} fewer of ${now.sheets}`,
          ] as const,
        ]
      : []),
  ]
  return (
    <ul
      className="grid gap-2 tablet:grid-cols-2"
      aria-label={`Sizes near ${formatLength(preview.sheetMm, preferences)}`}
    >
      {advice.map(([{ sideMm }, words]) => {
        const sizeMm = sizeAt(props, sideMm)
        return (
          <li key={words} className="note flex flex-wrap items-center gap-x-4 gap-y-1">
            <span>{words}.</span>
            <button
              type="button"
              className="btn btn-sm btn-outline"
              onClick={() => take({ size: lengthInput(sizeMm, preferences) })}
            >
              Take {formatLength(sizeMm, preferences)}
            </button>
          </li>
        )
      })}
    </ul>
  )
}
