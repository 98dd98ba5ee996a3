'use client'

import { useOptimistic, useState, useTransition } from 'react'
import { arrangeInOrder, mirroredOrder, type Neighbours, type Shape } from '@/core/arrange'
import type { DeedResult } from '@/flows/deed'
import { NO_ANSWER, refusalWords } from '../format'

/** What is kept of an order: which paper at each position, as an index, what is held, and the seed it came by. */
export interface Arranged {
  readonly colours: readonly number[]
  readonly locked: readonly number[]
  readonly seed: number
}

export interface KeptOrder {
  readonly lineId: string
  /** The papers, in the order that positions name them by. */
  readonly papers: readonly { readonly id: string }[]
  /** As it is kept, or planned. */
  readonly order: Arranged
  readonly choose: (input: object) => Promise<DeedResult<unknown>>
  /** Takes the order as it is kept back. */
  readonly undo: () => Promise<DeedResult<unknown>>
}

/** The order as it is on screen, kept with every change; what is refused goes back to what was kept. */
export function useKept({ lineId, order, papers, choose, undo }: KeptOrder) {
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
  return { now, keep, pending, problem, goBack: () => send(undo, null) }
}

const swapped = (colours: readonly number[], one: number, other: number): readonly number[] =>
  colours.map((colour, at) =>
    at === one ? (colours[other] ?? colour) : at === other ? (colours[one] ?? colour) : colour,
  )

interface Changing {
  readonly neighbours: Neighbours
  readonly papers: number
  readonly now: Arranged
  readonly keep: (next: Arranged) => void
}

/** What can be done to an order, each kept at once; `words` say why one cannot. */
export function useChanges({ neighbours, papers, now, keep }: Changing) {
  const [words, setWords] = useState<string | null>(null)
  const locked = new Set(now.locked)
  const counts = Array.from(
    { length: papers },
    (_, paper) => now.colours.filter((colour) => colour === paper).length,
  )
  const change = (to: Partial<Arranged>) => {
    setWords(null)
    keep({ ...now, ...to })
  }
  return {
    locked,
    words,
    hold: (at: number) =>
      change({ locked: locked.has(at) ? now.locked.filter((one) => one !== at) : [...now.locked, at] }),
    exchange: (one: number, other: number) => {
      if (now.colours[one] !== now.colours[other]) change({ colours: swapped(now.colours, one, other) })
    },
    shuffle: () => {
      const seed = now.seed + 1
      const held = new Map(now.locked.map((at) => [at, now.colours[at] ?? 0]))
      change({ seed, colours: arrangeInOrder({ neighbours, counts, locked: held, seed }).colours })
    },
    mirror: (shape: Shape) => {
      const found = mirroredOrder(shape, counts)
      if ('odd' in found) setWords(noMirrorWords(found))
      else change({ locked: [], colours: found.colours })
    },
  }
}

const noMirrorWords = ({ odd, places }: { readonly odd: number; readonly places: number }): string =>
  `No mirror image: ${odd} colours come an odd number of times, and ${
    places === 0 ? 'none may' : places === 1 ? 'one may, at the middle' : 'two may, on the axis'
  }. Change shares in the brief by one.`
