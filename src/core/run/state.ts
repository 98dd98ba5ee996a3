import { LEAST_FOLD_MS } from '../time'
import { cellsOf, piecesOfTray } from './cells'
import { Folds, type TapAt } from './folds'
import { PieceRecord, type PieceState } from './piece-record'
import type { Cell, RunEvent, RunPlan } from './types'

/** What the hands do now. */
export type Phase =
  | { readonly kind: 'fold'; readonly cell: Cell; readonly tray: number }
  | { readonly kind: 'inspect'; readonly tray: number; readonly pieces: readonly number[] }
  /** All that is left is in the trays of other lanes. */
  | { readonly kind: 'elsewhere' }
  | { readonly kind: 'finished' }

/** The act that undo takes back. */
export type Act =
  | { readonly kind: 'done'; readonly cell: Cell; readonly grain: TapAt['grain']; readonly attempt: number }
  | { readonly kind: 'spoil'; readonly piece: number; readonly attempt: number }

/** How a run stands. */
export interface RunState {
  readonly phase: Phase
  /** Ordinals in play: the pieces wanted plus one for each spoiled. */
  readonly total: number
  readonly usable: number
  readonly spoiled: number
  readonly activeMs: number
  readonly lastAct: Act | null
  readonly piece: (ordinal: number) => PieceState
  /** The highest ordinal that anything is known of, or in play. */
  readonly highest: number
  /** The attempt that the next tap at a cell, or the next spoiling of a piece, must carry. */
  readonly attemptAt: (cell: Cell) => number
  readonly spoilAttempt: (piece: number) => number
}

/** Pieces added up. */
export interface RunSums {
  readonly usable: number
  readonly spoiled: number
  readonly activeMs: number
}

/** What the log learns from a run. */
export interface RunHistory {
  /** Units by how they came out: `folded:` with the grade, `spoiled:` with the reason, empty where none was given. */
  readonly outcomes: ReadonlyMap<string, number>
  /** Folded units that have a time, and what they took together. */
  readonly timedUnits: number
  readonly timedMs: number
  /** The latest that any tap bears. */
  readonly lastTapAtMs: number | null
}

/** The first pieces of a run, all in trays that are closed, as sums: what a long run begins from without its taps. */
export type ClosedPieces = RunSums & { readonly pieces: number }

export const NONE_CLOSED: ClosedPieces = { pieces: 0, usable: 0, spoiled: 0, activeMs: 0 }

/** Whether an event is about a piece that is known only as a part of a sum: then the whole ledger is wanted. */
export function isBehind({ pieces }: ClosedPieces, event: RunEvent): boolean {
  const about = event.kind === 'inspect' ? event.pieces : [event.piece]
  return about.every((piece) => piece <= pieces) && about.length > 0
}

const sumsOf = ({ finished, spoiled, activeMs }: PieceState): RunSums => ({
  usable: finished && !spoiled ? 1 : 0,
  spoiled: spoiled ? 1 : 0,
  activeMs,
})

const plus = (a: RunSums, b: RunSums, sign: 1 | -1): RunSums => ({
  usable: a.usable + sign * b.usable,
  spoiled: a.spoiled + sign * b.spoiled,
  activeMs: a.activeMs + sign * b.activeMs,
})

/** Pieces that stay open to undo behind the tray in hand. */
const KEPT_BEHIND = 24

/**
 * A run's ledger added up as it comes: each event costs what its own piece costs, however long the ledger is. Adding
 * the same events in another order, or twice, gives the same folds and spoiled pieces; the last act, grades, reasons
 * and whose tray it is follow the order given.
 */
export class RunTally {
  readonly plan: RunPlan
  readonly #folds: Folds
  readonly #records = new Map<number, PieceRecord>()
  readonly #acts: Extract<RunEvent, { kind: 'done' | 'spoil' }>[] = []
  readonly #lanes = new Map<number, number>()
  #highest = 0
  /** Pieces up to this one are known as sums only. */
  readonly #from: number
  #sums: RunSums
  /** No tray before this one is open. */
  #firstOpen = 0
  #touched = new Set<number>()
  /** Pieces that were added to since the sums were made up, as they were then. */
  readonly #unsettled = new Map<number, PieceState>()
  readonly #outcomes = new Map<string, number>()
  #timedUnits = 0
  #timedMs = 0
  #lastTapAtMs: number | null = null

  constructor(plan: RunPlan, closed: ClosedPieces = NONE_CLOSED) {
    this.plan = plan
    this.#folds = new Folds(plan)
    this.#sums = closed
    this.#highest = closed.pieces
    this.#from = closed.pieces
    this.#firstOpen = Math.floor(closed.pieces / plan.traySize)
  }

  /** The closed pieces far enough behind that nobody undoes them, as sums. */
  closedPieces(): ClosedPieces {
    this.#settle()
    this.#phase(null)
    const trays = this.#firstOpen - Math.ceil(KEPT_BEHIND / this.plan.traySize) - 1
    const pieces = Math.max(0, trays * this.plan.traySize)
    let sums: RunSums = NONE_CLOSED
    for (let piece = 1; piece <= pieces; piece++) sums = plus(sums, sumsOf(this.piece(piece)), 1)
    return { ...sums, pieces }
  }

  add(event: RunEvent): void {
    const pieces = event.kind === 'inspect' ? event.pieces : [event.piece]
    for (const piece of pieces) if (piece > this.#from) this.#change(piece, event)
    if (event.kind === 'done' && event.atMs > (this.#lastTapAtMs ?? -Infinity)) this.#lastTapAtMs = event.atMs
    if (event.kind === 'done' || event.kind === 'spoil') {
      this.#acts.push(event)
      const tray = this.#trayOf(event.piece)
      if (!this.#lanes.has(tray)) this.#lanes.set(tray, event.lane)
    }
  }

  addAll(events: readonly RunEvent[]): this {
    for (const event of events) this.add(event)
    return this
  }

  #total(): number {
    return this.plan.wanted + this.#sums.spoiled
  }

  /** A piece's state; of one that nothing is known of, a blank one. */
  piece = (ordinal: number): PieceState => this.#recordOf(ordinal).state

  /** Ordinals of the pieces that changed since this was asked last. */
  takeTouched(): readonly number[] {
    this.#settle()
    const touched = [...this.#touched].sort((a, b) => a - b)
    this.#touched = new Set()
    return touched
  }

  /** How the run stands now, as the folder of a lane sees it; `null` for all lanes together. */
  state(lane: number | null = 1): RunState {
    this.#settle()
    const { usable, spoiled, activeMs } = this.#sums
    return {
      phase: this.#phase(lane),
      total: this.#total(),
      usable,
      spoiled,
      activeMs,
      lastAct: this.#lastAct(),
      piece: this.piece,
      highest: Math.max(this.#total(), this.#highest),
      attemptAt: (cell) => this.#recordOf(cell.piece).attemptAt({ ...cell, grain: this.plan.grain }),
      spoilAttempt: (piece) => this.#recordOf(piece).spoilAttempt(),
    }
  }

  /** What the log learns from: units by how they came out, and those that took a known time. */
  get history(): RunHistory {
    this.#settle()
    return {
      outcomes: this.#outcomes,
      timedUnits: this.#timedUnits,
      timedMs: this.#timedMs,
      lastTapAtMs: this.#lastTapAtMs,
    }
  }

  #count(state: PieceState, sign: 1 | -1): void {
    const { spoiled, finished, grade, reason } = state
    if (!spoiled && !finished) return
    const key = spoiled ? `spoiled:${reason ?? ''}` : `folded:${grade}`
    this.#outcomes.set(key, (this.#outcomes.get(key) ?? 0) + sign)
    const ms = Math.round(state.activeMs)
    // No hand folds so fast: the taps were made afterwards, and tell no time.
    if (spoiled || ms === 0 || ms < LEAST_FOLD_MS * this.#folds.count) return
    this.#timedUnits += sign
    this.#timedMs += sign * ms
  }

  #trayOf(piece: number): number {
    return Math.floor((piece - 1) / this.plan.traySize)
  }

  #recordOf(ordinal: number): PieceRecord {
    return this.#records.get(ordinal) ?? new PieceRecord(ordinal, this.#folds, this.plan.grain)
  }

  #change(ordinal: number, event: RunEvent): void {
    const record = this.#recordOf(ordinal)
    // Sums are made up when they are asked for: a whole ledger looks at each piece once.
    if (!this.#unsettled.has(ordinal)) this.#unsettled.set(ordinal, record.state)
    this.#records.set(ordinal, record)
    record.add(event)
  }

  /** Brings the sums up to what was added since they were asked for last. */
  #settle(): void {
    for (const [ordinal, before] of this.#unsettled) {
      const after = this.piece(ordinal)
      this.#count(before, -1)
      this.#count(after, 1)
      this.#sums = plus(plus(this.#sums, sumsOf(after), 1), sumsOf(before), -1)
      this.#highest = Math.max(this.#highest, ordinal)
      this.#touched.add(ordinal)
      this.#firstOpen = Math.min(this.#firstOpen, this.#trayOf(ordinal))
      // A spoiled piece adds a blank one behind the last: the last tray may be open again.
      if (after.spoiled !== before.spoiled)
        this.#firstOpen = Math.min(this.#firstOpen, this.#trayOf(this.#total()))
    }
    this.#unsettled.clear()
  }

  /** The next tap in a tray, or its looking over; `null` where the tray is closed. */
  #inTray(tray: number): Phase | null {
    const pieces = piecesOfTray(this.plan, tray, this.#total())
    const records = new Map(pieces.map((piece) => [piece, this.#recordOf(piece)]))
    const toFold = pieces.filter((piece) => {
      const state = records.get(piece)?.state
      return state !== undefined && !state.spoiled && !state.finished
    })
    if (toFold.length > 0) {
      const { grain } = this.plan
      const cell = cellsOf(this.plan, toFold).find(
        (one) => !records.get(one.piece)?.covers({ ...one, grain }),
      )
      if (cell) return { kind: 'fold', cell, tray }
    }
    return pieces.some((piece) => records.get(piece)?.state.inspected === false)
      ? { kind: 'inspect', tray, pieces }
      : null
  }

  #phase(lane: number | null): Phase {
    let elsewhere = false
    for (let tray = this.#firstOpen; tray * this.plan.traySize < this.#total(); tray++) {
      const phase = this.#inTray(tray)
      if (phase === null) {
        if (tray === this.#firstOpen) this.#firstOpen++
        continue
      }
      if (lane === null || (this.#lanes.get(tray) ?? lane) === lane) return phase
      elsewhere = true
    }
    return { kind: elsewhere ? 'elsewhere' : 'finished' }
  }

  #lastAct(): Act | null {
    const last = this.#acts.findLast((event) => this.#recordOf(event.piece).stands(event))
    if (last === undefined) return null
    const { piece, attempt } = last
    if (last.kind === 'spoil') return { kind: 'spoil', piece, attempt }
    const { step, repeat, grain = this.plan.grain } = last
    return { kind: 'done', cell: { piece, step, repeat }, grain, attempt }
  }
}

/** The state of a run from its ledger. *Cost* linear in the events. Empty input is a run not yet begun. */
export const runState = (plan: RunPlan, events: readonly RunEvent[], lane: number | null = 1): RunState =>
  new RunTally(plan).addAll(events).state(lane)

/** Every piece in play, in order. */
export const piecesOf = ({ highest, piece }: Pick<RunState, 'highest' | 'piece'>): readonly PieceState[] =>
  Array.from({ length: highest }, (_, index) => piece(index + 1))
