'use client'

import { useState } from 'react'
import type { DeedResult } from '@/flows/deed'
import { useSubmit } from '../forms/useSubmit'
import { Field } from '../forms/Field'

interface CountSheetsProps {
  readonly stockItemId: string
  readonly amount: number
  readonly what: string
  readonly count: (input: { stockItemId: string; amount: string }, press: string) => Promise<DeedResult<null>>
}

const stay = () => undefined

/** Sets how many there really are. */
export function CountSheets({ stockItemId, amount, what, count }: CountSheetsProps) {
  const [text, setText] = useState(String(amount))
  const { fields, pending, submit } = useSubmit(count, stay)
  return (
    <form
      noValidate
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        submit({ stockItemId, amount: text })
      }}
    >
      <Field id={`count-${stockItemId}`} label={`Counted, ${what}`} error={fields['amount']}>
        {(aria) => (
          <input
            {...aria}
            className="input w-24"
            inputMode="numeric"
            autoComplete="off"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        )}
      </Field>
      <button className="btn btn-outline" disabled={pending} aria-label={`Set the count of ${what}`}>
        Set
      </button>
    </form>
  )
}
