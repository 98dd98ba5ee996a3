'use client'

import { useState } from 'react'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

interface PassphraseFormProps {
  readonly set: boolean
  /** Whether the one that is set has to be given too: open to the room. */
  readonly askOld: boolean
  readonly save: (input: { passphrase: string; old: string }) => Promise<DeedResult<null>>
}

const EMPTY = { passphrase: '', old: '' }

export function PassphraseForm({ set, askOld, save }: PassphraseFormProps) {
  const [values, setValues] = useState(EMPTY)
  const { fields, message, pending, submit } = useSubmit(save, () => setValues(EMPTY))
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit(values)
      }}
    >
      <FormMessage message={message} />
      {set && askOld ? (
        <Field
          id="old-passphrase"
          label="The passphrase that is set"
          error={fields['old']}
          hint="Forgotten? On the machine, npm run passphrase sets a new one."
        >
          {(aria) => (
            <input
              {...aria}
              type="password"
              autoComplete="current-password"
              className="input w-full"
              value={values.old}
              onChange={(event) => setValues({ ...values, old: event.target.value })}
            />
          )}
        </Field>
      ) : null}
      <Field
        id="new-passphrase"
        label={set ? 'A new passphrase' : 'Passphrase'}
        error={fields['passphrase']}
        hint={
          set
            ? 'One is set. A new one locks every device again.'
            : 'At least 8 characters, better several words.'
        }
      >
        {(aria) => (
          <input
            {...aria}
            type="password"
            autoComplete="new-password"
            className="input w-full"
            value={values.passphrase}
            onChange={(event) => setValues({ ...values, passphrase: event.target.value })}
          />
        )}
      </Field>
      <div>
        <button className="btn btn-outline" disabled={pending}>
          Set the passphrase
        </button>
      </div>
    </form>
  )
}
