import type { Joining } from './joining'
import type { LineProgress } from './progress'

/** What of a line is owed to who ordered it. Pieces that go on others go with them. */
export interface Owed {
  readonly line: LineProgress
  readonly pieces: number
  readonly handedOver: number
  readonly owed: number
  /** Folded, and joined where there is something to join; not handed over yet. */
  readonly ready: number
}

export const owedOf = (lines: readonly LineProgress[], joinings: readonly Joining[]): readonly Owed[] =>
  lines
    .filter(({ line }) => line.attachedTo === null)
    .map((line) => {
      const joining = joinings.find((one) => one.line === line)
      const { pieces } = line.line
      const done = joining ? Math.min(joining.joined, pieces) : line.foldedPieces
      return {
        line,
        pieces,
        handedOver: line.handedOver,
        owed: Math.max(0, pieces - line.handedOver),
        ready: Math.max(0, done - line.handedOver),
      }
    })
