'use client'

import { useRef, useState, type KeyboardEvent, type PointerEvent, type SVGProps } from 'react'
import type { Hand } from '../arrange/hand'

/** A pointer that moves further than this drags. */
const DRAG_PX = 6

const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
}

interface Taking {
  readonly count: number
  readonly nameOf: (at: number) => string
  readonly locked: ReadonlySet<number>
  readonly exchange: (one: number, other: number) => void
  readonly hold: (at: number) => void
}

/** Pieces taken up and put down: by two presses, by dragging one onto another, or by keys. */
export function useHand({
  count,
  nameOf,
  locked,
  exchange,
  hold,
}: Taking): Hand & { readonly drop: () => void } {
  const [picked, setPicked] = useState<number | null>(null)
  const [reached, setReached] = useState(0)
  const down = useRef<{ readonly at: number; readonly x: number; readonly y: number } | null>(null)
  const take = (at: number) => {
    setReached(at)
    if (picked === null) return setPicked(at)
    setPicked(null)
    if (picked !== at) exchange(picked, at)
  }
  const onKeyDown = (at: number) => (event: KeyboardEvent<SVGUseElement>) => {
    const step = STEPS[event.key]
    if (step !== undefined) {
      const next = (at + step + count) % count
      setReached(next)
      event.currentTarget.ownerSVGElement?.querySelector<SVGUseElement>(`[data-at="${next}"]`)?.focus()
    } else if (event.key === 'Enter' || event.key === ' ') take(at)
    else if (event.key.toLowerCase() === 'h') hold(at)
    else if (event.key === 'Escape') setPicked(null)
    else return
    event.preventDefault()
  }
  const onPointerUp = (event: PointerEvent<SVGUseElement>) => {
    const from = down.current
    down.current = null
    if (!from) return
    const far = Math.hypot(event.clientX - from.x, event.clientY - from.y) > DRAG_PX
    if (!far) return take(from.at)
    const onto = document
      .elementFromPoint(event.clientX, event.clientY)
      ?.closest('[data-at]')
      ?.getAttribute('data-at')
    setPicked(null)
    if (onto !== null && onto !== undefined && Number(onto) !== from.at) exchange(from.at, Number(onto))
  }
  return {
    picked,
    locked,
    drop: () => setPicked(null),
    of: (at): SVGProps<SVGUseElement> & { readonly 'data-at': number } => ({
      'data-at': at,
      role: 'button',
      tabIndex: at === Math.min(reached, count - 1) ? 0 : -1,
      'aria-label': `Piece ${at + 1}, ${nameOf(at)}${locked.has(at) ? ', held' : ''}`,
      'aria-pressed': picked === at,
      className: 'piece-in-hand',
      onKeyDown: onKeyDown(at),
      onPointerDown: (event) => {
        down.current = { at, x: event.clientX, y: event.clientY }
        // The finger's own piece must not keep what the pointer comes over.
        if (event.currentTarget.hasPointerCapture(event.pointerId))
          event.currentTarget.releasePointerCapture(event.pointerId)
      },
      onPointerUp,
      // A press that no pointer made: a screen reader's, a voice's.
      onClick: (event) => {
        if (event.detail === 0) take(at)
      },
    }),
  }
}
