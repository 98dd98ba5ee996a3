import { largest, least } from '../numeric'
import type { CutTools, RectUm } from './types'

interface Span {
  readonly from: number
  readonly to: number
}

/** Along which axis of the sheet places are counted: cuts that part them run square to it. */
export type Axis = 'x' | 'y'

const spanOf = ({ xUm, yUm, widthUm, heightUm }: RectUm, axis: Axis): Span =>
  axis === 'x' ? { from: xUm, to: xUm + widthUm } : { from: yUm, to: yUm + heightUm }

/** Groups of rectangles that a line between them, along one axis, keeps apart. */
function partedAlong<One extends RectUm>(rects: readonly One[], axis: Axis): readonly One[][] {
  const groups: One[][] = []
  let reach = -Infinity
  for (const rect of rects.toSorted((a, b) => spanOf(a, axis).from - spanOf(b, axis).from)) {
    const { from, to } = spanOf(rect, axis)
    if (from >= reach) groups.push([])
    groups.at(-1)?.push(rect)
    reach = Math.max(reach, to)
  }
  return groups
}

/**
 * Whether straight cuts, each from edge to edge of what is in hand, part disjoint rectangles. Any line that crosses none
 * of them may be cut first: what can be parted at all can be parted after it.
 * *Cost* n log n for each level of cuts.
 */
export function cuttableEdgeToEdge(rects: readonly RectUm[]): boolean {
  if (rects.length <= 1) return true
  for (const axis of ['x', 'y'] as const) {
    const groups = partedAlong(rects, axis)
    if (groups.length > 1) return groups.every(cuttableEdgeToEdge)
  }
  return false
}

/** What is in hand, and what straight cuts make of it. */
export interface InHand<Piece extends RectUm> {
  readonly region: RectUm
  /** The piece it is; `null` where it is cut further or is left over. */
  readonly piece: Piece | null
  /** Along which axis it is parted; `null` where it is not. */
  readonly axis: Axis | null
  /** What comes off in order, the rest last where there is one. */
  readonly parts: readonly InHand<Piece>[]
  /** How many cuts part it. */
  readonly cuts: number
}

const otherAxis = (axis: Axis): Axis => (axis === 'x' ? 'y' : 'x')

const between = (region: RectUm, axis: Axis, from: number, to: number): RectUm =>
  axis === 'x' ? { ...region, xUm: from, widthUm: to - from } : { ...region, yUm: from, heightUm: to - from }

const fills = (piece: RectUm, region: RectUm): boolean =>
  piece.xUm === region.xUm &&
  piece.yUm === region.yUm &&
  piece.widthUm === region.widthUm &&
  piece.heightUm === region.heightUm

const leftOver = <Piece extends RectUm>(region: RectUm): InHand<Piece> => ({
  region,
  piece: null,
  axis: null,
  parts: [],
  cuts: 0,
})

/**
 * Cuts a region in stages, the first along `axis`, then by turns; behind the last stage one more cut may trim a piece.
 * Every line that parts its pieces is cut at once, on both sides of what is left over between them.
 * *Returns* `null` where so many stages do not free every piece.
 */
export function cutInStages<Piece extends RectUm>(
  region: RectUm,
  pieces: readonly Piece[],
  axis: Axis,
  stages: number,
): InHand<Piece> | null {
  const [only] = pieces
  if (!only) return leftOver(region)
  if (pieces.length === 1 && fills(only, region))
    return { region, piece: only, axis: null, parts: [], cuts: 0 }
  if (stages < 0) return null
  const groups = partedAlong(pieces, axis)
  // The cut behind the last stage takes waste off one piece and parts nothing.
  if (stages === 0 && pieces.length > 1) return null
  const end = spanOf(region, axis).to
  let from = spanOf(region, axis).from
  const parts: InHand<Piece>[] = []
  for (const group of groups) {
    const start = least(group.map((one) => spanOf(one, axis).from))
    if (start > from) parts.push(leftOver(between(region, axis, from, start)))
    from = start
    const to = largest(group.map((one) => spanOf(one, axis).to))
    const part = cutInStages(between(region, axis, from, to), group, otherAxis(axis), stages - 1)
    if (!part) return null
    parts.push(part)
    from = to
  }
  if (from < end) parts.push(leftOver(between(region, axis, from, end)))
  // One cut trims one side.
  if (stages === 0 && parts.length > 2) return null
  // Nothing is cut at a stage that finds one part as wide as what is in hand.
  return parts.length === 1 && parts[0]
    ? parts[0]
    : { region, piece: null, axis, parts, cuts: parts.length - 1 }
}

/** The longest cut made on the way. */
export const longestCutUm = ({ region, axis, parts }: InHand<RectUm>): number =>
  parts.reduce(
    (longest, part) => Math.max(longest, longestCutUm(part)),
    axis === 'x' ? region.heightUm : axis === 'y' ? region.widthUm : 0,
  )

/** A sheet within its margins. */
export const withinMargin = (
  sheet: { readonly widthUm: number; readonly heightUm: number },
  marginUm: number,
): RectUm => ({
  xUm: marginUm,
  yUm: marginUm,
  widthUm: sheet.widthUm - 2 * marginUm,
  heightUm: sheet.heightUm - 2 * marginUm,
})

/** What is left over of a sheet once all its pieces are off. */
export const leftOvers = ({ region, piece, axis, parts }: InHand<RectUm>): readonly RectUm[] =>
  axis ? parts.flatMap(leftOvers) : piece ? [] : [region]

const largestLeft = (way: InHand<RectUm>): number =>
  largest(
    leftOvers(way).map(({ widthUm, heightUm }) => widthUm * heightUm),
    0,
  )

/**
 * How a sheet is cut with some tools: of both ways to begin, the one of fewer cuts, then of the larger rest in one piece.
 * `null` where they cannot.
 */
export function cutWith<Piece extends RectUm>(
  sheet: { readonly widthUm: number; readonly heightUm: number },
  pieces: readonly Piece[],
  { stages, marginUm, trimmerUm }: CutTools,
): InHand<Piece> | null {
  const whole = { xUm: 0, yUm: 0, ...sheet }
  const [only] = pieces
  if (pieces.length === 1 && only && fills(only, whole)) return { ...leftOver<Piece>(whole), piece: only }
  const ways = (['x', 'y'] as const).flatMap((axis) => {
    const way = cutInStages(withinMargin(sheet, marginUm), pieces, axis, stages)
    return way && longestCutUm(way) <= (trimmerUm ?? Infinity) ? [way] : []
  })
  return ways.reduce<InHand<Piece> | null>(
    (best, way) =>
      best === null || (cutsOf(way) - cutsOf(best) || largestLeft(best) - largestLeft(way)) < 0 ? way : best,
    null,
  )
}

/** Cuts in all. */
export const cutsOf = ({ cuts, parts }: InHand<RectUm>): number =>
  parts.reduce((sum, part) => sum + cutsOf(part), cuts)
