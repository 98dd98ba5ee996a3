import {
  centre,
  flips,
  IDENTITY,
  subdivide,
  type Isometry,
  type Point,
  type Polygon,
  type Segment,
} from '../../geometry'
import { arrange } from './arrange'
import { cornerFaults } from './corner-faults'
import type {
  Crease,
  CreasePattern,
  CutUpSheet,
  Hint,
  Letter,
  Mark,
  PatternFault,
  PatternResult,
} from './crease-pattern'
import { layDown } from './lay-down'
import type { KnownOrder, SolveLimits } from '../order'
import { flatSheet } from '../state/start'
import { faceAt } from '../state/where'
import type { Face, Hinge } from '../state/types'

/** A letter as an order: seen from the front, the faces of a valley close over their fronts. */
function letterOrder(
  letter: Letter,
  first: number,
  second: number,
  faces: readonly Face[],
): KnownOrder | null {
  if (letter !== 'M' && letter !== 'V') return null
  // The face that lies front up is covered by a valley's other half, and covers a mountain's.
  const frontUp = flips(faces[first]?.pose ?? IDENTITY) ? second : first
  const other = frontUp === first ? second : first
  return letter === 'V' ? { above: other, below: frontUp } : { above: frontUp, below: other }
}

/** Faces laid down and the orders that letters give, before the layers are arranged. */
export interface LaidDown {
  readonly faces: readonly Face[]
  readonly hinges: readonly Hinge[]
  readonly known: readonly KnownOrder[]
}

interface SheetCreases {
  readonly outline: Polygon
  readonly creases: readonly Crease[]
  /** Paper that has been cut off, in convex parts. */
  readonly cutAway?: readonly Polygon[]
  /** A point of the sheet that keeps its place; without one, the face of the first corner lies as the sheet does. */
  readonly stays?: { readonly at: Point; readonly pose: Isometry }
}

const edgesOf = (polygon: Polygon): readonly Segment<Mark>[] =>
  polygon.map((from, index) => ({ from, to: polygon[(index + 1) % polygon.length] ?? from, mark: 'edge' }))

const holds = (polygon: Polygon, at: Point): boolean =>
  polygon.every((p, index) => {
    const q = polygon[(index + 1) % polygon.length] ?? p
    return (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x) > 0
  })

/** Cuts the sheet up along its creases and lays the faces down; or says at which corners that cannot be. */
export function layCreases({
  outline,
  creases,
  cutAway = [],
  stays,
}: SheetCreases):
  | { readonly ok: true; readonly laid: LaidDown }
  | { readonly ok: false; readonly faults: readonly PatternFault[] } {
  const division: CutUpSheet = subdivide<Mark>([
    ...edgesOf(outline),
    ...cutAway.flatMap(edgesOf),
    // A crease that stays flat cuts nothing.
    ...creases
      .filter(({ letter }) => letter !== 'F')
      .map(({ from, to, letter }) => ({ from, to, mark: letter })),
  ])
  const atCorners = cornerFaults(division)
  if (atCorners.length > 0) return { ok: false, faults: atCorners }
  const polygons = division.faces.map((corners): Polygon =>
    corners.map((corner) => division.corners[corner] ?? { x: 0, y: 0 }),
  )
  const base = stays ? polygons.findIndex((polygon) => holds(polygon, stays.at)) : 0
  const { poses, faults } = layDown(division, { face: Math.max(0, base), pose: stays?.pose ?? IDENTITY })
  if (faults.length > 0) return { ok: false, faults }
  const kept = polygons.flatMap((polygon, index) =>
    cutAway.some((part) => holds(part, centre(polygon))) ? [] : [index],
  )
  const numbers = new Map(kept.map((index, number) => [index, number]))
  const faces = kept.map((index): Face => ({ sheet: polygons[index] ?? [], pose: poses[index] ?? IDENTITY }))
  const hinges: Hinge[] = []
  const known: KnownOrder[] = []
  division.edges.forEach(({ from, to, mark }, index) => {
    const { left = -1, right = -1 } = division.sides[index] ?? {}
    const [first, second] = [numbers.get(left), numbers.get(right)]
    const [a, b] = [division.corners[from], division.corners[to]]
    if (first === undefined || second === undefined || mark === 'edge' || !a || !b) return
    hinges.push({ first, second, from: a, to: b })
    const order = letterOrder(mark, first, second, faces)
    if (order) known.push(order)
  })
  return { ok: true, laid: { faces, hinges, known } }
}

/** Hints as orders of faces; one that names no face, or one face twice, says nothing. */
export const hintOrders = (faces: readonly Face[], hints: readonly Hint[]): readonly KnownOrder[] =>
  hints.flatMap((hint) => {
    const [one, other] =
      'above' in hint
        ? [faceAt(faces, hint.above), faceAt(faces, hint.below)]
        : [faceAt(faces, hint.upon), faceAt(faces, hint.of)]
    const lies = faces[other]
    if (one < 0 || !lies || one === other) return []
    const over = 'above' in hint || (hint.side === 'front') !== flips(lies.pose)
    return [over ? { above: one, below: other } : { above: other, below: one }]
  })

/**
 * Folds a crease pattern flat: faces laid down, their order solved with the letters and hints given.
 * *Returns* the state with the number of orders that fit (publish figures only of one), or every fault with its place.
 * The base is laid with the face that holds the first corner of the outline front up.
 */
export function foldPattern(pattern: CreasePattern, limits: SolveLimits): PatternResult {
  const { outline } = flatSheet(pattern.outline)
  const result = layCreases({ outline, creases: pattern.creases })
  if (!result.ok) return result
  const { faces, hinges, known } = result.laid
  const arranged = arrange(faces, hinges, [...known, ...hintOrders(faces, pattern.hints ?? [])], limits)
  if (!arranged.ok) return { ok: false, faults: [arranged.fault] }
  const { above, orders, atLeast } = arranged
  return { ok: true, state: { outline, faces, hinges, above }, orders, atLeast }
}
