'use client'

import type { z } from 'zod'
import type { DeedResult } from '@/flows/deed'
import { NOMINAL_NAMES } from '@/core/units'
import { sheetsFields } from '@/schema/paper'
import { CheckField, namedSo, SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { partOf, useDeedForm } from '../forms/useDeedForm'
import type { Preferences } from '../format'
import { firstSize, SheetSize } from './SheetSize'

interface AddSheetsProps {
  readonly paperId: string
  readonly preferences: Preferences
  readonly add: (values: z.input<ReturnType<typeof sheetsFields>>, press: string) => Promise<DeedResult<null>>
  /** What a project is short of: how many, of what size. */
  readonly wanted?: {
    readonly sheets: number | null
    readonly size: { readonly widthMm: number; readonly heightMm: number } | null
  }
}

/** Puts sheets into the drawer: a size by name or by its sides, and how many. */
export function AddSheets({ paperId, preferences, add, wanted }: AddSheetsProps) {
  const first = firstSize(wanted?.size ?? null, preferences)
  const form = useDeedForm({
    schema: sheetsFields(preferences.unit),
    initial: {
      paperId,
      ...first.sides,
      offcut: false,
      amount: wanted?.sheets == null ? '' : String(wanted.sheets),
      price: '',
      soldAs: '',
    },
    act: add,
    onDone: () => form.setValue('amount', ''),
  })
  return (
    <Form form={form} className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-3">
        <TextField form={form} name="amount" label="How many sheets" numeric />
        <SheetSize form={partOf(form)} initial={first.format} preferences={preferences} />
        <TextField form={form} name="price" label={`Price a sheet (${preferences.currency})`} />
        <SelectField
          form={form}
          name="soldAs"
          label="Sold as"
          choices={[['', 'its size'], ...namedSo(NOMINAL_NAMES)]}
        />
        <CheckField form={form} name="offcut" label="offcuts" className="mt-7" />
      </div>
      <div>
        <button className="btn btn-primary" disabled={form.pending}>
          Put them in
        </button>
      </div>
    </Form>
  )
}
