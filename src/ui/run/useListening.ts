'use client'

import { useEffect, useState } from 'react'

interface TableKeys {
  readonly next: () => void
  readonly undo: () => void
  readonly spoil: () => void
}

const NEXT = new Set([' ', 'Enter'])
const UNDO = new Set(['Backspace', 'u', 'U'])
const SPOIL = new Set(['s', 'S'])

const onControl = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('a, button, input, select, textarea, dialog[open], [role=radio]') !== null

/** Listens to the keys of the table; a held key counts once. *Returns* whether keys reach this page at all. */
export function useListening({ next, undo, spoil }: TableKeys): boolean {
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
      else return
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
  }, [next, undo, spoil])
  return listening
}
