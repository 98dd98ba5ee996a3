import { ROUNDING, largest, least } from '../../numeric'
import { CoreError } from '../../errors'
import { lineThrough, leftPart, reversed, distance, type Point, type Polygon } from '../../geometry'
import type { Piece } from './piece'
import type { FoldProgram } from './types'

/** Whether a stretch runs through the inside of a convex polygon. */
function crosses(zone: Polygon, from: Point, to: Point): boolean {
  if (distance(from, to) < ROUNDING) return false
  const line = lineThrough(from, to)
  const [one, other] = [leftPart(zone, line), leftPart(zone, reversed(line))]
  if (one.length === 0 || other.length === 0) return false
  const along = (p: Point) => (p.x - from.x) * line.direction.x + (p.y - from.y) * line.direction.y
  const on = one.filter((p) => other.some((q) => distance(p, q) < ROUNDING)).map(along)
  return Math.min(largest(on), distance(from, to)) - Math.max(least(on), 0) > ROUNDING
}

/** *Throws* `CREASE_IN_ZONE` where a crease, folded or not, runs through a part that is to stay smooth. */
export function checkZones(program: FoldProgram, { state, marks }: Piece): void {
  for (const { name, corners } of program.keepClear ?? []) {
    const zone = corners.map(([x, y]) => ({ x, y }))
    const crossed = [...state.hinges, ...marks].find(({ from, to }) => crosses(zone, from, to))
    if (crossed)
      throw new CoreError('CREASE_IN_ZONE', { name, value: 'a crease runs through it', at: crossed.from })
  }
}
