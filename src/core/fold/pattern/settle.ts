import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { NEGLIGIBLE, largest } from '../../numeric'
import { cross, distance, minus, type Point } from '../../geometry'
import type { CutUpSheet } from './crease-pattern'

/** Corners moved so that a pattern folds flat exactly, and by how much the farthest one went, in sides. */
export interface Settled {
  readonly corners: readonly Point[]
  readonly mostMoved: number
}

/** A crease between two faces that the walk over the faces does not use: over both ways its ends must lie alike. */
interface Closure {
  readonly left: number
  readonly right: number
  readonly corners: readonly [number, number]
}

/** How the faces hang together: each face, the one the walk comes from, and the ends of the crease between them. */
interface Walk {
  readonly order: readonly (readonly [face: number, from: number, start: number, end: number])[]
  readonly closures: readonly Closure[]
}

/** What must hold of corners: two lie together, or one on the line of two; in the folded piece, or on the flat sheet. */
interface Condition {
  readonly where: 'folded' | 'sheet'
  readonly corner: number
  readonly meets: readonly [number] | readonly [number, number]
}

/**
 * How near things must lie in the folded piece to be taken as touching, in roundings of a coordinate: a rounding grows
 * over the folds between. Tried from wide to narrow, since a wide one may take for touching what only lies near.
 */
const REACHES = [6, 3, 1.5] as const
/**
 * A corner that would have to go farther than this, in roundings, was not rounded but lies elsewhere: both its coordinates
 * may be off by one.
 */
const FARTHEST = Math.SQRT2 * 1.001
const ROUNDS = 4
const STEPS = 12
/** What a solved condition may still be off, in sides. */
const SOLVED = 1e-13
const GOOD_ENOUGH = 1e-10
/** How weakly corners are held where they were written, beside the conditions. */
const DAMPING = 1e-11
const NUDGE = 1e-7
/** A condition that answers a corner's move by less than this share of it has nothing to do with the corner. */
const UNMOVED = 1e-8

function walkOf({ edges, faces, sides }: CutUpSheet): Walk {
  const around: number[][] = faces.map(() => [])
  sides.forEach(({ left, right }, edge) => {
    if (left < 0 || right < 0 || edges[edge]?.mark === 'edge') return
    around[left]?.push(edge)
    around[right]?.push(edge)
  })
  const seen = new Set([0])
  const used = new Set<number>()
  const order: [number, number, number, number][] = []
  const queue = [0]
  // The broad walk keeps ways short: every fold on the way makes a rounding larger.
  for (let face = queue.shift(); face !== undefined; face = queue.shift())
    for (const edge of around[face] ?? []) {
      const { left = -1, right = -1 } = sides[edge] ?? {}
      const other = left === face ? right : left
      if (seen.has(other)) continue
      seen.add(other)
      used.add(edge)
      order.push([other, face, edges[edge]?.from ?? 0, edges[edge]?.to ?? 0])
      queue.push(other)
    }
  const closures = sides.flatMap(({ left, right }, edge): Closure[] => {
    const { from = 0, to = 0, mark = 'edge' } = edges[edge] ?? {}
    return mark === 'edge' || left < 0 || right < 0 || used.has(edge)
      ? []
      : [{ left, right, corners: [from, to] }]
  })
  return { order, closures }
}

/**
 * The folded piece as its corners are moved. Flat arrays, since every condition is asked for every corner: corner i is
 * at 2 i, and face f has its pose (a, b, c, d, x, y of `Isometry`) at 6 f.
 */
class Sheet {
  readonly #walk: Walk
  readonly #faces: number
  /** A face of each corner. */
  readonly #home: Int32Array

  constructor({ corners, faces, ...rest }: CutUpSheet) {
    this.#walk = walkOf({ corners, faces, ...rest })
    this.#faces = faces.length
    this.#home = new Int32Array(corners.length)
    faces.forEach((face, index) => face.forEach((corner) => (this.#home[corner] = index)))
  }

  #poses(at: Float64Array): Float64Array {
    const poses = new Float64Array(6 * this.#faces)
    for (let face = 0; face < this.#faces; face++) poses[6 * face] = poses[6 * face + 3] = 1
    for (const [face, from, start, end] of this.#walk.order) {
      const px = at[2 * start] ?? 0
      const py = at[2 * start + 1] ?? 0
      const u = (at[2 * end] ?? 0) - px
      const v = (at[2 * end + 1] ?? 0) - py
      const size = u * u + v * v
      // The reflection in the crease, then the pose of the face it comes from.
      const a = (u * u - v * v) / size
      const b = (2 * u * v) / size
      const x = px - a * px - b * py
      const y = py - b * px + a * py
      const o = 6 * from
      const oa = poses[o] ?? 1
      const ob = poses[o + 1] ?? 0
      const oc = poses[o + 2] ?? 0
      const od = poses[o + 3] ?? 1
      const p = 6 * face
      poses[p] = oa * a + ob * b
      poses[p + 1] = oa * b - ob * a
      poses[p + 2] = oc * a + od * b
      poses[p + 3] = oc * b - od * a
      poses[p + 4] = oa * x + ob * y + (poses[o + 4] ?? 0)
      poses[p + 5] = oc * x + od * y + (poses[o + 5] ?? 0)
    }
    return poses
  }

  /** Where a corner lies with the pose of a face. */
  #laid(at: Float64Array, poses: Float64Array, corner: number, face: number): Point {
    const x = at[2 * corner] ?? 0
    const y = at[2 * corner + 1] ?? 0
    const p = 6 * face
    return {
      x: (poses[p] ?? 1) * x + (poses[p + 1] ?? 0) * y + (poses[p + 4] ?? 0),
      y: (poses[p + 2] ?? 0) * x + (poses[p + 3] ?? 1) * y + (poses[p + 5] ?? 0),
    }
  }

  folded(at: Float64Array, poses = this.#poses(at)): readonly Point[] {
    return Array.from(this.#home, (face, corner) => this.#laid(at, poses, corner, face))
  }

  /** By how much each closure and condition is off. */
  residuals(at: Float64Array, conditions: readonly Condition[]): number[] {
    const poses = this.#poses(at)
    const lies = this.folded(at, poses)
    const off: number[] = []
    for (const { left, right, corners } of this.#walk.closures)
      for (const corner of corners) {
        const gap = minus(this.#laid(at, poses, corner, left), this.#laid(at, poses, corner, right))
        off.push(gap.x, gap.y)
      }
    for (const { where, corner, meets } of conditions) {
      const place = (index: number): Point =>
        where === 'folded'
          ? (lies[index] ?? { x: 0, y: 0 })
          : { x: at[2 * index] ?? 0, y: at[2 * index + 1] ?? 0 }
      const [p, a] = [place(corner), place(meets[0])]
      if (meets.length === 1) off.push(p.x - a.x, p.y - a.y)
      else {
        const b = place(meets[1])
        off.push(cross(minus(b, a), minus(p, a)) / distance(a, b))
      }
    }
    return off
  }
}

const flat = (points: readonly Point[]): Float64Array =>
  Float64Array.from(points.flatMap(({ x, y }) => [x, y]))
const pointsOf = (at: Float64Array): readonly Point[] =>
  Array.from({ length: at.length / 2 }, (_, index) => ({ x: at[2 * index] ?? 0, y: at[2 * index + 1] ?? 0 }))
const worst = (off: readonly number[]): number => largest(off.map(Math.abs), 0)

/** The normal equations of one step: how every condition changes with every coordinate, times itself. */
function stepOf(
  sheet: Sheet,
  at: Float64Array,
  start: Float64Array,
  conditions: readonly Condition[],
  off: readonly number[],
): Float64Array | null {
  const size = at.length
  const columns = Array.from({ length: size }, (_, column) => {
    const nudged = (by: number) => {
      const beside = at.slice()
      beside[column] = (at[column] ?? 0) + by
      return sheet.residuals(beside, conditions)
    }
    const [more, fewer] = [nudged(NUDGE), nudged(-NUDGE)]
    // Only the rows that change: a corner has to do with few conditions.
    const rows: number[] = []
    const values: number[] = []
    more.forEach((value, row) => {
      const by = (value - (fewer[row] ?? 0)) / (2 * NUDGE)
      if (Math.abs(by) < UNMOVED) return
      rows.push(row)
      values.push(by)
    })
    return { rows, values }
  })
  const normal = Matrix.zeros(size, size)
  const right = Matrix.zeros(size, 1)
  const dense = new Float64Array(off.length)
  columns.forEach(({ rows, values }, i) => {
    dense.fill(0)
    rows.forEach((row, k) => (dense[row] = values[k] ?? 0))
    for (let j = i; j < size; j++) {
      const other = columns[j]
      let sum = 0
      other?.rows.forEach((row, k) => (sum += (dense[row] ?? 0) * (other.values[k] ?? 0)))
      normal.set(i, j, sum)
      normal.set(j, i, sum)
    }
    right.set(i, 0, -rows.reduce((sum, row, k) => sum + (values[k] ?? 0) * (off[row] ?? 0), 0))
  })
  // What no condition holds goes back to where it was written.
  const damping = DAMPING * Math.max(NEGLIGIBLE, normal.trace() / size)
  for (let i = 0; i < size; i++) {
    normal.set(i, i, normal.get(i, i) + damping)
    right.set(i, 0, right.get(i, 0) + damping * ((start[i] ?? 0) - (at[i] ?? 0)))
  }
  const decomposed = new CholeskyDecomposition(normal)
  return decomposed.isPositiveDefinite() ? Float64Array.from(decomposed.solve(right).to1DArray()) : null
}

/** Steps of Gauss and Newton to the nearest corners that meet all conditions. *Returns* `null` where they do not agree. */
function solve(sheet: Sheet, start: Float64Array, conditions: readonly Condition[]): Float64Array | null {
  let at = start
  let off = sheet.residuals(at, conditions)
  for (let step = 0; step < STEPS && worst(off) > SOLVED; step++) {
    const by = stepOf(sheet, at, start, conditions, off)
    if (!by) return null
    const next = at.map((value, index) => value + (by[index] ?? 0))
    const nextOff = sheet.residuals(next, conditions)
    // As near as numbers of this size come.
    if (worst(nextOff) >= worst(off) && worst(off) < GOOD_ENOUGH) break
    at = next
    off = nextOff
  }
  return worst(off) < GOOD_ENOUGH ? at : null
}

/** Corners of the sheet's edge that lie on a straight side, but for their rounding. */
function straightSides({ edges, corners }: CutUpSheet, near: number): readonly Condition[] {
  const beside = new Map<number, number[]>()
  for (const { from, to, mark } of edges) {
    if (mark !== 'edge') continue
    beside.set(from, [...(beside.get(from) ?? []), to])
    beside.set(to, [...(beside.get(to) ?? []), from])
  }
  return [...beside].flatMap(([corner, [before = corner, next = corner]]): Condition[] => {
    const [p, a, b] = [corners[corner], corners[before], corners[next]]
    if (!p || !a || !b || before === next) return []
    return Math.abs(cross(minus(b, a), minus(p, a))) / distance(a, b) < near
      ? [{ where: 'sheet', corner, meets: [before, next] }]
      : []
  })
}

/** What lies together in the folded piece, but for rounding: corners on corners, and corners on edges. */
function touching({ edges }: CutUpSheet, lies: readonly Point[], near: number): readonly Condition[] {
  const found: Condition[] = []
  const leader = lies.map((_, corner) => corner)
  const heads: number[] = []
  lies.forEach((at, corner) => {
    const head = heads.find((one) => distance(lies[one] ?? at, at) < near)
    if (head === undefined) heads.push(corner)
    else {
      leader[corner] = head
      found.push({ where: 'folded', corner, meets: [head] })
    }
  })
  // Edges that lie on one another are one line for every corner.
  const lines = new Map<string, readonly [number, number]>()
  for (const { from, to } of edges) {
    const [a = 0, b = 0] = [leader[from] ?? 0, leader[to] ?? 0].sort((p, q) => p - q)
    if (a !== b) lines.set(`${a} ${b}`, [a, b])
  }
  for (const corner of heads)
    for (const [a, b] of lines.values()) {
      const [p, q, r] = [lies[corner], lies[a], lies[b]]
      if (corner === a || corner === b || !p || !q || !r) continue
      const along = minus(r, q)
      const size = Math.hypot(along.x, along.y)
      const share = (along.x * (p.x - q.x) + along.y * (p.y - q.y)) / (size * size)
      if (share > 0 && share < 1 && Math.abs(cross(along, minus(p, q))) / size < near)
        found.push({ where: 'folded', corner, meets: [a, b] })
    }
  return found
}

/**
 * Moves the corners of a pattern that was written with few digits, each as little as may be, until it folds flat exactly
 * and what touches in the folded piece touches exactly: two layers that only meet must not overlap by a rounding.
 * `rounding` is the largest error of a coordinate, in sides; the pattern has no flat creases.
 * *Returns* `null` where no such corners lie within reach: then the pattern is to be taken as it is written.
 * *Cost* the corners cubed, some ten times; `shouldStop` is asked before each.
 */
export function settleCorners(
  division: CutUpSheet,
  rounding: number,
  shouldStop: () => boolean = () => false,
): Settled | null {
  const sheet = new Sheet(division)
  const start = flat(division.corners)
  for (const reach of REACHES) {
    const near = reach * rounding
    const straight = straightSides(division, near)
    let at = solve(sheet, start, straight)
    let known = -1
    for (let round = 0; at && round < ROUNDS; round++) {
      if (shouldStop()) return null
      const conditions = [...straight, ...touching(division, sheet.folded(at), near)]
      if (conditions.length === known) break
      known = conditions.length
      at = solve(sheet, start, conditions)
    }
    if (!at) continue
    const corners = pointsOf(at)
    const mostMoved = largest(
      division.corners.map((was, index) => distance(was, corners[index] ?? was)),
      0,
    )
    if (mostMoved <= FARTHEST * rounding) return { corners, mostMoved }
  }
  return null
}
