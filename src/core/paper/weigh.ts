import { requireRange } from '../errors'

/** A count got by weighing: the nearest whole number, and what the scale leaves over or short in sheets. */
export interface WeighedCount {
  readonly sheets: number
  readonly remainderSheets: number
}

/**
 * Sheets in a stack by its mass: mass / (area x grammage).
 * *Source* grammage in g/m2 as in ISO 536.
 * *Returns* the nearest count; a remainder beyond +-0.3 says the grammage or the size is off.
 * *Throws* `OUT_OF_RANGE`.
 */
export function sheetsByMass(
  massG: number,
  widthMm: number,
  heightMm: number,
  grammageGsm: number,
): WeighedCount {
  requireRange('mass', massG, 'g', 0, 100_000)
  requireRange('width', widthMm, 'mm', 1, 10_000)
  requireRange('height', heightMm, 'mm', 1, 10_000)
  requireRange('grammage', grammageGsm, 'g/m2', 5, 1000)
  const exact = massG / ((widthMm / 1000) * (heightMm / 1000) * grammageGsm)
  const sheets = Math.round(exact)
  return { sheets, remainderSheets: exact - sheets }
}

/** The mass of paper: area x grammage, as in ISO 536. */
export const massOfG = (areaMm2: number, grammageGsm: number): number => (areaMm2 * grammageGsm) / 1e6
