import { requireRange } from '../errors'
import { ROUNDING } from '../numeric'

/** A stack on a scale, and what its sheets are. */
export interface Weighed {
  readonly massG: number
  /** The step the scale reads in: a reading is up to half of it off, and so was its zero. */
  readonly readsToG: number
  readonly widthMm: number
  readonly heightMm: number
  readonly grammageGsm: number
  /** By what share the true grammage may differ from what is said. */
  readonly grammageSpread: number
}

/** A count got by weighing: the nearest whole number, what is over or short in sheets, and how many it may be. */
export interface WeighedCount {
  readonly sheets: number
  readonly remainderSheets: number
  readonly least: number
  readonly most: number
}

/**
 * By what share a paper's grammage differs from what is printed on its pack, and from what its feel lets one guess.
 * Source: common practice, no source.
 */
export const GRAMMAGE_SPREAD = { printed: 0.04, guessed: 0.25 } as const

/**
 * Sheets in a stack by its mass: mass / (area x grammage).
 * *Source* grammage in g/m2 as in ISO 536.
 * *Returns* the nearest count, and all counts that fit the mass within a step of the scale (half of it at the zero, half
 * at the reading) and the grammage within its spread; `least` above `most` says that none does.
 * *Throws* `OUT_OF_RANGE`.
 */
export function sheetsByMass(weighed: Weighed): WeighedCount {
  const { massG, readsToG, widthMm, heightMm, grammageGsm, grammageSpread } = weighed
  requireRange('mass', massG, 'g', 0, 100_000)
  requireRange('step of the scale', readsToG, 'g', 0, 1000)
  requireRange('width', widthMm, 'mm', 1, 10_000)
  requireRange('height', heightMm, 'mm', 1, 10_000)
  requireRange('grammage', grammageGsm, 'g/m2', 5, 1000)
  requireRange('spread of the grammage', grammageSpread, '', 0, 0.5)
  const sheetG = (widthMm / 1000) * (heightMm / 1000) * grammageGsm
  const exact = massG / sheetG
  const sheets = Math.round(exact)
  return {
    sheets,
    remainderSheets: exact - sheets,
    least: Math.ceil(Math.max(0, massG - readsToG) / (sheetG * (1 + grammageSpread)) - ROUNDING),
    most: Math.floor((massG + readsToG) / (sheetG * (1 - grammageSpread)) + ROUNDING),
  }
}

/** The mass of paper: area x grammage, as in ISO 536. */
export const massOfG = (areaMm2: number, grammageGsm: number): number => (areaMm2 * grammageGsm) / 1e6
