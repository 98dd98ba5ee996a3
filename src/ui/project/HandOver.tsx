'use client'

import { useState } from 'react'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

const stay = () => undefined

/** Hands the pieces over, with a line about where they went. */
export function HandOver({
  handOver,
}: {
  readonly handOver: (input: { note: string }, press: string) => Promise<DeedResult<unknown>>
}) {
  const [note, setNote] = useState('')
  const { fields, message, pending, submit } = useSubmit(handOver, stay)
  return (
    <form
      className="flex max-w-xl flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        submit({ note })
      }}
    >
      <FormMessage message={message} />
      <Field
        id="note"
        label="Where to, if it helps"
        error={fields['note']}
        hint="No more about a person than is needed."
      >
        {(aria) => (
          <input
            {...aria}
            className="input w-full"
            autoComplete="off"
            value={note}
            onChange={(event) => setNote(event.target.value)}
          />
        )}
      </Field>
      <div>
        <button className="btn btn-primary btn-lg" disabled={pending}>
          Handed over, now
        </button>
      </div>
    </form>
  )
}
