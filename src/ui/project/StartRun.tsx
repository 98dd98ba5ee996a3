'use client'

import { useWatch } from 'react-hook-form'
import type { z } from 'zod'
import type { Way } from '@/core/design'
import { TAP_GRAINS, TRAY_ORDERS, type TapGrain } from '@/core/run'
import type { DeedResult } from '@/flows/deed'
import { projectRunFields, type HowFolded } from '@/schema/run-start'
import { namedSo, SelectField, TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { More } from '../forms/More'
import { partOf, useDeedForm, type FormOf } from '../forms/useDeedForm'

type ProjectRun = z.input<typeof projectRunFields>

interface StartRunProps {
  readonly of: Pick<ProjectRun, 'lineId' | 'partKey' | 'paperId'>
  readonly what: string
  readonly pieces: number
  readonly hand: 'right' | 'left'
  /** The ways the design can be folded. */
  readonly ways: readonly Way[]
  readonly start: (run: ProjectRun, press: string) => Promise<DeedResult<{ readonly runId: string }>>
}

const WAY_WORDS: Readonly<Record<Way, string>> = {
  whole: 'every crease first',
  direct: 'directly, in the air',
  'from base': 'I have the base',
}

const GRAIN_WORDS: Readonly<Record<TapGrain, string>> = {
  fold: 'one tap a fold',
  stage: 'one tap a stage',
  piece: 'one tap a piece',
}

/** How many lie in a tray, where nothing else is said. */
const USUAL_TRAY = 6

/** How a run is folded, where nothing else is said. */
export const howFolded = (pieces: number, hand: 'right' | 'left'): HowFolded => ({
  grain: 'fold',
  order: 'piece by piece',
  traySize: String(Math.min(USUAL_TRAY, pieces)),
  hand,
  way: 'whole',
  pieces: String(pieces),
})

export const toRun = (
  { runId }: { readonly runId: string },
  router: { push: (href: string) => void },
): void => router.push(`/runs/${runId}`)

/** Starts a run: how many, trays, and what one tap stands for. */
export function StartRun({ of, what, pieces, hand, ways, start }: StartRunProps) {
  const form = useDeedForm({
    schema: projectRunFields,
    initial: { ...of, ...howFolded(pieces, hand) },
    act: start,
    onDone: toRun,
  })
  const how = useWatch({ control: form.control })
  const wrong = ['pieces', 'traySize'].some((name) => form.error(name) !== undefined)
  return (
    <Form form={form} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <More
          className="grow"
          wrong={wrong}
          summary={`${how.pieces} in trays of ${how.traySize}, ${GRAIN_WORDS[how.grain ?? 'fold']}`}
        >
          <HowFields id={`run-${of.lineId}-${of.partKey}-${of.paperId}`} form={partOf(form)} ways={ways} />
        </More>
        <button className="btn btn-primary" disabled={form.pending} aria-label={`Start folding ${what}`}>
          Start folding
        </button>
      </div>
    </Form>
  )
}

interface HowFieldsProps {
  readonly id: string
  readonly form: FormOf<HowFolded>
  readonly ways: readonly Way[]
}

/** The fields every run has. */
export function HowFields({ id, form, ways }: HowFieldsProps) {
  return (
    <div className="flex flex-wrap items-start gap-3">
      <TextField form={form} name="pieces" id={`${id}-pieces`} label="How many" control="w-24" numeric />
      <TextField form={form} name="traySize" id={`${id}-tray`} label="In a tray" control="w-24" numeric />
      <SelectField
        form={form}
        name="grain"
        id={`${id}-grain`}
        label="Tap"
        choices={TAP_GRAINS.map((grain) => [grain, GRAIN_WORDS[grain]])}
        control="w-40"
      />
      <SelectField
        form={form}
        name="order"
        id={`${id}-order`}
        label="Order"
        choices={namedSo(TRAY_ORDERS)}
        control="w-44"
      />
      {ways.length === 1 ? null : (
        <SelectField
          form={form}
          name="way"
          id={`${id}-way`}
          label="Way"
          choices={ways.map((way) => [way, WAY_WORDS[way]])}
          control="w-48"
        />
      )}
      <SelectField
        form={form}
        name="hand"
        id={`${id}-hand`}
        label="Hand"
        choices={namedSo(['right', 'left'])}
        control="w-28"
      />
    </div>
  )
}
