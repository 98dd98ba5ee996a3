'use client'

import { useState, type ReactNode } from 'react'
import { clashesOf, type Neighbours, type PieceSize, type Scene } from '@/core/arrange'
import { HungPieces } from '../arrange/HungPieces'
import type { PaperColours } from '../diagram/faces'
import type { SmallPicture } from '../diagram/view'
import { useHydrated } from '../forms/useHydrated'
import type { Preferences } from '../format'
import { OrderPreview } from './OrderPreview'
import { useHand } from './useHand'
import { useChanges, useKept, type KeptOrder } from './useOrder'

interface OrderByHandProps extends KeptOrder {
  readonly neighbours: Neighbours
  readonly hung: { readonly scene: Scene; readonly piece: PieceSize; readonly sheetMm: number } | null
  readonly papers: readonly (PaperColours & { readonly id: string; readonly name: string })[]
  readonly small: SmallPicture
  readonly sideUp: 'colour up' | 'colour down'
  readonly chosen: boolean
  /** The page's own button chooses it as planned. */
  readonly alone: boolean
  readonly title: string
  readonly preferences: Preferences
}

/** A line's pieces in order, for hands that would have them otherwise. */
export function OrderByHand(props: OrderByHandProps) {
  const { neighbours, hung, papers, small, sideUp, chosen, alone, title, preferences } = props
  const ready = useHydrated()
  const { now, keep, pending, problem, goBack } = useKept(props)
  const { locked, words, hold, exchange, shuffle, mirror } = useChanges({
    neighbours,
    papers: papers.length,
    now,
    keep,
  })
  const [zoom, setZoom] = useState(1)
  const hand = useHand({
    count: now.colours.length,
    nameOf: (at) => papers[now.colours[at] ?? 0]?.name ?? '',
    locked,
    exchange,
    hold,
  })
  const seen = {
    colours: now.colours,
    papers,
    small,
    sideUp,
    clashes: clashesOf(neighbours, now.colours),
    hand,
    title,
  }
  return (
    <div className="order-by-hand" data-ready={ready} aria-busy={pending}>
      <div
        className={zoom > 1 ? 'max-h-[32rem] overflow-auto' : undefined}
        {...(zoom > 1 ? { role: 'region', tabIndex: 0, 'aria-label': `${title}, larger` } : {})}
      >
        <div data-view={title} style={{ width: `${100 * zoom}%` }}>
          {hung ? (
            <HungPieces {...seen} {...hung} whole={zoom === 1} preferences={preferences} />
          ) : (
            <OrderPreview {...seen} shape={neighbours === 'line' ? 'line' : 'ring'} />
          )}
        </div>
      </div>
      <p className="second mt-3">{handWords(hand.picked)}</p>
      <Bar>
        <Small onPress={shuffle} ready={ready}>
          Another order
        </Small>
        {neighbours === 'ring' || neighbours === 'line' ? (
          <Small onPress={() => mirror(neighbours)} ready={ready}>
            Mirror image
          </Small>
        ) : null}
        {hand.picked === null ? null : (
          <Small
            ready={ready}
            onPress={() => {
              hold(hand.picked ?? 0)
              hand.drop()
            }}
          >
            {locked.has(hand.picked) ? 'Let it go' : 'Hold it there'}
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
        {hung ? <Larger zoom={zoom} setZoom={setZoom} ready={ready} /> : null}
      </Bar>
      <p role="status" className="mt-2 font-semibold">
        {problem ?? words}
      </p>
    </div>
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
