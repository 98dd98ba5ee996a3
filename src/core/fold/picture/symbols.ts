import { NOTHING_TO_SEE, ROUNDING, largest, least } from '../../numeric'
import { distance, flips, mirrored, signedDistance, type Point } from '../../geometry'
import { boxOf, pointOf, type CreaseOnFace, type Frame, type GaugeShares } from '../program'
import { sheetPoint, type Situation } from '../program/resolve'
import type { MoveKind, MoveSpec, PointSpec, TakeSpec } from '../program'
import { clipped } from '../program/do-move'
import { letterOf } from '../moves/refold'
import { lying } from '../state/start'
import type { FoldedState } from '../state/types'
import { whereIs } from '../state/where'
import { foundBy, type Finding } from './found'
import {
  joined,
  lineName,
  placeName,
  type LineName,
  type Place,
  type PlaceName,
  type SeenLine,
} from './places'
import { holds, onFace, onFaces, type Seen, type Segment } from './visible'

/** What is drawn over a piece to say what the hands do next, in the international convention of origami diagrams. */
export type FoldSymbol =
  | (Segment & {
      readonly kind: 'line'
      readonly style: 'valley' | 'mountain' | 'cut'
      readonly seen: boolean
    })
  /** `head`: a fold in front or behind, there and back, an unfolding, or between layers. */
  | (Segment & {
      readonly kind: 'arrow'
      readonly head: 'front' | 'behind' | 'there and back' | 'behind and back' | 'unfold' | 'between'
    })
  | { readonly kind: 'turn over'; readonly axis: 'upright' | 'level' }
  | { readonly kind: 'rotate'; readonly degrees: number }
  /** A point or line that is brought onto another: the pair to watch. */
  | {
      readonly kind: 'landmark'
      readonly at: Point
      readonly role: 'moves' | 'target'
      readonly name: PlaceName
      /** A corner whose two edges go over alike. */
      readonly squarely?: true
    }
  /** An end of a pinch. */
  | { readonly kind: 'landmark'; readonly at: Point; readonly role: 'end' }
  /** `along`: the fold line runs on it. */
  | (Segment & {
      readonly kind: 'landmark line'
      readonly role: 'moves' | 'target' | 'along'
      readonly name: LineName
    })
  /** Where no mark says where the line runs, or a gauge does: a length to measure, in sides. */
  | (Segment & { readonly kind: 'measure'; readonly share: number })
  /** How many of the layers lying there are taken. */
  | { readonly kind: 'layers'; readonly at: Point; readonly taken: number; readonly of: number }
  | { readonly kind: 'shape'; readonly name: string; readonly at: Point }
  | {
      readonly kind: 'work'
      readonly name: string
      readonly places: readonly Point[]
      readonly size?: readonly [width: number, height: number]
    }

function foldLines(
  seen: Seen,
  creases: readonly CreaseOnFace[],
  style: 'valley' | 'mountain' | 'cut',
): readonly FoldSymbol[] {
  const parts = creases.flatMap((crease) => onFace(seen, crease.face, crease))
  const open = joined(parts.filter((part) => part.seen))
  const hidden = parts.some((part) => part.seen) ? [] : joined(parts)
  return [
    ...open.map((line): FoldSymbol => ({ kind: 'line', style, seen: true, ...line })),
    ...hidden.map((line): FoldSymbol => ({ kind: 'line', style, seen: false, ...line })),
  ]
}

/** The corner of the moving layers that travels furthest. */
function traveller({ before, done }: Frame): Point | null {
  const { line, moving } = done
  if (!line) return null
  const corners = moving.flatMap((face) => {
    const here = before.state.faces[face]
    return here ? lying(here) : []
  })
  const best = corners.reduce<Point | null>(
    (far, p) => (signedDistance(line, p) > (far ? signedDistance(line, far) : ROUNDING) ? p : far),
    null,
  )
  if (!best) return null
  // Of several equally far, the middle one: an edge brought over shows one arrow, in its middle.
  const equal = corners.filter(
    (p) => Math.abs(signedDistance(line, p) - signedDistance(line, best)) < NOTHING_TO_SEE,
  )
  const along = (p: Point) => p.x * line.direction.x + p.y * line.direction.y
  const places = equal.map(along)
  const middle = (least(places) + largest(places)) / 2
  const shift = middle - along(best)
  return { x: best.x + line.direction.x * shift, y: best.y + line.direction.y * shift }
}

/** What the hand watches: marks that are brought onto marks, and what is measured where marks do not tell. */
function landmarks(finding: Finding): readonly FoldSymbol[] {
  const places = (all: readonly Place[], role: 'moves' | 'target') =>
    all.map((place): FoldSymbol => ({
      kind: 'landmark',
      at: place.at,
      role,
      name: placeName(place),
      ...(role === 'moves' && finding.squarely ? { squarely: true } : {}),
    }))
  const lines = (all: readonly SeenLine[], role: 'moves' | 'target' | 'along') => {
    const name = lineName(all)
    return name
      ? joined(all).map((stretch): FoldSymbol => ({ kind: 'landmark line', role, name, ...stretch }))
      : []
  }
  return [
    ...places(finding.moves, 'moves'),
    ...places(finding.targets, 'target'),
    ...lines(finding.linesMoved, 'moves'),
    ...lines(finding.linesAimedAt, 'target'),
    ...lines(finding.along, 'along'),
    ...finding.measures.map((one): FoldSymbol => ({ kind: 'measure', ...one })),
  ]
}

/** New creases of a refold as they lie before it: mountain or valley as seen from above now. */
function refoldLines(frame: Frame, seen: Seen, gauges: GaugeShares): readonly FoldSymbol[] {
  const { spec } = frame.done
  if (spec.kind !== 'refold') return []
  const { before, after } = frame
  const here: Situation = { state: before.state, gauges }
  return spec.add.flatMap(([from, to, given]): readonly FoldSymbol[] => {
    const stretch = { from: sheetPoint(here, from), to: sheetPoint(here, to) }
    const letter = given === 'U' ? letterNow(after.state, stretch) : given
    return onFaces(seen, stretch).map((part): FoldSymbol => {
      const turned = flips(before.state.faces[part.face]?.pose ?? { a: 1, b: 0, c: 0, d: 1, x: 0, y: 0 })
      const valley = (letter === 'V') !== turned
      return {
        kind: 'line',
        style: valley ? 'valley' : 'mountain',
        seen: part.seen,
        from: part.from,
        to: part.to,
      }
    })
  })
}

/** The letter of the folded crease on a stretch of the sheet. */
function letterNow(state: FoldedState, { from, to }: Segment): 'M' | 'V' {
  const size = distance(from, to)
  const off = (p: Point) =>
    Math.abs((to.x - from.x) * (p.y - from.y) - (to.y - from.y) * (p.x - from.x)) / size
  const hinge = state.hinges.find((one) => {
    const middle = { x: (one.from.x + one.to.x) / 2, y: (one.from.y + one.to.y) / 2 }
    return (
      off(one.from) < NOTHING_TO_SEE &&
      off(one.to) < NOTHING_TO_SEE &&
      distance(middle, from) < size &&
      distance(middle, to) < size
    )
  })
  return hinge && letterOf(state, hinge) === 'M' ? 'M' : 'V'
}

/** A move about to be drawn: as it was done, what is seen of the piece before it, and what its specs are read against. */
interface Drawn {
  readonly frame: Frame
  readonly seen: Seen
  readonly here: Situation
}

type ArrowHead = Extract<FoldSymbol, { kind: 'arrow' }>['head']
type MoveOf<Kind extends MoveKind> = Extract<MoveSpec, { kind: Kind }>

/** The arrow of what a fold line takes over: from the point that is brought somewhere, or the one that goes furthest. */
function travels({ frame, here }: Drawn, head: ArrowHead): readonly FoldSymbol[] {
  const { spec, line } = frame.done
  const far = traveller(frame)
  if (!line || !far) return []
  const from = 'line' in spec && 'onto' in spec.line ? pointOf(here, spec.line.onto[0]) : far
  return [{ kind: 'arrow', head, from, to: mirrored(line, from) }]
}

/** How the fold line is found. */
function found({ frame, here, seen }: Drawn): readonly FoldSymbol[] {
  const finding = foundBy(frame, here.gauges, seen)
  return finding ? landmarks(finding) : []
}

/** Both ends of a crease that is only pinched. */
const endsOf = (lines: readonly FoldSymbol[]): readonly FoldSymbol[] =>
  lines.flatMap((one): FoldSymbol[] =>
    one.kind === 'line'
      ? [
          { kind: 'landmark', at: one.from, role: 'end' },
          { kind: 'landmark', at: one.to, role: 'end' },
        ]
      : [],
  )

/** Counted a hair beside the point: it may lie on an edge that many layers share. */
const HAIR = 1e-4

/** How many of the layers that lie there go, where there is something to choose. */
function layersTaken(
  { frame: { done }, seen, here }: Drawn,
  take: TakeSpec | undefined,
): readonly FoldSymbol[] {
  if (!take) return []
  const at = pointOf(here, take.at)
  const { line } = done
  const beside = line ? { x: at.x + line.direction.x * HAIR, y: at.y + line.direction.y * HAIR } : at
  const there = seen.shapes.flatMap((shape, face) => (holds(shape, beside) ? [face] : []))
  const goes = there.filter((face) => done.moving.includes(face))
  return goes.length === there.length ? [] : [{ kind: 'layers', at, taken: goes.length, of: there.length }]
}

/** What is drawn over each kind of move. A kind that is added to `MoveSpec` and not here does not compile. */
const DRAWS: { readonly [Kind in MoveKind]: (drawn: Drawn, spec: MoveOf<Kind>) => readonly FoldSymbol[] } = {
  fold: (drawn, { way, take }) => [
    ...foldLines(drawn.seen, drawn.frame.done.creases, way),
    ...found(drawn),
    ...travels(drawn, way === 'valley' ? 'front' : 'behind'),
    ...layersTaken(drawn, take),
  ],
  crease: (drawn, { way, take, between }) => {
    const lines = foldLines(drawn.seen, clippedTo(drawn, between), way)
    return [
      ...lines,
      ...(between ? endsOf(lines) : []),
      ...found(drawn),
      ...travels(drawn, way === 'valley' ? 'there and back' : 'behind and back'),
      ...layersTaken(drawn, take),
    ]
  },
  unfold: (drawn, { take }) => [...travels(drawn, 'unfold'), ...layersTaken(drawn, take)],
  reverse: (drawn, { way }) => [
    ...foldLines(drawn.seen, drawn.frame.done.creases, way === 'inside' ? 'mountain' : 'valley'),
    ...found(drawn),
    ...travels(drawn, 'between'),
  ],
  tuck: (drawn) => [
    ...foldLines(drawn.seen, drawn.frame.done.creases, 'valley'),
    ...found(drawn),
    ...travels(drawn, 'between'),
  ],
  cut: (drawn) => [...foldLines(drawn.seen, drawn.frame.done.creases, 'cut'), ...found(drawn)],
  'turn over': (_, { axis }) => [{ kind: 'turn over', axis }],
  rotate: (_, { degrees }) => [{ kind: 'rotate', degrees }],
  refold: ({ frame, seen, here }, { shows, showsToo = [] }) => [
    ...refoldLines(frame, seen, here.gauges),
    ...[shows, ...showsToo].flatMap((place): readonly FoldSymbol[] => {
      const at = sheetPoint(here, place)
      const [from, to] = [whereIs(frame.before.state, at), whereIs(frame.after.state, at)]
      return from && to && distance(from, to) > SAME_PLACE ? [{ kind: 'arrow', head: 'front', from, to }] : []
    }),
  ],
  shape: ({ frame }, { name }) => [{ kind: 'shape', name, at: boxOf(frame.before.state).middle }],
  work: ({ here }, { name, places, size }) => [
    {
      kind: 'work',
      name,
      places: places.map((place) => pointOf(here, place)),
      ...(size ? { size } : {}),
    },
  ],
}

/** What stays closer than this has not moved. */
const SAME_PLACE = 1e-6

function draw<Kind extends MoveKind>(drawn: Drawn, spec: MoveOf<Kind>): readonly FoldSymbol[] {
  return DRAWS[spec.kind](drawn, spec)
}

/** The symbols of one move, drawn on the piece before it. */
export const symbolsOf = (frame: Frame, seen: Seen, gauges: GaugeShares): readonly FoldSymbol[] =>
  draw({ frame, seen, here: { state: frame.before.state, gauges } }, frame.done.spec)

/** A partial crease is drawn as long as it is made, on every layer it is made on. */
function clippedTo(
  { frame, here }: Drawn,
  between: readonly [PointSpec, PointSpec] | undefined,
): readonly CreaseOnFace[] {
  const ends = between?.map((point) => pointOf(here, point))
  if (!ends) return frame.done.creases
  return frame.done.creases.flatMap(({ face, from, to }): CreaseOnFace[] => {
    const [start, end] = clipped(from, to, ends)
    return distance(start, end) > SAME_PLACE ? [{ face, from: start, to: end }] : []
  })
}

/** How deep the flap of a fold is, from its tip to the fold line, in sides; `null` where nothing goes over a line. */
export function flapDepth(symbols: readonly FoldSymbol[]): number | null {
  const arrow = symbols.find((symbol) => symbol.kind === 'arrow')
  return arrow ? distance(arrow.from, arrow.to) / 2 : null
}
