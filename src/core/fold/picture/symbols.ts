import { NOTHING_TO_SEE, ROUNDING, largest, least } from '../../numeric'
import { distance, flips, footOf, mirrored, move, signedDistance, type Point } from '../../geometry'
import { boxOf, gaugesIn, pointOf, type CreaseOnFace, type Frame, type GaugeShares } from '../program'
import { sheetPoint, type Situation } from '../program/resolve'
import type { LineSpec, MoveKind, MoveSpec, PointSpec, TakeSpec } from '../program'
import { letterOf } from '../moves/refold'
import { lying } from '../state/start'
import type { FoldedState } from '../state/types'
import { whereIs } from '../state/where'
import { onFace, onFaces, type Seen, type Segment } from './visible'

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
  | { readonly kind: 'landmark'; readonly at: Point; readonly role: 'moves' | 'target' | 'end' }
  | (Segment & { readonly kind: 'landmark line'; readonly role: 'moves' | 'target' })
  /** Where no mark says where the line runs: how far it is from what moves, in sides. */
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

/** Stretches on one line joined where they meet or overlap. */
function joined(stretches: readonly Segment[]): readonly Segment[] {
  const [first] = stretches
  if (!first) return []
  const { from, to } = stretches.reduce(
    (longest, one) => (distance(one.from, one.to) > distance(longest.from, longest.to) ? one : longest),
    first,
  )
  const size = distance(from, to)
  const place = (p: Point) => ((p.x - from.x) * (to.x - from.x) + (p.y - from.y) * (to.y - from.y)) / size
  const at = (value: number): Point => ({
    x: from.x + ((to.x - from.x) * value) / size,
    y: from.y + ((to.y - from.y) * value) / size,
  })
  const runs = stretches
    .map((one): [number, number] => {
      const [a, b] = [place(one.from), place(one.to)]
      return [Math.min(a, b), Math.max(a, b)]
    })
    .sort((a, b) => a[0] - b[0])
  const all: [number, number][] = []
  for (const [start, end] of runs) {
    const last = all.at(-1)
    if (last && start < last[1] + NOTHING_TO_SEE) last[1] = Math.max(last[1], end)
    else all.push([start, end])
  }
  return all.map(([start, end]) => ({ from: at(start), to: at(end) }))
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

function landmarks(here: Situation, line: LineSpec): readonly FoldSymbol[] {
  const point = (spec: PointSpec, role: 'moves' | 'target'): FoldSymbol => ({
    kind: 'landmark',
    at: pointOf(here, spec),
    role,
  })
  const edge = (spec: LineSpec, role: 'moves' | 'target'): readonly FoldSymbol[] =>
    'through' in spec
      ? [
          {
            kind: 'landmark line',
            role,
            from: pointOf(here, spec.through[0]),
            to: pointOf(here, spec.through[1]),
          },
        ]
      : []
  if ('onto' in line) return [point(line.onto[0], 'moves'), point(line.onto[1], 'target')]
  if ('lineOnto' in line) return [...edge(line.lineOnto[0], 'moves'), ...edge(line.lineOnto[1], 'target')]
  if ('point' in line) return [point(line.point, 'moves'), ...edge(line.ontoLine, 'target')]
  if ('points' in line)
    return [
      ...line.points.map((spec) => point(spec, 'moves')),
      ...line.ontoLines.flatMap((spec) => edge(spec, 'target')),
    ]
  // A place of the here is no mark on the paper: only what lies on the sheet can be aimed at.
  if ('through' in line)
    return line.through.flatMap((spec) => ('plane' in spec ? [] : [point(spec, 'target')]))
  return []
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

/**
 * The marks a fold line is found by; where there are none, or a gauge sets it, how far it is from what moves: a place of
 * the plane is no mark on the paper.
 */
function found(drawn: Drawn, line: LineSpec): readonly FoldSymbol[] {
  const marks = landmarks(drawn.here, line)
  const far = traveller(drawn.frame)
  const { line: made } = drawn.frame.done
  if (!made || !far || (marks.length > 0 && gaugesIn(line).length === 0)) return marks
  const to = footOf(made, far)
  return [...marks, { kind: 'measure', from: far, to, share: distance(far, to) }]
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
  fold: (drawn, { way, line, take, stopFrom }) => [
    ...foldLines(drawn.seen, drawn.frame.done.creases, way),
    // What goes until it stops needs no measure.
    ...(stopFrom ? landmarks(drawn.here, line) : found(drawn, line)),
    ...travels(drawn, way === 'valley' ? 'front' : 'behind'),
    ...layersTaken(drawn, take),
  ],
  crease: (drawn, { way, line, take, between }) => {
    const lines = foldLines(drawn.seen, clip(drawn.frame, drawn.frame.done.creases), way)
    return [
      ...lines,
      ...(between ? endsOf(lines) : []),
      ...found(drawn, line),
      ...travels(drawn, way === 'valley' ? 'there and back' : 'behind and back'),
      ...layersTaken(drawn, take),
    ]
  },
  unfold: (drawn, { take }) => [...travels(drawn, 'unfold'), ...layersTaken(drawn, take)],
  reverse: (drawn, { way, line }) => [
    ...foldLines(drawn.seen, drawn.frame.done.creases, way === 'inside' ? 'mountain' : 'valley'),
    ...found(drawn, line),
    ...travels(drawn, 'between'),
  ],
  tuck: (drawn, { line }) => [
    ...foldLines(drawn.seen, drawn.frame.done.creases, 'valley'),
    ...found(drawn, line),
    ...travels(drawn, 'between'),
  ],
  cut: (drawn, { line }) => [
    ...foldLines(drawn.seen, drawn.frame.done.creases, 'cut'),
    ...found(drawn, line),
  ],
  'turn over': (_, { axis }) => [{ kind: 'turn over', axis }],
  rotate: (_, { degrees }) => [{ kind: 'rotate', degrees }],
  refold: ({ frame, seen, here }, { shows }) => {
    const at = sheetPoint(here, shows)
    const [from, to] = [whereIs(frame.before.state, at), whereIs(frame.after.state, at)]
    const arrow: readonly FoldSymbol[] =
      from && to && distance(from, to) > SAME_PLACE ? [{ kind: 'arrow', head: 'front', from, to }] : []
    return [...refoldLines(frame, seen, here.gauges), ...arrow]
  },
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

/** A partial crease is drawn as long as it is made: from the marks it leaves. */
function clip({ before, after }: Frame, creases: readonly CreaseOnFace[]): readonly CreaseOnFace[] {
  const fresh = after.marks.slice(before.marks.length)
  return creases.flatMap((crease, index): CreaseOnFace[] => {
    const pose = before.state.faces[crease.face]?.pose
    const mark = fresh[index]
    return pose && mark && fresh.length === creases.length
      ? [{ face: crease.face, from: move(pose, mark.from), to: move(pose, mark.to) }]
      : [crease]
  })
}

const holds = (shape: readonly Point[], at: Point): boolean =>
  shape.every((p, index) => {
    const q = shape[(index + 1) % shape.length] ?? p
    return (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x) > -ROUNDING
  })

/** How deep the flap of a fold is, from its tip to the fold line, in sides; `null` where nothing goes over a line. */
export function flapDepth(symbols: readonly FoldSymbol[]): number | null {
  const arrow = symbols.find((symbol) => symbol.kind === 'arrow')
  return arrow ? distance(arrow.from, arrow.to) / 2 : null
}
