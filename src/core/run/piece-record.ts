import { largest } from '../numeric'
import { countedLapMs } from '../time'
import { tapKey, type Folds, type TapAt } from './folds'
import type { Grade, RunEvent, SpoilReason, TapGrain } from './types'

type Done = Extract<RunEvent, { kind: 'done' }>
type Spoil = Extract<RunEvent, { kind: 'spoil' }>

/** One piece as far as it has got. */
export interface PieceState {
  readonly piece: number
  /** Folds that are done, of all there are. */
  readonly foldsDone: number
  readonly share: number
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

/**
 * Everything that happened to one piece. Which folds are done and whether it is spoiled does not depend on the order
 * or repetition of its events: an undo settles one attempt for good, and a coarse tap covers every finer one.
 */
export class PieceRecord {
  readonly piece: number
  readonly #folds: Folds
  readonly #grain: TapGrain
  readonly #done = new Map<string, Done[]>()
  readonly #undone = new Map<string, number>()
  readonly #spoils: Spoil[] = []
  #unspoilt = -1
  #grade: Grade = 'good'
  #reason: SpoilReason | null = null
  #inspected = false
  #covered: Uint8Array | null = null
  #state: PieceState | null = null

  constructor(piece: number, folds: Folds, grain: TapGrain) {
    this.piece = piece
    this.#folds = folds
    this.#grain = grain
  }

  add(event: RunEvent): void {
    switch (event.kind) {
      case 'done': {
        const key = this.#keyOf(event)
        const tries = this.#done.get(key)
        if (tries) tries.push(event)
        else this.#done.set(key, [event])
        break
      }
      case 'undo':
        this.#undone.set(
          this.#keyOf(event),
          Math.max(this.#undone.get(this.#keyOf(event)) ?? -1, event.attempt),
        )
        break
      case 'spoil':
        this.#spoils.push(event)
        break
      case 'unspoil':
        this.#unspoilt = Math.max(this.#unspoilt, event.attempt)
        break
      case 'grade':
        this.#grade = event.grade
        break
      case 'reason':
        this.#reason = event.reason
        break
      case 'inspect':
        this.#inspected = true
    }
    this.#state = this.#covered = null
  }

  /** Whether this very event counts now: it is the first of its place that was not undone. */
  stands(event: Done | Spoil): boolean {
    if (event.kind === 'spoil') return this.#spoil() === event
    return this.#doneAt(this.#keyOf(event)) === event
  }

  /** The attempt that the next tap of that kind must carry. */
  attemptAt(tap: TapAt): number {
    return (this.#undone.get(tapKey(tap)) ?? -1) + 1
  }

  spoilAttempt(): number {
    return this.#unspoilt + 1
  }

  /** Whether all folds that a tap would cover are done. */
  covers(tap: TapAt): boolean {
    const range = this.#folds.coveredBy(tap)
    const covered = this.#coverage()
    return range !== null && covered.subarray(range[0], range[1]).every((fold) => fold === 1)
  }

  get state(): PieceState {
    this.#state ??= this.#derive()
    return this.#state
  }

  #keyOf({
    grain = this.#grain,
    step,
    repeat,
  }: {
    grain?: TapGrain | undefined
    step: number
    repeat: number
  }): string {
    return tapKey({ grain, step, repeat })
  }

  #doneAt(key: string): Done | undefined {
    const undone = this.#undone.get(key) ?? -1
    return this.#done.get(key)?.find(({ attempt }) => attempt > undone)
  }

  #spoil(): Spoil | undefined {
    return this.#spoils.find(({ attempt }) => attempt > this.#unspoilt)
  }

  #standing(): readonly Done[] {
    return [...this.#done.keys()].flatMap((key) => this.#doneAt(key) ?? [])
  }

  #coverage(): Uint8Array {
    if (this.#covered) return this.#covered
    const covered = new Uint8Array(this.#folds.count)
    for (const { grain = this.#grain, step, repeat } of this.#standing()) {
      const range = this.#folds.coveredBy({ grain, step, repeat })
      if (range) covered.fill(1, range[0], range[1])
    }
    return (this.#covered = covered)
  }

  #derive(): PieceState {
    const foldsDone = this.#coverage().reduce((sum, fold) => sum + fold, 0)
    const standing = this.#standing()
    const { count } = this.#folds
    const taps = standing.map(({ atMs }) => atMs)
    return {
      piece: this.piece,
      foldsDone,
      share: count === 0 ? 0 : foldsDone / count,
      finished: foldsDone === count,
      spoiled: this.#spoil() !== undefined,
      inspected: this.#inspected,
      grade: this.#grade,
      reason: this.#reason,
      activeMs: standing.reduce((sum, { lapMs, grain = this.#grain }) => sum + countedLapMs(lapMs, grain), 0),
      lastTapAtMs: taps.length === 0 ? null : largest(taps),
    }
  }
}
