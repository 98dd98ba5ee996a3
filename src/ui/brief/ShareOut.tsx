'use client'

import { useId, useState } from 'react'
import { sharedAs } from './ratio'

interface ShareOutProps {
  /** Pieces to share; `null` where they cannot be read yet. */
  readonly pieces: number | null
  readonly papers: number
  readonly onShared: (counts: readonly number[]) => void
}

/** Shares the pieces of a line over its papers: evenly where nothing is written, else as "60/30/10" or "2:1" says. */
export function ShareOut({ pieces, papers, onShared }: ShareOutProps) {
  const id = useId()
  const [text, setText] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const share = () => {
    if (pieces === null) return
    const shared = sharedAs(text, pieces, papers)
    setWrong(shared.ok ? null : shared.words)
    if (shared.ok) onShared(shared.counts)
  }
  return (
    <div className="flex flex-col gap-1">
      <div className="flex items-end gap-2">
        <label className="text-sm font-semibold" htmlFor={id}>
          Share as
          <input
            id={id}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onKeyDown={(event) => {
              // Enter shares; it must not send the brief.
              if (event.key !== 'Enter') return
              event.preventDefault()
              share()
            }}
            placeholder={papers === 2 ? '60/40' : '60/30/10'}
            aria-invalid={wrong !== null}
            aria-describedby={wrong === null ? undefined : `${id}-error`}
            className="input input-sm mt-1 block w-28 font-normal"
          />
        </label>
        <button type="button" className="btn btn-sm btn-ghost" disabled={pieces === null} onClick={share}>
          {text.trim() === '' ? 'Share evenly' : 'Share so'}
        </button>
      </div>
      {wrong === null ? null : (
        <p id={`${id}-error`} role="alert" className="max-w-52 text-sm font-semibold text-error">
          {wrong}
        </p>
      )}
    </div>
  )
}
