'use client'

import { useEffect, useRef, useState } from 'react'
import { GRAMMAGE_SPREAD, massOfG, sheetsByMass, type WeighedCount } from '@/core/paper'
import { StandInScale, type ScaleReading } from '@/devices/kitchen-scale'
import type { DeedResult } from '@/flows/deed'
import { parseFields } from '@/schema/field-errors'
import { weighFields } from '@/schema/paper'
import { plural } from '../format'
import { DeedButton } from '../forms/DeedButton'
import { Field } from '../forms/Field'

/** A size of sheets that can be weighed. */
export interface Weighable {
  readonly stockItemId: string
  readonly name: string
  readonly widthMm: number
  readonly heightMm: number
  readonly amount: number
}

interface WeighSheetsProps {
  readonly sizes: readonly Weighable[]
  readonly grammageGsm: number
  /** Whether the grammage is known; else it is taken from how the paper feels. */
  readonly grammageKnown: boolean
  readonly count: (input: { stockItemId: string; amount: string }, press: string) => Promise<DeedResult<null>>
}

/** Counts a stack by its mass, from a scale of one's own or from the one that stands in. */
export function WeighSheets({ sizes, grammageGsm, grammageKnown, count }: WeighSheetsProps) {
  const [sizeId, setSizeId] = useState(sizes[0]?.stockItemId ?? '')
  const [mass, setMass] = useState('')
  const [readsTo, setReadsTo] = useState('1')
  const size = sizes.find(({ stockItemId }) => stockItemId === sizeId) ?? sizes[0]
  if (!size) return null
  const parsed = parseFields(weighFields, { stockItemId: size.stockItemId, massG: mass, readsToG: readsTo })
  const weighed =
    parsed.ok &&
    sheetsByMass({
      ...parsed.value,
      widthMm: size.widthMm,
      heightMm: size.heightMm,
      grammageGsm,
      grammageSpread: grammageKnown ? GRAMMAGE_SPREAD.printed : GRAMMAGE_SPREAD.guessed,
    })
  const wrong = (name: string) => (mass.trim() === '' || parsed.ok ? undefined : parsed.fields[name])
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-start gap-3">
        <Field id="weigh-size" label="Which size">
          {(aria) => (
            <select
              {...aria}
              className="select w-48"
              value={size.stockItemId}
              onChange={(event) => setSizeId(event.target.value)}
            >
              {sizes.map(({ stockItemId, name }) => (
                <option key={stockItemId} value={stockItemId}>
                  {name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id="weigh-mass" label="The stack weighs (g)" error={wrong('massG')}>
          {(aria) => (
            <input
              {...aria}
              className="input w-32"
              value={mass}
              onChange={(event) => setMass(event.target.value)}
              autoComplete="off"
            />
          )}
        </Field>
        <Field id="weigh-step" label="Scale reads to (g)" error={wrong('readsToG')}>
          {(aria) => (
            <input
              {...aria}
              className="input w-28"
              value={readsTo}
              onChange={(event) => setReadsTo(event.target.value)}
              autoComplete="off"
            />
          )}
        </Field>
      </div>
      <div role="status">
        {weighed ? (
          <WeighedWords size={size} weighed={weighed} known={grammageKnown} gsm={grammageGsm} count={count} />
        ) : null}
      </div>
      <StandIn
        sheetG={massOfG(size.widthMm * size.heightMm, grammageGsm)}
        take={(massG, stepG) => {
          setMass(String(massG))
          setReadsTo(String(stepG))
        }}
      />
    </div>
  )
}

interface WeighedWordsProps {
  readonly size: Weighable
  readonly weighed: WeighedCount
  readonly known: boolean
  readonly gsm: number
  readonly count: WeighSheetsProps['count']
}

function WeighedWords({ size, weighed, known, gsm, count }: WeighedWordsProps) {
  const { sheets, least, most } = weighed
  if (least > most)
    return (
      <p className="note">No number of these sheets weighs that: look at the size and at the scale’s zero.</p>
    )
  return (
    <div className="note flex flex-col gap-2">
      <p>
        <span className="figure text-2xl">{plural(sheets, 'sheet')}</span>
        {least === most ? '' : `, between ${least} and ${most}`}{' '}
        <span className="second">
          at {gsm} g/m²{known ? '' : ', taken from how it feels,'} give or take
          {` ${100 * GRAMMAGE_SPREAD[known ? 'printed' : 'guessed']} %`}
        </span>
      </p>
      <DeedButton
        className="btn btn-primary btn-sm"
        act={(press) => count({ stockItemId: size.stockItemId, amount: String(sheets) }, press)}
      >
        Count {size.name} as {sheets}
      </DeedButton>
    </div>
  )
}

const READS_EVERY_MS = 250

interface StandInProps {
  readonly sheetG: number
  readonly take: (massG: number, readsToG: number) => void
}

/** A scale that is pretended, for who has none at hand: it errs as a real one does. */
function StandIn({ sheetG, take }: StandInProps) {
  const scale = useRef<StandInScale | null>(null)
  const [on, setOn] = useState(false)
  const [laid, setLaid] = useState('0')
  const [reading, setReading] = useState<ScaleReading | null>(null)
  useEffect(() => {
    if (!on) return undefined
    const timer = setInterval(
      () => setReading(scale.current?.read(performance.now()) ?? null),
      READS_EVERY_MS,
    )
    return () => clearInterval(timer)
  }, [on])
  const lay = (text: string) => {
    setLaid(text)
    const sheets = /^\d{1,5}$/.test(text.trim()) ? Number(text) : 0
    scale.current?.lay(sheets * sheetG, performance.now())
    // What it read before says nothing of what lies on it now.
    setReading(null)
  }
  if (!on)
    return (
      <p>
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          onClick={() => {
            scale.current = new StandInScale(Math.floor(performance.now()))
            setOn(true)
          }}
        >
          No scale at hand: try the stand-in
        </button>
      </p>
    )
  return (
    <div className="flex flex-wrap items-end gap-3 border-t hairline pt-3">
      <Field id="stand-in-sheets" label="Lay sheets on it">
        {(aria) => (
          <input
            {...aria}
            className="input w-28"
            inputMode="numeric"
            value={laid}
            onChange={(event) => lay(event.target.value)}
          />
        )}
      </Field>
      <p className="figure w-40 text-3xl" aria-label="The stand-in scale reads">
        {reading === null ? '' : `${reading.massG} g`}
      </p>
      <button
        type="button"
        className="btn btn-outline btn-sm"
        onClick={() => scale.current?.tare(performance.now())}
      >
        Zero
      </button>
      <button
        type="button"
        className="btn btn-outline btn-sm"
        disabled={reading?.steady !== true}
        onClick={() => {
          if (reading && scale.current) take(reading.massG, scale.current.readsToG)
        }}
      >
        Take this reading
      </button>
      <p className="second basis-full text-sm">
        A scale that Kelpfield makes up: its zero wanders, and it needs a moment to rest.
      </p>
    </div>
  )
}
