/**
 * A lap longer than this is an interruption and does not count as folding time: someone at the door. By what a tap
 * stands for: a fold, a stage or a whole piece. Our own choice, see docs/decisions.
 */
export const BREAK_AFTER_MS = { fold: 5 * 60_000, stage: 15 * 60_000, piece: 45 * 60_000 } as const

/** No fold takes a hand less: taps that come faster were made afterwards. Our own choice, see docs/decisions. */
export const LEAST_FOLD_MS = 500

/** A lap as it counts: itself, or 0 where it is unknown or a break. */
export const countedLapMs = (lapMs: number | null, grain: keyof typeof BREAK_AFTER_MS): number =>
  lapMs === null || lapMs < 0 || lapMs > BREAK_AFTER_MS[grain] ? 0 : lapMs
