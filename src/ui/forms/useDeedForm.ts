'use client'

import { zodResolver } from '@hookform/resolvers/zod'
import { useRouter } from 'next/navigation'
import { useState, useTransition, type BaseSyntheticEvent } from 'react'
import {
  get,
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormReturn,
} from 'react-hook-form'
import type { z } from 'zod'
import type { DeedResult } from '@/flows/deed'
import { refusalWords } from '../format'
import { usePress } from './usePress'

type Router = ReturnType<typeof useRouter>

interface DeedFormOptions<Values extends FieldValues, Value> {
  /** The schema the server reads the same values by: what it would refuse is told without asking it. */
  readonly schema: z.ZodType<unknown, Values>
  readonly initial: Values
  readonly act: (values: Values, press: string) => Promise<DeedResult<Value>>
  readonly onDone?: (value: Value, router: Router) => void
}

/** What fields are given of the form they stand in. */
export interface FormOf<Values extends FieldValues> extends Pick<
  UseFormReturn<Values>,
  'control' | 'register' | 'setValue' | 'getValues'
> {
  /** What is wrong at a path like `lines.0.size`. */
  readonly error: (path: string) => string | undefined
}

/** A form with more fields as a form of some of them: what the library's types cannot say of paths. */
export const partOf = <Some extends FieldValues, All extends Some>(form: FormOf<All>): FormOf<Some> =>
  form as unknown as FormOf<Some>

/** A form of one field: what is wrong there is said there alone. */
export const onlyAtField = <Values extends FieldValues>(form: DeedForm<Values>, name: string) => ({
  ...form,
  message: form.error(name) === undefined ? form.message : null,
})

interface DeedForm<Values extends FieldValues> extends FormOf<Values> {
  readonly reset: (values?: Values) => void
  /** Says what is wrong at a field that only the browser can know. */
  readonly complain: (path: Path<Values>, message: string) => void
  /** What went wrong with the form as a whole. */
  readonly message: string | null
  readonly pending: boolean
  /** Whether the last press was done. */
  readonly done: boolean
  readonly onSubmit: (event?: BaseSyntheticEvent) => Promise<void>
}

/**
 * A form for one deed: texts as typed, read by the deed's own schema before they are sent, sent with the press's id;
 * what the server refuses stands at its field, and what was typed stays.
 */
export function useDeedForm<Values extends FieldValues, Value>({
  schema,
  initial,
  act,
  onDone,
}: DeedFormOptions<Values, Value>): DeedForm<Values> {
  const router = useRouter()
  const pressOnce = usePress()
  const [pending, start] = useTransition()
  const [told, setTold] = useState<{ readonly done: boolean; readonly message: string | null }>({
    done: false,
    message: null,
  })
  const form = useForm<Values>({
    defaultValues: initial as DefaultValues<Values>,
    resolver: zodResolver(schema, undefined, { raw: true }),
  })
  const { errors } = form.formState
  const fail = (message: string) => setTold({ done: false, message })
  const complain = (path: string, message: string, shouldFocus = true) =>
    form.setError(path as Path<Values>, { message }, { shouldFocus })
  const send = (values: Values) =>
    start(async () => {
      try {
        const result = await pressOnce((press) => act(values, press))
        if (result.ok) {
          setTold({ done: true, message: null })
          onDone?.(result.value, router)
          return
        }
        fail(refusalWords(result))
        Object.entries(result.fields).forEach(([path, message], index) =>
          complain(path, message, index === 0),
        )
      } catch {
        fail('Kelpfield did not answer. What you entered is still here: try again in a moment.')
      }
    })
  return {
    control: form.control,
    register: form.register,
    setValue: form.setValue,
    getValues: form.getValues,
    reset: (values) => form.reset(values),
    complain,
    error: (path) => messageAt(errors, path) ?? messageAt(errors, `${path}.root`),
    message: told.message,
    done: told.done && !pending,
    pending,
    onSubmit: form.handleSubmit(send, () => fail(refusalWords({ code: 'FIELDS', detail: {} }))),
  }
}

function messageAt(errors: object, path: string): string | undefined {
  const found: unknown = get(errors, `${path}.message`)
  return typeof found === 'string' ? found : undefined
}
