import type { CreaseStrength, MeasureSpec, Rigour, Round, SheetSpec } from '../fold'

export type { CreaseStrength, Rigour } from '../fold'

/**
 * A design as data: plain JSON, so that it can be hashed, stored with a project and read again. Lengths in it are
 * shares of the sheet's side S, or multiples of a gauge; nothing in it is a number of millimetres but a gauge.
 */
export const FAMILIES = ['flower', 'leaf', 'heart', 'butterfly', 'star', 'ornament'] as const
export type Family = (typeof FAMILIES)[number]

/** `share` x S plus, for each gauge named, its factor x the gauge's setting in mm. */
export interface Linear {
  readonly share: number
  readonly gauges?: Readonly<Record<string, number>>
}

export interface Gauge {
  readonly key: string
  readonly name: string
  readonly explains: string
  /** Whether the three numbers are millimetres whatever the sheet, or shares of its side. */
  readonly unit: 'mm' | 'side'
  readonly standard: number
  readonly least: number
  readonly most: number
}

/** One way to measure the finished piece. Every size names its axis. */
export interface AxisSize {
  readonly axis: string
  readonly label: string
  readonly size: Linear
  /** How the formula is got, in words. */
  readonly derivation: string
}

export interface Step {
  readonly key: string
  /** What the hands do, short enough to read from a metre and a half. */
  readonly say: string
  /** What the repeats are counted in: "corner" gives "3 of 4 corners". */
  readonly each: string
  readonly repeats: number
  readonly crease: CreaseStrength
  readonly rigour: Rigour
  readonly note?: string
}

/** A step as authored: with its moves, one round for each repeat, where the engine can fold it. */
export interface StepSource extends Step {
  readonly rounds?: readonly Round[]
}

export interface Stage<S extends Step = Step> {
  readonly key: string
  readonly name: string
  readonly steps: readonly S[]
}

export interface DesignPart<S extends Step = Step> {
  readonly key: string
  readonly name: string
  /** How many of this part one piece takes: 1 for a flower, 9 for a nine-unit ring. */
  readonly unitsPerPiece: number
  /** Squares of the part's own side that one larger square is quartered into: 4 for a leaf, else 1. */
  readonly perSquare: 1 | 4
  readonly sideUp: 'colour down' | 'colour up'
  readonly sideUpReason: string
  /** The sheet its moves begin with; without one its sizes are closed forms and there are no pictures. */
  readonly sheet?: SheetSpec
  readonly stages: readonly Stage<S>[]
}

interface VariantWords {
  readonly key: string
  readonly name: string
  /** Keys of steps that this variant leaves out. */
  readonly without: readonly string[]
  /** What shaping adds after the flat folds; such sizes are estimated. */
  readonly shaping?: string
}

/** Finished outline, counter-clockwise, x to the right and y up, as linear forms like the sizes. */
export type OutlineForm = readonly { readonly x: Linear; readonly y: Linear }[]

export interface Variant extends VariantWords {
  readonly sizes: readonly AxisSize[]
  readonly outline: OutlineForm
}

/** A size as authored: how it is measured on the folded piece, or a closed form where there is none to measure. */
export type AxisSource = Omit<AxisSize, 'size'> &
  ({ readonly size: Linear } | { readonly measure: MeasureSpec['measure'] })

export interface VariantSource extends VariantWords {
  readonly sizes: readonly AxisSource[]
  readonly outline?: OutlineForm
}

interface DesignWords {
  readonly id: string
  readonly name: string
  readonly family: Family
  readonly summary: string
  readonly origin: string
  /** Minutes a piece at an unhurried pace until the log knows better. Common practice, no source. */
  readonly usualMinutes: number
  readonly gauges: readonly Gauge[]
}

/** A design as it is authored, stored and hashed: fold programs, and what to measure on the folded piece. */
export interface DesignSource extends DesignWords {
  readonly format: 2
  readonly parts: readonly DesignPart<StepSource>[]
  readonly variants: readonly VariantSource[]
}

/** A design as the rest of the house uses it: its sizes measured, its moves left out. See `measure.ts`. */
export interface DesignDocument extends DesignWords {
  readonly parts: readonly DesignPart[]
  readonly variants: readonly Variant[]
}
