import { SAME_POINT } from '../numeric'
import { signedArea, type Polygon } from './polygon'
import { cross, distance, dot, minus, plus, times, type Point } from './point'

/** A straight stretch with whatever its maker wants to know it by. */
export interface Segment<Mark> {
  readonly from: Point
  readonly to: Point
  readonly mark: Mark
}

/** The plane cut up by segments: corners, edges between them, and the bounded faces, counter-clockwise. */
export interface Subdivision<Mark> {
  readonly corners: readonly Point[]
  readonly edges: readonly { readonly from: number; readonly to: number; readonly mark: Mark }[]
  /** Corners of each face in order, and the faces on the left and right of each edge (-1: outside). */
  readonly faces: readonly (readonly number[])[]
  readonly sides: readonly { readonly left: number; readonly right: number }[]
}

/** Corners closer than this are one, in sheets of side 1: creases typed to nine digits still meet. */
const JOIN = 1e-7

class Corners {
  readonly points: Point[] = []
  readonly #cells = new Map<string, number[]>()

  number(p: Point): number {
    const [x, y] = [Math.floor(p.x / JOIN), Math.floor(p.y / JOIN)]
    for (let dx = -1; dx <= 1; dx++)
      for (let dy = -1; dy <= 1; dy++)
        for (const known of this.#cells.get(`${x + dx},${y + dy}`) ?? [])
          if (distance(this.points[known] ?? p, p) < JOIN) return known
    const key = `${x},${y}`
    this.#cells.set(key, [...(this.#cells.get(key) ?? []), this.points.length])
    this.points.push(p)
    return this.points.length - 1
  }
}

/** Shares of a segment, 0 to 1, at which another one cuts or touches it. */
function cutsOf<Mark>(one: Segment<Mark>, other: Segment<Mark>): readonly number[] {
  const along = minus(one.to, one.from)
  const size2 = dot(along, along)
  const across = minus(other.to, other.from)
  const turn = cross(along, across)
  const away = minus(other.from, one.from)
  if (Math.abs(turn) > SAME_POINT * Math.sqrt(size2 * dot(across, across))) {
    const share = cross(away, across) / turn
    const theirs = cross(away, along) / turn
    const slack = JOIN / Math.sqrt(dot(across, across))
    return theirs > -slack && theirs < 1 + slack ? [share] : []
  }
  if (Math.abs(cross(away, along)) / Math.sqrt(size2) > JOIN) return []
  return [other.from, other.to].map((p) => dot(minus(p, one.from), along) / size2)
}

/**
 * Cuts segments where they meet and finds the faces between them. Where two lie on one stretch the first one's mark
 * counts. *Cost* segments squared. Empty input is legal.
 */
export function subdivide<Mark>(segments: readonly Segment<Mark>[]): Subdivision<Mark> {
  const corners = new Corners()
  const edges: { from: number; to: number; mark: Mark }[] = []
  const known = new Set<string>()
  for (const segment of segments) {
    const cuts = segments.flatMap((other) => (other === segment ? [] : cutsOf(segment, other)))
    const shares = [0, ...cuts.filter((share) => share > 0 && share < 1), 1].sort((a, b) => a - b)
    const numbers = shares.map((share) =>
      corners.number(plus(segment.from, times(minus(segment.to, segment.from), share))),
    )
    numbers.forEach((to, index) => {
      const from = numbers[index - 1]
      if (from === undefined || from === to) return
      const key = from < to ? `${from},${to}` : `${to},${from}`
      if (known.has(key)) return
      known.add(key)
      edges.push({ from, to, mark: segment.mark })
    })
  }
  return { corners: corners.points, edges, ...facesOf(corners.points, edges) }
}

/** Half edge 2 e runs along edge e, 2 e + 1 back. The next one of a face turns as far left as it can. */
function facesOf(
  corners: readonly Point[],
  edges: readonly { readonly from: number; readonly to: number }[],
) {
  const start = (half: number) => (half % 2 === 0 ? edges[half >> 1]?.from : edges[half >> 1]?.to) ?? 0
  const end = (half: number) => start(half ^ 1)
  const around: number[][] = corners.map(() => [])
  for (let half = 0; half < 2 * edges.length; half++) around[start(half)]?.push(half)
  const angle = (half: number) => {
    const way = minus(corners[end(half)] ?? { x: 0, y: 0 }, corners[start(half)] ?? { x: 0, y: 0 })
    return Math.atan2(way.y, way.x)
  }
  for (const list of around) list.sort((a, b) => angle(a) - angle(b))
  const next = (half: number) => {
    const list = around[end(half)] ?? []
    const back = list.indexOf(half ^ 1)
    return list[(back + list.length - 1) % list.length] ?? half
  }
  const faces: number[][] = []
  const faceOf = new Int32Array(2 * edges.length).fill(-2)
  for (let half = 0; half < 2 * edges.length; half++) {
    if (faceOf[half] !== -2) continue
    const loop: number[] = []
    for (let at = half; faceOf[at] === -2; at = next(at)) {
      faceOf[at] = -3
      loop.push(at)
    }
    const shape: Polygon = loop.map((at) => corners[start(at)] ?? { x: 0, y: 0 })
    const number = signedArea(shape) > SAME_POINT ? faces.push(loop.map(start)) - 1 : -1
    for (const at of loop) faceOf[at] = number
  }
  return {
    faces,
    sides: edges.map((_, edge) => ({ left: faceOf[2 * edge] ?? -1, right: faceOf[2 * edge + 1] ?? -1 })),
  }
}
