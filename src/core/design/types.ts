import type {
  ClearZone,
  CreaseStrength,
  MeasureSpec,
  PointSpec,
  Rigour,
  Round,
  ShapingTool,
  SheetSpec,
} from '../fold'
import type { FormMeasure } from '../shape'

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
  /**
   * Of a gauge in mm, found on the folds: the largest share of the side at which every variant still folds as it should.
   * What is little on a large sheet is much on a small one.
   */
  readonly foldsToShare?: number
  /** How the setting is carried from one piece to the next; a number is always possible. */
  readonly match?: readonly GaugeMatch[]
}

export const GAUGE_MATCHES = ['neighbour', 'halve', 'lay over', 'landmark'] as const
export type GaugeMatch = (typeof GAUGE_MATCHES)[number]

/** One way to measure the finished piece. Every size names its axis. */
export interface AxisSize {
  readonly axis: string
  readonly label: string
  readonly size: Linear
  /** How the formula is got, in words. */
  readonly derivation: string
  /** What shaping makes of it where no form is computed: the flat size times this, by the stated models of the steps. */
  readonly shaped?: readonly [lowest: number, highest: number]
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
  /** What looks wrong here and is as it should be. */
  readonly normal?: string
  /** The last cheap moment to repair: what to look for. In full on the proof piece, at a glance for each tray after. */
  readonly look?: readonly string[]
  /** Its fold meets no mark: how deep the flap is has to be told. */
  readonly tellsDepth?: true
  /** Keys of later steps whose layers push in here: as much room is left. */
  readonly leavesRoomFor?: readonly string[]
  /** Creases that only help what follows: who folds in the air leaves the step out. */
  readonly direct?: 'leave out'
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
  /** Fields of the sheet that no crease may cross: what is written there stays smooth. */
  readonly keepClear?: readonly ClearZone[]
  /** The base its first stages fold: who has one already may start after them. */
  readonly base?: { readonly id: string; readonly stages: number }
  readonly marks?: Marks
  /** A flat tube to be rounded: the axis that is its flat width. */
  readonly tube?: { readonly axis: string }
  readonly stages: readonly Stage<S>[]
}

/** Marks measured off along an edge, for who measures instead of folding, and sums that tell whether they are right. */
export interface Marks {
  /** What they are measured along and from. */
  readonly along: string
  readonly at: readonly { readonly name: string; readonly share: number }[]
  /** Terms, each so many times a mark, that make a share of the side together. */
  readonly sums: readonly {
    readonly says: string
    readonly terms: readonly { readonly times: number; readonly share: number }[]
    readonly equals: number
  }[]
}

/** How like units make one piece: around a point, each turned on by a like share of the whole turn. */
export interface Assembly {
  readonly units: number
  /** Around a place of the unit, or so that a place of the next unit comes to a place of this one. */
  readonly join: { readonly centre: PointSpec } | { readonly tab: PointSpec; readonly seat: PointSpec }
  /** Which way the next unit is turned. */
  readonly turns: 'left' | 'right'
  /** Whether the next unit lies over this one, or goes into it. */
  readonly next: 'over' | 'inside'
  readonly says?: { readonly first: string; readonly each: string; readonly last: string }
  /** A design that carries the piece: that size of it covers the hole with so much to spare on both sides. */
  readonly mount?: { readonly designId: string; readonly axis: string; readonly overlapMm: number }
  /** Where to look while joining: this edge of the next unit crosses that one of this unit, measured from its first end. */
  readonly sight?: {
    readonly says: string
    readonly edge: readonly [PointSpec, PointSpec]
    readonly crosses: readonly [PointSpec, PointSpec]
  }
}

/**
 * What of an assembled piece is measured, each as a caliper reads it: the farthest two of its points, the widest its hole
 * is from corner to corner, or the circle that the hole's corners lie on. `hole` is twice the least distance from the
 * centre to the paper, which a hand can take only where two flats face one another; older designs carry it.
 */
export const ASSEMBLED_MEASURES = ['across', 'hole-widest', 'hole-circle', 'hole'] as const
export type AssembledMeasure = (typeof ASSEMBLED_MEASURES)[number]

interface VariantWords {
  readonly key: string
  readonly name: string
  /** Where it is made of several units. */
  readonly assembly?: Assembly
  /** Keys of steps that this variant leaves out. */
  readonly without: readonly string[]
  /** What shaping adds after the flat folds; such sizes are estimated. */
  readonly shaping?: string
  /** Sizes that only the shaped piece has. */
  readonly formSizes?: readonly FormSize[]
}

/** A size that only the shaped piece has, read off its form. */
export interface FormSize {
  readonly axis: string
  readonly label: string
  readonly measure: FormMeasure
}

/** What is read off the form on one sheet over one tool: sizes as shares of the side, angles at their ends. */
export interface FormReading {
  /** `null` where nothing is rolled over a tool. */
  readonly tool: ShapingTool | null
  readonly sheetMm: number
  readonly sizes: readonly {
    readonly axis: string
    /** The same size of the flat piece, at the same gauges; `null` where it has none. */
    readonly flat: number | null
    readonly lowest: number
    readonly usual: number
    readonly highest: number
  }[]
}

/** Finished outline, counter-clockwise, x to the right and y up, as linear forms like the sizes. */
export type OutlineForm = readonly { readonly x: Linear; readonly y: Linear }[]

export interface Variant extends VariantWords {
  /** Keys of the steps whose lock does not hold; found on the folds, as the sizes are. */
  readonly looseLocks?: readonly string[]
  readonly sizes: readonly AxisSize[]
  readonly outline: OutlineForm
  /** Read off the computed form, where there is one. */
  readonly readings?: readonly FormReading[]
}

/** A size as authored: how it is measured on the folded piece, or a closed form where there is none to measure. */
export type AxisSource = Omit<AxisSize, 'size' | 'shaped'> & {
  /** There is no such size once the piece is shaped. */
  readonly flatOnly?: true
} & (
    | { readonly size: Linear }
    | { readonly measure: MeasureSpec['measure'] }
    | { readonly assembled: AssembledMeasure }
  )

export interface VariantSource extends VariantWords {
  readonly sizes: readonly AxisSource[]
  readonly outline?: OutlineForm
}

/** How a part is folded: with every crease made beforehand, directly in the air, or on from a base one has. */
export const WAYS = ['whole', 'direct', 'from base'] as const
export type Way = (typeof WAYS)[number]

export const SKILLS = ['easy', 'steady', 'demanding'] as const
export type Skill = (typeof SKILLS)[number]

/** Something a piece takes besides its sheet; sizes are shares of the side. */
export interface Supply {
  readonly name: string
  readonly perPiece: number
  readonly size?: { readonly width: number; readonly height: number }
}

/** What stands beside the folds. Common practice unless a source is named. */
export interface Guide {
  readonly skill: Skill
  readonly tools: readonly string[]
  readonly supplies: readonly Supply[]
  /** `null` where folding alone holds it. */
  readonly adhesive: string | null
  readonly dryingMinutes: number
  /** What shows that the finished piece does what it is for. */
  readonly test: string
  readonly cautions: readonly string[]
  readonly rescue: readonly { readonly symptom: string; readonly remedy: string }[]
}

interface DesignWords {
  readonly id: string
  readonly name: string
  readonly family: Family
  readonly summary: string
  readonly origin: string
  /** Minutes for one unit at an unhurried pace until the log knows better. Common practice, no source. */
  readonly usualMinutes: number
  readonly guide?: Guide
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
