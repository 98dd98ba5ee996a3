import type { SizeUm } from '../sheet'
import { FEELS, type Feel, type Grain, type Pattern, type Texture } from './feel'

/** A paper as a household knows it; how much of it there is, is for the drawer. */
export interface Paper {
  readonly id: string
  readonly name: string
  /** Colours of both faces as `#rrggbb`. */
  readonly frontColour: string
  readonly backColour: string
  readonly feel: Feel
  readonly pattern: Pattern
  readonly texture: Texture
  readonly grain: Grain
  /** Whether a piece may lie turned by a quarter; else its height runs with the grain, or up the pattern. */
  readonly turnable: boolean
  /** Sheets may come out so much smaller than they are called; `null` where nobody has said so. */
  readonly toleranceMm: number | null
  readonly grammageGsm: number | null
  readonly caliperMeasuredMm: number | null
  readonly note: string
}

/** A paper's thickness in mm: as measured, else by its feel, scaled with its grammage where that is known. */
export function caliperOf({
  feel,
  grammageGsm,
  caliperMeasuredMm,
}: Pick<Paper, 'feel' | 'grammageGsm' | 'caliperMeasuredMm'>): number {
  if (caliperMeasuredMm !== null) return caliperMeasuredMm
  const usual = FEELS[feel]
  return grammageGsm === null ? usual.caliperMm : (usual.caliperMm * grammageGsm) / usual.grammageGsm
}

/** A paper's mass by area in g/m2: as it says, else what its feel usually has. */
export const grammageOf = ({ feel, grammageGsm }: Pick<Paper, 'feel' | 'grammageGsm'>): number =>
  grammageGsm ?? FEELS[feel].grammageGsm

/**
 * A size as sheets of a paper are kept: the narrow side is the width. Where pieces must all run one way the height lies
 * along the grain, and up the pattern as it was told where the grain is not known; an offcut lies as it came off.
 */
export function sizeAsKept(
  { grain, turnable }: Pick<Paper, 'grain' | 'turnable'>,
  size: SizeUm,
  offcut: boolean,
): SizeUm {
  const { widthUm, heightUm } = size
  if (!turnable && (offcut || grain === 'unknown')) return size
  const [short, long] = widthUm <= heightUm ? [widthUm, heightUm] : [heightUm, widthUm]
  return !turnable && grain === 'short'
    ? { widthUm: long, heightUm: short }
    : { widthUm: short, heightUm: long }
}

/** Along which side of a sheet as it is kept the grain runs; `null` where that cannot be told. */
export function grainOf(
  { grain, turnable }: Pick<Paper, 'grain' | 'turnable'>,
  { widthUm, heightUm }: SizeUm,
  offcut: boolean,
): 'width' | 'height' | null {
  if (grain === 'unknown') return null
  if (!turnable) return 'height'
  // Offcuts of papers that may be turned are kept the narrow side first: which way they lay is not known any more.
  if (offcut || widthUm === heightUm) return null
  return (grain === 'long') === heightUm > widthUm ? 'height' : 'width'
}
