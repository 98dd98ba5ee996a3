'use client'

import type { DeedResult } from '@/flows/deed'
import { TAKEN_BECAUSE, takeFields } from '@/schema/paper'
import { SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { FormMessage } from '../forms/FormMessage'
import { SaveButton } from '../forms/SaveButton'
import { useDeedForm } from '../forms/useDeedForm'

interface Taken {
  readonly stockItemId: string
  readonly amount: string
  readonly kind: (typeof TAKEN_BECAUSE)[number]
  readonly note: string
}

interface TakeSheetsProps {
  /** Sizes there are some of: id and what it is called. */
  readonly sizes: readonly (readonly [stockItemId: string, name: string])[]
  readonly take: (input: Taken, press: string) => Promise<DeedResult<null>>
}

/** Takes sheets out of the drawer that were spoiled or given away. */
export function TakeSheets({ sizes, take }: TakeSheetsProps) {
  const form = useDeedForm({
    schema: takeFields,
    initial: { stockItemId: sizes[0]?.[0] ?? '', amount: '', kind: 'spoiled' as const, note: '' },
    act: take,
  })
  return (
    <Form form={form} className="flex flex-col gap-3">
      <FormMessage message={form.message} />
      <div className="flex flex-wrap items-start gap-3">
        <SelectField
          form={form}
          name="stockItemId"
          id="take-size"
          label="Which size"
          choices={sizes}
          control="w-48"
        />
        <TextField form={form} name="amount" id="take-amount" label="How many go" control="w-24" numeric />
        <SelectField
          form={form}
          name="kind"
          id="take-kind"
          label="Why"
          choices={TAKEN_BECAUSE.map((one) => [one, one])}
          control="w-36"
        />
        <TextField form={form} name="note" id="take-note" label="Note" control="w-52" />
      </div>
      <div>
        <SaveButton deed="Take out" form={form} />
      </div>
    </Form>
  )
}
