'use client'

import type { BaseSyntheticEvent, ReactNode } from 'react'
import { FormMessage } from './FormMessage'
import { useHydrated } from './useHydrated'

interface FormProps {
  readonly form: {
    readonly message: string | null
    readonly onSubmit: (event?: BaseSyntheticEvent) => Promise<void>
  }
  readonly className?: string
  /** Does something before the form is read, and may hold it back. */
  readonly before?: () => boolean
  readonly children: ReactNode
}

/**
 * A form, what went wrong with it above its fields. Until its script is there it takes nothing: what was typed before
 * would be lost.
 */
export function Form({ form, className = 'flex flex-col gap-4', before, children }: FormProps) {
  const ready = useHydrated()
  return (
    <form
      noValidate
      inert={!ready}
      data-ready={ready}
      className={className}
      onSubmit={(event) => {
        event.preventDefault()
        if (before?.() !== false) void form.onSubmit(event)
      }}
    >
      <FormMessage message={form.message} />
      {children}
    </form>
  )
}
