import { CARRIED_THROUGH, ROUNDING, largest, least } from '../../numeric'
import { distance, lineThrough, signedDistance, subdivide, type Point, type Polygon } from '../../geometry'
import { coveredShare } from '../picture/visible'
import { lying } from './start'
import type { FoldedState } from './types'

interface Stretch {
  readonly from: Point
  readonly to: Point
}

/** The parts of a face's edge beyond which no other face lies. */
function freeParts(edge: Stretch, shapes: readonly Polygon[], face: number, out: Point): readonly Stretch[] {
  const hidden = shapes
    .flatMap((shape, other) => {
      const share = other === face ? null : coveredShare(edge, shape, out)
      return share ? [share] : []
    })
    .sort((a, b) => a[0] - b[0])
  const at = (share: number): Point => ({
    x: edge.from.x + (edge.to.x - edge.from.x) * share,
    y: edge.from.y + (edge.to.y - edge.from.y) * share,
  })
  const parts: Stretch[] = []
  let reached = 0
  const add = (from: number, to: number) => {
    if ((to - from) * distance(edge.from, edge.to) > CARRIED_THROUGH)
      parts.push({ from: at(from), to: at(to) })
  }
  for (const [start, end] of hidden) {
    if (start > reached) add(reached, start)
    reached = Math.max(reached, end)
  }
  add(reached, 1)
  return parts
}

/** Corners in line with their neighbours say nothing about an outline. */
const withoutStraight = (loop: readonly Point[]): readonly Point[] =>
  loop.filter((p, index) => {
    const [before, next] = [
      loop[(index + loop.length - 1) % loop.length] ?? p,
      loop[(index + 1) % loop.length] ?? p,
    ]
    return (
      distance(before, next) < ROUNDING ||
      Math.abs(signedDistance(lineThrough(before, next), p)) > CARRIED_THROUGH
    )
  })

/** A hair outside an edge, in sides: far enough to be beside it, too near to reach past anything. */
const HAIR = 1e-5

/**
 * The outline of the piece as it lies, counter-clockwise; the longest one where it falls into parts that meet in
 * single points. Holes are left out.
 */
export function silhouetteOf(state: FoldedState): readonly Point[] {
  const shapes = state.faces.map(lying)
  const free = shapes.flatMap((shape, face) =>
    shape.flatMap((from, index) => {
      const to = shape[(index + 1) % shape.length] ?? from
      const size = distance(from, to)
      if (size < ROUNDING) return []
      // A hair to the right of the edge: outside its own face.
      const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }
      const out = {
        x: middle.x + ((to.y - from.y) / size) * HAIR,
        y: middle.y - ((to.x - from.x) / size) * HAIR,
      }
      return freeParts({ from, to }, shapes, face, out)
    }),
  )
  const { corners, edges } = subdivide(free.map((stretch) => ({ ...stretch, mark: null })))
  // Every edge runs with its paper on the left, so the outline is found by following them.
  const next = new Map<number, number[]>()
  for (const { from, to } of edges) next.set(from, [...(next.get(from) ?? []), to])
  let best: readonly Point[] = []
  while (next.size > 0) {
    const [start] = next.keys()
    const loop: number[] = []
    let at = start
    while (at !== undefined && next.has(at)) {
      const ways: number[] = next.get(at) ?? []
      const way: number | undefined = outermost(corners, loop.at(-1), at, ways)
      loop.push(at)
      const rest = ways.filter((one) => one !== way)
      if (rest.length > 0) next.set(at, rest)
      else next.delete(at)
      at = way
    }
    const points = loop.map((index) => corners[index] ?? { x: 0, y: 0 })
    if (spanOf(points) > spanOf(best)) best = points
  }
  return withoutStraight(best)
}

const spanOf = (points: readonly Point[]): number =>
  points.length === 0 ? 0 : largest(points.map((p) => p.x)) - least(points.map((p) => p.x))

/** Where outlines touch in a point: the way that keeps furthest to the right stays on the outside. */
function outermost(
  corners: readonly Point[],
  before: number | undefined,
  at: number,
  ways: readonly number[],
): number | undefined {
  const [from, here] = [corners[before ?? -1], corners[at]]
  if (ways.length < 2 || !from || !here) return ways[0]
  const turn = (way: number): number => {
    const to = corners[way] ?? here
    const angle = Math.atan2(to.y - here.y, to.x - here.x) - Math.atan2(here.y - from.y, here.x - from.x)
    return Math.atan2(Math.sin(angle), Math.cos(angle))
  }
  return [...ways].sort((one, other) => turn(one) - turn(other))[0]
}
