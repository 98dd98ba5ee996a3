'use client'

import type { CutTools } from '@/core/cut'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useFieldArray, useWatch } from 'react-hook-form'
import type { DeedResult } from '@/flows/deed'
import type { BriefDesign, DesignChoice } from '@/flows/read/brief-designs'
import type { DrawerPaper } from '@/flows/read/papers'
import { briefFields } from '@/schema/brief'
import { DAY } from '@/schema/days'
import { CERTAINTIES } from '@/schema/settings'
import { Field, FieldError } from '../forms/Field'
import { CheckField, SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { useDeedForm, type FormOf } from '../forms/useDeedForm'
import { formatCertainty, formatDaysLeft, daysUntil, type Preferences } from '../format'
import type { BriefTime } from './dial-time'
import { nameFrom, newLine, type BriefValues, type LineValues } from './form-values'
import { LineFields } from './LineFields'
import { ShareTable } from './ShareTable'
import type { BegunLine } from './spoiled-words'
import { sheetsOf } from './line-preview'

interface BriefFormProps {
  readonly initial: BriefValues
  readonly choices: readonly DesignChoice[]
  /** The designs of its lines, and the one a new line begins with first. */
  readonly designs: readonly BriefDesign[]
  readonly loadDesign: (id: string) => Promise<BriefDesign | null>
  readonly papers: readonly DrawerPaper[]
  readonly preferences: Preferences
  readonly time: BriefTime
  /** What sheets are cut with. */
  readonly tools: CutTools
  /** What is cut and folded already, by line. */
  readonly begun: Readonly<Record<string, BegunLine>>
  /** How early to begin, where it has been planned already. */
  readonly lead?: string
  readonly save: (values: BriefValues, press: string) => Promise<DeedResult<{ readonly projectId: string }>>
  readonly deed: string
}

export function BriefForm(props: BriefFormProps) {
  const { initial, choices, papers, preferences, save, deed } = props
  const { designs, load } = useDesigns(props)
  const form = useDeedForm({
    schema: briefFields({
      ...preferences,
      designs: designs.map(({ document }) => document),
      papers: papers.map((paper) => ({ id: paper.id, sheets: sheetsOf(paper) })),
    }),
    initial,
    act: save,
    onDone: ({ projectId }, router) => router.push(`/projects/${projectId}/paper`),
  })
  return (
    <Form
      form={form}
      className="flex flex-col gap-6"
      before={() => {
        if (form.getValues('name').trim() === '')
          form.setValue('name', nameFrom(form.getValues('lines'), choices))
        const bad = unreadableDate()
        if (bad) form.complain('dueOn', 'This day does not exist. Choose another.')
        return !bad
      }}
    >
      <Occasion form={form} choices={choices} preferences={preferences} />
      <Yearly form={form} lead={props.lead} />
      <Lines {...props} form={form} designs={designs} load={load} />
      <ShareTable form={form} choices={choices} papers={papers} />
      <Field id="note" label="Note" error={form.error('note')}>
        {(aria) => <textarea {...aria} {...form.register('note')} rows={2} className="textarea w-full" />}
      </Field>
      <div>
        <button className="btn btn-primary btn-lg" disabled={form.pending}>
          {deed}
        </button>
      </div>
    </Form>
  )
}

/** A date the browser cannot read is empty to a form; it must not be saved as "no date". */
const unreadableDate = () => document.querySelector<HTMLInputElement>('#dueOn')?.validity.badInput === true

/** The designs a brief knows, and a way to more of them. */
function useDesigns({ designs: known, loadDesign }: Pick<BriefFormProps, 'designs' | 'loadDesign'>) {
  const [designs, setDesigns] = useState(known)
  const load = async (id: string): Promise<BriefDesign | null> => {
    const there = designs.find(({ document }) => document.id === id)
    if (there) return there
    const loaded = await loadDesign(id).catch(() => null)
    if (loaded) setDesigns((now) => [...now, loaded])
    return loaded
  }
  return { designs, load }
}

interface OccasionProps {
  readonly form: FormOf<BriefValues>
  readonly choices: readonly DesignChoice[]
  readonly preferences: Preferences
}

/** What it is for, by when, and how sure one wants to be. */
function Occasion({ form, choices, preferences }: OccasionProps) {
  const [name, dueOn, lines] = useWatch({ control: form.control, name: ['name', 'dueOn', 'lines'] })
  const days = DAY.test(dueOn) ? daysUntil(dueOn, preferences) : null
  const suggested = name.trim() === '' ? nameFrom(lines, choices) : ''
  return (
    <div className="grid gap-4 tablet:grid-cols-[2fr_1fr_1fr]">
      <TextField
        form={form}
        name="name"
        label="What for"
        hint={suggested === '' ? undefined : `Left empty, it is called "${suggested}".`}
      />
      <TextField
        form={form}
        name="dueOn"
        label="By when"
        type="date"
        hint={
          days === null
            ? 'Can stay open.'
            : days < 0
              ? `This day has passed: ${formatDaysLeft(days)}. That is allowed.`
              : `${formatDaysLeft(days)}.`
        }
      />
      <SelectField
        form={form}
        name="certainty"
        label="Spares"
        hint="How sure that enough are good."
        choices={CERTAINTIES.map((text) => [text, `${formatCertainty(Number(text))} sure`])}
      />
    </div>
  )
}

/** Whether it comes again, and how long shopping takes: Bench says when it is time to begin. */
function Yearly({ form, lead }: { readonly form: FormOf<BriefValues>; readonly lead?: string | undefined }) {
  const yearly = useWatch({ control: form.control, name: 'yearly' })
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
      <CheckField
        form={form}
        name="yearly"
        label="It comes again every year"
        className="min-h-10"
        control="toggle"
      />
      {yearly ? (
        <>
          <TextField form={form} name="shoppingDays" label="Days for shopping" control="w-24" numeric />
          <p className="second max-w-prose">
            {lead ?? ''} Once its day has passed, Bench says when to begin the next.
          </p>
        </>
      ) : null}
    </div>
  )
}

interface LinesProps extends Omit<BriefFormProps, 'initial' | 'save' | 'deed' | 'loadDesign'> {
  readonly form: FormOf<BriefValues>
  readonly load: (id: string) => Promise<BriefDesign | null>
}

/** The lines of a brief, and another one. */
function Lines({ form, choices, designs, load, papers, preferences, time, tools, begun }: LinesProps) {
  const lines = useFieldArray({ control: form.control, name: 'lines', keyName: 'key' })
  const [first] = designs
  const add = (change: Partial<LineValues>, like?: number) => {
    const id = `new-${nanoid(8)}`
    const alike = like === undefined ? undefined : form.getValues(`lines.${like}`)
    if (alike) lines.append({ ...structuredClone(alike), ...change, id })
    else if (first) lines.append({ ...newLine(id, first.document, papers, preferences), ...change, id })
  }
  /** What followed a line that goes stands on its own again. */
  const remove = (index: number) => {
    const gone = form.getValues(`lines.${index}.id`)
    form.getValues('lines').forEach((line, at) => {
      for (const key of ['attachedTo', 'goesWith', 'sizeOf'] as const)
        if (line[key] === gone) form.setValue(`lines.${at}.${key}`, '')
    })
    lines.remove(index)
  }
  return (
    <>
      {lines.fields.map((line, index) => (
        <LineFields
          key={line.key}
          index={index}
          form={form}
          choices={choices}
          designs={designs}
          load={load}
          papers={papers}
          preferences={preferences}
          time={time}
          tools={tools}
          begun={begun}
          remove={() => remove(index)}
          add={(change, alike) => add(change, alike ? index : undefined)}
        />
      ))}
      <FieldError id="lines" error={form.error('lines')} />
      <div>
        <button type="button" className="btn btn-outline" onClick={() => add({})}>
          Add a line
        </button>
        <p className="second mt-2 text-sm">
          Above, sheets are counted as if the drawer never ran out. What is there and what is short, the Paper
          station says.
        </p>
      </div>
    </>
  )
}
