'use client'

import type { DeedResult } from '@/flows/deed'
import { passphraseFields } from '@/schema/passphrase'
import { TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { useDeedForm } from '../forms/useDeedForm'

interface PassphraseFormProps {
  readonly set: boolean
  /** Whether the one that is set has to be given too: open to the room. */
  readonly askOld: boolean
  readonly save: (input: { passphrase: string; old: string }) => Promise<DeedResult<null>>
}

const EMPTY = { passphrase: '', old: '' }

export function PassphraseForm({ set, askOld, save }: PassphraseFormProps) {
  const form = useDeedForm({
    schema: passphraseFields,
    initial: EMPTY,
    act: save,
    onDone: () => form.reset(EMPTY),
  })
  return (
    <Form form={form} className="flex flex-col gap-3">
      {set && askOld ? (
        <TextField
          form={form}
          name="old"
          id="old-passphrase"
          label="The passphrase that is set"
          hint="Forgotten? On the machine, npm run passphrase sets a new one."
          type="password"
          autoComplete="current-password"
        />
      ) : null}
      <TextField
        form={form}
        name="passphrase"
        id="new-passphrase"
        label={set ? 'A new passphrase' : 'Passphrase'}
        hint={
          set
            ? 'One is set. A new one locks every device again.'
            : 'At least 8 characters, better several words.'
        }
        type="password"
        autoComplete="new-password"
      />
      <div>
        <button className="btn btn-outline" disabled={form.pending}>
          Set the passphrase
        </button>
      </div>
    </Form>
  )
}
