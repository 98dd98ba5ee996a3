'use client'

import { useState } from 'react'
import { useWatch } from 'react-hook-form'
import { fitText, LETTERS_MM, tooLongBy, type Panel } from '@/core/card'
import { FieldError } from '../forms/Field'
import { useHydrated } from '../forms/useHydrated'
import { formatLength, plural, type Preferences } from '../format'
import type { LineFieldsProps } from './line-props'

/** Letters are measured this large, and told by the size of the type. */
const MEASURED_PX = 100

/** How wide a text is in letters of size 1, as this browser sets it in our own typeface. */
function measuring(): (text: string) => number {
  const pen = document.createElement('canvas').getContext('2d')
  if (pen) pen.font = `${MEASURED_PX}px ${getComputedStyle(document.body).fontFamily}`
  return (text) => (pen?.measureText(text).width ?? 0) / MEASURED_PX
}

/** Whether a message fits, and how large. */
function fitWords(text: string, panel: Panel, preferences: Preferences): { fits: boolean; words: string } {
  const widthOf = measuring()
  const fitted = fitText(text, panel, widthOf)
  const size = (mm: number) => `${mm.toFixed(1)} mm`
  if (fitted)
    return {
      fits: true,
      words: `It fits in letters of ${size(fitted.letterMm)}, in ${plural(fitted.lines.length, 'line')}.`,
    }
  const over = tooLongBy(text, panel, widthOf)
  return {
    fits: false,
    words: `It does not fit ${formatLength(panel.widthMm, preferences)} x ${formatLength(panel.highMm, preferences)} in letters of ${size(LETTERS_MM.least)}: ${plural(over, 'letter')} too long.`,
  }
}

interface CardMessageProps extends Pick<LineFieldsProps, 'index' | 'form' | 'preferences'> {
  /** What may be written on: the back of the card, or its inside, within the margin. */
  readonly panel: Panel
}

/** What is written on every card, and whether it fits. */
export function CardMessage({ index, form, panel, preferences }: CardMessageProps) {
  const name = `lines.${index}.message` as const
  const text = useWatch({ control: form.control, name })
  const ready = useHydrated()
  const [open, setOpen] = useState(text !== '')
  if (!open)
    return (
      <div>
        <button
          type="button"
          className="btn btn-sm btn-outline"
          disabled={!ready}
          onClick={() => setOpen(true)}
        >
          Write on the cards
        </button>
      </div>
    )
  const words = ready && text.trim() !== '' ? fitWords(text, panel, preferences) : null
  return (
    <div>
      <label className="block text-sm font-semibold" htmlFor={name}>
        Written on each card
      </label>
      <textarea
        id={name}
        {...form.register(name)}
        rows={3}
        className="textarea mt-1 w-full max-w-prose"
        aria-invalid={form.error(name) !== undefined}
        aria-describedby={`${name}-fits`}
      />
      <p id={`${name}-fits`} aria-live="polite" className={words?.fits === false ? 'font-semibold' : ''}>
        {words?.words}
      </p>
      <FieldError id={name} error={form.error(name)} />
    </div>
  )
}
