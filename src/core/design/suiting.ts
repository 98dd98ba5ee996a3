import { NOTHING_TO_SEE, largest, least } from '../numeric'
import { handlingOf, HANDLING_LIMIT_MM } from '../paper'
import { SHEET_FORMATS, shrinkingSquares } from '../sheet'

/** A fold as hands meet it: how many layers lie in its line; in shares of the side, how long it and the piece are. */
export interface FoldToMake {
  readonly says: string
  readonly layers: number
  readonly lengthShare: number
  readonly pieceShare: number
}

/** Folds shorter than this cannot be set, pieces shorter than that cannot be held. Common practice, no source. */
const SHORTEST_FOLD_MM = 1.5
const SHORTEST_PIECE_MM = 15
/** A fold line must be so many times as long as its stack is thick. Our own rule: shorter ones only bend. */
const LENGTH_PER_THICKNESS = 3

/** Of folds through equally many layers the shortest one, the thinnest stacks first: what decides how small one can go. */
export function hardestFolds(folds: readonly FoldToMake[]): readonly FoldToMake[] {
  const shortest = new Map<number, FoldToMake>()
  for (const fold of folds) {
    const known = shortest.get(fold.layers)
    if (!known || fold.lengthShare < known.lengthShare) shortest.set(fold.layers, fold)
  }
  // The smallest the piece gets counts as well, whatever its fold.
  const smallest = folds.toSorted((one, other) => one.pieceShare - other.pieceShare).slice(0, 1)
  return [...new Set([...shortest.values(), ...smallest])].sort((one, other) => one.layers - other.layers)
}

/** The smallest side a paper of that caliper can be folded from, in mm, the fold that decides it, and by what. */
export function smallestSheet(
  folds: readonly FoldToMake[],
  caliperMm: number,
): {
  readonly sheetMm: number
  readonly fold: FoldToMake
  readonly thicknessMm: number
  /** Its line is too short for its stack, or the piece too small to hold. */
  readonly because: 'line' | 'piece'
} | null {
  return folds.reduce<ReturnType<typeof smallestSheet>>((worst, fold) => {
    const thicknessMm = fold.layers * caliperMm
    const lineMm =
      Math.max(SHORTEST_FOLD_MM, LENGTH_PER_THICKNESS * thicknessMm) /
      Math.max(fold.lengthShare, NOTHING_TO_SEE)
    const pieceMm = SHORTEST_PIECE_MM / Math.max(fold.pieceShare, NOTHING_TO_SEE)
    const sheetMm = Math.max(lineMm, pieceMm)
    const because = lineMm >= pieceMm ? 'line' : 'piece'
    return worst === null || sheetMm > worst.sheetMm ? { sheetMm, fold, thicknessMm, because } : worst
  }, null)
}

/** How a paper takes a design: easily with the nail, with a bone folder, or not. */
export function paperSuits(
  folds: readonly FoldToMake[],
  caliperMm: number,
): {
  readonly suits: 'easily' | 'with a bone folder' | 'too thick'
  readonly layers: number
  readonly thicknessMm: number
} {
  const layers = largest(
    folds.map((fold) => fold.layers),
    1,
  )
  const { creasedWith: tool, thicknessMm } = handlingOf(layers, caliperMm)
  const suits = tool === 'fingernail' ? 'easily' : tool === 'bone folder' ? 'with a bone folder' : 'too thick'
  return { suits, layers, thicknessMm }
}

/** A thicker sheet is card: it cracks before it creases. Common practice, no source. */
const CARD_MM = 0.25

/** The thickest sheet that every fold still takes with a bone folder, in mm. */
export const thickestCaliperMm = (folds: readonly FoldToMake[]): number =>
  Math.min(
    CARD_MM,
    HANDLING_LIMIT_MM['bone folder'] /
      largest(
        folds.map((fold) => fold.layers),
        1,
      ),
  )

/** Squares one can buy next to a side: the nearest below and above it, in mm; `null` where there is none. */
export function nearestSquares(sheetMm: number): {
  readonly belowMm: number | null
  readonly aboveMm: number | null
} {
  const sides = SHEET_FORMATS.filter(({ widthMm, heightMm }) => widthMm === heightMm).map(
    ({ widthMm }) => widthMm,
  )
  const below = sides.filter((side) => side <= sheetMm + NOTHING_TO_SEE)
  const above = sides.filter((side) => side > sheetMm + NOTHING_TO_SEE)
  return {
    belowMm: below.length === 0 ? null : largest(below),
    aboveMm: above.length === 0 ? null : least(above),
  }
}

/** One large piece and its babies from the strip: sides of squares off a sheet, and how many of each. */
export const sizeFamily = shrinkingSquares

/** What sizes of finished pieces rest on. */
export type SizeBasis = 'flat' | 'shaping' | 'one sample' | 'samples'

/** A finished size as it is to be expected. */
export interface ExpectedSize {
  readonly lowMm: number
  readonly highMm: number
  readonly basis: SizeBasis
  /** Mean and spread (standard deviation) of the samples at this size, in mm, where there are any. */
  readonly meanMm: number | null
  readonly spreadMm: number | null
  readonly count: number
}

/**
 * A finished size as expected: the flat folds' value or its shaped range; samples of the user's own, given as
 * measured size by what the flat folds give at that sheet and those gauges, win over it: one is taken into the range; from two on it is
 * their mean and twice their spread to both sides, as far as anything was estimated or measured.
 */
export function expectedSize(
  flatMm: number,
  shaped: readonly [lowest: number, highest: number] | undefined,
  samples: readonly number[],
): ExpectedSize {
  const [low, high] = shaped ?? [1, 1]
  const [lowMm, highMm] = [flatMm * low, flatMm * high]
  const count = samples.length
  if (count === 0)
    return { lowMm, highMm, basis: shaped ? 'shaping' : 'flat', meanMm: null, spreadMm: null, count }
  const mean = samples.reduce((sum, ratio) => sum + ratio, 0) / count
  const meanMm = mean * flatMm
  const measured = samples.map((ratio) => ratio * flatMm)
  const [leastMm, mostMm] = [least([lowMm, ...measured]), largest([highMm, ...measured])]
  if (count === 1)
    return { lowMm: leastMm, highMm: mostMm, basis: 'one sample', meanMm, spreadMm: null, count }
  const variance = samples.reduce((sum, ratio) => sum + (ratio - mean) ** 2, 0) / (count - 1)
  const spreadMm = Math.sqrt(variance) * flatMm
  const [from, to] = [meanMm - 2 * spreadMm, meanMm + 2 * spreadMm]
  // Flat sizes have no range of their own to stay within: the samples alone say what comes out.
  const within = shaped
    ? { lowMm: Math.max(leastMm, from), highMm: Math.min(mostMm, to) }
    : { lowMm: from, highMm: to }
  return { ...within, basis: 'samples', meanMm, spreadMm, count }
}

/** Room between a tube and what goes into it or around it, so that it slides and still holds. Common practice. */
const CLEARANCE_MM = 0.2

/**
 * What fits a flat tube once it is rounded: the thickest stick inside, and the hole it goes through, across in mm.
 * The outer turn keeps its length, twice the flat width; half of the layers lie in the wall on either side.
 * `stickMm` is 0 where the wall leaves no room.
 */
export function tubeFit(
  flatWidthMm: number,
  layers: number,
  caliperMm: number,
): { readonly stickMm: number; readonly holeMm: number } {
  const outerMm = (2 * flatWidthMm) / Math.PI
  return {
    stickMm: Math.max(0, outerMm - layers * caliperMm - CLEARANCE_MM),
    holeMm: outerMm + CLEARANCE_MM,
  }
}
