import type { Making } from '../arrange'
import type { CutLayout, CutPlan, CutProblem } from '../cut'
import type { GaugeSettings } from '../design'
import type { SizeUm } from '../sheet'

/** One part of a line's piece, from brief to log: the sheet it is folded from, and how many units of which paper. */
export interface LinePart {
  readonly key: string
  /** Width is the side S that the folds are told in. */
  readonly sheetUm: SizeUm
  readonly unitsPerPiece: number
  /** Units wanted of each paper. */
  readonly papers: readonly { readonly paperId: string; readonly units: number }[]
}

/** Names a version of a design with an engine's figures. */
export const versionOf = ({ designHash, engine }: Pick<BriefLine, 'designHash' | 'engine'>): string =>
  `${designHash} ${engine}`

/** One line of a brief: so many pieces of a design. */
export interface BriefLine {
  readonly id: string
  readonly ordinal: number
  /** The version of the design, and the engine whose figures it was planned with. */
  readonly designHash: string
  readonly engine: number
  readonly variantKey: string
  readonly pieces: number
  /** The size that was asked for: along an axis of the finished piece, or of the sheet itself. */
  readonly sizing: 'finished' | 'sheet'
  readonly axis: string | null
  readonly askedMm: number
  readonly gauges: GaugeSettings
  /** What its pieces are made into. */
  readonly making: Making
  /** The line whose pieces this one's go on, and how many on each. */
  readonly attachedTo: string | null
  readonly perPiece: number | null
  /** The line into whose bouquets or places this one's pieces go. */
  readonly goesWith: string | null
  /** The line whose size this one's is so many percent of. */
  readonly sizeOf: { readonly lineId: string; readonly percent: number } | null
  readonly parts: readonly LinePart[]
}

/** Pieces of a project that are cut and not folded: card blanks, tags, strips. No spares: nothing is spoiled in folding. */
export interface PlainLine {
  readonly id: string
  readonly name: string
  readonly paperId: string
  readonly sizeUm: SizeUm
  readonly pieces: number
}

/** The part of a plain line's pieces in demands and cuts: they have but one. */
export const PLAIN_PART = 'plain'

export interface Brief {
  readonly id: string
  readonly name: string
  /** Local date in `zone`. */
  readonly dueOn: string | null
  readonly zone: string
  readonly certainty: number
  readonly createdAtMs: number
  readonly archived: boolean
  /** The user's word that this project's paper goes before others', whatever the dates. */
  readonly holdFirst: boolean
  readonly lines: readonly BriefLine[]
  readonly plain: readonly PlainLine[]
}

/** Sheets that a project has been promised and not cut yet. */
export interface Reservation {
  readonly projectId: string
  readonly stockId: string
  readonly sheets: number
}

/** The proof piece of a line. */
export interface Proof {
  readonly lineId: string
  readonly status: 'cut' | 'accepted' | 'skipped'
  /** What it is folded from; it may stand in for the line's own paper. `null` where that is not known. */
  readonly paperId: string | null
  readonly axis: string | null
  readonly measuredMm: number | null
}

/** Pieces a cut gave, by what they are for and as large as they were cut. */
export interface CutPiece {
  readonly lineId: string
  readonly partKey: string
  readonly count: number
  readonly sizeUm: SizeUm
}

/** Sheets that were cut and not put back together. */
export interface Cut {
  readonly id: string
  readonly paperId: string
  readonly proof: boolean
  /** Sheets, or offcuts where it was cut from those. */
  readonly sheets: number
  readonly offcut: boolean
  readonly pieces: readonly CutPiece[]
  /** The layout of a stored plan that was ticked; `null` for a proof piece and for cuts from before plans were stored. */
  readonly layout: { readonly planId: string; readonly id: string } | null
  readonly atMs: number
}

/** How far a run has got, in units. */
export interface RunCount {
  readonly id: string
  readonly lineId: string
  readonly partKey: string
  readonly paperId: string | null
  readonly usable: number
  readonly spoiled: number
  /** Neither finished nor put away. */
  readonly open: boolean
  readonly activeMs: number
}

/** Units taken off the shelf for a part of a line. */
export interface ShelfTaken {
  readonly lineId: string
  readonly partKey: string
  readonly paperId: string
  readonly units: number
}

/** Pieces of some lines that were handed over. */
export interface Delivery {
  readonly id: string
  readonly atMs: number
  readonly note: string
  readonly lines: readonly { readonly lineId: string; readonly pieces: number }[]
}

/** A cut plan as it is stored: what it was made from, and what came of it. */
export interface StoredCutPlan {
  readonly id: string
  readonly madeAtMs: number
  readonly problem: CutProblem
  readonly plan: CutPlan
  /** Sheets that were cut by it, for whichever project. */
  readonly ticked: readonly Ticked[]
  /** Other projects it was made for as well: they are cut together, and a sheet may hold pieces of several. */
  readonly sharedWith: readonly string[]
}

/** Sheets of a layout that were cut. */
export interface Ticked {
  readonly layoutId: string
  readonly sheets: number
}

/** What was recorded of one project. */
export interface ProjectRecords {
  readonly proofs: readonly Proof[]
  readonly cuts: readonly Cut[]
  readonly runs: readonly RunCount[]
  readonly shelf: readonly ShelfTaken[]
  /** Pieces joined, by line. */
  readonly joined: ReadonlyMap<string, number>
  readonly deliveries: readonly Delivery[]
  readonly cutPlan: StoredCutPlan | null
  /** Which pieces the chosen order of a line is of, by line; see `madeOf`. */
  readonly orders: ReadonlyMap<string, string>
}

/** A layout of the stored plan with the sheets of it that are still to be cut. */
export type LayoutLeft = CutLayout & {
  readonly planned: number
  /** How much of the paper in its pieces is this project's: less than 1 where it is cut together with others. */
  readonly share: number
}

/** What a demand of a cut plan is for. Ids and keys carry no spaces. */
export interface DemandOf {
  readonly lineId: string
  readonly partKey: string
  readonly paperId: string
}

export const demandKey = ({ lineId, partKey, paperId }: DemandOf): string => `${lineId} ${partKey} ${paperId}`

export function demandOf(key: string): DemandOf {
  const [lineId = '', partKey = '', paperId = ''] = key.split(' ')
  return { lineId, partKey, paperId }
}
