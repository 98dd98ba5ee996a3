'use client'

import type { AxisSize } from '@/core/design'
import type { LengthUnit } from '@/core/units'
import type { DeedResult } from '@/flows/deed'
import { judgeFields } from '@/schema/cut'
import { DeedButton } from '../forms/DeedButton'
import { SelectField, TextField } from '../forms/fields'
import { FormMessage } from '../forms/FormMessage'
import { Form } from '../forms/Form'
import { useDeedForm } from '../forms/useDeedForm'

interface JudgeProofProps {
  readonly lineId: string
  readonly sizes: readonly AxisSize[]
  readonly unit: LengthUnit
  readonly planned: string
  readonly accept: (input: { lineId: string; axis: string; measured: string }) => Promise<DeedResult<unknown>>
  readonly again: () => Promise<DeedResult<unknown>>
}

/** The proof piece is cut: fold it, measure it, and say whether the rest may follow. */
export function JudgeProof({ lineId, sizes, unit, planned, accept, again }: JudgeProofProps) {
  const form = useDeedForm({
    schema: judgeFields(unit),
    initial: { lineId, axis: sizes[0]?.axis ?? '', measured: '' },
    act: accept,
  })
  return (
    <Form form={form} className="flex flex-col gap-3">
      <p>Fold this one piece first. Planned: {planned}. Measure it if you like; it is kept with the log.</p>
      <FormMessage message={form.message} />
      <div className="flex flex-wrap items-end gap-3">
        <SelectField
          form={form}
          name="axis"
          id={`axis-${lineId}`}
          label="Measured"
          choices={sizes.map(({ axis, label }) => [axis, label])}
          control="w-44"
        />
        <TextField
          form={form}
          name="measured"
          id={`measured-${lineId}`}
          label={`Came out at (${unit})`}
          control="w-36"
        />
        <button className="btn btn-primary" disabled={form.pending}>
          It is right: cut the rest
        </button>
        <DeedButton act={again} className="btn btn-ghost">
          Cut another proof piece
        </DeedButton>
      </div>
    </Form>
  )
}
