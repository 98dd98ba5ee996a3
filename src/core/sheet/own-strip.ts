import { bestGrid, gridOf, type SizeUm } from './grid-yield'

/** What a sheet gives of a piece, and of another out of what is left beside it. */
export interface OwnStrip {
  readonly pieces: number
  readonly beside: number
}

/** What is left of a sheet beside a grid of pieces: along its whole side, and above the grid; cut straight through. */
function leftBeside(
  sheet: SizeUm,
  piece: SizeUm,
): { readonly pieces: number; readonly left: readonly SizeUm[] } {
  const { columns, rows, count, turned } = bestGrid(sheet, piece)
  const [alongUm, acrossUm] = turned ? [piece.heightUm, piece.widthUm] : [piece.widthUm, piece.heightUm]
  const [usedUm, highUm] = [columns * alongUm, rows * acrossUm]
  const left = [
    { widthUm: sheet.widthUm - usedUm, heightUm: sheet.heightUm },
    { widthUm: usedUm, heightUm: sheet.heightUm - highUm },
  ]
  return {
    pieces: count,
    left: count === 0 ? [] : left.filter(({ widthUm, heightUm }) => widthUm > 0 && heightUm > 0),
  }
}

/** How many of `beside` come out of the strips that a sheet leaves beside its squares or rectangles. */
export function ownStrip(sheet: SizeUm, piece: SizeUm, beside: SizeUm): OwnStrip {
  const { pieces, left } = leftBeside(sheet, piece)
  return {
    pieces,
    beside: left.reduce(
      (sum, strip) => sum + Math.max(gridOf(strip, beside, false).count, gridOf(strip, beside, true).count),
      0,
    ),
  }
}

/**
 * The longest side, in steps, at which so many of a shape for every piece come out of the strips left beside them; 0 where
 * not even one step does. `highPerWide` is the shape's height by its width, which is its side.
 */
export function longestBeside(
  sheet: SizeUm,
  piece: SizeUm,
  {
    highPerWide,
    stepUm,
    each,
  }: { readonly highPerWide: number; readonly stepUm: number; readonly each: number },
): number {
  const enough = (steps: number) => {
    const widthUm = Math.round(steps * stepUm)
    const { pieces, beside } = ownStrip(sheet, piece, {
      widthUm,
      heightUm: Math.round(widthUm * highPerWide),
    })
    return pieces > 0 && beside >= each * pieces
  }
  let [low, high] = [0, Math.ceil(Math.max(sheet.widthUm, sheet.heightUm) / stepUm) + 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (enough(middle)) low = middle
    else high = middle
  }
  return Math.round(low * stepUm)
}
