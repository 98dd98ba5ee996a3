'use client'

import { useWatch } from 'react-hook-form'
import type { z } from 'zod'
import { mainPart, shownSheetMm, unitsOf, waysOf, type DesignDocument } from '@/core/design'
import type { DeedResult } from '@/flows/deed'
import type { DrawerPaper } from '@/flows/read/papers'
import { looseRunFields } from '@/schema/run-start'
import { SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { partOf, useDeedForm } from '../forms/useDeedForm'
import { lengthInput, nounMany, type Preferences } from '../format'
import { HowFields, howFolded, toRun } from '../project/StartRun'

interface JustFoldProps {
  readonly design: DesignDocument
  readonly papers: readonly DrawerPaper[]
  readonly preferences: Preferences
  readonly hand: 'right' | 'left'
  readonly start: (
    run: z.input<ReturnType<typeof looseRunFields>>,
    press: string,
  ) => Promise<DeedResult<{ readonly runId: string }>>
}

/** Pieces to try a design with. */
const TO_TRY = 6

/** A run with no project around it: paper, size, how many, and go. */
export function JustFold({ design, papers, preferences, hand, start }: JustFoldProps) {
  const part = mainPart(design)
  const form = useDeedForm({
    schema: looseRunFields(preferences.unit),
    initial: {
      designId: design.id,
      variantKey: design.variants[0]?.key ?? '',
      paperId: papers[0]?.id ?? '',
      size: lengthInput(shownSheetMm(design), preferences),
      ...howFolded(TO_TRY, hand),
    },
    act: start,
    onDone: toRun,
  })
  const variantKey = useWatch({ control: form.control, name: 'variantKey' })
  const variant = design.variants.find(({ key }) => key === variantKey) ?? design.variants[0]
  const units = variant ? unitsOf(part, variant) : 1
  const ways = variant ? waysOf(part, variant) : []
  return (
    <Form form={form}>
      <div className="flex flex-wrap items-start gap-3">
        <SelectField
          form={form}
          name="variantKey"
          id="loose-variant"
          label="Variant"
          choices={design.variants.map(({ key, name }) => [key, name])}
          control="w-36"
        />
        <SelectField
          form={form}
          name="paperId"
          id="loose-paper"
          label="Paper"
          choices={[['', 'any scrap'], ...papers.map(({ id, name }) => [id, name] as const)]}
          control="w-44"
        />
        <TextField
          form={form}
          name="size"
          id="loose-size"
          label={`Sheet (${preferences.unit})`}
          control="w-28"
        />
      </div>
      <HowFields id="loose" form={partOf(form)} ways={ways} />
      <div>
        <button className="btn btn-primary" disabled={form.pending}>
          Start folding
        </button>
        {units === 1 ? null : (
          <span className="second ml-4">
            {units} {nounMany(part.name)} each
          </span>
        )}
      </div>
    </Form>
  )
}
