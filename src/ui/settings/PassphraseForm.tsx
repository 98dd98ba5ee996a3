'use client'

import { useState } from 'react'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

interface PassphraseFormProps {
  readonly set: boolean
  readonly save: (passphrase: string) => Promise<DeedResult<null>>
}

export function PassphraseForm({ set, save }: PassphraseFormProps) {
  const [passphrase, setPassphrase] = useState('')
  const { fields, message, pending, submit } = useSubmit(save, () => setPassphrase(''))
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        submit(passphrase)
      }}
    >
      <FormMessage message={message} />
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
            value={passphrase}
            onChange={(event) => setPassphrase(event.target.value)}
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
