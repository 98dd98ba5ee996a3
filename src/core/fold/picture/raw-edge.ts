import type { FoldedState } from '../state/types'
import { seenFrom } from './visible'

/**
 * How much of the sheet's own edge is in sight on a folded piece, from above and from below together, as a share of the
 * sheet's side: where the sheet was torn, that much of the tear shows.
 */
export function rawEdgeSeen(state: FoldedState): number {
  const lengths = (['above', 'below'] as const).flatMap((from) =>
    seenFrom(state, from)
      .edges.filter(({ kind, seen }) => kind === 'raw' && seen)
      .map(({ from: p, to: q }) => Math.hypot(q.x - p.x, q.y - p.y)),
  )
  return lengths.reduce((sum, length) => sum + length, 0)
}
