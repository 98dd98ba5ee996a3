import type { SizeUm } from '@/core/sheet'

/** Whether all pieces come off one sheet by edge-to-edge cuts in whole units, turned or not: every cut is tried. */
function partsInto(sheet: SizeUm, pieces: readonly SizeUm[]): (mask: number) => boolean {
  const known = new Map<string, boolean>()
  const fits = (piece: SizeUm, width: number, height: number) =>
    (piece.widthUm <= width && piece.heightUm <= height) ||
    (piece.heightUm <= width && piece.widthUm <= height)
  const can = (width: number, height: number, mask: number): boolean => {
    if (mask === 0) return true
    const key = `${width} ${height} ${mask}`
    const before = known.get(key)
    if (before !== undefined) return before
    const only = Math.log2(mask)
    const answer = Number.isInteger(only)
      ? fits(pieces[only] ?? sheet, width, height)
      : cutsOf(width, height).some(([first, second]) => {
          for (let part = (mask - 1) & mask; part > 0; part = (part - 1) & mask)
            if (can(...first, part) && can(...second, mask & ~part)) return true
          return false
        })
    known.set(key, answer)
    return answer
  }
  return (mask) => can(sheet.widthUm, sheet.heightUm, mask)
}

type Part = readonly [width: number, height: number]

const cutsOf = (width: number, height: number): readonly (readonly [Part, Part])[] => [
  ...Array.from({ length: width - 1 }, (_, at): [Part, Part] => [
    [at + 1, height],
    [width - at - 1, height],
  ]),
  ...Array.from({ length: height - 1 }, (_, at): [Part, Part] => [
    [width, at + 1],
    [width, height - at - 1],
  ]),
]

/**
 * The fewest equal sheets that a few pieces come off by edge-to-edge cuts, by trying everything: sizes in whole units
 * of one digit, at most six pieces. *Returns* `null` where a piece fits no sheet.
 */
export function fewestSheetsOf(sheet: SizeUm, pieces: readonly SizeUm[]): number | null {
  const can = partsInto(sheet, pieces)
  const all = 2 ** pieces.length - 1
  const fewest = new Map<number, number | null>([[0, 0]])
  const fewestFor = (mask: number): number | null => {
    const before = fewest.get(mask)
    if (before !== undefined) return before
    let best: number | null = null
    for (let part = mask; part > 0; part = (part - 1) & mask) {
      if (!can(part)) continue
      const rest = fewestFor(mask & ~part)
      if (rest !== null && (best === null || rest + 1 < best)) best = rest + 1
    }
    fewest.set(mask, best)
    return best
  }
  return fewestFor(all)
}
