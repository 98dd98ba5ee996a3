'use client'

import { useState, type ReactNode } from 'react'
import type { DeedResult } from '@/flows/deed'
import type { PaperColours } from '../diagram/faces'
import { useHydrated } from '../forms/useHydrated'
import { OtherPapers } from './OtherPapers'
import { Pieces, type PiecesSeen } from './Pieces'
import { useHand } from './useHand'
import { useChanges, useKept, type KeptOrder } from './useOrder'

type NamedPaper = PaperColours & { readonly id: string; readonly name: string }

interface OrderByHandProps extends KeptOrder, Omit<PiecesSeen, 'papers'> {
  readonly papers: readonly NamedPaper[]
  /** All papers there are, to see the same order in others. */
  readonly drawer: readonly NamedPaper[]
  /** Whether there is an order to choose; else it is only seen. */
  readonly orderable: boolean
  readonly chosen: boolean
  /** The page's own button chooses it as planned. */
  readonly alone: boolean
  readonly swap: (input: object, press: string) => Promise<DeedResult<unknown>>
}

/** A line's pieces in order, for hands that would have them otherwise. */
export function OrderByHand(props: OrderByHandProps) {
  const { neighbours, papers, orderable, title } = props
  const ready = useHydrated()
  const kept = useKept(props)
  const { now, keep } = kept
  const changes = useChanges({ neighbours, papers: papers.length, now, keep })
  const { locked, exchange, hold } = changes
  const [zoom, setZoom] = useState(1)
  const [behind, setBehind] = useState(false)
  const [comparing, setComparing] = useState(false)
  const hand = useHand({
    count: now.colours.length,
    nameOf: (at) => papers[now.colours[at] ?? 0]?.name ?? '',
    locked,
    exchange,
    hold,
  })
  return (
    <div className="order-by-hand" data-ready={ready} aria-busy={kept.pending}>
      <div className={comparing ? 'grid gap-6 tablet:grid-cols-2' : undefined}>
        <div
          className={zoom > 1 ? 'max-h-[32rem] overflow-auto' : undefined}
          {...(zoom > 1 ? { role: 'region', tabIndex: 0, 'aria-label': `${title}, larger` } : {})}
        >
          <div data-view={title} style={{ width: `${100 * zoom}%` }}>
            <Pieces
              {...props}
              colours={now.colours}
              behind={behind}
              whole={zoom === 1}
              title={behind ? `${title}, from behind` : title}
              {...(orderable ? { hand } : {})}
            />
          </div>
        </div>
        {comparing ? <OtherPapers {...props} colours={now.colours} behind={behind} /> : null}
      </div>
      {orderable ? <p className="second mt-3">{handWords(hand.picked)}</p> : null}
      <Bar>
        {orderable ? <Deeds {...props} {...{ ready, kept, changes, hand }} /> : null}
        <Small onPress={() => setBehind(!behind)} ready={ready}>
          {behind ? 'From the front' : 'From behind'}
        </Small>
        <Small onPress={() => setComparing(!comparing)} ready={ready}>
          {comparing ? 'These papers alone' : 'Beside other papers'}
        </Small>
        {props.hung ? <Larger zoom={zoom} setZoom={setZoom} ready={ready} /> : null}
      </Bar>
      <p role="status" className="mt-2 font-semibold">
        {kept.problem ?? changes.words}
      </p>
    </div>
  )
}

interface DeedsProps extends Pick<OrderByHandProps, 'neighbours' | 'chosen' | 'alone'> {
  readonly ready: boolean
  readonly kept: ReturnType<typeof useKept>
  readonly changes: ReturnType<typeof useChanges>
  readonly hand: ReturnType<typeof useHand>
}

/** What can be done to the order, and taken back. */
function Deeds({
  neighbours,
  chosen,
  alone,
  ready,
  kept: { now, keep, goBack },
  changes: { locked, hold, shuffle, mirror },
  hand: { picked, drop },
}: DeedsProps) {
  const holdPicked = () => {
    hold(picked ?? 0)
    drop()
  }
  return (
    <>
      <Small onPress={shuffle} ready={ready}>
        Another order
      </Small>
      {neighbours === 'ring' || neighbours === 'line' ? (
        <Small onPress={() => mirror(neighbours)} ready={ready}>
          Mirror image
        </Small>
      ) : null}
      {picked === null ? null : (
        <Small ready={ready} onPress={holdPicked}>
          {locked.has(picked) ? 'Let it go' : 'Hold it there'}
        </Small>
      )}
      {chosen ? (
        <Small onPress={goBack} ready={ready}>
          Undo
        </Small>
      ) : alone ? null : (
        <Small onPress={() => keep(now)} ready={ready}>
          This order is right
        </Small>
      )}
    </>
  )
}

const handWords = (picked: number | null): string =>
  picked === null
    ? 'Press two pieces, or drag one onto another, and they change places. By keys: arrows, Space, H to hold.'
    : `Piece ${picked + 1} is taken up: press the one it changes places with.`

const MOST_ZOOM = 16

/** Long things are seen whole, or larger and drawn along. */
function Larger({
  zoom,
  setZoom,
  ready,
}: {
  readonly zoom: number
  readonly setZoom: (zoom: number) => void
  readonly ready: boolean
}) {
  return (
    <>
      <Small onPress={() => setZoom(2 * zoom)} ready={ready && zoom < MOST_ZOOM}>
        Larger
      </Small>
      {zoom > 1 ? (
        <Small onPress={() => setZoom(1)} ready={ready}>
          All of it
        </Small>
      ) : null}
    </>
  )
}

const Bar = ({ children }: { readonly children: ReactNode }) => (
  <div className="mt-2 flex flex-wrap gap-2">{children}</div>
)

function Small({
  onPress,
  ready,
  children,
}: {
  readonly onPress: () => void
  readonly ready: boolean
  readonly children: string
}) {
  return (
    <button type="button" className="btn btn-sm btn-outline" disabled={!ready} onClick={onPress}>
      {children}
    </button>
  )
}
