'use client'

import { useState, useTransition, type ReactNode } from 'react'
import type { DeedResult } from '@/flows/deed'
import { refusalWords } from '../format'
import { usePress } from './usePress'

interface DeedButtonProps {
  /** A server action with what it needs already bound; it is given the press's id. */
  readonly act: (press: string) => Promise<DeedResult<unknown>>
  readonly children: ReactNode
  readonly className?: string
  readonly label?: string
}

/** One press, one deed; a refusal is said beside the button. */
export function DeedButton({ act, children, className = 'btn btn-outline', label }: DeedButtonProps) {
  const [pending, start] = useTransition()
  const pressOnce = usePress()
  const [problem, setProblem] = useState<string | null>(null)
  const press = () =>
    start(async () => {
      try {
        const result = await pressOnce(act)
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
