'use client'

import type { z } from 'zod'
import { PACK_FORMS } from '@/core/paper'
import type { DeedResult } from '@/flows/deed'
import { packFields } from '@/schema/paper'
import { SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { partOf, useDeedForm } from '../forms/useDeedForm'
import type { Preferences } from '../format'
import { firstSize, SheetSize } from './SheetSize'

interface AddPackProps {
  readonly paperId: string
  readonly preferences: Preferences
  readonly save: (values: z.input<ReturnType<typeof packFields>>) => Promise<DeedResult<null>>
}

/** A pack that a paper is sold in: its sheets, its price, and how long it takes to come. */
export function AddPack({ paperId, preferences, save }: AddPackProps) {
  const first = firstSize(null, preferences)
  const form = useDeedForm({
    schema: packFields(preferences.unit),
    initial: { paperId, form: 'sheets', ...first.sides, sheets: '', price: '', leadDays: '2' },
    act: save,
  })
  return (
    <Form form={form} className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          form={form}
          name="form"
          id="pack-form"
          label="Sold as"
          hint="A roll: the sheets you cut off it."
          choices={Object.entries(PACK_FORMS).map(([key, { label }]) => [key, label])}
        />
        <TextField form={form} name="sheets" id="pack-sheets" label="Sheets in one" numeric />
        <SheetSize form={partOf(form)} prefix="pack-" initial={first.format} preferences={preferences} />
        <TextField form={form} name="price" id="pack-price" label={`Price (${preferences.currency})`} />
        <TextField form={form} name="leadDays" id="pack-days" label="Days until it is here" numeric />
      </div>
      <div>
        <button className="btn btn-primary" disabled={form.pending}>
          Keep this pack
        </button>
      </div>
    </Form>
  )
}
