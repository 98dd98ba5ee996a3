'use client'

import type { z } from 'zod'
import type { DeedResult } from '@/flows/deed'
import { deliveryFields } from '@/schema/delivery'
import { TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { useDeedForm } from '../forms/useDeedForm'

/** A line as it can be handed over: how many are ready, and how many at most. */
export interface HandOverLine {
  readonly lineId: string
  readonly name: string
  readonly pieces: number
  readonly handedOver: number
  readonly ready: number
  readonly most: number
}

/** Hands pieces over, line by line, with a note of where they went. */
export function HandOver({
  lines,
  handOver,
}: {
  readonly lines: readonly HandOverLine[]
  readonly handOver: (input: z.input<typeof deliveryFields>, press: string) => Promise<DeedResult<unknown>>
}) {
  const form = useDeedForm({
    schema: deliveryFields,
    initial: { note: '', pieces: lines.map(({ lineId, ready }) => ({ lineId, pieces: String(ready) })) },
    act: handOver,
  })
  return (
    <Form form={form} className="flex max-w-xl flex-col gap-4">
      {lines.map(({ lineId, name, pieces, handedOver, most }, index) =>
        most === 0 ? null : (
          <TextField
            key={lineId}
            form={form}
            name={`pieces.${index}.pieces`}
            label={`How many ${name} go now`}
            hint={`${most} folded and here; ${handedOver} of ${pieces} delivered so far.`}
            control="w-32"
            numeric
          />
        ),
      )}
      <TextField
        form={form}
        name="note"
        label="Where to, if it helps"
        hint="Name no more of a person than you need."
      />
      <div>
        <button className="btn btn-primary btn-lg" disabled={form.pending}>
          Hand over
        </button>
      </div>
    </Form>
  )
}
