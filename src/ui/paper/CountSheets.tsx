'use client'

import type { DeedResult } from '@/flows/deed'
import { countFields } from '@/schema/paper'
import { TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { onlyAtField, useDeedForm } from '../forms/useDeedForm'

interface CountSheetsProps {
  readonly stockItemId: string
  readonly amount: number
  readonly what: string
  readonly count: (input: { stockItemId: string; amount: string }, press: string) => Promise<DeedResult<null>>
}

/** Sets how many there really are. */
export function CountSheets({ stockItemId, amount, what, count }: CountSheetsProps) {
  const form = useDeedForm({
    schema: countFields,
    initial: { stockItemId, amount: String(amount) },
    act: count,
  })
  return (
    <Form form={onlyAtField(form, 'amount')} className="flex items-end gap-2">
      <TextField
        form={form}
        name="amount"
        id={`count-${stockItemId}`}
        label={`Counted, ${what}`}
        control="w-24"
        numeric
      />
      <button className="btn btn-outline" disabled={form.pending} aria-label={`Set the count of ${what}`}>
        Set
      </button>
    </Form>
  )
}
