'use client'

import { useState } from 'react'
import type { Way } from '@/core/design'
import { TAP_GRAINS, TRAY_ORDERS } from '@/core/run'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

/** How a run is folded, as its form holds it. */
export interface HowFolded {
  readonly grain: string
  readonly order: string
  readonly traySize: string
  readonly hand: string
  readonly way: string
  readonly pieces: string
}

interface StartRunProps {
  readonly id: string
  readonly what: string
  readonly pieces: number
  readonly hand: 'right' | 'left'
  /** The ways the design can be folded. */
  readonly ways: readonly Way[]
  readonly start: (how: HowFolded, press: string) => Promise<DeedResult<{ readonly runId: string }>>
}

const WAY_WORDS: Readonly<Record<Way, string>> = {
  whole: 'every crease first',
  direct: 'directly, in the air',
  'from base': 'I have the base',
}

const GRAIN_WORDS: Readonly<Record<string, string>> = {
  fold: 'one tap a fold',
  stage: 'one tap a stage',
  piece: 'one tap a piece',
}

export const toRun = (
  { runId }: { readonly runId: string },
  router: { push: (href: string) => void },
): void => router.push(`/runs/${runId}`)

/** Starts a run: how many, trays, and what one tap stands for. */
export function StartRun({ id, what, pieces, hand, ways, start }: StartRunProps) {
  const [how, setHow] = useState<HowFolded>({
    grain: 'fold',
    order: 'piece by piece',
    traySize: String(Math.min(6, pieces)),
    hand,
    way: 'whole',
    pieces: String(pieces),
  })
  const { fields, message, pending, submit } = useSubmit(start, toRun)
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit(how)
      }}
    >
      <FormMessage message={message} />
      <div className="flex flex-wrap items-start justify-between gap-3">
        <details open={Object.keys(fields).length > 0 ? true : undefined} className="grow">
          <summary className="cursor-pointer py-2">
            {how.pieces} in trays of {how.traySize}, {GRAIN_WORDS[how.grain]}
          </summary>
          <div className="mt-2">
            <HowFields id={id} how={how} ways={ways} change={setHow} fields={fields} />
          </div>
        </details>
        <button className="btn btn-primary" disabled={pending} aria-label={`Start folding ${what}`}>
          Start folding
        </button>
      </div>
    </form>
  )
}

interface HowFieldsProps {
  readonly id: string
  readonly how: HowFolded
  readonly ways: readonly Way[]
  readonly change: (how: HowFolded) => void
  readonly fields: Readonly<Record<string, string>>
}

/** The fields every run has. */
export function HowFields({ id, how, ways, change, fields }: HowFieldsProps) {
  const set = (key: keyof HowFolded) => (event: { target: { value: string } }) =>
    change({ ...how, [key]: event.target.value })
  return (
    <div className="flex flex-wrap items-start gap-3">
      <Field id={`${id}-pieces`} label="How many" error={fields['pieces']}>
        {(aria) => (
          <input
            {...aria}
            className="input w-24"
            inputMode="numeric"
            autoComplete="off"
            value={how.pieces}
            onChange={set('pieces')}
          />
        )}
      </Field>
      <Field id={`${id}-tray`} label="In a tray" error={fields['traySize']}>
        {(aria) => (
          <input
            {...aria}
            className="input w-24"
            inputMode="numeric"
            autoComplete="off"
            value={how.traySize}
            onChange={set('traySize')}
          />
        )}
      </Field>
      <Field id={`${id}-grain`} label="Tap" error={fields['grain']}>
        {(aria) => (
          <select {...aria} className="select w-40" value={how.grain} onChange={set('grain')}>
            {TAP_GRAINS.map((grain) => (
              <option key={grain} value={grain}>
                {GRAIN_WORDS[grain]}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field id={`${id}-order`} label="Order" error={fields['order']}>
        {(aria) => (
          <select {...aria} className="select w-44" value={how.order} onChange={set('order')}>
            {TRAY_ORDERS.map((order) => (
              <option key={order}>{order}</option>
            ))}
          </select>
        )}
      </Field>
      {ways.length === 1 ? null : (
        <Field id={`${id}-way`} label="Way" error={fields['way']}>
          {(aria) => (
            <select {...aria} className="select w-48" value={how.way} onChange={set('way')}>
              {ways.map((way) => (
                <option key={way} value={way}>
                  {WAY_WORDS[way]}
                </option>
              ))}
            </select>
          )}
        </Field>
      )}
      <Field id={`${id}-hand`} label="Hand" error={fields['hand']}>
        {(aria) => (
          <select {...aria} className="select w-28" value={how.hand} onChange={set('hand')}>
            <option value="right">right</option>
            <option value="left">left</option>
          </select>
        )}
      </Field>
    </div>
  )
}
