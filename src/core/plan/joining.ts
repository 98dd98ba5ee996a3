import { joinable } from './joinable'
import { sum, type LineProgress } from './progress'

/** A line whose pieces are joined: of several units, or with other lines' pieces on them. */
export interface Joining {
  readonly line: LineProgress
  /** Lines whose pieces go on this one's. */
  readonly attached: readonly LineProgress[]
  readonly pieces: number
  readonly joined: number
  readonly joinable: number
}

export const unitsPerPieceOf = ({ line }: LineProgress): number =>
  sum(line.parts, ({ unitsPerPiece }) => unitsPerPiece)

/** What there is to join, line by line. */
export const joiningsOf = (
  lines: readonly LineProgress[],
  joined: ReadonlyMap<string, number>,
): readonly Joining[] =>
  lines.flatMap((line) => {
    const attached = lines.filter((other) => other.line.attachedTo === line.line.id)
    if (attached.length === 0 && unitsPerPieceOf(line) === 1) return []
    const { pieces } = line.line
    return [
      {
        line,
        attached,
        pieces,
        joined: joined.get(line.line.id) ?? 0,
        joinable: joinable({
          pieces,
          folded: line.foldedPieces,
          parts: attached.map((part) => ({ perPiece: part.line.perPiece ?? 1, folded: part.foldedPieces })),
        }),
      },
    ]
  })
