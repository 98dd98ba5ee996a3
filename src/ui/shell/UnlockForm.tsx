'use client'

import { useState, type FormEvent } from 'react'
import type { DeedResult } from '@/flows/deed'
import { Field } from '../forms/Field'
import { FormMessage } from '../forms/FormMessage'
import { useSubmit } from '../forms/useSubmit'

const toBench = (_: null, router: { replace: (href: string) => void; refresh: () => void }) => {
  router.replace('/')
  router.refresh()
}

export function UnlockForm({
  unlock,
}: {
  readonly unlock: (passphrase: string) => Promise<DeedResult<null>>
}) {
  const [passphrase, setPassphrase] = useState('')
  const { message, pending, submit } = useSubmit(unlock, toBench)
  const onSubmit = (event: FormEvent) => {
    event.preventDefault()
    submit(passphrase)
  }
  return (
    <form onSubmit={onSubmit} className="flex flex-col gap-4">
      <FormMessage message={message} />
      <Field id="passphrase" label="Passphrase">
        {(aria) => (
          <input
            {...aria}
            type="password"
            autoComplete="current-password"
            autoFocus
            className="input w-full"
            value={passphrase}
            onChange={(event) => setPassphrase(event.target.value)}
          />
        )}
      </Field>
      <button className="btn btn-primary" disabled={pending}>
        Unlock
      </button>
    </form>
  )
}
