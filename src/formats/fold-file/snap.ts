import { settleCorners, type Letter } from '@/core/fold'
import { distance, subdivide, type Point } from '@/core/geometry'
import { SAME_POINT } from '@/core/numeric'

/** What was done about corners that were written with few digits. */
export type Snapped =
  /** They are written as exactly as they are. */
  | { readonly kind: 'as written' }
  /** So many were moved, each by as much at most (longest extent 1), and so many edges of no length left out. */
  | { readonly kind: 'moved'; readonly corners: number; readonly mostMoved: number; readonly slivers: number }
  /** No corners near them fold flat exactly: what touches may seem to overlap. */
  | { readonly kind: 'rough' }

/** An edge of a file as far as folding goes. */
export interface FileEdge {
  readonly from: number
  readonly to: number
  readonly letter: Letter | 'B'
}

/** Coordinates written more exactly than this, longest extent 1, are taken as they are. */
const EXACT = 1e-12
/** A pattern is never taken to be rougher than this, longest extent 1: 0.05 mm on 15 cm. */
const ROUGHEST = 3e-4

/** Digits behind the point that a number is written with. */
function decimals(value: number): number {
  const [digits = '', exponent = '0'] = String(value).split('e')
  return Math.max(0, (digits.split('.')[1]?.length ?? 0) - Number(exponent))
}

/** The last digit that any coordinate is written with, in units of the file. */
export const lastDigit = (coords: readonly (readonly number[])[]): number =>
  10 ** -coords.reduce((most, [x = 0, y = 0]) => Math.max(most, decimals(x), decimals(y)), 0)

/** Corners that are one, but for their rounding, by the first of them. */
export function merged(corners: readonly Point[], near: number): readonly number[] {
  const cells = new Map<string, number[]>()
  const cell = (value: number) => Math.floor(value / near)
  return corners.map((at, index) => {
    for (let dx = -1; dx <= 1; dx++)
      for (let dy = -1; dy <= 1; dy++)
        for (const known of cells.get(`${cell(at.x) + dx} ${cell(at.y) + dy}`) ?? [])
          if (distance(corners[known] ?? at, at) < near) return known
    const key = `${cell(at.x)} ${cell(at.y)}`
    cells.set(key, [...(cells.get(key) ?? []), index])
    return index
  })
}

/**
 * Moves corners that were written with few digits to where the pattern folds flat exactly.
 * *Returns* all corners in their order, and what was done.
 */
export function snap(
  corners: readonly Point[],
  edges: readonly FileEdge[],
  digit: number,
): { readonly corners: readonly Point[]; readonly snapped: Snapped } {
  const rounding = Math.min(digit, ROUGHEST)
  if (rounding < EXACT) return { corners, snapped: { kind: 'as written' } }
  const folded = edges.filter(({ letter }) => letter !== 'F')
  const division = subdivide(
    folded.flatMap(({ from, to, letter }) => {
      const [p, q] = [corners[from], corners[to]]
      return p && q ? [{ from: p, to: q, mark: letter === 'B' ? ('edge' as const) : letter }] : []
    }),
  )
  const used = [...new Set(folded.flatMap(({ from, to }) => [from, to]))]
  const numbers = used.map((corner) =>
    division.corners.findIndex((at) => distance(at, corners[corner] ?? at) < SAME_POINT),
  )
  // Edges that meet where the file has no corner are another fault, and said elsewhere.
  if (numbers.includes(-1) || division.corners.length !== used.length || division.faces.length === 0)
    return { corners, snapped: { kind: 'as written' } }
  const numberOf = new Map(used.map((corner, index) => [corner, numbers[index] ?? -1]))
  const settled = settleCorners(division, rounding)
  if (!settled) return { corners, snapped: { kind: 'rough' } }
  const next = corners.map((at, corner) => settled.corners[numberOf.get(corner) ?? -1] ?? at)
  const changed = next.filter((at, index) => distance(at, corners[index] ?? at) > EXACT).length
  return changed === 0
    ? { corners, snapped: { kind: 'as written' } }
    : {
        corners: next,
        snapped: { kind: 'moved', corners: changed, mostMoved: settled.mostMoved, slivers: 0 },
      }
}
