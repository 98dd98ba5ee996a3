'use client'

import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { sharedAs } from '@/schema/ratio'
import { SelectField } from '../forms/fields'
import type { FormOf } from '../forms/useDeedForm'
import type { BriefValues } from './form-values'

interface ShareOutProps {
  readonly form: FormOf<BriefValues>
  readonly line: number
  /** Pieces to share; `null` where they cannot be read yet. */
  readonly pieces: number | null
  readonly papers: number
  readonly onShared: (counts: readonly number[]) => void
}

/**
 * Shares the pieces of a line over its papers: evenly where nothing is written, else as "60/30/10" or "2:1" says. What is
 * written stays with the line and is followed when there are more pieces or fewer.
 */
export function ShareOut({ form, line, pieces, papers, onShared }: ShareOutProps) {
  const at = `lines.${line}` as const
  const id = `${at}.shares`
  const [text, sharing] = useWatch({ control: form.control, name: [`${at}.shares`, `${at}.sharing`] })
  const [wrong, setWrong] = useState<string | null>(null)
  const written = text.trim() !== ''
  const share = (method = sharing) => {
    if (pieces === null) return
    const shared = sharedAs(text, pieces, papers, method)
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
            {...form.register(`${at}.shares`)}
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
        <button
          type="button"
          className="btn btn-sm btn-ghost"
          disabled={pieces === null}
          onClick={() => share()}
        >
          {written ? 'Share so' : 'Share evenly'}
        </button>
        {written ? (
          <SelectField
            form={form}
            name={`${at}.sharing`}
            label="In whole numbers"
            control="select-sm w-56"
            choices={[
              ['largest remainder', 'as near as can be'],
              ['sainte-lague', 'more never takes one away'],
            ]}
          />
        ) : null}
      </div>
      {wrong === null ? null : (
        <p id={`${id}-error`} role="alert" className="max-w-52 text-sm font-semibold text-error">
          {wrong}
        </p>
      )}
    </div>
  )
}
