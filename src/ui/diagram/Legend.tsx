'use client'

import { useEffect, useRef } from 'react'
import type { FoldSymbol } from '@/core/fold'
import { FoldSymbols } from './FoldSymbols'
import { TurnLoop } from './TurnSymbols'
import type { View } from './view'

type Sample = readonly [symbols: readonly FoldSymbol[], says: string]

const [LEFT, RIGHT] = [
  { x: 0.08, y: 0.13 },
  { x: 0.92, y: 0.13 },
] as const
const line = (style: 'valley' | 'mountain' | 'cut', seen = true): FoldSymbol => ({
  kind: 'line',
  style,
  seen,
  from: LEFT,
  to: RIGHT,
})
const arrow = (head: Extract<FoldSymbol, { kind: 'arrow' }>['head']): FoldSymbol => ({
  kind: 'arrow',
  head,
  from: { x: 0.15, y: 0.05 },
  to: { x: 0.85, y: 0.05 },
})
const ring = (role: 'moves' | 'target' | 'end', x = 0.5): FoldSymbol => ({
  kind: 'landmark',
  at: { x, y: 0.13 },
  ...(role === 'end' ? { role } : { role, name: { kind: 'corner' } }),
})

/** Every sign of the pictures, drawn as it is there, with what it means. */
const SIGNS: readonly Sample[] = [
  [[line('valley')], 'Dashed: fold forward, a valley.'],
  [[line('mountain')], 'A dash and two dots: fold behind, a mountain.'],
  [[line('valley', false)], 'Fine dots: the line runs under other layers.'],
  [[line('cut')], 'Solid: cut.'],
  [[arrow('front')], 'Goes over to the front.'],
  [[arrow('behind')], 'Goes behind.'],
  [[arrow('there and back')], 'Fold, crease and open again.'],
  [[arrow('unfold')], 'Open.'],
  [[arrow('between')], 'Goes in between layers.'],
  [[ring('moves', 0.3), ring('target', 0.7)], 'The ringed place comes onto the one with a dot.'],
  [[line('valley'), ring('end', LEFT.x), ring('end', RIGHT.x)], 'A pinch: creased from ring to ring only.'],
  [[{ kind: 'measure', from: LEFT, to: RIGHT, share: 0.8 }], 'A length to measure: it stands beside it.'],
]

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, dialog') !== null

/** What the signs mean, one key away. */
export function Legend({ className = 'btn btn-sm btn-outline' }: { readonly className?: string }) {
  const dialog = useRef<HTMLDialogElement>(null)
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.altKey || event.ctrlKey || event.metaKey || isTyping(event.target)) return
      if (event.key === 'l' || event.key === 'L') dialog.current?.showModal()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
  return (
    <>
      <button type="button" className={className} onClick={() => dialog.current?.showModal()}>
        Signs (L)
      </button>
      <dialog ref={dialog} className="modal text-left" aria-labelledby="signs-title">
        <div className="modal-box max-w-2xl">
          <h2 id="signs-title" className="text-2xl">
            What the signs mean
          </h2>
          <dl className="mt-3 grid gap-x-6 gap-y-2 sm:grid-cols-2">
            {SIGNS.map(([symbols, says]) => (
              <div key={says} className="flex items-center gap-3">
                <dt className="shrink-0">
                  <Sign symbols={symbols} />
                </dt>
                <dd className="text-base">{says}</dd>
              </div>
            ))}
            <div className="flex items-center gap-3">
              <dt className="shrink-0">
                <Loop />
              </dt>
              <dd className="text-base">Turn the piece over, about the ticks outside it.</dd>
            </div>
          </dl>
          <form method="dialog" className="modal-action">
            <button className="btn btn-primary">Close</button>
          </form>
        </div>
      </dialog>
    </>
  )
}

/** Signs are as large here as on a picture a third as wide. */
const VIEW: View = {
  x: (value) => 300 * value,
  y: (value) => 110 - 300 * value,
  width: 300,
  height: 140,
  scale: 300,
  mirrored: false,
}

const Sign = ({ symbols }: { readonly symbols: readonly FoldSymbol[] }) => (
  <svg viewBox={`0 0 ${VIEW.width} ${VIEW.height}`} className="h-14 w-28" aria-hidden>
    <FoldSymbols symbols={symbols} view={VIEW} more={0} length={() => ''} />
  </svg>
)

/** The loop alone: its ticks stand outside the paper. */
const Loop = () => (
  <svg viewBox="-140 -70 280 140" className="h-14 w-28" aria-hidden>
    <TurnLoop />
  </svg>
)
