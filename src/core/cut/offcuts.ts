import { largest } from '../numeric'
import type { Grid, SizeUm } from '../sheet'

/** Offcuts narrower than this are not worth keeping: 2 cm. Common practice, no source. */
export const SMALLEST_OFFCUT_UM = 20_000

const keeps = (size: SizeUm): boolean => Math.min(size.widthUm, size.heightUm) >= SMALLEST_OFFCUT_UM

const area = (size: SizeUm): number => size.widthUm * size.heightUm

/** How the pieces of a sheet lie: full columns, then perhaps one column that is only partly used. */
interface Block {
  readonly alongUm: number
  readonly acrossUm: number
  readonly fullColumns: number
  readonly restRows: number
}

function blockOf(piece: SizeUm, grid: Grid, pieces: number): Block {
  const [alongUm, acrossUm] = grid.turned ? [piece.heightUm, piece.widthUm] : [piece.widthUm, piece.heightUm]
  const fullColumns = grid.rows === 0 ? 0 : Math.floor(pieces / grid.rows)
  return { alongUm, acrossUm, fullColumns, restRows: pieces - fullColumns * grid.rows }
}

/**
 * What is left of a sheet after the first `pieces` of a grid came off it, column by column, as rectangles that
 * straight edge-to-edge cuts give. Of the two ways to part the last corner the one with the larger best piece is
 * taken. *Returns* only pieces worth keeping; the largest first.
 */
export function offcutsOf(sheet: SizeUm, piece: SizeUm, grid: Grid, pieces: number): readonly SizeUm[] {
  const { alongUm, acrossUm, fullColumns, restRows } = blockOf(piece, grid, pieces)
  const usedUm = fullColumns * alongUm
  const columnTopUm = sheet.heightUm - grid.rows * acrossUm
  const partColumn: readonly SizeUm[] =
    restRows > 0 ? [{ widthUm: alongUm, heightUm: sheet.heightUm - restRows * acrossUm }] : []
  const rightUm = sheet.widthUm - usedUm - (restRows > 0 ? alongUm : 0)
  // Cut the right-hand strip off first, over the whole height, or the strip above the full columns over the whole width.
  const rightFirst = [
    ...partColumn,
    { widthUm: rightUm, heightUm: sheet.heightUm },
    { widthUm: usedUm, heightUm: columnTopUm },
  ].filter(keeps)
  const topFirst =
    restRows > 0
      ? []
      : [
          { widthUm: sheet.widthUm, heightUm: columnTopUm },
          { widthUm: rightUm, heightUm: sheet.heightUm - columnTopUm },
        ].filter(keeps)
  const largestArea = (sizes: readonly SizeUm[]) => largest(sizes.map(area), 0)
  const better = largestArea(topFirst) > largestArea(rightFirst) ? topFirst : rightFirst
  return [...better].sort((a, b) => area(b) - area(a))
}
