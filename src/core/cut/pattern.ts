import type { SizeUm } from '../sheet'
import type { CutTools, Placement, RectUm } from './types'

/** Which way the first cuts of a sheet run: its strips lie `across` it, one over the other, or stand `up` side by side. */
export type FirstCuts = 'across' | 'up'

/** A piece as it lies in a strip: how far it reaches through the strip, and along it. */
export interface Lying {
  /** Index of its demand. */
  readonly demand: number
  readonly turned: boolean
  readonly throughUm: number
  readonly alongUm: number
}

/** A part of a strip: pieces one behind the other through the strip, none longer along it than the part. */
export interface Part {
  readonly alongUm: number
  readonly pieces: readonly Lying[]
}

export interface Strip {
  readonly throughUm: number
  readonly parts: readonly Part[]
}

/** One sheet cut in stages. */
export interface Pattern {
  /** Index of the stock. */
  readonly stock: number
  readonly first: FirstCuts
  readonly strips: readonly Strip[]
  /** How many pieces of each demand it gives. */
  readonly counts: readonly number[]
  /** The sheet is the piece: nothing is cut. */
  readonly ready?: true
}

/** A sheet as the planner sees it: how far strips may reach one behind the other, and how long they are. */
export interface Sheet {
  readonly first: FirstCuts
  readonly throughUm: number
  readonly alongUm: number
}

/** A sheet within its margins, with strips each way that the trimmer can cut. */
export function waysToCut(
  { widthUm, heightUm }: SizeUm,
  { marginUm, trimmerUm }: CutTools,
): readonly Sheet[] {
  const [width, height] = [widthUm - 2 * marginUm, heightUm - 2 * marginUm]
  const ways: readonly Sheet[] = [
    { first: 'across', throughUm: height, alongUm: width },
    { first: 'up', throughUm: width, alongUm: height },
  ]
  return ways.filter(
    ({ throughUm, alongUm }) => Math.min(throughUm, alongUm) > 0 && alongUm <= (trimmerUm ?? Infinity),
  )
}

/** The ways a piece can lie in the strips of a sheet. */
export function waysToLie(
  demand: number,
  { widthUm, heightUm }: SizeUm,
  turnable: boolean,
  first: FirstCuts,
): readonly Lying[] {
  const upright = { demand, turned: false, throughUm: heightUm, alongUm: widthUm }
  const turned = { demand, turned: true, throughUm: widthUm, alongUm: heightUm }
  const lying = turnable && widthUm !== heightUm ? [upright, turned] : [upright]
  return first === 'across'
    ? lying
    : lying.map((one) => ({ ...one, throughUm: one.alongUm, alongUm: one.throughUm }))
}

const sumOf = <One>(all: readonly One[], of: (one: One) => number): number =>
  all.reduce((sum, one) => sum + of(one), 0)

export const throughOf = (part: Part): number => sumOf(part.pieces, ({ throughUm }) => throughUm)

/** How many pieces of each demand some strips give. */
export function countsIn(strips: readonly Strip[], demands: number): readonly number[] {
  const counts = new Array<number>(demands).fill(0)
  for (const { parts } of strips)
    for (const { pieces } of parts)
      for (const { demand } of pieces) counts[demand] = (counts[demand] ?? 0) + 1
  return counts
}

/** What lies where on the sheet of a pattern, and the rectangles beside it, from the corner of the sheet. */
export interface LaidOut {
  readonly placements: readonly Placement[]
  readonly left: readonly RectUm[]
}

/** Lays a pattern out on its sheet, the strips from the lower left corner within the margin. */
export function laidOut(
  { first, strips }: Pick<Pattern, 'first' | 'strips'>,
  sheet: Sheet,
  marginUm: number,
  keys: readonly string[],
): LaidOut {
  const rect = (through: number, along: number, throughUm: number, alongUm: number): RectUm =>
    first === 'across'
      ? { xUm: marginUm + along, yUm: marginUm + through, widthUm: alongUm, heightUm: throughUm }
      : { xUm: marginUm + through, yUm: marginUm + along, widthUm: throughUm, heightUm: alongUm }
  const placements: Placement[] = []
  const left: RectUm[] = []
  const keep = (one: RectUm) => {
    if (one.widthUm > 0 && one.heightUm > 0) left.push(one)
  }
  let through = 0
  for (const strip of strips) {
    let along = 0
    for (const part of strip.parts) {
      let at = through
      for (const piece of part.pieces) {
        const { xUm, yUm } = rect(at, along, piece.throughUm, piece.alongUm)
        placements.push({ demand: keys[piece.demand] ?? '', xUm, yUm, turned: piece.turned })
        keep(rect(at, along + piece.alongUm, piece.throughUm, part.alongUm - piece.alongUm))
        at += piece.throughUm
      }
      keep(rect(at, along, through + strip.throughUm - at, part.alongUm))
      along += part.alongUm
    }
    keep(rect(through, along, strip.throughUm, sheet.alongUm - along))
    through += strip.throughUm
  }
  keep(rect(through, 0, sheet.throughUm - through, sheet.alongUm))
  return { placements, left }
}
