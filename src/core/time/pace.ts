import { requireRange } from '../errors'

/** How many logged pieces the usual pace weighs as much as. Our own choice, see docs/decisions. */
export const USUAL_WEIGHS_PIECES = 4

/** What the log knows of how long a design takes. */
export interface LoggedTime {
  readonly pieces: number
  readonly seconds: number
  readonly runs: number
  /** Seconds a piece of the fastest and of the slowest run. */
  readonly fastest: number
  readonly slowest: number
}

/** Runs agree where the slowest takes no more than so many times what the fastest does. Our own choice. */
const AGREE_WITHIN = 2

/**
 * What of the log counts: one run by itself, or two that do not agree, weighs no more than the usual time; from the third
 * on all of it counts.
 */
export function trustedTime({ pieces, seconds, runs, fastest, slowest }: LoggedTime): {
  readonly pieces: number
  readonly seconds: number
} {
  const agreed = runs >= 3 || (runs === 2 && slowest <= AGREE_WITHIN * fastest)
  const counted = agreed ? pieces : Math.min(pieces, USUAL_WEIGHS_PIECES)
  return { pieces: counted, seconds: pieces === 0 ? 0 : (seconds * counted) / pieces }
}

/** Time a piece takes, and how much of that is the user's own log. */
export interface Pace {
  readonly secondsPerPiece: number
  readonly loggedPieces: number
}

/**
 * The pace to plan with: the design's usual time, drawn towards the log as pieces come in.
 * With nothing logged it is the usual time; with 4 pieces logged it is half way.
 * *Throws* `OUT_OF_RANGE`.
 */
export function paceFrom(usualMinutes: number, loggedPieces: number, loggedSeconds: number): Pace {
  requireRange('usual minutes', usualMinutes, 'min', 0, 600)
  requireRange('logged pieces', loggedPieces, '', 0, 1e9)
  requireRange('logged time', loggedSeconds, 's', 0, 1e12)
  return {
    secondsPerPiece:
      (USUAL_WEIGHS_PIECES * usualMinutes * 60 + loggedSeconds) / (USUAL_WEIGHS_PIECES + loggedPieces),
    loggedPieces,
  }
}
