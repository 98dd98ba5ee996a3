import type { AxisSource } from '../types'

/** A size measured on the folds along a direction of the picture, with how it follows from the steps on paper. */
export const extent = (axis: string, label: string, degrees: number, onPaper: string): AxisSource => ({
  axis,
  label,
  measure: { extentDegrees: degrees },
  derivation: `Measured on the folds. On paper: ${onPaper}`,
})
