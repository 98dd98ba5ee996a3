import { NOTHING_TO_SEE, ROUNDING } from '../numeric'
import { requireRange } from '../errors'
import { pieceSizeUm } from '../sheet'
import { roundToRuler, RULERS, umFromMm, type RulerKey } from '../units'
import { mayTurn, wholeSheets, type CutPlanner, type StockSheets } from './types'

/** One paper's part of a sweep: how many pieces, out of which sheets (their number is not limited here). */
export interface SweepPaper {
  readonly paperId: string
  readonly pieces: number
  /** Height of a piece by its width; a square where it is left out. */
  readonly highPerWide?: number
  readonly stock: readonly StockSheets[]
}

/** Sheets taken at one size; `null` where some paper has no sheet that large. */
export interface SweepPoint {
  readonly sideMm: number
  readonly sheets: number | null
}

export interface SweepProgress {
  readonly done: number
  readonly total: number
}

export type SweepResult =
  | { readonly status: 'done'; readonly points: readonly SweepPoint[] }
  | { readonly status: 'stopped'; readonly points: readonly SweepPoint[] }

/** Sizes one sweep may look at. */
const MOST_SIZES = 2000

/** The marks of a ruler from `fromMm` to `toMm`. */
function marks(fromMm: number, toMm: number, ruler: RulerKey): readonly number[] {
  const { stepMm } = RULERS[ruler]
  const first = roundToRuler(fromMm, ruler, 'up')
  const count = Math.floor((toMm - first) / stepMm + ROUNDING) + 1
  return Array.from(
    { length: Math.max(0, Math.min(MOST_SIZES, count)) },
    (_, index) => first + index * stepMm,
  )
}

/** What a sweep looks at: every mark of a ruler between two sizes, and one size that need be on no mark. */
export interface SweepRange {
  readonly fromMm: number
  readonly toMm: number
  readonly ruler: RulerKey
  readonly also?: number
}

function sidesOf({ fromMm, toMm, ruler, also }: SweepRange): readonly number[] {
  const sides = marks(fromMm, toMm, ruler)
  return also === undefined || sides.some((side) => Math.abs(side - also) < NOTHING_TO_SEE)
    ? sides
    : [...sides, also].sort((one, other) => one - other)
}

/**
 * Sheets needed at one width of piece; `null` where some paper has no sheet that large. Each paper is planned as if its
 * whole sheets never ran out and with no offcuts.
 */
export function sheetsAtSide(papers: readonly SweepPaper[], sideMm: number, plan: CutPlanner): number | null {
  const sideUm = umFromMm(sideMm)
  let sheets = 0
  for (const { paperId, pieces, stock, highPerWide = 1 } of papers) {
    const unlimited = stock.filter(({ offcut }) => !offcut).map((whole) => ({ ...whole, available: pieces }))
    const sizeUm = pieceSizeUm(sideUm, highPerWide)
    const demands = [{ key: paperId, paperId, sizeUm, count: pieces, turnable: mayTurn(stock, paperId) }]
    const result = plan({ demands, stock: unlimited })
    if (result.status === 'short') return null
    sheets += wholeSheets(result.layouts, unlimited)
  }
  return sheets
}

/**
 * Sheets needed at every width of piece on the ruler between two sizes, so that yield cliffs show; see `sheetsAtSide`.
 *
 * `onProgress` is called after each size; when it returns false the sweep stops and returns what it has.
 * *Cost* one plan a size and paper. *Throws* `OUT_OF_RANGE`.
 */
export function sweepSizes(
  papers: readonly SweepPaper[],
  range: SweepRange,
  plan: CutPlanner,
  onProgress: (progress: SweepProgress) => boolean,
): SweepResult {
  requireRange('smallest size', range.fromMm, 'mm', 1, 10_000)
  requireRange('largest size', range.toMm, 'mm', range.fromMm, 10_000)
  const sides = sidesOf(range)
  const points: SweepPoint[] = []
  for (const sideMm of sides) {
    points.push({ sideMm, sheets: sheetsAtSide(papers, sideMm, plan) })
    if (!onProgress({ done: points.length, total: sides.length })) return { status: 'stopped', points }
  }
  return { status: 'done', points }
}

/**
 * The largest size below `sideMm` in a sweep that takes fewer sheets than `sideMm` does; `undefined` where none does
 * or where the size itself is not in the sweep.
 */
export function nextSmallerSaving(points: readonly SweepPoint[], sideMm: number): SweepPoint | undefined {
  const here = points.find((point) => Math.abs(point.sideMm - sideMm) < NOTHING_TO_SEE)?.sheets
  if (here === undefined || here === null) return undefined
  return points.findLast(
    (point) => point.sideMm < sideMm - NOTHING_TO_SEE && point.sheets !== null && point.sheets < here,
  )
}
