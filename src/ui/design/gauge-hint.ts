import { gaugeRangeMm, type Gauge } from '@/core/design'
import { formatLength, type Preferences } from '../format'

/** What a gauge changes, and what it is where nothing is entered: in the reader's unit once the sheet is known. */
export function gaugeHint(gauge: Gauge, sheetMm: number | null, preferences: Preferences): string {
  if (gauge.unit === 'mm') return gauge.explains
  const left = sheetMm === null ? null : gaugeRangeMm(gauge, sheetMm).standardMm
  return left === null
    ? gauge.explains
    : `${gauge.explains} Left empty it is ${formatLength(left, preferences)}.`
}
