'use client'

import { useEffect, useRef } from 'react'
import type { FoldSymbol } from '@/core/fold'
import { HiddenEdges, OpenEdges } from './FoldDiagram'
import { FoldSymbols } from './FoldSymbols'
import { TurnLoop } from './TurnSymbols'
import { pathOf, type View } from './view'

type Sample = readonly [symbols: readonly FoldSymbol[], says: string, more?: number]

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

const edge = (role: 'moves' | 'target', y: number): FoldSymbol => ({
  kind: 'landmark line',
  from: { x: LEFT.x, y },
  to: { x: RIGHT.x, y },
  role,
  name: { kind: 'raw', steps: [] },
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
  [[arrow('front')], 'Two bars: the same twice more, elsewhere.', 2],
  [[ring('moves', 0.3), ring('target', 0.7)], 'The ringed place comes onto the one with a dot.'],
  [[edge('moves', 0.05), edge('target', 0.13)], 'Edges in colour: the stronger comes onto the weaker.'],
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
        <div className="modal-box max-w-5xl">
          <h2 id="signs-title" className="text-2xl">
            What the signs mean
          </h2>
          <dl className="mt-3 grid gap-x-6 gap-y-2 sm:grid-cols-2 lg:grid-cols-3">
            {SIGNS.map(([symbols, says, more = 0]) => (
              <Entry key={says} says={says}>
                <Sign>
                  <FoldSymbols symbols={symbols} view={VIEW} more={more} length={() => ''} />
                </Sign>
              </Entry>
            ))}
            <Entry says="Turn the piece over, about the ticks outside it.">
              <Loop />
            </Entry>
            <Entry says="Edges drawn apart: several layers end there, open.">
              <Sign>
                <Sheet />
                <OpenEdges edges={[...EDGE, 2, 0, -1]} view={VIEW} />
              </Sign>
            </Entry>
            <Entry says="Dotted, when hidden edges are shown: an edge or a crease under other layers.">
              <Sign>
                <Sheet />
                <HiddenEdges edges={BELOW} view={VIEW} />
              </Sign>
            </Entry>
            <Entry says="In a circle beside the picture: where a short fold is, drawn larger.">
              <Enlarged />
            </Entry>
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

const Entry = ({ says, children }: { readonly says: string; readonly children: React.ReactNode }) => (
  <div className="flex items-center gap-3">
    <dt className="shrink-0">{children}</dt>
    <dd className="text-base">{says}</dd>
  </div>
)

const Sign = ({ children }: { readonly children: React.ReactNode }) => (
  <svg viewBox={`0 0 ${VIEW.width} ${VIEW.height}`} className="h-14 w-28" aria-hidden>
    {children}
  </svg>
)

/** A part of a sheet, its lower edge, and an edge that runs under it. */
const EDGE = [LEFT.x, 0.08, RIGHT.x, 0.08] as const
const BELOW = [LEFT.x, 0.15, RIGHT.x, 0.25] as const
const SHEET = [...EDGE, RIGHT.x, 0.32, LEFT.x, 0.32]

const Sheet = () => (
  <path d={pathOf(VIEW, SHEET)} fill="var(--color-base-100)" stroke="var(--paper-line)" strokeWidth={4.5} />
)

/** A corner with a short fold, small and in its circle. */
const Enlarged = () => (
  <svg viewBox="0 0 300 140" className="h-14 w-28" aria-hidden fill="none" strokeLinecap="round">
    <g stroke="var(--paper-line)" strokeWidth={4.5}>
      <path d="M20 30H110V120H20Z" />
      <circle cx={220} cy={70} r={62} />
      <path d="M172 31H256V108" />
    </g>
    <g stroke="var(--fold-line)" strokeWidth={6}>
      <path d="M96 30L110 44" strokeDasharray="5 5" strokeWidth={4} />
      <path d="M214 31L256 73" strokeDasharray="16 12" />
    </g>
  </svg>
)

/** The loop alone: its ticks stand outside the paper. */
const Loop = () => (
  <svg viewBox="-140 -70 280 140" className="h-14 w-28" aria-hidden>
    <TurnLoop />
  </svg>
)
