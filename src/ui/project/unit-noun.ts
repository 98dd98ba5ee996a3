import type { LineView } from '@/flows/read/line-view'

/** What a project's folded things are called: units where any piece is made of several. */
export const unitNoun = ({
  lines,
}: {
  readonly lines: readonly Pick<LineView, 'unitsPerPiece'>[]
}): 'piece' | 'unit' => (lines.some(({ unitsPerPiece }) => unitsPerPiece > 1) ? 'unit' : 'piece')
