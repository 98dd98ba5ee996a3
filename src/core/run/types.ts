/** How much one tap stands for. Fixed when a run starts. */
export const TAP_GRAINS = ['fold', 'stage', 'piece'] as const
export type TapGrain = (typeof TAP_GRAINS)[number]

/** Fold each piece from start to end, or carry one step (or stage) across the whole tray before the next. */
export const TRAY_ORDERS = ['piece by piece', 'across the tray'] as const
export type TrayOrder = (typeof TRAY_ORDERS)[number]

/** A usable piece's grade; a spoiled piece has none. */
export const GRADES = ['good', 'back row', 'repaired'] as const
export type Grade = (typeof GRADES)[number]

export const SPOIL_REASONS = [
  'torn',
  'uneven',
  'wrong side up',
  'off the line',
  'too thick to fold',
  'marked or wet',
  'other',
] as const
export type SpoilReason = (typeof SPOIL_REASONS)[number]

/** A step as a run needs it, in working order. */
export interface RunStep {
  readonly stage: number
  readonly repeats: number
}

/** Taps that one run takes: three hundred hours at one every twenty seconds. */
export const MOST_TAPS = 50_000

/** What is fixed when a run starts. `wanted` counts usable units; spares are folded only as pieces are spoiled. */
export interface RunPlan {
  readonly steps: readonly RunStep[]
  readonly grain: TapGrain
  readonly order: TrayOrder
  readonly traySize: number
  readonly wanted: number
}

/** One tap's place: piece (ordinal from 1), step (index from 0), repeat (from 1). */
export interface Cell {
  readonly piece: number
  readonly step: number
  readonly repeat: number
}

interface EventBase {
  /** Made by the client; the same id counts once. */
  readonly id: string
  readonly lane: number
  /** Wall clock of the client, UTC milliseconds. */
  readonly atMs: number
}

/**
 * What happened at the table. `attempt` numbers the tries at one cell or piece: undoing attempt n settles it for
 * good, and the next try carries n + 1. So events may arrive twice, late or out of order and mean the same. A tap
 * carries its grain and names the last fold it covers: a coarse one settles every finer cell under it. A tray belongs
 * to the lane that taps in it first; a tap from another lane still counts.
 */
export type RunEvent = EventBase &
  (
    | (Cell & {
        readonly kind: 'done'
        /** How much it stands for; the run's own grain in taps from before they carried it. */
        readonly grain?: TapGrain | undefined
        readonly attempt: number
        /** Time since the tap before, by a monotonic clock; `null` for the first after a pause. */
        readonly lapMs: number | null
      })
    | (Cell & {
        readonly kind: 'undo'
        readonly grain?: TapGrain | undefined
        readonly attempt: number
      })
    | { readonly kind: 'spoil'; readonly piece: number; readonly attempt: number }
    | { readonly kind: 'unspoil'; readonly piece: number; readonly attempt: number }
    | { readonly kind: 'grade'; readonly piece: number; readonly grade: Grade }
    | { readonly kind: 'reason'; readonly piece: number; readonly reason: SpoilReason }
    | { readonly kind: 'inspect'; readonly pieces: readonly number[] }
  )
