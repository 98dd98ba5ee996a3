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
  readonly defaultMm: number
  readonly minMm: number
  readonly maxMm: number
}

/** One way to measure the finished piece. Every size names its axis. */
export interface AxisSize {
  readonly axis: string
  readonly label: string
  readonly size: Linear
  /** How the formula is got, in words. */
  readonly derivation: string
}

export type Rigour = 'strict' | 'even' | 'free'
export type CreaseStrength = 'pinch' | 'light' | 'firm' | 'burnished' | 'rolled' | 'none'

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

export interface Stage {
  readonly key: string
  readonly name: string
  readonly steps: readonly Step[]
}

export interface DesignPart {
  readonly key: string
  readonly name: string
  /** How many of this part one piece takes: 1 for a flower, 9 for a nine-unit ring. */
  readonly unitsPerPiece: number
  /** Squares of the part's own side that one larger square is quartered into: 4 for a leaf, else 1. */
  readonly perSquare: 1 | 4
  readonly sideUp: 'colour down' | 'colour up'
  readonly sideUpReason: string
  readonly stages: readonly Stage[]
}

export interface Variant {
  readonly key: string
  readonly name: string
  /** Keys of steps that this variant leaves out. */
  readonly without: readonly string[]
  readonly sizes: readonly AxisSize[]
  /** Finished outline, counter-clockwise, x to the right and y up, as linear forms like the sizes. */
  readonly outline: readonly { readonly x: Linear; readonly y: Linear }[]
  /** What shaping adds after the flat folds; such sizes are estimated. */
  readonly shaping?: string
}

export interface DesignDocument {
  readonly format: 1
  readonly id: string
  readonly name: string
  readonly family: Family
  readonly summary: string
  readonly origin: string
  /** Minutes a piece at an unhurried pace until the log knows better. Common practice, no source. */
  readonly usualMinutes: number
  readonly gauges: readonly Gauge[]
  readonly parts: readonly DesignPart[]
  readonly variants: readonly Variant[]
}
