'use client'

import { useWatch } from 'react-hook-form'
import { RULERS } from '@/core/units'
import type { DeedResult } from '@/flows/deed'
import { CERTAINTIES, EVENINGS, settingsFields, type Settings } from '@/schema/settings'
import { Field } from '../forms/Field'
import { CheckField, namedSo, SelectField, type Choices } from '../forms/fields'
import { SaveButton } from '../forms/SaveButton'
import { Form } from '../forms/Form'
import { useDeedForm, type FormOf } from '../forms/useDeedForm'
import { useHydrated } from '../forms/useHydrated'
import { formatCertainty, formatDuration } from '../format'

/** All but what is set where it is used. */
type Typed = Omit<Settings, 'cutting' | 'tears'>

interface SettingsFormProps {
  readonly initial: Typed
  readonly zones: readonly string[]
  readonly currencies: readonly string[]
  readonly save: (settings: Typed) => Promise<DeedResult<Settings>>
}

const CURRENCY_NAMES = new Intl.DisplayNames('en', { type: 'currency' })

interface FoundProps {
  readonly form: FormOf<Typed>
  readonly name: 'zone' | 'currency'
  readonly label: string
  readonly choices: Choices
  /** What this device says; `null` where it says nothing. */
  readonly device: string | null
}

/** One of a long list, found by typing a part of it, or taken from this device. */
function Found({ form, name, label, choices, device }: FoundProps) {
  const hydrated = useHydrated()
  const value = useWatch({ control: form.control, name })
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Field id={name} label={label} error={form.error(name)} hint="Type a part of it." className="grow">
        {(aria) => (
          <>
            <input
              {...aria}
              {...form.register(name)}
              className="input w-full"
              list={`${name}-list`}
              autoComplete="off"
            />
            <datalist id={`${name}-list`}>
              {choices.map(([key, text]) => (
                <option key={key} value={key}>
                  {text}
                </option>
              ))}
            </datalist>
          </>
        )}
      </Field>
      {hydrated && device !== null && device !== value ? (
        <button type="button" className="btn btn-ghost" onClick={() => form.setValue(name, device)}>
          {device}, as on this device
        </button>
      ) : null}
    </div>
  )
}

export function SettingsForm({ initial, zones, currencies, save }: SettingsFormProps) {
  const form = useDeedForm({ schema: settingsFields, initial, act: save })
  // Browsers name currencies each in their own words: never on the server.
  const hydrated = useHydrated()
  return (
    <Form form={form}>
      <SelectField
        form={form}
        name="unit"
        label="Lengths in"
        choices={[
          ['cm', 'centimetres'],
          ['in', 'inches'],
        ]}
      />
      <SelectField
        form={form}
        name="ruler"
        label="My ruler reads"
        choices={Object.entries(RULERS).map(([key, { label }]) => [key, label])}
        hint="Sizes are rounded to its marks."
      />
      <SelectField
        form={form}
        name="certainty"
        label="Spares for new projects"
        choices={CERTAINTIES.map((value) => [value, `${formatCertainty(Number(value))} sure`])}
      />
      <SelectField
        form={form}
        name="evening"
        label="An evening of folding"
        choices={EVENINGS.map((minutes) => [minutes, formatDuration(Number(minutes) * 60)])}
        hint="Days are reckoned with it."
      />
      <SelectField
        form={form}
        name="hand"
        label="I fold with my"
        choices={[
          ['right', 'right hand'],
          ['left', 'left hand'],
        ]}
      />
      <Found
        form={form}
        name="zone"
        label="Time zone"
        choices={namedSo(zones)}
        device={Intl.DateTimeFormat().resolvedOptions().timeZone}
      />
      <Found
        form={form}
        name="currency"
        label="Currency"
        choices={currencies.map((code) => [code, hydrated ? (CURRENCY_NAMES.of(code) ?? code) : code])}
        device={null}
      />
      <CheckField form={form} name="tones" label="Soft tones while folding" control="toggle" />
      <SaveButton deed="Save" form={form} />
    </Form>
  )
}
