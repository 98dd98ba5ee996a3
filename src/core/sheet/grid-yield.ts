import { requireRange } from '../errors'
import { SAME_LENGTH_UM } from '../numeric'

/** A rectangle in whole micrometres. */
export interface SizeUm {
  readonly widthUm: number
  readonly heightUm: number
}

export const sameSize = (a: SizeUm, b: SizeUm): boolean =>
  a.widthUm === b.widthUm && a.heightUm === b.heightUm

/** Across flats by across corners of a regular hexagon: the height by width of the piece it is cut from, two corners at its sides. */
export const HEXAGON_HIGH_PER_WIDE = Math.sqrt(3) / 2

/** Corners of the regular hexagon that a rectangle of its proportions holds, two of them at the ends of its long way. */
export function hexagonIn({
  x,
  y,
  width,
  height,
}: {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}): readonly { readonly x: number; readonly y: number }[] {
  const shares = [
    [0, 0.5],
    [0.25, 1],
    [0.75, 1],
    [1, 0.5],
    [0.75, 0],
    [0.25, 0],
  ] as const
  const lies = width >= height
  return shares.map(([along, through]) => ({
    x: x + width * (lies ? along : through),
    y: y + height * (lies ? through : along),
  }))
}

/** A piece by its width and how often that goes into its height; 1 is a square. */
export const pieceSizeUm = (widthUm: number, highPerWide: number): SizeUm => ({
  widthUm,
  heightUm: Math.max(1, Math.round(widthUm * highPerWide)),
})

/** A grid of equal pieces on one sheet; `turned` when the piece's width runs along the sheet's height. */
export interface Grid {
  readonly columns: number
  readonly rows: number
  readonly turned: boolean
  readonly count: number
}

const MOST_UM = 100_000_000

const fits = (lengthUm: number, pieceUm: number): number => Math.floor((lengthUm + SAME_LENGTH_UM) / pieceUm)

/** The grid of `piece` on `sheet`, upright or turned; `count` 0 where it is larger than the sheet. */
export function gridOf(sheet: SizeUm, piece: SizeUm, turned: boolean): Grid {
  const [alongUm, acrossUm] = turned ? [piece.heightUm, piece.widthUm] : [piece.widthUm, piece.heightUm]
  const columns = fits(sheet.widthUm, alongUm)
  const rows = fits(sheet.heightUm, acrossUm)
  return { columns, rows, turned, count: columns * rows }
}

/**
 * The better of the two grids of `piece` on `sheet`, no margin and no kerf; upright wins a tie.
 * *Returns* a grid with `count` 0 where the piece is larger than the sheet.
 * *Throws* `OUT_OF_RANGE` for a side below 1 um or over 100 m.
 */
export function bestGrid(sheet: SizeUm, piece: SizeUm): Grid {
  for (const [name, valueUm] of [
    ['sheet width', sheet.widthUm],
    ['sheet height', sheet.heightUm],
    ['piece width', piece.widthUm],
    ['piece height', piece.heightUm],
  ] as const)
    requireRange(name, valueUm, 'um', 1, MOST_UM)
  const upright = gridOf(sheet, piece, false)
  const turned = gridOf(sheet, piece, true)
  return turned.count > upright.count ? turned : upright
}
