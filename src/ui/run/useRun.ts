'use client'

import { nanoid } from 'nanoid'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { RunTally, type Grade, type RunEvent, type RunState, type SpoilReason } from '@/core/run'
import type { RunView } from '@/flows/read/run'
import { openOutbox } from './outbox'
import { postEvents, RunSync, type SyncView } from './sync'
import { playTone, type Tone } from './tones'

/** Two touches closer than this are one: a resting palm, a bouncing pedal. */
const DOUBLE_TOUCH_MS = 180
/** How often a quiet page asks what another window did. */
const LOOK_MS = 2500
/** A tray is checked off by two presses of a key, this far apart at least: one careless press does nothing. */
const CHECK_AGAIN_MS = 400
/** Every window of one folder works in one lane: they tap the same pieces. */
const LANE = 1

type Unplaced<Event> = Event extends RunEvent ? Omit<Event, 'id' | 'lane' | 'atMs'> : never
type Deed = Unplaced<RunEvent>

export interface RunAtTable {
  readonly state: RunState
  readonly sync: SyncView['sync']
  readonly unsent: number
  readonly refused: number
  readonly persistent: boolean
  /** False until the taps an earlier page left were taken up. */
  readonly ready: boolean
  /** The tray that one press of a key has offered to check off; the next press does. */
  readonly offered: number | null
  /** The piece spoiled last, until the next tap: its reason can be given by one key. */
  readonly justSpoiled: number | null
  /** The next fold; at the end of a tray, its checking off. */
  readonly next: () => void
  /** Checks the tray off at once: for a button that says so. */
  readonly checkOff: () => void
  readonly undo: () => void
  readonly spoil: () => void
  readonly spoilPiece: (piece: number) => void
  readonly unspoilPiece: (piece: number, attempt: number) => void
  readonly grade: (piece: number, grade: Grade) => void
  readonly reason: (piece: number, reason: SpoilReason) => void
}

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

/** A tray is right once every spoiled piece has its reason. */
function checked(pieces: readonly number[], pieceAt: RunState['piece']): { deed: Deed; tone: Tone } | null {
  const open = pieces.some((piece) => pieceAt(piece).spoiled && pieceAt(piece).reason === null)
  return open ? null : { deed: { kind: 'inspect', pieces }, tone: 'done' }
}

/** The run as this window works it: state from the ledger and the taps on their way, and the deeds. */
export function useRun(run: RunView, tones: boolean): RunAtTable {
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
  const lastTouchMs = useRef(-Infinity)
  const audio = useRef<AudioContext | null>(null)
  const [offered, setOffered] = useState<number | null>(null)
  const offeredAtMs = useRef(-Infinity)
  const [justSpoiled, setJustSpoiled] = useState<number | null>(null)

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

  const state = useMemo(
    () => new RunTally(run.plan, view.closed).addAll(view.events).state(LANE),
    [run.plan, view.closed, view.events],
  )

  const sound = useCallback(
    (tone: Tone) => {
      if (!tones) return
      try {
        audio.current ??= new AudioContext()
        playTone(audio.current, tone)
      } catch {
        audio.current = null
      }
    },
    [tones],
  )

  /** What the hands do is read from the ledger at the moment of the tap, not from the last picture drawn. */
  const act = useCallback(
    (choose: (now: RunState) => { deed: Deed; tone: Tone } | null, guarded: boolean) => {
      const current = sync.current
      const touchedMs = performance.now()
      if (!current || (guarded && touchedMs - lastTouchMs.current < DOUBLE_TOUCH_MS)) return
      const known = current.view()
      const chosen = choose(new RunTally(run.plan, known.closed).addAll(known.events).state(LANE))
      if (!chosen) return
      if (guarded) lastTouchMs.current = touchedMs
      const event = { id: nanoid(), lane: LANE, atMs: Date.now(), ...chosen.deed } as RunEvent
      sound(chosen.tone)
      void current.tap(event)
    },
    [run.plan, sound],
  )

  const next = useCallback(
    () =>
      act(({ phase, attemptAt, piece: pieceAt }) => {
        if (phase.kind === 'finished' || phase.kind === 'elsewhere') return null
        setJustSpoiled(null)
        if (phase.kind === 'inspect') {
          const touchedMs = performance.now()
          if (offered === phase.tray && touchedMs - offeredAtMs.current >= CHECK_AGAIN_MS)
            return checked(phase.pieces, pieceAt)
          if (offered !== phase.tray) offeredAtMs.current = touchedMs
          setOffered(phase.tray)
          return null
        }
        setOffered(null)
        const { cell } = phase
        const last = run.plan.steps[cell.step]?.repeats === cell.repeat
        return {
          deed: {
            kind: 'done',
            ...cell,
            grain: run.plan.grain,
            attempt: attemptAt(cell),
            lapMs: clock.current.lap(),
          },
          tone: last ? 'row' : 'next',
        }
      }, true),
    [act, offered, run.plan],
  )

  const checkOff = useCallback(
    () =>
      act(
        ({ phase, piece: pieceAt }) => (phase.kind === 'inspect' ? checked(phase.pieces, pieceAt) : null),
        false,
      ),
    [act],
  )

  const undo = useCallback(
    () =>
      act(({ lastAct }) => {
        setJustSpoiled(null)
        if (!lastAct) return null
        const deed: Deed =
          lastAct.kind === 'done'
            ? { kind: 'undo', ...lastAct.cell, grain: lastAct.grain, attempt: lastAct.attempt }
            : { kind: 'unspoil', piece: lastAct.piece, attempt: lastAct.attempt }
        return { deed, tone: 'undo' }
      }, true),
    [act],
  )

  const spoilPiece = useCallback(
    (piece: number) =>
      act(({ spoilAttempt, piece: pieceAt }) => {
        if (pieceAt(piece).spoiled) return null
        return { deed: { kind: 'spoil', piece, attempt: spoilAttempt(piece) }, tone: 'undo' }
      }, false),
    [act],
  )

  const spoil = useCallback(
    () =>
      act(({ phase, spoilAttempt }) => {
        if (phase.kind !== 'fold') return null
        const { piece } = phase.cell
        setJustSpoiled(piece)
        return { deed: { kind: 'spoil', piece, attempt: spoilAttempt(piece) }, tone: 'undo' }
      }, true),
    [act],
  )

  return {
    state,
    sync: view.sync,
    unsent: view.unsent,
    refused: view.refused,
    persistent,
    ready,
    offered,
    justSpoiled,
    next,
    checkOff,
    undo,
    spoil,
    spoilPiece,
    unspoilPiece: (piece, attempt) =>
      act(() => ({ deed: { kind: 'unspoil', piece, attempt }, tone: 'undo' }), false),
    grade: (piece, grade) => act(() => ({ deed: { kind: 'grade', piece, grade }, tone: 'next' }), false),
    reason: (piece, reason) => {
      setJustSpoiled(null)
      act(() => ({ deed: { kind: 'reason', piece, reason }, tone: 'next' }), false)
    },
  }
}
