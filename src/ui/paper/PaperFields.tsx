'use client'

import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import type { z } from 'zod'
import { FEELS, GRAINS, PATTERNS, TEXTURES } from '@/core/paper'
import { TURNING, type paperFields } from '@/schema/paper'
import { namedSo, SelectField, TextField } from '../forms/fields'
import type { FormOf } from '../forms/useDeedForm'
import { colourOfName } from './colour-of-name'
import { Swatch } from './Swatch'

export type PaperTyped = z.input<typeof paperFields>

interface PaperFaceProps {
  readonly form: FormOf<PaperTyped>
  /** Until a colour is chosen, the name says it. */
  readonly colourFromName?: boolean
}

/** What a paper is called, and both its faces. */
export function PaperFace({ form, colourFromName = false }: PaperFaceProps) {
  const [chosen, setChosen] = useState(!colourFromName)
  const [front, back] = useWatch({ control: form.control, name: ['frontColour', 'backColour'] })
  const follow = (name: string) => {
    const told = chosen ? null : colourOfName(name)
    if (told !== null) form.setValue('frontColour', told)
  }
  return (
    <>
      <div className="flex items-end gap-4">
        <Swatch front={front} back={back} className="h-16 w-22" />
        <TextField form={form} name="name" label="Name" className="grow" onChange={follow} />
      </div>
      <div className="grid gap-4 tablet:grid-cols-2">
        <TextField
          form={form}
          name="frontColour"
          label="Colour side"
          type="color"
          control="w-full p-1"
          onChange={() => setChosen(true)}
        />
        <TextField form={form} name="backColour" label="Other side" type="color" control="w-full p-1" />
      </div>
    </>
  )
}

const labelled = (of: Readonly<Record<string, { readonly label: string }>>) =>
  Object.entries(of).map(([key, { label }]) => [key, label] as const)

/** How a paper feels. */
export const PaperFeel = ({ form }: { readonly form: FormOf<PaperTyped> }) => (
  <SelectField form={form} name="feel" label="How it feels" choices={labelled(FEELS)} />
)

/** What one measures of a paper, or reads off its pack; a note. */
export const PaperDetails = ({ form }: { readonly form: FormOf<PaperTyped> }) => (
  <>
    <div className="grid grid-cols-2 gap-4">
      <TextField form={form} name="grammageGsm" label="Grammage (g/m²)" />
      <TextField form={form} name="caliperMm" label="Thickness (mm)" />
    </div>
    <div className="grid grid-cols-2 gap-4">
      <SelectField form={form} name="texture" label="Surface" choices={labelled(TEXTURES)} />
      <SelectField form={form} name="pattern" label="Printed with" choices={labelled(PATTERNS)} />
      <SelectField form={form} name="grain" label="Grain of a whole sheet" choices={labelled(GRAINS)} />
      <SelectField
        form={form}
        name="turning"
        label="Pieces may lie"
        hint="One way: their height along the grain, or up the pattern."
        choices={namedSo(TURNING)}
      />
    </div>
    <TextField
      form={form}
      name="toleranceMm"
      label="Sheets may come out smaller by (mm)"
      hint="Cut plans leave that much out."
      control="w-28"
    />
    <TextField form={form} name="note" id="paper-note" label="Note" />
  </>
)
