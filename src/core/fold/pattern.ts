import {
  after,
  distance,
  IDENTITY,
  move,
  reflection,
  lineThrough,
  minus,
  subdivide,
  flips,
  type Isometry,
  type Point,
  type Polygon,
  type Segment,
  type Subdivision,
} from '../geometry'
import { orderConditions, solveOrder, type FoldedCrease, type KnownOrder, type SolveLimits } from './order'
import { flatSheet, lying } from './start'
import { creasesLying } from './creases'
import type { Face, FoldedState, Hinge } from './types'

/** M: mountain, V: valley, seen with the sheet's front towards you; U: folded, either way; F: flat, creased only. */
export type Letter = 'M' | 'V' | 'U' | 'F'

export interface Crease {
  readonly from: Point
  readonly to: Point
  readonly letter: Letter
}

/** "This point of the sheet lies above that one." */
export interface Hint {
  readonly above: Point
  readonly below: Point
}

export interface CreasePattern {
  readonly outline: Polygon
  readonly creases: readonly Crease[]
  readonly hints?: readonly Hint[]
}

/** Why a pattern does not fold flat, and where on the sheet. */
export type PatternFault =
  | { readonly code: 'ANGLE_SUM'; readonly at: Point; readonly alternateSumDeg: number }
  | { readonly code: 'ODD_DEGREE'; readonly at: Point; readonly creases: number }
  | { readonly code: 'FOLD_PARITY'; readonly at: Point; readonly mountains: number; readonly valleys: number }
  | { readonly code: 'DANGLING_CREASE'; readonly at: Point }
  | { readonly code: 'CLOSURE_GAP'; readonly at: Point; readonly gap: number }
  | { readonly code: 'NO_ORDER'; readonly faces: readonly number[] }
  | { readonly code: 'STOPPED' }

export type PatternResult =
  | { readonly ok: true; readonly state: FoldedState; readonly orders: number; readonly atLeast: boolean }
  | { readonly ok: false; readonly faults: readonly PatternFault[] }

type Mark = Letter | 'edge'

const ANGLE_SLACK_RAD = 1e-6

/** Creases that are folded, around one corner, by angle. */
function spokes({ corners, edges }: Subdivision<Mark>, corner: number) {
  const here = corners[corner] ?? { x: 0, y: 0 }
  return edges
    .flatMap(({ from, to, mark }) => {
      const other = from === corner ? to : to === corner ? from : -1
      if (other < 0) return []
      const way = minus(corners[other] ?? here, here)
      return [{ mark, angle: Math.atan2(way.y, way.x) }]
    })
    .sort((a, b) => a.angle - b.angle)
}

/** Justin's conditions at every corner inside the sheet (alternate angles; mountains and valleys differ by two). */
function cornerFaults(division: Subdivision<Mark>): readonly PatternFault[] {
  return division.corners.flatMap((at, corner): PatternFault[] => {
    const all = spokes(division, corner)
    if (all.some((spoke) => spoke.mark === 'edge')) return []
    if (all.length === 1) return [{ code: 'DANGLING_CREASE', at }]
    const folded = all.filter((spoke) => spoke.mark !== 'F')
    if (folded.length === 0) return []
    if (folded.length % 2 === 1) return [{ code: 'ODD_DEGREE', at, creases: folded.length }]
    const alternate = folded.reduce((sum, spoke, index) => {
      const next = folded[(index + 1) % folded.length] ?? spoke
      const turn =
        index === folded.length - 1 ? next.angle + 2 * Math.PI - spoke.angle : next.angle - spoke.angle
      return index % 2 === 0 ? sum + turn : sum
    }, 0)
    if (Math.abs(alternate - Math.PI) > ANGLE_SLACK_RAD)
      return [{ code: 'ANGLE_SUM', at, alternateSumDeg: (alternate * 180) / Math.PI }]
    const mountains = folded.filter((spoke) => spoke.mark === 'M').length
    const valleys = folded.filter((spoke) => spoke.mark === 'V').length
    const lettered = mountains + valleys === folded.length
    return lettered && Math.abs(mountains - valleys) !== 2
      ? [{ code: 'FOLD_PARITY', at, mountains, valleys }]
      : []
  })
}

/** Lays every face down from the first one, reflecting at each folded crease; where ways disagree there is a gap. */
function layDown(division: Subdivision<Mark>): {
  readonly poses: readonly Isometry[]
  readonly faults: readonly PatternFault[]
} {
  const { corners, edges, faces, sides } = division
  const poses: (Isometry | undefined)[] = faces.map(() => undefined)
  const faults: PatternFault[] = []
  poses[0] = IDENTITY
  const queue = faces.length > 0 ? [0] : []
  for (let face = queue.pop(); face !== undefined; face = queue.pop()) {
    const pose = poses[face] ?? IDENTITY
    sides.forEach(({ left, right }, index) => {
      const other = left === face ? right : right === face ? left : -1
      const edge = edges[index]
      const [from, to] = [corners[edge?.from ?? -1], corners[edge?.to ?? -1]]
      if (other < 0 || !edge || !from || !to) return
      const expected = edge.mark === 'F' ? pose : after(pose, reflection(lineThrough(from, to)))
      const known = poses[other]
      if (known === undefined) {
        poses[other] = expected
        queue.push(other)
        return
      }
      const gap = Math.max(
        ...(faces[other] ?? []).map((corner) =>
          distance(move(known, corners[corner] ?? from), move(expected, corners[corner] ?? from)),
        ),
      )
      if (gap > 1e-6) faults.push({ code: 'CLOSURE_GAP', at: from, gap })
    })
  }
  return { poses: poses.map((pose) => pose ?? IDENTITY), faults }
}

/** A letter as an order: seen from the front, the faces of a valley close over their fronts. */
function letterOrder(
  letter: Letter,
  first: number,
  second: number,
  poses: readonly Isometry[],
): KnownOrder | null {
  if (letter !== 'M' && letter !== 'V') return null
  // The face that lies front up is covered by a valley's other half, and covers a mountain's.
  const frontUp = flips(poses[first] ?? IDENTITY) ? second : first
  const other = frontUp === first ? second : first
  return letter === 'V' ? { above: other, below: frontUp } : { above: frontUp, below: other }
}

const faceAt = (division: Subdivision<Mark>, at: Point): number =>
  division.faces.findIndex((face) =>
    face.every((corner, index) => {
      const [p, q] = [division.corners[corner], division.corners[face[(index + 1) % face.length] ?? -1]]
      return !p || !q || (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x) > 0
    }),
  )

/**
 * Folds a crease pattern flat: faces laid down, their order solved with the letters and hints given.
 * *Returns* the state with the number of orders that fit (publish figures only of one), or every fault with its place.
 * The base is laid with the face that holds the first corner of the outline front up.
 */
export function foldPattern(pattern: CreasePattern, limits: SolveLimits): PatternResult {
  const { outline } = flatSheet(pattern.outline)
  const border = outline.map((from, index): Segment<Mark> => ({
    from,
    to: outline[(index + 1) % outline.length] ?? from,
    mark: 'edge',
  }))
  const division = subdivide<Mark>([
    ...border,
    ...pattern.creases.map(({ from, to, letter }) => ({ from, to, mark: letter })),
  ])
  const atCorners = cornerFaults(division)
  if (atCorners.length > 0) return { ok: false, faults: atCorners }
  const { poses, faults } = layDown(division)
  if (faults.length > 0) return { ok: false, faults }
  const faces = division.faces.map((corners, index): Face => ({
    sheet: corners.map((corner) => division.corners[corner] ?? { x: 0, y: 0 }),
    pose: poses[index] ?? IDENTITY,
  }))
  const hinges: Hinge[] = []
  const known: KnownOrder[] = []
  division.edges.forEach(({ from, to, mark }, index) => {
    const { left, right } = division.sides[index] ?? { left: -1, right: -1 }
    const [a, b] = [division.corners[from], division.corners[to]]
    if (left < 0 || right < 0 || mark === 'edge' || !a || !b) return
    hinges.push({ first: left, second: right, from: a, to: b })
    const order = letterOrder(mark, left, right, poses)
    if (order) known.push(order)
  })
  for (const hint of pattern.hints ?? [])
    known.push({ above: faceAt(division, hint.above), below: faceAt(division, hint.below) })
  return solved(outline, faces, hinges, known, limits)
}

function solved(
  outline: Polygon,
  faces: readonly Face[],
  hinges: readonly Hinge[],
  known: readonly KnownOrder[],
  limits: SolveLimits,
): PatternResult {
  const shapes = faces.map(lying)
  const creases: readonly FoldedCrease[] = creasesLying(faces, hinges)
  const result = solveOrder(orderConditions(shapes, creases), known, limits)
  if (result.status === 'stopped') return { ok: false, faults: [{ code: 'STOPPED' }] }
  if (result.status === 'no order') return { ok: false, faults: [{ code: 'NO_ORDER', faces: result.faces }] }
  const above = new Int8Array(faces.length * faces.length)
  for (const [i, j] of result.above) {
    above[i * faces.length + j] = 1
    above[j * faces.length + i] = -1
  }
  return {
    ok: true,
    state: { outline, faces, hinges, above },
    orders: result.orders,
    atLeast: result.atLeast,
  }
}

/** Where a point of the sheet lies now. */
export function whereIs(state: FoldedState, at: Point): Point | null {
  const face = state.faces.find(({ sheet }) =>
    sheet.every((p, index) => {
      const q = sheet[(index + 1) % sheet.length] ?? p
      return (q.x - p.x) * (at.y - p.y) - (q.y - p.y) * (at.x - p.x) > -1e-9
    }),
  )
  return face ? move(face.pose, at) : null
}
