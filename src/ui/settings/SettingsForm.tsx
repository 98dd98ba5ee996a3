'use client'

import { useState } from 'react'
import { RULERS } from '@/core/units'
import type { DeedResult } from '@/flows/deed'
import type { Settings } from '@/schema/settings'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useHydrated } from '../forms/useHydrated'
import { useSubmit } from '../forms/useSubmit'
import { formatCertainty } from '../format'

interface SettingsFormProps {
  readonly initial: Settings
  readonly zones: readonly string[]
  readonly currencies: readonly string[]
  readonly save: (settings: Settings) => Promise<DeedResult<Settings>>
}

type Choice = readonly (readonly [value: string, label: string])[]

const same = (names: readonly string[]): Choice => names.map((name) => [name, name])
const stay = () => undefined

const CURRENCY_NAMES = new Intl.DisplayNames('en', { type: 'currency' })

interface FoundProps {
  readonly id: string
  readonly label: string
  readonly error: string | undefined
  readonly value: string
  readonly choices: Choice
  /** What this device says; `null` where it says nothing. */
  readonly device: string | null
  readonly change: (value: string) => void
}

/** One of a long list, found by typing a part of it, or taken from this device. */
function Found({ id, label, error, value, choices, device, change }: FoundProps) {
  const hydrated = useHydrated()
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Field id={id} label={label} error={error} hint="Type a part of it." className="grow">
        {(aria) => (
          <>
            <input
              {...aria}
              className="input w-full"
              list={`${id}-list`}
              autoComplete="off"
              value={value}
              onChange={(event) => change(event.target.value)}
            />
            <datalist id={`${id}-list`}>
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
        <button type="button" className="btn btn-ghost" onClick={() => change(device)}>
          {device}, as on this device
        </button>
      ) : null}
    </div>
  )
}

export function SettingsForm({ initial, zones, currencies, save }: SettingsFormProps) {
  const [settings, setSettings] = useState(initial)
  const { fields, message, pending, submit, last } = useSubmit(save, stay)
  // Browsers name currencies each in their own words: never on the server.
  const hydrated = useHydrated()
  const choose = (key: keyof Settings, label: string, choices: Choice, hint?: string) => (
    <Field id={key} label={label} error={fields[key]} {...(hint === undefined ? {} : { hint })}>
      {(aria) => (
        <select
          {...aria}
          className="select w-full"
          value={String(settings[key])}
          onChange={(event) => setSettings({ ...settings, [key]: event.target.value })}
        >
          {choices.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  )
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        submit(settings)
      }}
    >
      <FormMessage message={message} />
      {choose('unit', 'Lengths in', [
        ['cm', 'centimetres'],
        ['in', 'inches'],
      ])}
      {choose(
        'ruler',
        'My ruler reads',
        Object.entries(RULERS).map(([key, { label }]) => [key, label]),
        'Sizes are rounded to its marks.',
      )}
      {choose(
        'certainty',
        'Spares for new projects',
        ['0.8', '0.9', '0.95', '0.99'].map((value) => [value, `${formatCertainty(Number(value))} sure`]),
      )}
      {choose('hand', 'I fold with my', [
        ['right', 'right hand'],
        ['left', 'left hand'],
      ])}
      <Found
        id="zone"
        label="Time zone"
        error={fields['zone']}
        value={settings.zone}
        choices={same(zones)}
        device={Intl.DateTimeFormat().resolvedOptions().timeZone}
        change={(zone) => setSettings({ ...settings, zone })}
      />
      <Found
        id="currency"
        label="Currency"
        error={fields['currency']}
        value={settings.currency}
        choices={currencies.map((code) => [code, hydrated ? (CURRENCY_NAMES.of(code) ?? code) : code])}
        device={null}
        change={(currency) => setSettings({ ...settings, currency: currency.toUpperCase() })}
      />
      <label className="flex items-center gap-3">
        <input
          type="checkbox"
          className="toggle"
          checked={settings.tones}
          onChange={(event) => setSettings({ ...settings, tones: event.target.checked })}
        />
        Soft tones while folding
      </label>
      <div className="flex items-center gap-4">
        <button className="btn btn-primary" disabled={pending}>
          Save
        </button>
        <span role="status" className="second">
          {last !== null && !pending && message === null ? 'Saved.' : ''}
        </span>
      </div>
    </form>
  )
}
