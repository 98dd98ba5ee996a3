'use client'

import { useState } from 'react'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

/** A line as it can be handed over: how many are ready, and how many at most. */
export interface HandOverLine {
  readonly lineId: string
  readonly name: string
  readonly pieces: number
  readonly handedOver: number
  readonly ready: number
  readonly most: number
}

interface Typed {
  readonly note: string
  readonly pieces: readonly { readonly lineId: string; readonly pieces: string }[]
}

const stay = () => undefined

/** Hands pieces over, line by line, with a note of where they went. */
export function HandOver({
  lines,
  handOver,
}: {
  readonly lines: readonly HandOverLine[]
  readonly handOver: (input: Typed, press: string) => Promise<DeedResult<unknown>>
}) {
  const [typed, setTyped] = useState<Typed>({
    note: '',
    pieces: lines.map(({ lineId, ready }) => ({ lineId, pieces: String(ready) })),
  })
  const { fields, message, pending, submit } = useSubmit(handOver, stay)
  const setPieces = (at: number, pieces: string) =>
    setTyped({
      ...typed,
      pieces: typed.pieces.map((one, index) => (index === at ? { ...one, pieces } : one)),
    })
  return (
    <form
      className="flex max-w-xl flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        submit(typed)
      }}
    >
      <FormMessage message={message} />
      {lines.map(({ lineId, name, pieces, handedOver, most }, index) =>
        most === 0 ? null : (
          <Field
            key={lineId}
            id={`pieces.${index}.pieces`}
            label={`How many ${name} go now`}
            error={fields[`pieces.${index}.pieces`]}
            hint={`${most} folded and here; ${handedOver} of ${pieces} delivered so far.`}
          >
            {(aria) => (
              <input
                {...aria}
                className="input w-32"
                inputMode="numeric"
                autoComplete="off"
                value={typed.pieces[index]?.pieces ?? ''}
                onChange={(event) => setPieces(index, event.target.value)}
              />
            )}
          </Field>
        ),
      )}
      <Field
        id="note"
        label="Where to, if it helps"
        error={fields['note']}
        hint="Name no more of a person than you need."
      >
        {(aria) => (
          <input
            {...aria}
            className="input w-full"
            autoComplete="off"
            value={typed.note}
            onChange={(event) => setTyped({ ...typed, note: event.target.value })}
          />
        )}
      </Field>
      <div>
        <button className="btn btn-primary btn-lg" disabled={pending}>
          Hand over
        </button>
      </div>
    </form>
  )
}
