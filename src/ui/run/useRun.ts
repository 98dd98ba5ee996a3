'use client'

import { nanoid } from 'nanoid'
import { useCallback, useMemo, useRef, useState } from 'react'
import {
  RunTally,
  type Grade,
  type RunEvent,
  type RunPlan,
  type RunState,
  type SpoilReason,
} from '@/core/run'
import type { RunView } from '@/flows/read/run'
import type { SyncView } from './sync'
import {
  foldDone,
  lastUndone,
  pieceGraded,
  pieceSpoiled,
  pieceUnspoiled,
  reasonGiven,
  trayChecked,
  type TableDeed,
} from './table-deeds'
import { useRunSync, type SyncedRun } from './useRunSync'
import { useTone } from './useTone'

/** Two touches closer than this are one: a resting palm, a bouncing pedal. */
const DOUBLE_TOUCH_MS = 180
/** A tray is checked off by two presses of a key, this far apart at least: one careless press does nothing. */
const CHECK_AGAIN_MS = 400
/** Every window of one folder works in one lane: they tap the same pieces. */
const LANE = 1

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

type Act = (choose: (now: RunState) => TableDeed, guarded?: boolean) => void

/** Does what the hands did. It is read from the ledger at the moment of the tap, not from the last picture drawn. */
function useAct(plan: RunPlan, { now, tap }: Pick<SyncedRun, 'now' | 'tap'>, tones: boolean): Act {
  const sound = useTone(tones)
  const lastTouchMs = useRef(-Infinity)
  return useCallback(
    (choose, guarded = false) => {
      const known = now()
      const touchedMs = performance.now()
      if (!known || (guarded && touchedMs - lastTouchMs.current < DOUBLE_TOUCH_MS)) return
      const chosen = choose(new RunTally(plan, known.closed).addAll(known.events).state(LANE))
      if (!chosen) return
      if (guarded) lastTouchMs.current = touchedMs
      const event = { id: nanoid(), lane: LANE, atMs: Date.now(), ...chosen.deed } as RunEvent
      sound(chosen.tone)
      tap(event)
    },
    [now, plan, sound, tap],
  )
}

/** The run as this window works it: state from the ledger and the taps on their way, and the deeds. */
export function useRun(run: RunView, tones: boolean): RunAtTable {
  const synced = useRunSync(run)
  const { view, clock, ready, persistent } = synced
  const [offered, setOffered] = useState<number | null>(null)
  const offeredAtMs = useRef(-Infinity)
  const [justSpoiled, setJustSpoiled] = useState<number | null>(null)

  const state = useMemo(
    () => new RunTally(run.plan, view.closed).addAll(view.events).state(LANE),
    [run.plan, view.closed, view.events],
  )

  const act = useAct(run.plan, synced, tones)
  /** The first press of a key offers to check a tray off, the next one does. */
  const offer = useCallback(
    (now: RunState, tray: number): TableDeed => {
      const touchedMs = performance.now()
      if (offered === tray && touchedMs - offeredAtMs.current >= CHECK_AGAIN_MS) return trayChecked(now)
      if (offered !== tray) offeredAtMs.current = touchedMs
      setOffered(tray)
      return null
    },
    [offered],
  )

  const next = useCallback(
    () =>
      act((now) => {
        const { phase } = now
        if (phase.kind === 'finished' || phase.kind === 'elsewhere') return null
        setJustSpoiled(null)
        if (phase.kind === 'inspect') return offer(now, phase.tray)
        setOffered(null)
        return foldDone(run.plan, now, phase.cell, clock.current.lap())
      }, true),
    [act, clock, offer, run.plan],
  )

  const undo = useCallback(
    () =>
      act((now) => {
        setJustSpoiled(null)
        return lastUndone(now)
      }, true),
    [act],
  )

  const spoil = useCallback(
    () =>
      act((now) => {
        if (now.phase.kind !== 'fold') return null
        setJustSpoiled(now.phase.cell.piece)
        return pieceSpoiled(now, now.phase.cell.piece)
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
    checkOff: useCallback(() => act(trayChecked), [act]),
    undo,
    spoil,
    spoilPiece: useCallback((piece: number) => act((now) => pieceSpoiled(now, piece)), [act]),
    unspoilPiece: (piece, attempt) => act(() => pieceUnspoiled(piece, attempt)),
    grade: (piece, grade) => act(() => pieceGraded(piece, grade)),
    reason: (piece, reason) => {
      setJustSpoiled(null)
      act(() => reasonGiven(piece, reason))
    },
  }
}
