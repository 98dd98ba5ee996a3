import type { Gauge } from '@/core/design'

/** What a gauge changes, and what it is where nothing is entered. */
export const gaugeHint = ({ explains, unit, standard }: Gauge): string =>
  unit === 'mm'
    ? explains
    : `${explains} Left empty it is ${Math.round(standard * 1000) / 10} % of the sheet's side.`
