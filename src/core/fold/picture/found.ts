import {
  distance,
  footOf,
  lineThrough,
  mirrored,
  signedDistance,
  type Line,
  type Point,
  type Polygon,
} from '../../geometry'
import { largest } from '../../numeric'
import { gaugesIn, pointOf, type Frame, type GaugeShares, type LineSpec, type PointSpec } from '../program'
import { lineOf, type Situation } from '../program/resolve'
import { lying } from '../state/start'
import {
  linesAlong,
  linesFelt,
  linesSeen,
  ONE_PLACE,
  placeAt,
  placesOn,
  sizeOf,
  type Place,
  type SeenLine,
} from './places'
import { holds, seenFrom, type Seen, type Segment } from './visible'

/** A length from a place or an edge that is seen to the fold line, in sides. */
export interface Measured extends Segment {
  readonly share: number
}

/**
 * How the hand finds a fold line. A line has two freedoms. What is brought onto something takes both; a place it runs
 * through, an edge that comes to lie on itself, a corner that is halved or that comes onto a line take one each; what is
 * left is measured.
 */
export interface Finding {
  /** Places that are brought somewhere. */
  readonly moves: readonly Place[]
  /** Places they are brought onto, or that the fold line runs through. */
  readonly targets: readonly Place[]
  /** Lines that are brought somewhere, and lines that something is brought onto. */
  readonly linesMoved: readonly SeenLine[]
  readonly linesAimedAt: readonly SeenLine[]
  /** Creases and edges that the fold line runs along. */
  readonly along: readonly SeenLine[]
  readonly measures: readonly Measured[]
  /** The two edges of the corner that moves go over alike. */
  readonly squarely: boolean
  /** Of the two freedoms, those that neither a mark nor a measure takes. */
  readonly open: 0 | 1 | 2
}

const NOTHING: Finding = {
  moves: [],
  targets: [],
  linesMoved: [],
  linesAimedAt: [],
  along: [],
  measures: [],
  squarely: false,
  open: 0,
}

/** Shorter than this, in sides, a stretch tells no direction: 3 mm on 15 cm. */
const TELLS = 0.02

interface Asked {
  readonly here: Situation
  readonly lines: readonly SeenLine[]
  /** Those that a ruler is laid along. */
  readonly above: readonly SeenLine[]
  /** Those that something can be brought onto: what is folded forward hides what is seen from below. */
  readonly ahead: readonly SeenLine[]
  /** The fold line, what moves on its left. */
  readonly line: Line
  /** Where it runs on the layers that move. */
  readonly runs: Segment
  /** Corners of the layers that move and go far, the furthest first. */
  readonly corners: readonly Place[]
  /** The layers that move, as they lie. */
  readonly moving: readonly Polygon[]
}

/** What the author brings onto what, where hand and eye know both. */
function aimed({ here, lines, ahead }: Asked, spec: LineSpec): Finding | null {
  const place = (among: readonly SeenLine[], point: PointSpec) => placeAt(among, pointOf(here, point))
  const seen = (among: readonly SeenLine[], line: LineSpec) => {
    const along = linesAlong(among, lineOf(here, line))
    return sizeOf(along) > TELLS ? along : null
  }
  if ('onto' in spec) {
    const [moves, target] = [place(lines, spec.onto[0]), place(ahead, spec.onto[1])]
    return moves && target ? { ...NOTHING, moves: [moves], targets: [target] } : null
  }
  if ('lineOnto' in spec) {
    const [linesMoved, linesAimedAt] = [seen(lines, spec.lineOnto[0]), seen(ahead, spec.lineOnto[1])]
    return linesMoved && linesAimedAt ? { ...NOTHING, linesMoved, linesAimedAt } : null
  }
  if ('points' in spec) {
    const moves = spec.points.flatMap((point) => place(lines, point) ?? [])
    const linesAimedAt = spec.ontoLines.map((line) => seen(ahead, line) ?? [])
    return moves.length === 2 && linesAimedAt.every((one) => one.length > 0)
      ? { ...NOTHING, moves, linesAimedAt: linesAimedAt.flat() }
      : null
  }
  if ('point' in spec) {
    const [moves, linesAimedAt] = [place(lines, spec.point), seen(ahead, spec.ontoLine)]
    if (!moves || !linesAimedAt) return null
    const through = 'via' in spec ? place(lines, spec.via) : null
    const itself = 'square' in spec ? seen(lines, spec.square) : null
    if (!through && !itself) return null
    return {
      ...NOTHING,
      moves: [moves],
      linesAimedAt,
      targets: through ? [through] : [],
      linesMoved: itself ?? [],
    }
  }
  return null
}

/** A corner of what moves that comes onto a place that stays, though the author told the line in another way. */
function brought({ ahead, line, corners }: Asked): Finding | null {
  for (const corner of corners) {
    const target = placeAt(ahead, mirrored(line, corner.at))
    if (target) return { ...NOTHING, moves: [corner], targets: [target] }
  }
  return null
}

/** A line that is crossed at a right angle comes to lie on itself. */
const ontoItself = ({ lines, line, runs, moving }: Asked): SeenLine | undefined =>
  lines.find((one) => {
    const size = distance(one.from, one.to)
    const level =
      ((one.to.x - one.from.x) * line.direction.x + (one.to.y - one.from.y) * line.direction.y) / size
    if (size < TELLS || Math.abs(level) > ONE_PLACE) return false
    const [a, b] = [signedDistance(line, one.from), signedDistance(line, one.to)]
    if (Math.min(a, b) > ONE_PLACE || Math.max(a, b) < TELLS) return false
    const foot = footOf(line, one.from)
    const far = a > b ? one.from : one.to
    const beyond = { x: (foot.x + far.x) / 2, y: (foot.y + far.y) / 2 }
    return within(runs, foot) && moving.some((shape) => holds(shape, beyond))
  })

/** Whether a point of the line of a stretch lies on it. */
const within = ({ from, to }: Segment, at: Point): boolean =>
  distance(from, at) + distance(at, to) < distance(from, to) + ONE_PLACE

/** A corner whose two edges go over alike: the fold halves it squarely. */
const halved = ({ line, corners }: Asked): Place | undefined =>
  corners.find(({ at, lines }) => {
    const slopes = lines.flatMap(({ from, to }) => {
      const ends = [from, to].filter((end) => distance(end, at) < ONE_PLACE)
      const other = ends[0] === from ? to : from
      return ends.length === 1
        ? [
            {
              towards: (signedDistance(line, at) - signedDistance(line, other)) / distance(at, other),
              along:
                ((other.x - at.x) * line.direction.x + (other.y - at.y) * line.direction.y) /
                distance(at, other),
            },
          ]
        : []
    })
    return slopes.some(
      (one) =>
        one.towards > ONE_PLACE &&
        slopes.some(
          (other) =>
            Math.abs(one.towards - other.towards) < ONE_PLACE &&
            Math.abs(one.along + other.along) < ONE_PLACE,
        ),
    )
  })

/** A corner of what moves that comes onto a line that stays: one that lies across its way, not along it. */
function ontoLine({ ahead, line, corners }: Asked): Pick<Finding, 'moves' | 'linesAimedAt'> | null {
  for (const corner of corners) {
    const image = mirrored(line, corner.at)
    const along = ahead.filter((one) => {
      const size = sizeOf([one])
      const across =
        Math.abs((one.to.x - one.from.x) * line.direction.x + (one.to.y - one.from.y) * line.direction.y) /
        size
      return size > TELLS && across > TELLS && within(one, image)
    })
    if (along.length > 0) return { moves: [corner], linesAimedAt: along.slice(0, 1) }
  }
  return null
}

/** From the nearest place on each line that is seen to where the fold crosses it, in order along the fold. */
function crossings({ above: lines, line, runs }: Asked): readonly Measured[] {
  const along = (at: Point) =>
    (at.x - line.origin.x) * line.direction.x + (at.y - line.origin.y) * line.direction.y
  return lines
    .flatMap((one): readonly Measured[] => {
      const [a, b] = [signedDistance(line, one.from), signedDistance(line, one.to)]
      if (Math.abs(a - b) < TELLS * distance(one.from, one.to) || a * b > 0) return []
      const share = a / (a - b)
      const to = {
        x: one.from.x + (one.to.x - one.from.x) * share,
        y: one.from.y + (one.to.y - one.from.y) * share,
      }
      if (!within(runs, to)) return []
      const [nearest] = placesOn(lines, one)
        .map(({ at }) => ({ from: at, to, share: distance(at, to) }))
        .sort((p, q) => p.share - q.share)
      return nearest && nearest.share > ONE_PLACE ? [nearest] : []
    })
    .sort((p, q) => along(p.to) - along(q.to))
}

/** Square to the fold line: from what goes furthest, or from a line along it that is nearer. */
function depth({ lines, line, runs, corners }: Asked): Measured | null {
  const square = (from: Point): Measured => {
    const to = footOf(line, from)
    return { from, to, share: distance(from, to) }
  }
  const beside = lines.flatMap((one): readonly Measured[] => {
    const [a, b] = [signedDistance(line, one.from), signedDistance(line, one.to)]
    const level = sizeOf([one]) > TELLS && Math.abs(a - b) < ONE_PLACE
    return level && Math.abs(a) > TELLS / 2
      ? [one.from, one.to].map(square).filter(({ to }) => within(runs, to))
      : []
  })
  const [nearest] = [...beside, ...corners.slice(0, 1).map(({ at }) => square(at))].sort(
    (one, other) => one.share - other.share,
  )
  return nearest ?? null
}

/** From where what goes furthest comes to lie to the lines that are seen before and beyond it on its way. */
function landings({ ahead, line, corners }: Asked): readonly Measured[] {
  const [far] = corners
  if (!far) return []
  const to = mirrored(line, far.at)
  const way = lineThrough(far.at, to)
  return ahead.flatMap((one): readonly Measured[] => {
    const [a, b] = [signedDistance(way, one.from), signedDistance(way, one.to)]
    if (Math.abs(a - b) < TELLS || a * b > 0) return []
    const share = a / (a - b)
    const from = {
      x: one.from.x + (one.to.x - one.from.x) * share,
      y: one.from.y + (one.to.y - one.from.y) * share,
    }
    return [{ from, to, share: distance(from, to) }]
  })
}

/** What takes one freedom each, until both are taken; the rest is measured. */
function pieceByPiece(asked: Asked): Finding {
  const { lines, runs } = asked
  const places = placesOn(lines, runs)
  const [first, last] = [places[0], places.at(-1)]
  if (first && last && distance(first.at, last.at) > TELLS) return { ...NOTHING, targets: [first, last] }
  const targets = first ? [first] : []
  const onto = brought(asked)
  if (onto) return onto
  const crossed = ontoItself(asked)
  const corner = crossed ? undefined : halved(asked)
  const square = crossed ?? corner
  const told = {
    ...NOTHING,
    targets,
    linesMoved: crossed ? [crossed] : [],
    moves: corner ? [corner] : [],
    squarely: corner !== undefined,
  }
  if (square && first) return told
  const landing = ontoLine(asked)
  // One and the same corner is halved and comes onto the line.
  if (landing && (crossed ?? corner ?? first) && (!corner || corner.at === landing.moves[0]?.at))
    return { ...told, ...landing }
  const deep = depth(asked)
  if (square && deep) return { ...told, measures: [deep] }
  const measured = crossings(asked)
  const from = first?.at ?? measured[0]?.to
  const [far] = from ? [...measured].sort((p, q) => distance(q.to, from) - distance(p.to, from)) : []
  const needed = first ? [far] : [measured[0], far]
  const measures = needed.filter((one) => one !== undefined)
  const open = measures.length === 2 && measures[0] === measures[1] ? 1 : needed.length - measures.length
  return { ...told, measures, open: open === 0 || open === 1 ? open : 2 }
}

/** The stretch of a line from its first to its last place on the layers that move. */
function runOf(line: Line, creases: readonly Segment[]): Segment | null {
  const along = (p: Point) =>
    (p.x - line.origin.x) * line.direction.x + (p.y - line.origin.y) * line.direction.y
  const ends = creases.flatMap(({ from, to }) => [from, to]).sort((a, b) => along(a) - along(b))
  const [from, to] = [ends[0], ends.at(-1)]
  return from && to ? { from, to } : null
}

/** Of all that could be measured, the length that the gauge says; else how deep the flap is. */
function asGauged(asked: Asked, spec: LineSpec): Measured | null {
  const settings = gaugesIn(spec).map((key) => Math.abs(asked.here.gauges[key] ?? 0))
  const says = ({ share }: Measured) => settings.some((setting) => Math.abs(share - setting) < ONE_PLACE)
  const deep = depth(asked)
  const all = [...(deep ? [deep] : []), ...landings(asked), ...crossings(asked)]
  return all.find(says) ?? deep
}

/**
 * How the fold line of a move is found; `null` for a move along no line and one that opens a flap again. What a gauge
 * sets has its measure, whatever marks there are. `seen` is the piece before the move from above, where it is there already.
 */
export function foundBy(
  { before, done }: Frame,
  gauges: GaugeShares,
  seen: Seen = seenFrom(before.state),
): Finding | null {
  const { line, creases, spec } = done
  const runs = line ? runOf(line, creases) : null
  if (!line || !runs || !('line' in spec) || spec.kind === 'unfold') return null
  const [above, below] = [linesSeen(before, seen), linesSeen(before, seenFrom(before.state, 'below'))]
  // A flap is opened before its tip goes between its layers: what lies within is seen then.
  const within = spec.kind === 'reverse' || spec.kind === 'tuck' ? linesFelt(seen) : []
  const lines = [...above, ...below, ...within]
  const moving = done.moving.flatMap((face) => {
    const shape = before.state.faces[face]
    return shape ? [lying(shape)] : []
  })
  const asked: Asked = {
    here: { state: before.state, gauges },
    lines,
    above,
    ahead: 'way' in spec && spec.way === 'valley' ? above : lines,
    line,
    runs,
    corners: cornersBeyond(line, moving, lines),
    moving,
  }
  const aim = aimed(asked, spec.line)
  // What goes until it stops needs no measure.
  if (spec.kind === 'fold' && spec.stopFrom) return aim ?? NOTHING
  const old = linesAlong(lines, line)
  const finding =
    aim ?? (sizeOf(old) > distance(runs.from, runs.to) / 2 ? { ...NOTHING, along: old } : pieceByPiece(asked))
  if (gaugesIn(spec.line).length === 0 || finding.measures.length > 1) return finding
  const set = asGauged(asked, spec.line)
  return set ? { ...finding, measures: [set] } : finding
}

/** Corners of layers that are places, the furthest beyond a line first, with those at least half as far. */
function cornersBeyond(line: Line, moving: readonly Polygon[], lines: readonly SeenLine[]): readonly Place[] {
  const apart: Point[] = []
  const far = largest(moving.flat().map((at) => signedDistance(line, at)))
  const beyond = moving.flat().filter((at) => signedDistance(line, at) > far / 2)
  for (const at of beyond) if (!apart.some((one) => distance(one, at) < ONE_PLACE)) apart.push(at)
  return apart
    .sort((p, q) => signedDistance(line, q) - signedDistance(line, p))
    .flatMap((at) => placeAt(lines, at) ?? [])
}
