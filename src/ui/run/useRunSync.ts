'use client'

import { useCallback, useEffect, useRef, useState, type RefObject } from 'react'
import type { RunEvent } from '@/core/run'
import type { RunView } from '@/flows/read/run'
import { openOutbox } from './outbox'
import { postEvents, RunSync, type SyncView } from './sync'

/** How often a quiet page asks what another window did. */
const LOOK_MS = 2500

/** Time by a clock that never jumps, without the time the page was hidden. */
class LapClock {
  #lastTapMs: number | null = null

  pause(): void {
    this.#lastTapMs = null
  }

  resume(): void {
    this.#lastTapMs = performance.now()
  }

  lap(): number | null {
    const now = performance.now()
    const lap = this.#lastTapMs === null ? null : now - this.#lastTapMs
    this.#lastTapMs = now
    return lap
  }
}

export interface SyncedRun {
  readonly view: SyncView
  /** How it stands at this moment, ahead of the last picture drawn; `null` until it is taken up. */
  readonly now: () => SyncView | null
  readonly tap: (event: RunEvent) => void
  readonly clock: RefObject<LapClock>
  /** False until the taps an earlier page left were taken up. */
  readonly ready: boolean
  readonly persistent: boolean
}

/** The run's ledger as this window knows it, kept in step with the server. */
export function useRunSync(run: RunView): SyncedRun {
  const [view, setView] = useState<SyncView>({
    closed: run.closed,
    events: run.feed.events,
    unsent: 0,
    sync: 'kept',
    refused: 0,
  })
  const [ready, setReady] = useState(false)
  const [persistent, setPersistent] = useState(true)
  const sync = useRef<RunSync | null>(null)
  const clock = useRef(new LapClock())

  useEffect(() => {
    let gone = false
    void openOutbox(run.id, Date.now()).then(async (outbox) => {
      if (gone) return
      const started = new RunSync(run, outbox, postEvents(run.id), setView)
      sync.current = started
      setPersistent(outbox.persistent)
      await started.begin()
      clock.current.resume()
      setReady(true)
    })
    return () => {
      gone = true
      sync.current?.stop()
      sync.current = null
    }
    // A run is taken up once; what is new comes with each exchange.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [run.id])

  useEffect(() => {
    const look = () => {
      if (document.visibilityState === 'visible') void sync.current?.flush()
    }
    const onVisibility = () => {
      if (document.visibilityState === 'visible') clock.current.resume()
      else clock.current.pause()
      look()
    }
    const timer = setInterval(look, LOOK_MS)
    document.addEventListener('visibilitychange', onVisibility)
    window.addEventListener('online', look)
    return () => {
      clearInterval(timer)
      document.removeEventListener('visibilitychange', onVisibility)
      window.removeEventListener('online', look)
    }
  }, [])

  return {
    view,
    now: useCallback(() => sync.current?.view() ?? null, []),
    tap: useCallback((event: RunEvent) => void sync.current?.tap(event), []),
    clock,
    ready,
    persistent,
  }
}
