import type { RectUm } from './types'

interface Span {
  readonly from: number
  readonly to: number
}

/** Groups of rectangles that a line between them, along one axis, keeps apart. */
function partedAlong(rects: readonly RectUm[], span: (rect: RectUm) => Span): readonly RectUm[][] {
  const groups: RectUm[][] = []
  let reach = -Infinity
  for (const rect of rects.toSorted((a, b) => span(a).from - span(b).from)) {
    const { from, to } = span(rect)
    if (from >= reach) groups.push([])
    groups.at(-1)?.push(rect)
    reach = Math.max(reach, to)
  }
  return groups
}

const along = ({ xUm, widthUm }: RectUm): Span => ({ from: xUm, to: xUm + widthUm })
const up = ({ yUm, heightUm }: RectUm): Span => ({ from: yUm, to: yUm + heightUm })

/**
 * Whether straight cuts, each from edge to edge of what is in hand, part disjoint rectangles. Any line that crosses none
 * of them may be cut first: what can be parted at all can be parted after it.
 * *Cost* n log n for each level of cuts.
 */
export function cuttableEdgeToEdge(rects: readonly RectUm[]): boolean {
  if (rects.length <= 1) return true
  for (const span of [along, up]) {
    const groups = partedAlong(rects, span)
    if (groups.length > 1) return groups.every(cuttableEdgeToEdge)
  }
  return false
}
