'use client'

import { useState } from 'react'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

interface TickCutProps {
  readonly id: string
  readonly sheets: number
  readonly what: string
  readonly tick: (sheets: string, press: string) => Promise<DeedResult<unknown>>
}

const stay = () => undefined

/** Ticks a layout off: all its sheets, or as many as were cut. */
export function TickCut({ id, sheets, what, tick }: TickCutProps) {
  const [count, setCount] = useState(String(sheets))
  const { fields, message, pending, submit } = useSubmit(tick, stay)
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit(count)
      }}
    >
      <Field id={id} label="Sheets cut" error={fields['sheets']}>
        {(aria) => (
          <input
            {...aria}
            className="input w-24"
            inputMode="numeric"
            autoComplete="off"
            value={count}
            onChange={(event) => setCount(event.target.value)}
          />
        )}
      </Field>
      <button className="btn btn-primary" disabled={pending} aria-label={`Tick off: ${what}`}>
        Tick off
      </button>
      <FormMessage message={message !== null && fields['sheets'] !== undefined ? null : message} />
    </form>
  )
}
