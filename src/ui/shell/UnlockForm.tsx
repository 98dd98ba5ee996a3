'use client'

import type { DeedResult } from '@/flows/deed'
import { unlockFields } from '@/schema/passphrase'
import { TextField } from '../forms/fields'
import { Form } from '../forms/Form'
import { useDeedForm } from '../forms/useDeedForm'

export function UnlockForm({
  unlock,
}: {
  readonly unlock: (passphrase: string) => Promise<DeedResult<null>>
}) {
  const form = useDeedForm({
    schema: unlockFields,
    initial: { passphrase: '' },
    act: ({ passphrase }) => unlock(passphrase),
    onDone: (_, router) => {
      router.replace('/')
      router.refresh()
    },
  })
  return (
    <Form form={form}>
      <TextField
        form={form}
        name="passphrase"
        label="Passphrase"
        type="password"
        autoComplete="current-password"
        autoFocus
      />
      <button className="btn btn-primary" disabled={form.pending}>
        Unlock
      </button>
    </Form>
  )
}
