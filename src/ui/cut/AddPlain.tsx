'use client'

import type { z } from 'zod'
import type { DeedResult } from '@/flows/deed'
import { plainFields } from '@/schema/cut'
import { SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { useDeedForm } from '../forms/useDeedForm'
import type { Preferences } from '../format'

export type PlainTyped = z.input<ReturnType<typeof plainFields>>

interface AddPlainProps {
  readonly papers: readonly { readonly id: string; readonly name: string }[]
  readonly initial: PlainTyped
  readonly preferences: Preferences
  readonly add: (values: PlainTyped, press: string) => Promise<DeedResult<null>>
}

/** Asks for pieces that are cut and not folded. */
export function AddPlain({ papers, initial, preferences, add }: AddPlainProps) {
  const form = useDeedForm({
    schema: plainFields(preferences.unit),
    initial,
    act: add,
    onDone: () => form.reset({ ...initial, name: '', pieces: '' }),
  })
  const side = (what: string) => `${what} (${preferences.unit})`
  return (
    <Form form={form} className="mt-2 flex max-w-2xl flex-col gap-3">
      <div className="grid grid-cols-2 gap-3 tablet:grid-cols-4">
        <TextField form={form} name="name" id="plain-name" label="What it is" className="col-span-2" />
        <SelectField
          form={form}
          name="paperId"
          id="plain-paper"
          label="Of which paper"
          className="col-span-2"
          choices={papers.map(({ id, name }) => [id, name])}
        />
        <TextField form={form} name="width" id="plain-width" label={side('Width')} />
        <TextField form={form} name="height" id="plain-height" label={side('Height')} />
        <TextField form={form} name="pieces" id="plain-pieces" label="How many" numeric />
      </div>
      <div>
        <button className="btn btn-outline" disabled={form.pending}>
          Cut these too
        </button>
      </div>
    </Form>
  )
}
