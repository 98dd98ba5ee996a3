import { NEGLIGIBLE, NOTHING_TO_SEE, largest, least } from '../../numeric'
import { flips, leftOf, move, signedDistance, type Line, type Point, type Polygon } from '../../geometry'
import { lying } from '../state/start'
import { relation, type FoldedState } from '../state/types'

/** One layer in a cut through the piece: from where to where, how high it lies, which side of it is up. */
export interface SectionLayer {
  readonly face: number
  readonly from: number
  readonly to: number
  readonly level: number
  readonly back: boolean
}

/** A folded edge in the cut: two layers go over into one another. */
export interface SectionLoop {
  readonly at: number
  readonly levels: readonly [number, number]
  /** 1 where the loop is at the right end of its layers, -1 at the left. */
  readonly side: 1 | -1
}

export interface Section {
  readonly layers: readonly SectionLayer[]
  readonly loops: readonly SectionLoop[]
}

/** How far along a line the foot of a point lies. */
const distanceAlong = ({ origin, direction }: Line, p: Point): number =>
  (p.x - origin.x) * direction.x + (p.y - origin.y) * direction.y

/** Where a line runs inside a convex polygon, as distances along it. */
function along(shape: Polygon, line: Line): readonly [number, number] | null {
  const places: number[] = []
  shape.forEach((p, index) => {
    const q = shape[(index + 1) % shape.length] ?? p
    const [a, b] = [signedDistance(line, p), signedDistance(line, q)]
    if (a * b > 0 || Math.abs(a - b) < NEGLIGIBLE) return
    const share = a / (a - b)
    places.push(distanceAlong(line, { x: p.x + (q.x - p.x) * share, y: p.y + (q.y - p.y) * share }))
  })
  if (places.length < 2) return null
  const [start, end] = [least(places), largest(places)]
  return end - start > NOTHING_TO_SEE ? [start, end] : null
}

/** The piece cut along a line and seen from the side, the layers no higher than their order asks. */
export function sectionOf(state: FoldedState, line: Line): Section {
  const cut = state.faces.flatMap((face, index) => {
    const run = along(lying(face), line)
    return run ? [{ face: index, from: run[0], to: run[1], back: flips(face.pose) }] : []
  })
  const levels = new Map<number, number>()
  const levelOf = (layer: (typeof cut)[number], depth = 0): number => {
    const known = levels.get(layer.face)
    if (known !== undefined || depth > cut.length) return known ?? 0
    const under = cut.filter(
      (other) =>
        relation(state, layer.face, other.face) > 0 &&
        Math.min(layer.to, other.to) - Math.max(layer.from, other.from) > NOTHING_TO_SEE,
    )
    const level = under.reduce((most, other) => Math.max(most, levelOf(other, depth + 1) + 1), 0)
    levels.set(layer.face, level)
    return level
  }
  const layers = cut.map((layer): SectionLayer => ({ ...layer, level: levelOf(layer) }))
  const of = (face: number) => layers.find((layer) => layer.face === face)
  const loops = state.hinges.flatMap(({ first, second, from, to }): SectionLoop[] => {
    const [one, other] = [of(first), of(second)]
    const pose = state.faces[first]?.pose
    if (!one || !other || !pose) return []
    const [p, q] = [move(pose, from), move(pose, to)]
    const [a, b] = [signedDistance(line, p), signedDistance(line, q)]
    if (a * b > 0) return []
    const share = a === b ? 0.5 : a / (a - b)
    const at = distanceAlong(line, { x: p.x + (q.x - p.x) * share, y: p.y + (q.y - p.y) * share })
    const ends = (side: 'from' | 'to') =>
      Math.abs(one[side] - at) < NOTHING_TO_SEE && Math.abs(other[side] - at) < NOTHING_TO_SEE
    const side = ends('to') ? 1 : ends('from') ? -1 : null
    return side === null ? [] : [{ at, levels: [one.level, other.level], side }]
  })
  return { layers, loops }
}

/** A line square to another through a point of it: where to cut to see what a fold takes. */
export const acrossAt = (line: Line, at: { readonly x: number; readonly y: number }): Line => ({
  origin: at,
  direction: leftOf(line.direction),
})
