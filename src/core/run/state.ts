import { largest } from '../numeric'
import { countedLapMs } from '../time'
import { cellKey, cellsOf, piecesOfTray, tapsOf } from './cells'
import type { Cell, Grade, RunEvent, RunPlan, SpoilReason } from './types'

/** One piece as far as it has got. */
export interface PieceState {
  readonly piece: number
  readonly tapsDone: number
  readonly finished: boolean
  readonly spoiled: boolean
  readonly inspected: boolean
  readonly grade: Grade
  readonly reason: SpoilReason | null
  /** Counted folding time; breaks left out. */
  readonly activeMs: number
  /** Client's wall clock at its last tap; `null` before the first. */
  readonly lastTapAtMs: number | null
}

/** What the hands do now. */
export type Phase =
  | { readonly kind: 'fold'; readonly cell: Cell; readonly tray: number }
  | { readonly kind: 'inspect'; readonly tray: number; readonly pieces: readonly number[] }
  | { readonly kind: 'finished' }

/** The act that undo takes back. */
export type Act =
  | { readonly kind: 'done'; readonly cell: Cell; readonly attempt: number }
  | { readonly kind: 'spoil'; readonly piece: number; readonly attempt: number }

export interface RunState {
  readonly phase: Phase
  /** Ordinals in play: the pieces wanted plus one for each spoiled. */
  readonly total: number
  readonly usable: number
  readonly spoiled: number
  readonly pieces: readonly PieceState[]
  readonly lastAct: Act | null
  /** The attempt that the next tap at a cell, or the next spoiling of a piece, must carry. */
  readonly attemptAt: (cell: Cell) => number
  readonly spoilAttempt: (piece: number) => number
}

interface Ledger {
  readonly undoneCell: Map<string, number>
  readonly undonePiece: Map<number, number>
  readonly done: Map<string, Extract<RunEvent, { kind: 'done' }>>
  readonly spoiled: Map<number, Extract<RunEvent, { kind: 'spoil' }>>
  readonly grade: Map<number, Grade>
  readonly reason: Map<number, SpoilReason>
  readonly inspected: Set<number>
}

const raise = <Key>(map: Map<Key, number>, key: Key, attempt: number): void => {
  map.set(key, Math.max(map.get(key) ?? -1, attempt))
}

/** Highest attempt undone, by cell and by piece. Gathered first, so that an undo holds wherever it stands. */
function gatherUndone(events: readonly RunEvent[], ledger: Ledger): void {
  for (const event of events) {
    if (event.kind === 'undo') raise(ledger.undoneCell, cellKey(event), event.attempt)
    if (event.kind === 'unspoil') raise(ledger.undonePiece, event.piece, event.attempt)
  }
}

function gather(events: readonly RunEvent[]): Ledger {
  const ledger: Ledger = {
    undoneCell: new Map(),
    undonePiece: new Map(),
    done: new Map(),
    spoiled: new Map(),
    grade: new Map(),
    reason: new Map(),
    inspected: new Set(),
  }
  gatherUndone(events, ledger)
  for (const event of events) {
    if (event.kind === 'done') {
      const key = cellKey(event)
      if (event.attempt > (ledger.undoneCell.get(key) ?? -1) && !ledger.done.has(key))
        ledger.done.set(key, event)
    } else if (event.kind === 'spoil') {
      const { piece, attempt } = event
      if (attempt > (ledger.undonePiece.get(piece) ?? -1) && !ledger.spoiled.has(piece))
        ledger.spoiled.set(piece, event)
    } else if (event.kind === 'grade') ledger.grade.set(event.piece, event.grade)
    else if (event.kind === 'reason') ledger.reason.set(event.piece, event.reason)
    else if (event.kind === 'inspect') event.pieces.forEach((piece) => ledger.inspected.add(piece))
  }
  return ledger
}

function pieceStates(plan: RunPlan, ledger: Ledger, total: number): readonly PieceState[] {
  const taps = tapsOf(plan.steps, plan.grain)
  const highest = largest(
    [...ledger.done.values()].map((event) => event.piece),
    total,
  )
  return Array.from({ length: highest }, (_, index) => {
    const piece = index + 1
    const done = taps.flatMap((tap) => ledger.done.get(cellKey({ piece, ...tap })) ?? [])
    return {
      piece,
      tapsDone: done.length,
      finished: done.length === taps.length,
      spoiled: ledger.spoiled.has(piece),
      inspected: ledger.inspected.has(piece),
      grade: ledger.grade.get(piece) ?? 'good',
      reason: ledger.reason.get(piece) ?? null,
      activeMs: done.reduce((sum, event) => sum + countedLapMs(event.lapMs, plan.grain), 0),
      lastTapAtMs: done.length === 0 ? null : largest(done.map((event) => event.atMs)),
    }
  })
}

function phaseOf(plan: RunPlan, ledger: Ledger, pieces: readonly PieceState[], total: number): Phase {
  for (let tray = 0; tray * plan.traySize < total; tray++) {
    const inTray = piecesOfTray(plan, tray, total)
    const toFold = inTray.filter((piece) => !ledger.spoiled.has(piece) && !pieces[piece - 1]?.finished)
    const cell = cellsOf(plan, toFold).find((candidate) => !ledger.done.has(cellKey(candidate)))
    if (cell) return { kind: 'fold', cell, tray }
    if (inTray.some((piece) => !ledger.inspected.has(piece))) return { kind: 'inspect', tray, pieces: inTray }
  }
  return { kind: 'finished' }
}

function lastActOf(events: readonly RunEvent[], ledger: Ledger): Act | null {
  const last = events.findLast(
    (event) =>
      (event.kind === 'done' && ledger.done.get(cellKey(event)) === event) ||
      (event.kind === 'spoil' && ledger.spoiled.get(event.piece) === event),
  )
  if (last?.kind === 'done') {
    const { piece, step, repeat, attempt } = last
    return { kind: 'done', cell: { piece, step, repeat }, attempt }
  }
  return last?.kind === 'spoil' ? { kind: 'spoil', piece: last.piece, attempt: last.attempt } : null
}

/**
 * The state of a run from its ledger. Which cells are done and which pieces spoiled does not depend on the order or
 * the repetition of events; only the last act, grades and reasons (the latest counts) follow the order given.
 * *Cost* linear in events plus cells. Empty input is a run not yet begun.
 */
export function runState(plan: RunPlan, events: readonly RunEvent[]): RunState {
  const ledger = gather(events)
  const total = plan.wanted + ledger.spoiled.size
  const pieces = pieceStates(plan, ledger, total)
  return {
    phase: phaseOf(plan, ledger, pieces, total),
    total,
    usable: pieces.filter((piece) => piece.finished && !piece.spoiled).length,
    spoiled: ledger.spoiled.size,
    pieces,
    lastAct: lastActOf(events, ledger),
    attemptAt: (cell) => (ledger.undoneCell.get(cellKey(cell)) ?? -1) + 1,
    spoilAttempt: (piece) => (ledger.undonePiece.get(piece) ?? -1) + 1,
  }
}
