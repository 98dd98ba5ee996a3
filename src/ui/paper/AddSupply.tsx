'use client'

import { useWatch } from 'react-hook-form'
import type { z } from 'zod'
import type { DeedResult } from '@/flows/deed'
import { supplyFields, TOLD_BY } from '@/schema/supply'
import { namedSo, SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { useDeedForm } from '../forms/useDeedForm'
import type { Preferences } from '../format'

interface AddSupplyProps {
  readonly unit: Preferences['unit']
  readonly add: (
    values: z.input<ReturnType<typeof supplyFields>>,
    press: string,
  ) => Promise<DeedResult<{ readonly supplyId: string }>>
}

/** A thing that is kept beside the papers. */
export function AddSupply({ unit, add }: AddSupplyProps) {
  const form = useDeedForm({
    schema: supplyFields(unit),
    initial: { name: '', told: 'counted', each: '', amount: '', note: '' },
    act: add,
  })
  const told = useWatch({ control: form.control, name: 'told' })
  return (
    <Form form={form}>
      <TextField form={form} name="name" label="Name" hint="As one: stem, string, card, pin." />
      <SelectField form={form} name="told" label="It is" choices={namedSo(TOLD_BY)} />
      {told === 'counted' ? (
        <TextField form={form} name="each" label={`One is long (${unit})`} hint="Where that matters." />
      ) : null}
      <TextField
        form={form}
        name="amount"
        label={told === 'counted' ? 'How many there are' : `How much there is (${unit})`}
        hint="Can wait."
      />
      <TextField form={form} name="note" label="Note" />
      <div>
        <button className="btn btn-primary" disabled={form.pending}>
          Keep it
        </button>
      </div>
    </Form>
  )
}
