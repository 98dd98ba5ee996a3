import { least } from '../numeric'
/** A line and what goes on each of its pieces. */
export interface JoinCounts {
  readonly pieces: number
  readonly folded: number
  readonly parts: readonly { readonly perPiece: number; readonly folded: number }[]
}

/** Pieces that can be joined with what is folded: the scarcest part decides. Never more than are wanted. */
export const joinable = ({ pieces, folded, parts }: JoinCounts): number =>
  least(
    parts.map((part) => Math.floor(part.folded / part.perPiece)),
    Math.min(pieces, folded),
  )
