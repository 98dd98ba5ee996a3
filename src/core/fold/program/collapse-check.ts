import { cross, distance, dot, length, minus, type Point } from '../../geometry'
import { SAME_POINT } from '../../numeric'
import type { Letter } from '../pattern/crease-pattern'
import { sheetPoint } from './resolve'
import type { Frame } from './run'
import type { GaugeShares } from './types'

/** A line of a collapse that was creased the other way before. */
export interface CreasedAgainst {
  readonly step: number
  readonly from: Point
  readonly to: Point
  readonly creased: Letter
  readonly folded: Letter
}

interface Line {
  readonly from: Point
  readonly to: Point
}

/** How long two stretches of one line run together; 0 where they are not of one line. */
function together(one: Line, other: Line): number {
  const along = minus(one.to, one.from)
  const size = length(along)
  const off = (p: Point) => Math.abs(cross(along, minus(p, one.from))) / size
  if (off(other.from) > SAME_POINT || off(other.to) > SAME_POINT) return 0
  const place = (p: Point) => dot(along, minus(p, one.from)) / size
  const [p, q] = [place(other.from), place(other.to)]
  return Math.min(size, Math.max(p, q)) - Math.max(0, Math.min(p, q))
}

/**
 * Lines of a program's collapses that go against how they were creased: such a piece does not fall together by itself.
 * A line creased both ways goes either way; one that was not creased at all is no matter of this check.
 */
export function creasedAgainst(
  frames: readonly Frame[],
  gauges: GaugeShares = {},
): readonly CreasedAgainst[] {
  return frames.flatMap(({ before, done: { spec }, step }) => {
    if (spec.kind !== 'refold' || spec.name !== 'collapse') return []
    const table = { state: before.state, gauges }
    return spec.add.flatMap(([start, end, folded]): CreasedAgainst[] => {
      const line = { from: sheetPoint(table, start), to: sheetPoint(table, end) }
      if (folded === 'U' || distance(line.from, line.to) < SAME_POINT) return []
      const ways = new Set(
        before.marks.filter((mark) => together(line, mark) > SAME_POINT).map(({ letter }) => letter),
      )
      ways.delete('U')
      const [creased] = ways
      return creased === undefined || ways.has(folded) ? [] : [{ step, ...line, creased, folded }]
    })
  })
}
