import { FEELS, type Feel, type Pattern } from './feel'

/** A paper as a household knows it; how much of it there is, is for the drawer. */
export interface Paper {
  readonly id: string
  readonly name: string
  /** Colours of both faces as `#rrggbb`. */
  readonly frontColour: string
  readonly backColour: string
  readonly feel: Feel
  readonly pattern: Pattern
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
