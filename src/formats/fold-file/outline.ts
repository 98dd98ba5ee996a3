import { cross, distance, minus, signedArea, type Point, type Polygon } from '@/core/geometry'
import { FileError } from './fault'

type Edge = readonly [from: number, to: number]

/** Corners nearer to a straight line than this, longest extent 1, are passed over. */
const STRAIGHT = 1e-9

const CLOSE_IT = 'Give the sheet one closed outline of edges with the assignment B.'

/** The corners of the one loop that the boundary edges make, counter-clockwise, none in the middle of a side. */
export function outlineOf(corners: readonly Point[], edges: readonly Edge[]): Polygon {
  if (edges.length === 0) throw new FileError('the sheet has no outline', 'edges_assignment', CLOSE_IT)
  const neighbours = new Map<number, number[]>()
  for (const [from, to] of edges) {
    neighbours.set(from, [...(neighbours.get(from) ?? []), to])
    neighbours.set(to, [...(neighbours.get(to) ?? []), from])
  }
  for (const [corner, next] of neighbours)
    if (next.length !== 2)
      throw new FileError(
        next.length === 1
          ? 'the outline of the sheet is open here'
          : 'the outline of the sheet meets itself here',
        `vertex ${corner}`,
        CLOSE_IT,
        corners[corner],
      )
  const start = edges[0]?.[0] ?? 0
  const loop = [start]
  for (let [before, at] = [start, neighbours.get(start)?.[0] ?? start]; at !== start;) {
    loop.push(at)
    const [one, other] = neighbours.get(at) ?? []
    const next = (one === before ? other : one) ?? start
    before = at
    at = next
  }
  if (loop.length !== edges.length)
    throw new FileError(
      'the sheet has more than one outline',
      'edges_assignment',
      'Give one sheet without holes.',
    )
  const around = loop.flatMap((corner) => corners[corner] ?? [])
  const turned = signedArea(around) < 0 ? around.reverse() : around
  return turned.filter((p, index) => {
    const before = turned[(index + turned.length - 1) % turned.length] ?? p
    const after = turned[(index + 1) % turned.length] ?? p
    return Math.abs(cross(minus(p, before), minus(after, p))) > STRAIGHT * distance(before, after)
  })
}

/** Refuses edges that cross or run along one another without a shared vertex. *Cost* edges squared. */
export function requireNoCrossing(corners: readonly Point[], edges: readonly Edge[]): void {
  const ends = edges.map(([from, to]) => [corners[from], corners[to]] as const)
  ends.forEach(([a, b], one) => {
    for (let other = one + 1; other < ends.length; other++) {
      const [c, d] = ends[other] ?? []
      if (!a || !b || !c || !d) continue
      if (Math.max(a.x, b.x) < Math.min(c.x, d.x) || Math.max(c.x, d.x) < Math.min(a.x, b.x)) continue
      if (Math.max(a.y, b.y) < Math.min(c.y, d.y) || Math.max(c.y, d.y) < Math.min(a.y, b.y)) continue
      const at = crossing(a, b, c, d)
      if (at)
        throw new FileError(
          'these two edges cross or overlap without a vertex',
          `edges ${one} and ${other}`,
          'Put a vertex where they meet.',
          at,
        )
    }
  })
}

const NEAR = 1e-9

/** Where the insides of two stretches meet; `null` where they do not, or only at an end of each. */
function crossing(a: Point, b: Point, c: Point, d: Point): Point | null {
  const [along, across] = [minus(b, a), minus(d, c)]
  const turn = cross(along, across)
  const size = distance(a, b) * distance(c, d)
  if (Math.abs(turn) > NEAR * size) {
    const s = cross(minus(c, a), across) / turn
    const t = cross(minus(c, a), along) / turn
    const inside = (value: number) => value > NEAR && value < 1 - NEAR
    const on = (value: number) => value > -NEAR && value < 1 + NEAR
    return (inside(s) && on(t)) || (inside(t) && on(s))
      ? { x: a.x + along.x * s, y: a.y + along.y * s }
      : null
  }
  if (Math.abs(cross(along, minus(c, a))) > NEAR * distance(a, b)) return null
  const length2 = along.x ** 2 + along.y ** 2
  const share = (p: Point) => ((p.x - a.x) * along.x + (p.y - a.y) * along.y) / length2
  const [from, to] = [Math.max(0, Math.min(share(c), share(d))), Math.min(1, Math.max(share(c), share(d)))]
  const middle = (from + to) / 2
  return to - from > NEAR ? { x: a.x + along.x * middle, y: a.y + along.y * middle } : null
}
