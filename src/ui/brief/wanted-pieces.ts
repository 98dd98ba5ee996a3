import type { LineValues } from './form-values'

/** A whole number as it is typed; `null` while it is none. */
export const typedCount = (text: string): number | null =>
  /^\s*\d{1,6}\s*$/.test(text) ? Number(text) : null

type Counted = Pick<LineValues, 'id' | 'pieces' | 'perPiece' | 'attachedTo'>

/** Pieces a line has in all, as far as its text can be read: as many as it says, or so many on each of another's. */
export function wantedPieces(line: Counted, lines: readonly Counted[]): number | null {
  if (line.attachedTo === '') return typedCount(line.pieces)
  const host = lines.find(({ id }) => id === line.attachedTo)
  const [each, on] = [typedCount(line.perPiece), typedCount(host?.pieces ?? '')]
  return each === null || on === null ? null : each * on
}
