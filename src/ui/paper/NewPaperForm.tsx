'use client'

import type { z } from 'zod'
import type { DeedResult } from '@/flows/deed'
import { BLANK_PAPER, newPaperFields } from '@/schema/paper'
import { TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { More } from '../forms/More'
import { partOf, useDeedForm } from '../forms/useDeedForm'
import type { Preferences } from '../format'
import { UNKNOWN_COLOUR } from './colour-of-name'
import { PaperDetails, PaperFace, PaperFeel } from './PaperFields'
import { firstSize, SheetSize } from './SheetSize'

interface NewPaperFormProps {
  readonly preferences: Preferences
  readonly add: (
    values: z.input<ReturnType<typeof newPaperFields>>,
    press: string,
  ) => Promise<DeedResult<{ readonly paperId: string }>>
  /** Where the one who adds it was on the way to. */
  readonly then: 'project' | null
}

/** A paper new to the drawer, with the sheets one has of it: numbers can wait. */
export function NewPaperForm({ preferences, add, then }: NewPaperFormProps) {
  const first = firstSize(null, preferences)
  const form = useDeedForm({
    schema: newPaperFields(preferences.unit),
    initial: {
      ...BLANK_PAPER,
      frontColour: UNKNOWN_COLOUR,
      ...first.sides,
      amount: '',
    },
    act: add,
    onDone: ({ paperId }, router) => {
      if (then === null) router.push(`/papers/${paperId}`)
      else
        router.push(
          form.getValues('amount').trim() === '' ? `/papers/${paperId}?then=project#add` : '/projects/new',
        )
    },
  })
  const details = ['grammageGsm', 'caliperMm', 'toleranceMm', 'note']
  const wrong = details.some((name) => form.error(name) !== undefined)
  return (
    <Form form={form}>
      <PaperFace form={partOf(form)} colourFromName />
      <PaperFeel form={partOf(form)} />
      <fieldset className="grid grid-cols-2 gap-4">
        <legend className="mb-2 text-lg">What you have of it</legend>
        <TextField form={form} name="amount" label="How many sheets" hint="Can wait." numeric />
        <SheetSize form={partOf(form)} initial={first.format} preferences={preferences} />
      </fieldset>
      <More summary="Weight, thickness, surface, grain, pattern, a note" wrong={wrong}>
        <div className="flex flex-col gap-4">
          <PaperDetails form={partOf(form)} />
        </div>
      </More>
      <div>
        <button className="btn btn-primary" disabled={form.pending}>
          Add it to the drawer
        </button>
      </div>
    </Form>
  )
}
