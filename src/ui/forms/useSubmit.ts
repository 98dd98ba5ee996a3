'use client'

import { useRouter } from 'next/navigation'
import { useCallback, useState, useTransition } from 'react'
import type { DeedResult } from '@/flows/deed'
import type { FieldErrors } from '@/schema/field-errors'
import { refusalWords } from '../format'
import { usePress } from './usePress'

interface Submit<Values, Value> {
  readonly fields: FieldErrors
  readonly message: string | null
  readonly pending: boolean
  readonly submit: (values: Values) => void
  readonly last: Value | null
}

/** The first field with an error gets the focus, so that keyboard and screen reader land on it. */
const focusFirstError = () =>
  requestAnimationFrame(() => document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus())

/**
 * Sends a form to a server action with the press's id; errors come back by field and what was typed stays.
 */
export function useSubmit<Values, Value>(
  action: (values: Values, press: string) => Promise<DeedResult<Value>>,
  onDone: (value: Value, router: ReturnType<typeof useRouter>) => void,
): Submit<Values, Value> {
  const router = useRouter()
  const pressOnce = usePress()
  const [pending, start] = useTransition()
  const [fields, setFields] = useState<FieldErrors>({})
  const [message, setMessage] = useState<string | null>(null)
  const [last, setLast] = useState<Value | null>(null)
  const submit = useCallback(
    (values: Values) =>
      start(async () => {
        try {
          const result = await pressOnce((press) => action(values, press))
          setFields(result.ok ? {} : result.fields)
          setMessage(result.ok ? null : refusalWords(result))
          if (result.ok) {
            setLast(result.value)
            onDone(result.value, router)
          } else focusFirstError()
        } catch {
          setMessage('Kelpfield did not answer. What you entered is still here: try again in a moment.')
        }
      }),
    [action, onDone, router, pressOnce],
  )
  return { fields, message, pending, submit, last }
}
