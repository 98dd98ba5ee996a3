'use client'

import {
  useOptimistic,
  useRef,
  useState,
  useTransition,
  type KeyboardEvent,
  type PointerEvent,
  type SVGProps,
} from 'react'
import {
  arrangeInOrder,
  clashesOf,
  mirroredOrder,
  type Neighbours,
  type PieceSize,
  type Scene,
  type Shape,
} from '@/core/arrange'
import type { DeedResult } from '@/flows/deed'
import type { Hand } from '../arrange/hand'
import { HungPieces } from '../arrange/HungPieces'
import type { PaperColours } from '../diagram/faces'
import type { SmallPicture } from '../diagram/view'
import { useHydrated } from '../forms/useHydrated'
import { refusalWords, type Preferences } from '../format'
import { OrderPreview } from './OrderPreview'

/** What is kept of an order: which paper at each position, as an index, what is held, and the seed it came by. */
interface Arranged {
  readonly colours: readonly number[]
  readonly locked: readonly number[]
  readonly seed: number
}

interface OrderByHandProps {
  readonly lineId: string
  readonly neighbours: Neighbours
  readonly hung: { readonly scene: Scene; readonly piece: PieceSize; readonly sheetMm: number } | null
  readonly papers: readonly (PaperColours & { readonly id: string; readonly name: string })[]
  readonly small: SmallPicture
  readonly sideUp: 'colour up' | 'colour down'
  /** As it is kept, or planned. */
  readonly order: Arranged
  readonly chosen: boolean
  /** The page's own button chooses it as planned. */
  readonly alone: boolean
  readonly title: string
  readonly preferences: Preferences
  readonly choose: (input: object) => Promise<DeedResult<unknown>>
  readonly undo: (lineId: string) => Promise<DeedResult<unknown>>
}

const NO_ANSWER = 'Kelpfield did not answer. The order is as it was kept last; try again in a moment.'
/** A pointer that moves further than this drags. */
const DRAG_PX = 6

/** The order as it is on screen, kept with every change; what is refused goes back to what was kept. */
function useKept({ lineId, order, papers, choose, undo }: OrderByHandProps) {
  const [now, show] = useOptimistic(order)
  const [pending, start] = useTransition()
  const [problem, setProblem] = useState<string | null>(null)
  const send = (act: () => Promise<DeedResult<unknown>>, next: Arranged | null) =>
    start(async () => {
      if (next) show(next)
      try {
        const result = await act()
        setProblem(result.ok ? null : refusalWords(result))
      } catch {
        setProblem(NO_ANSWER)
      }
    })
  const keep = (next: Arranged) => {
    const { colours, locked, seed } = next
    const ids = papers.map(({ id }) => id)
    const body = { lineId, seed, papers: ids, at: [...colours], locked: [...locked] }
    send(() => choose(body), next)
  }
  return { now, keep, pending, problem, goBack: () => send(() => undo(lineId), null) }
}

const swapped = (colours: readonly number[], one: number, other: number): readonly number[] =>
  colours.map((colour, at) =>
    at === one ? (colours[other] ?? colour) : at === other ? (colours[one] ?? colour) : colour,
  )

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
function useHand({ count, nameOf, locked, exchange, hold }: Taking): Hand & { readonly drop: () => void } {
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
    else if (event.key === 'h') hold(at)
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
    }),
  }
}

/** A line's pieces in order, for hands that would have them otherwise. */
export function OrderByHand(props: OrderByHandProps) {
  const { neighbours, hung, papers, small, sideUp, chosen, alone, title, preferences } = props
  const ready = useHydrated()
  const { now, keep, pending, problem, goBack } = useKept(props)
  const [words, setWords] = useState<string | null>(null)
  const [zoom, setZoom] = useState(1)
  const locked = new Set(now.locked)
  const counts = papers.map((_, paper) => now.colours.filter((colour) => colour === paper).length)
  const hold = (at: number) =>
    keep({
      ...now,
      locked: locked.has(at) ? now.locked.filter((one) => one !== at) : [...now.locked, at],
    })
  const hand = useHand({
    count: now.colours.length,
    nameOf: (at) => papers[now.colours[at] ?? 0]?.name ?? '',
    locked,
    exchange: (one, other) => {
      setWords(null)
      if (now.colours[one] !== now.colours[other]) keep({ ...now, colours: swapped(now.colours, one, other) })
    },
    hold,
  })
  const shuffle = () => {
    const seed = now.seed + 1
    const held = new Map(now.locked.map((at) => [at, now.colours[at] ?? 0]))
    setWords(null)
    keep({ ...now, seed, colours: arrangeInOrder({ neighbours, counts, locked: held, seed }).colours })
  }
  const mirror = (shape: Shape) => {
    const found = mirroredOrder(shape, counts)
    if ('odd' in found) return setWords(noMirrorWords(found))
    setWords(null)
    keep({ ...now, locked: [], colours: found.colours })
  }
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
      <p className="second mt-3">
        {hand.picked === null
          ? 'Press two pieces, or drag one onto another, and they change places. By keys: arrows, Space, H to hold.'
          : `Piece ${hand.picked + 1} is taken up: press the one it changes places with.`}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
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
      </div>
      <p role="status" className="mt-2 font-semibold">
        {problem ?? words}
      </p>
    </div>
  )
}

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

const noMirrorWords = ({ odd, places }: { readonly odd: number; readonly places: number }): string =>
  `No mirror image: ${odd} colours come an odd number of times, and ${
    places === 0 ? 'none may' : places === 1 ? 'one may, at the middle' : 'two may, on the axis'
  }. Change shares in the brief by one.`

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
