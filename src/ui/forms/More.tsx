'use client'

import { useState, type ReactNode } from 'react'

interface MoreProps {
  readonly summary: ReactNode
  /** Something in it needs another look: it opens, and stays open while that is mended. */
  readonly wrong: boolean
  readonly className?: string
  readonly children: ReactNode
}

/** Fields one step away. */
export function More({ summary, wrong, className = '', children }: MoreProps) {
  const [open, setOpen] = useState(false)
  return (
    <details
      open={open || wrong}
      className={className}
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="cursor-pointer py-2">{summary}</summary>
      <div className="mt-2">{children}</div>
    </details>
  )
}
