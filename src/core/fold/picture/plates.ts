import { ROUNDING } from '../../numeric'
import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { inner, less, outer, scaled, sized, type Spot } from '../../geometry'

/** Two corners that keep their distance. */
export interface Bar {
  readonly one: number
  readonly other: number
  readonly length: number
}

/** A corner that stands so high over the plane of three others, a triangle of that area. */
export interface Height {
  readonly base: readonly [number, number, number]
  readonly corner: number
  readonly area: number
  readonly height: number
  /** What it counts beside the bars, 1 for as much. */
  readonly weight: number
}

export interface Conditions {
  readonly bars: readonly Bar[]
  readonly heights: readonly Height[]
}

/** One condition as it stands: by how much it is off, and how that changes with each corner. */
interface Residual {
  readonly off: number
  readonly by: readonly (readonly [corner: number, gradient: Spot])[]
}

const ORIGIN: Spot = { x: 0, y: 0, z: 0 }

function residualsOf(spots: readonly Spot[], { bars, heights }: Conditions): readonly Residual[] {
  const at = (corner: number): Spot => spots[corner] ?? ORIGIN
  return [
    ...bars.map(({ one, other, length }): Residual => {
      const along = less(at(other), at(one))
      return {
        off: (inner(along, along) - length ** 2) / (2 * length),
        by: [
          [one, scaled(along, -1 / length)],
          [other, scaled(along, 1 / length)],
        ],
      }
    }),
    ...heights.map(({ base: [a, b, c], corner, area, height, weight }): Residual => {
      const [u, v, w] = [less(at(b), at(a)), less(at(c), at(a)), less(at(corner), at(a))]
      // The volume over the triangle, by its area.
      const per = weight / (2 * area)
      const [byB, byC, byCorner] = [
        scaled(outer(v, w), per),
        scaled(outer(w, u), per),
        scaled(outer(u, v), per),
      ]
      const sum = {
        x: byB.x + byC.x + byCorner.x,
        y: byB.y + byC.y + byCorner.y,
        z: byB.z + byC.z + byCorner.z,
      }
      return {
        off: inner(u, byB) - weight * height,
        by: [
          [a, scaled(sum, -1)],
          [b, byB],
          [c, byC],
          [corner, byCorner],
        ],
      }
    }),
  ]
}

/** The most that a bar is longer or shorter than it should be. */
export const worstBar = (spots: readonly Spot[], bars: readonly Bar[]): number =>
  bars.reduce((worst, { one, other, length }) => {
    const [p, q] = [spots[one], spots[other]]
    return p && q ? Math.max(worst, Math.abs(sized(less(q, p)) - length)) : worst
  }, 0)

const BENDING_ROUNDS = 400
/** What paper is let be off that bends, in sides of the sheet. */
const GIVES = 0.006

/** Corners moved bar by bar, each time by half of what is missing, until all nearly have their length: paper bends. */
export function bent(
  start: readonly Spot[],
  bars: readonly Bar[],
  pinned: readonly boolean[],
): readonly Spot[] {
  const spots = [...start]
  const shift = (corner: number, by: Spot) => {
    const { x, y, z } = spots[corner] ?? ORIGIN
    if (!pinned[corner]) spots[corner] = { x: x + by.x, y: y + by.y, z: z + by.z }
  }
  for (let round = 0; round < BENDING_ROUNDS && worstBar(spots, bars) > GIVES; round++)
    for (const { one, other, length } of bars) {
      const along = less(spots[other] ?? ORIGIN, spots[one] ?? ORIGIN)
      const now = sized(along)
      const half = pinned[one] || pinned[other] ? 1 : 1 / 2
      const by = scaled(along, (half * (now - length)) / Math.max(now, ROUNDING))
      shift(one, by)
      shift(other, scaled(by, -1))
    }
  return spots
}

const ROUNDS = 60
/** How strongly corners are held at first, beside the conditions; and the gain, as a share, that ends the search. */
const FIRST_DAMPING = 1e-2
const LITTLE_GAIN = 1e-3
/** Conditions hold where they are off by no more than this, in sides of the sheet. */
export const HOLDS = 1e-6

/**
 * Corners moved until every condition holds, or nothing makes it better: Levenberg and Marquardt's least squares, whose
 * steps are short, so that a near shape is found. Pinned corners stay.
 * *Cost* a round: the cube of the number of free corners.
 */
export function settled(
  start: readonly Spot[],
  conditions: Conditions,
  pinned: readonly boolean[],
): readonly Spot[] {
  const free = start.flatMap((_, corner) => (pinned[corner] ? [] : [corner]))
  const row = new Map(free.map((corner, index) => [corner, 3 * index]))
  const size = 3 * free.length
  const cost = (residuals: readonly Residual[]) => residuals.reduce((sum, { off }) => sum + off * off, 0)
  let spots = start
  let residuals = residualsOf(spots, conditions)
  let damping = FIRST_DAMPING
  for (let round = 0; round < ROUNDS && residuals.some(({ off }) => Math.abs(off) > HOLDS); round++) {
    const normal = Array.from({ length: size }, () => new Float64Array(size))
    const right = new Float64Array(size)
    for (const { off, by } of residuals) {
      const entries = by.flatMap(([corner, { x, y, z }]) => {
        const at = row.get(corner)
        return at === undefined ? [] : [[at, x] as const, [at + 1, y] as const, [at + 2, z] as const]
      })
      for (const [i, one] of entries) {
        right[i] = (right[i] ?? 0) - one * off
        const line = normal[i]
        if (line) for (const [j, other] of entries) line[j] = (line[j] ?? 0) + one * other
      }
    }
    normal.forEach((line, i) => (line[i] = (line[i] ?? 0) + damping))
    const decomposition = new CholeskyDecomposition(new Matrix(normal))
    if (!decomposition.isPositiveDefinite()) {
      damping *= 5
      continue
    }
    const step = decomposition.solve(Matrix.columnVector(right))
    const tried = spots.map((spot, corner) => {
      const at = row.get(corner)
      return at === undefined
        ? spot
        : { x: spot.x + step.get(at, 0), y: spot.y + step.get(at + 1, 0), z: spot.z + step.get(at + 2, 0) }
    })
    const then = residualsOf(tried, conditions)
    const gained = cost(residuals) - cost(then)
    if (gained > 0) {
      const little = gained < LITTLE_GAIN * cost(residuals)
      spots = tried
      residuals = then
      damping = Math.max(damping / 5, ROUNDING)
      if (little) break
    } else damping *= 5
  }
  return spots
}
