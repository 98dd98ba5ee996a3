import { largest } from '../numeric'
import { bestGrid, gridOf, type Grid, type SizeUm } from '../sheet'
import { areaUm2, type Placement, type RectUm } from './types'

/** Offcuts narrower than this are not worth keeping: 2 cm. Common practice, no source. */
export const SMALLEST_OFFCUT_UM = 20_000

/** Pieces still wanted of one size. */
export interface Want {
  readonly demand: string
  readonly sizeUm: SizeUm
  readonly count: number
  readonly turnable: boolean
}

/** One sheet filled: what lies where, and every rectangle that is left. */
export interface Filled {
  readonly placements: readonly Placement[]
  readonly left: readonly RectUm[]
  readonly usedUm2: number
}

/** Down to which nesting all ways of parting the rest are tried; below it the one that leaves the largest rectangle. */
const WAYS_TRIED_TO_DEPTH = 2

const isRectangle = ({ widthUm, heightUm }: RectUm): boolean => widthUm > 0 && heightUm > 0

const worthKeeping = ({ widthUm, heightUm }: SizeUm): boolean =>
  Math.min(widthUm, heightUm) >= SMALLEST_OFFCUT_UM

/** What is left of a filled sheet and worth keeping, the largest first. */
export const offcutsOf = ({ left }: Filled): readonly RectUm[] =>
  left.filter(worthKeeping).sort((a, b) => areaUm2(b) - areaUm2(a) || a.xUm - b.xUm || a.yUm - b.yUm)

/** A block of equal pieces in the lower left of a region: full columns, then perhaps one that is only partly used. */
interface Block {
  readonly placements: readonly Placement[]
  readonly alongUm: number
  readonly acrossUm: number
  readonly fullColumns: number
  readonly rows: number
  readonly restRows: number
}

/** The first `count` pieces of a grid, column by column, or row by row where `byRows`. */
function blockOf(region: RectUm, want: Want, grid: Grid, byRows: boolean): Block {
  const { sizeUm, demand } = want
  const [width, height] = grid.turned ? [sizeUm.heightUm, sizeUm.widthUm] : [sizeUm.widthUm, sizeUm.heightUm]
  const count = Math.min(grid.count, want.count)
  const rows = byRows ? grid.columns : grid.rows
  const placements = Array.from({ length: count }, (_, index) => {
    const [along, across] = [Math.floor(index / rows), index % rows]
    const [column, row] = byRows ? [across, along] : [along, across]
    return {
      demand,
      xUm: region.xUm + column * width,
      yUm: region.yUm + row * height,
      turned: grid.turned,
    }
  })
  const fullColumns = Math.floor(count / rows)
  return {
    placements,
    alongUm: byRows ? height : width,
    acrossUm: byRows ? width : height,
    fullColumns,
    rows,
    restRows: count - fullColumns * rows,
  }
}

/**
 * The rectangles that edge-to-edge cuts leave of a region beside a block, in each way there is to part them. Worked
 * along and across, so that a block by rows is one by columns with the axes exchanged.
 */
function waysToPart(region: SizeUm, block: Block): readonly (readonly RectUm[])[] {
  const { alongUm, acrossUm, fullColumns, rows, restRows } = block
  const usedUm = fullColumns * alongUm
  const blockTopUm = rows * acrossUm
  const rect = (xUm: number, yUm: number, widthUm: number, heightUm: number): RectUm => ({
    xUm,
    yUm,
    widthUm,
    heightUm,
  })
  const overBlock = rect(0, blockTopUm, usedUm, region.heightUm - blockTopUm)
  if (restRows > 0) {
    const partTopUm = restRows * acrossUm
    const beyond = usedUm + alongUm
    return [
      [
        rect(usedUm, partTopUm, alongUm, region.heightUm - partTopUm),
        rect(beyond, 0, region.widthUm - beyond, region.heightUm),
        overBlock,
      ],
      // The strip beside the full columns is parted across first: the rest of its height stays in one piece.
      [
        rect(beyond, 0, region.widthUm - beyond, partTopUm),
        rect(usedUm, partTopUm, region.widthUm - usedUm, region.heightUm - partTopUm),
        overBlock,
      ],
    ]
  }
  return [
    [rect(usedUm, 0, region.widthUm - usedUm, region.heightUm), overBlock],
    [
      rect(0, blockTopUm, region.widthUm, region.heightUm - blockTopUm),
      rect(usedUm, 0, region.widthUm - usedUm, blockTopUm),
    ],
  ]
}

const exchanged = ({ xUm, yUm, widthUm, heightUm }: RectUm): RectUm => ({
  xUm: yUm,
  yUm: xUm,
  widthUm: heightUm,
  heightUm: widthUm,
})

/** Every way a want can lie in a region, each with the rectangles it leaves. */
function waysToPlace(
  region: RectUm,
  want: Want,
): readonly { readonly placements: readonly Placement[]; readonly left: readonly RectUm[] }[] {
  const grid = want.turnable ? bestGrid(region, want.sizeUm) : gridOf(region, want.sizeUm, false)
  if (grid.count === 0) return []
  return [false, true].flatMap((byRows) => {
    const block = blockOf(region, want, grid, byRows)
    const frame = { ...region, xUm: 0, yUm: 0 }
    return waysToPart(byRows ? exchanged(frame) : frame, block).map((left) => ({
      placements: block.placements,
      left: left
        .map((rect) => (byRows ? exchanged(rect) : rect))
        .filter(isRectangle)
        .map((rect) => ({ ...rect, xUm: rect.xUm + region.xUm, yUm: rect.yUm + region.yUm })),
    }))
  })
}

const largestLeft = (rects: readonly RectUm[]): number => largest(rects.map(areaUm2), 0)

/** More paper used, then the larger best piece left. */
const better = (a: Filled, b: Filled): boolean =>
  a.usedUm2 > b.usedUm2 || (a.usedUm2 === b.usedUm2 && largestLeft(a.left) > largestLeft(b.left))

/** Takes what lies in a filled region off what is wanted. */
const without = (wants: readonly Want[], placements: readonly Placement[]): readonly Want[] =>
  wants.map((want) => ({
    ...want,
    count: want.count - placements.filter(({ demand }) => demand === want.demand).length,
  }))

function fillAll(regions: readonly RectUm[], wants: readonly Want[], depth: number): Filled {
  let open = wants
  const parts: Filled[] = []
  for (const region of regions) {
    const part = fill(region, open, depth)
    parts.push(part)
    open = without(open, part.placements)
  }
  return {
    placements: parts.flatMap((part) => part.placements),
    left: parts.flatMap((part) => part.left),
    usedUm2: parts.reduce((sum, part) => sum + part.usedUm2, 0),
  }
}

/**
 * Fills a region by edge-to-edge cuts: a block of the first want that fits, then the rectangles beside it with what is
 * still wanted. *Cost* grows with the number of sizes, not of pieces.
 */
export function fill(region: RectUm, wants: readonly Want[], depth = 0): Filled {
  const empty: Filled = { placements: [], left: [region], usedUm2: 0 }
  for (const want of wants) {
    if (want.count <= 0) continue
    const ways = waysToPlace(region, want)
    if (ways.length === 0) continue
    const tried =
      depth < WAYS_TRIED_TO_DEPTH
        ? ways
        : ways.toSorted((a, b) => largestLeft(b.left) - largestLeft(a.left)).slice(0, 1)
    return tried
      .map(({ placements, left }): Filled => {
        const rest = fillAll(left, without(wants, placements), depth + 1)
        return {
          placements: [...placements, ...rest.placements],
          left: rest.left,
          usedUm2: rest.usedUm2 + placements.length * areaUm2(want.sizeUm),
        }
      })
      .reduce((best, one) => (better(one, best) ? one : best))
  }
  return empty
}
