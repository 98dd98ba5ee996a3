import { CoreError } from '../../errors'
import {
  bisectorOfPoints,
  distance,
  footOf,
  leftOf,
  lineAlong,
  lineOntoLine,
  lineThrough,
  meet,
  move,
  perpendicularThrough,
  plus,
  pointOntoLinePerpendicular,
  pointOntoLineThrough,
  reversed,
  rotation,
  signedDistance,
  times,
  twoPointsOntoTwoLines,
  type Line,
  type Point,
} from '../../geometry'
import { SAME_POINT } from '../../numeric'
import type { FoldedState } from '../state/types'
import { whereIs } from '../state/where'
import type { Amount, GaugeShares, LineSpec, PointSpec, SheetPoint } from './types'

/** What specifications are read against: the piece as it lies and the gauges as set. */
export interface Situation {
  readonly state: FoldedState
  readonly gauges: GaugeShares
}

/** *Throws* `UNKNOWN_GAUGE`; `NOT_FINITE`. */
export function amountOf({ gauges }: Pick<Situation, 'gauges'>, amount: Amount): number {
  const [share, terms] = typeof amount === 'number' ? [amount, {}] : [amount.share ?? 0, amount.gauges]
  const sum = Object.entries(terms).reduce((total, [key, factor]) => {
    const setting = gauges[key]
    if (setting === undefined) throw new CoreError('UNKNOWN_GAUGE', { name: 'gauge', value: key })
    return total + factor * setting
  }, share)
  if (!Number.isFinite(sum)) throw new CoreError('NOT_FINITE', { name: 'length', value: sum })
  return sum
}

export const sheetPoint = (here: Pick<Situation, 'gauges'>, [x, y]: SheetPoint): Point => ({
  x: amountOf(here, x),
  y: amountOf(here, y),
})

/** A point as it lies now. *Throws* `OFF_THE_SHEET`; `NO_SUCH_LINE` where lines that should meet do not. */
export function pointOf(here: Situation, spec: PointSpec): Point {
  if ('sheet' in spec) {
    const at = sheetPoint(here, spec.sheet)
    const now = whereIs(here.state, at)
    if (!now) throw new CoreError('OFF_THE_SHEET', { name: 'point', value: 'not on the paper', at })
    return now
  }
  if ('plane' in spec) return sheetPoint(here, spec.plane)
  if ('from' in spec) {
    const [from, by] = [pointOf(here, spec.from), sheetPoint(here, spec.by)]
    return plus(from, by)
  }
  if ('between' in spec) {
    const [from, to] = [pointOf(here, spec.between[0]), pointOf(here, spec.between[1])]
    const share = spec.share === undefined ? 0.5 : amountOf(here, spec.share)
    return { x: from.x + (to.x - from.x) * share, y: from.y + (to.y - from.y) * share }
  }
  const at = meet(lineOf(here, spec.meet[0]), lineOf(here, spec.meet[1]))
  if (!at) throw new CoreError('NO_SUCH_LINE', { name: 'meet of two lines', value: 'the lines are parallel' })
  return at
}

function nearest(lines: readonly Line[], near: Point, what: string): Line {
  const away = (line: Line) => distance(footOf(line, near), near)
  const best = [...lines].sort((one, other) => away(one) - away(other))[0]
  if (!best) throw new CoreError('NO_SUCH_LINE', { name: what, value: 'no fold does this', at: near })
  return best
}

/** A line in the plane the piece lies in. *Throws* `NO_SUCH_LINE` where no fold does what is asked. */
export function lineOf(here: Situation, spec: LineSpec): Line {
  const at = (point: PointSpec) => pointOf(here, point)
  const line = (other: LineSpec) => lineOf(here, other)
  if ('onto' in spec) return bisectorOfPoints(at(spec.onto[1]), at(spec.onto[0]))
  if ('lineOnto' in spec)
    return nearest(
      lineOntoLine(line(spec.lineOnto[0]), line(spec.lineOnto[1])),
      at(spec.near),
      'line onto line',
    )
  if ('points' in spec) {
    const [p1, p2] = spec.points
    const [l1, l2] = spec.ontoLines
    const folds = twoPointsOntoTwoLines(at(p1), line(l1), at(p2), line(l2))
    return nearest(folds, at(spec.near), 'two points onto two lines')
  }
  if ('point' in spec) {
    const [point, target] = [at(spec.point), line(spec.ontoLine)]
    if ('square' in spec)
      return nearest(
        pointOntoLinePerpendicular(point, target, line(spec.square)),
        point,
        'point onto line, square to a line',
      )
    return nearest(
      pointOntoLineThrough(point, target, at(spec.via)),
      at(spec.near),
      'point onto line through a point',
    )
  }
  if ('square' in spec) return perpendicularThrough(line(spec.square), at(spec.via))
  if ('beside' in spec) {
    const old = line(spec.beside)
    const side = signedDistance(old, at(spec.towards)) >= 0 ? 1 : -1
    return { ...old, origin: plus(old.origin, times(leftOf(old.direction), side * amountOf(here, spec.by))) }
  }
  if ('turned' in spec) {
    const old = line(spec.turned)
    const about = at(spec.about)
    const turn = rotation((spec.degrees * Math.PI) / 180)
    if (distance(footOf(old, about), about) > SAME_POINT)
      throw new CoreError('NO_SUCH_LINE', {
        name: 'turned line',
        value: 'does not run through its point',
        at: about,
      })
    return lineAlong(about, move(turn, old.direction))
  }
  return lineThrough(at(spec.through[0]), at(spec.through[1]))
}

/** The line with its moving side on the left. *Throws* `NO_SUCH_LINE` where the point lies on the line itself. */
export function lineMoving(here: Situation, spec: LineSpec, moves: PointSpec | undefined): Line {
  const found = lineOf(here, spec)
  const mover =
    moves ??
    ('onto' in spec
      ? spec.onto[0]
      : 'point' in spec
        ? spec.point
        : 'points' in spec
          ? spec.points[0]
          : undefined)
  if (!mover)
    throw new CoreError('NO_SUCH_LINE', { name: 'fold line', value: 'it is not said which side moves' })
  const at = pointOf(here, mover)
  const side = signedDistance(found, at)
  if (Math.abs(side) < SAME_POINT)
    throw new CoreError('NO_SUCH_LINE', { name: 'moving side', value: 'its point lies on the fold line', at })
  return side > 0 ? found : reversed(found)
}
