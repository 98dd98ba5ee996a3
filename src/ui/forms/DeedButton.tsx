'use client'

import { useState, useTransition, type ReactNode } from 'react'
import type { DeedResult } from '@/flows/deed'
import { refusalWords } from '../format'

interface DeedButtonProps {
  /** A server action with what it needs already bound. */
  readonly act: () => Promise<DeedResult<unknown>>
  readonly children: ReactNode
  readonly className?: string
  readonly label?: string
}

/** One press, one deed; a refusal is said beside the button. */
export function DeedButton({ act, children, className = 'btn btn-outline', label }: DeedButtonProps) {
  const [pending, start] = useTransition()
  const [problem, setProblem] = useState<string | null>(null)
  const press = () =>
    start(async () => {
      try {
        const result = await act()
        setProblem(result.ok ? null : refusalWords(result))
      } catch {
        setProblem('Kelpfield did not answer. Try again in a moment.')
      }
    })
  return (
    <span className="inline-flex flex-col items-start gap-1">
      <button type="button" className={className} onClick={press} disabled={pending} aria-label={label}>
        {children}
      </button>
      {problem === null ? null : (
        <span role="alert" className="max-w-80 text-sm font-semibold text-error">
          {problem}
        </span>
      )}
    </span>
  )
}
