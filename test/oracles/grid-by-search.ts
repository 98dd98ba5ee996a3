/**
 * The fewest sheets that give so many equal pieces, by trying every number of sheets of each size: a slow second way
 * for one or two sheet sizes. *Returns* `null` where all sheets together do not give enough.
 */
export function fewestSheets(
  pieces: number,
  sheets: readonly { readonly available: number; readonly perSheet: number }[],
): number | null {
  const [first, ...rest] = sheets
  if (pieces <= 0) return 0
  if (!first) return null
  let best: number | null = null
  for (let count = 0; count <= first.available; count++) {
    const others = fewestSheets(pieces - count * first.perSheet, rest)
    if (others !== null && (best === null || count + others < best)) best = count + others
  }
  return best
}
