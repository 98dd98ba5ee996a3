'use client'

import { useEffect, useState } from 'react'
import { SPOIL_REASONS, type SpoilReason } from '@/core/run'

interface TableKeys {
  readonly next: () => void
  readonly undo: () => void
  readonly spoil: () => void
  readonly justSpoiled: number | null
  readonly reason: (piece: number, reason: SpoilReason) => void
}

const NEXT = new Set([' ', 'Enter'])
const UNDO = new Set(['Backspace', 'u', 'U'])
const SPOIL = new Set(['s', 'S'])

/** Reasons by the keys 1, 2, 3 and so on. */
const reasonOfKey = (key: string): SpoilReason | undefined =>
  /^[1-9]$/.test(key) ? SPOIL_REASONS[Number(key) - 1] : undefined

const onControl = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('a, button, input, select, textarea, dialog[open], [role=radio]') !== null

/** Listens to the keys of the table; a held key counts once. *Returns* whether keys reach this page at all. */
export function useListening({ next, undo, spoil, justSpoiled, reason }: TableKeys): boolean {
  const [listening, setListening] = useState(true)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return
      if (event.repeat) {
        // A held Enter would press a focused button again and again.
        if (NEXT.has(event.key)) event.preventDefault()
        return
      }
      // A control with the ring around it keeps its own Space and Enter.
      if (onControl(event.target)) return
      if (NEXT.has(event.key)) next()
      else if (UNDO.has(event.key)) undo()
      else if (SPOIL.has(event.key)) spoil()
      else {
        const given = reasonOfKey(event.key)
        if (justSpoiled === null || given === undefined) return
        reason(justSpoiled, given)
      }
      event.preventDefault()
    }
    const update = () => setListening(document.hasFocus())
    update()
    window.addEventListener('keydown', onKey)
    window.addEventListener('focus', update)
    window.addEventListener('blur', update)
    return () => {
      window.removeEventListener('keydown', onKey)
      window.removeEventListener('focus', update)
      window.removeEventListener('blur', update)
    }
  }, [next, undo, spoil, justSpoiled, reason])
  return listening
}
