import { requireRange } from '../errors'

/** How many logged pieces the usual pace weighs as much as. Our own choice, see docs/decisions. */
export const USUAL_WEIGHS_PIECES = 4

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
