import type { Made, Making } from '@/core/arrange'
import { outlineSizeMm, variantOf, type DesignDocument } from '@/core/design'
import { readGauges } from '@/schema/asked-size'
import { readMaking, workedOut } from '@/schema/making'
import { madeSentences, type Preferences } from '../format'
import type { LineValues } from './form-values'

/** What follows from the numbers of a line as they are typed. */
export interface Follows {
  readonly worked: { readonly making: Making; readonly made: Made } | null
  /** How each number was worked out, or what stands in the way. */
  readonly sentences: readonly string[]
}

/** What follows, or what stands in its way; nothing while numbers are missing, or where nothing has to be worked out. */
export function whatFollows(
  line: LineValues,
  design: DesignDocument,
  sheetMm: number,
  preferences: Preferences,
): Follows | null {
  if (line.made === 'batch' || line.attachedTo !== '') return null
  const read = readMaking(line, preferences.unit)
  if (!read.ok) return null
  const { making } = read
  const gauges = readGauges(line.gauges, preferences.unit)
  const piece = outlineSizeMm(design, variantOf(design, line.variantKey), sheetMm, gauges)
  const result = workedOut(making, piece, preferences.unit)
  if (!result.ok) return { worked: null, sentences: [result.message] }
  const { made } = result
  return {
    worked: { making, made },
    sentences: madeSentences({ making, made, preferences }, design.name.toLowerCase()),
  }
}
