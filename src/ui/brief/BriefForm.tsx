'use client'

import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useFieldArray, useForm, useWatch } from 'react-hook-form'
import type { DeedResult } from '@/flows/deed'
import type { BriefDesign, DesignChoice } from '@/flows/read/brief-designs'
import type { DrawerPaper } from '@/flows/read/papers'
import { Field, FieldError } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useHydrated } from '../forms/useHydrated'
import { useSubmit } from '../forms/useSubmit'
import { formatCertainty, formatDaysLeft, daysUntil, type Preferences } from '../format'
import { newLine, type BriefValues } from './form-values'
import { LineFields } from './LineFields'

interface BriefFormProps {
  readonly initial: BriefValues
  readonly choices: readonly DesignChoice[]
  /** The designs of its lines, and the one a new line begins with first. */
  readonly designs: readonly BriefDesign[]
  readonly loadDesign: (id: string) => Promise<BriefDesign | null>
  readonly papers: readonly DrawerPaper[]
  readonly preferences: Preferences
  readonly save: (values: BriefValues, press: string) => Promise<DeedResult<{ readonly projectId: string }>>
  readonly deed: string
}

const CERTAINTIES = [0.8, 0.9, 0.95, 0.99]

/** A date the browser cannot read is empty to a form; it must not be saved as "no date". */
const unreadableDate = () => document.querySelector<HTMLInputElement>('#dueOn')?.validity.badInput === true

export function BriefForm({
  initial,
  choices,
  designs: known,
  loadDesign,
  papers,
  preferences,
  save,
  deed,
}: BriefFormProps) {
  const [designs, setDesigns] = useState(known)
  const { register, control, handleSubmit, getValues, setValue } = useForm<BriefValues>({
    defaultValues: initial,
  })
  const lines = useFieldArray({ control, name: 'lines', keyName: 'key' })
  const [badDate, setBadDate] = useState(false)
  const { fields, message, pending, submit } = useSubmit(save, ({ projectId }, router) =>
    router.push(`/projects/${projectId}/paper`),
  )
  const dueOn = useWatch({ control, name: 'dueOn' })
  const days = /^\d{4}-\d{2}-\d{2}$/.test(dueOn) ? daysUntil(dueOn, preferences) : null
  const [firstDesign] = designs
  const addLine = () =>
    firstDesign && lines.append(newLine(`new-${nanoid(8)}`, firstDesign.document, papers, preferences))
  const load = async (id: string): Promise<BriefDesign | null> => {
    const there = designs.find(({ document }) => document.id === id)
    if (there) return there
    const loaded = await loadDesign(id).catch(() => null)
    if (loaded) setDesigns((now) => [...now, loaded])
    return loaded
  }
  const ready = useHydrated()
  const onSubmit = handleSubmit((values) => {
    const bad = unreadableDate()
    setBadDate(bad)
    if (bad) document.querySelector<HTMLElement>('#dueOn')?.focus()
    else submit(values)
  })
  const dateError = badDate ? 'This day does not exist. Choose another.' : fields['dueOn']
  return (
    <form onSubmit={onSubmit} noValidate className="flex flex-col gap-6" data-ready={ready}>
      <FormMessage message={message} />
      <div className="grid gap-4 tablet:grid-cols-[2fr_1fr_1fr]">
        <Field id="name" label="What for" error={fields['name']}>
          {(aria) => <input {...aria} {...register('name')} className="input w-full" autoComplete="off" />}
        </Field>
        <Field
          id="dueOn"
          label="By when"
          error={dateError}
          hint={
            days === null
              ? 'Can stay open.'
              : days < 0
                ? `This day has passed: ${formatDaysLeft(days)}. That is allowed.`
                : `${formatDaysLeft(days)}.`
          }
        >
          {(aria) => <input {...aria} {...register('dueOn')} type="date" className="input w-full" />}
        </Field>
        <Field
          id="certainty"
          label="Spares"
          error={fields['certainty']}
          hint="How sure that enough are good."
        >
          {(aria) => (
            <select {...aria} {...register('certainty')} className="select w-full">
              {CERTAINTIES.map((certainty) => (
                <option key={certainty} value={certainty}>
                  {formatCertainty(certainty)} sure
                </option>
              ))}
            </select>
          )}
        </Field>
      </div>

      {lines.fields.map((line, index) => (
        <LineFields
          key={line.key}
          index={index}
          control={control}
          register={register}
          setValue={setValue}
          choices={choices}
          designs={designs}
          load={load}
          papers={papers}
          preferences={preferences}
          errors={fields}
          remove={() => removeLine(index)}
        />
      ))}
      <FieldError id="lines" error={fields['lines']} />
      <div>
        <button type="button" className="btn btn-outline" onClick={addLine}>
          Add a line
        </button>
      </div>

      <Field id="note" label="Note" error={fields['note']}>
        {(aria) => <textarea {...aria} {...register('note')} rows={2} className="textarea w-full" />}
      </Field>
      <div>
        <button className="btn btn-primary btn-lg" disabled={pending}>
          {deed}
        </button>
      </div>
    </form>
  )

  /** What was glued to a line that goes stands on its own again. */
  function removeLine(index: number) {
    const gone = getValues(`lines.${index}.id`)
    getValues('lines').forEach((line, at) => {
      if (line.attachedTo === gone) setValue(`lines.${at}.attachedTo`, '')
    })
    lines.remove(index)
  }
}
