'use client'

import { useState } from 'react'
import type { AxisSize } from '@/core/design'
import type { DeedResult } from '@/flows/deed'
import { DeedButton } from '../forms/DeedButton'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

interface JudgeProofProps {
  readonly lineId: string
  readonly sizes: readonly AxisSize[]
  readonly unit: string
  readonly planned: string
  readonly accept: (input: { lineId: string; axis: string; measured: string }) => Promise<DeedResult<unknown>>
  readonly again: () => Promise<DeedResult<unknown>>
}

const stay = () => undefined

/** The proof piece is cut: fold it, measure it, and say whether the rest may follow. */
export function JudgeProof({ lineId, sizes, unit, planned, accept, again }: JudgeProofProps) {
  const [axis, setAxis] = useState(sizes[0]?.axis ?? '')
  const [measured, setMeasured] = useState('')
  const { fields, message, pending, submit } = useSubmit(accept, stay)
  return (
    <div className="flex flex-col gap-3">
      <p>Fold this one piece first. Planned: {planned}. Measure it if you like; it is kept with the log.</p>
      <FormMessage message={message} />
      <div className="flex flex-wrap items-end gap-3">
        <Field id={`axis-${lineId}`} label="Measured" error={fields['axis']}>
          {(aria) => (
            <select
              {...aria}
              className="select w-44"
              value={axis}
              onChange={(event) => setAxis(event.target.value)}
            >
              {sizes.map((size) => (
                <option key={size.axis} value={size.axis}>
                  {size.label}
                </option>
              ))}
            </select>
          )}
        </Field>
        <Field id={`measured-${lineId}`} label={`Came out at (${unit})`} error={fields['measured']}>
          {(aria) => (
            <input
              {...aria}
              className="input w-36"
              autoComplete="off"
              value={measured}
              onChange={(event) => setMeasured(event.target.value)}
            />
          )}
        </Field>
        <button
          type="button"
          className="btn btn-primary"
          disabled={pending}
          onClick={() => submit({ lineId, axis, measured })}
        >
          It is right: cut the rest
        </button>
        <DeedButton act={again} className="btn btn-ghost">
          Cut another proof piece
        </DeedButton>
      </div>
    </div>
  )
}
