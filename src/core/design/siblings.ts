import type { Character } from '../arrange'
import { roundToRuler, type RulerKey } from '../units'
import { gaugeRangeMm, type GaugeSettings } from './sizing'
import type { DesignDocument } from './types'

/** Of the way from what is set to the nearer end of a gauge's range. Our own choice: even the liveliest stays inside it. */
const REACH: Readonly<Record<Character, number>> = { alike: 0, 'a little': 0.25, some: 0.5, lively: 0.8 }

/** Three of each kind are told apart, and are few enough to keep in the head. */
const KINDS = 3

interface Around {
  readonly sheetMm: number
  readonly gauges: GaugeSettings
  readonly character: Character
  readonly ruler: RulerKey
}

/**
 * Settings of the gauges for pieces that are siblings rather than clones, each on the ruler and well inside the range in
 * which the design still folds; what is set comes first. One alone where nothing may differ, or less than the ruler reads.
 */
export function siblingGauges(
  design: Pick<DesignDocument, 'gauges'>,
  { sheetMm, gauges, character, ruler }: Around,
): readonly GaugeSettings[] {
  const kinds = Array.from({ length: KINDS }, (_, kind): GaugeSettings => {
    if (kind === 0) return gauges
    const changed = design.gauges.map((gauge, at) => {
      const { standardMm, leastMm, mostMm } = gaugeRangeMm(gauge, sheetMm)
      const setMm = gauges[gauge.key] ?? standardMm
      const reachMm = REACH[character] * Math.max(0, Math.min(setMm - leastMm, mostMm - setMm))
      // One gauge more where another is less: each kind has a look of its own. Less than a mark of the ruler is none.
      const more = (kind === 1) === (at % 2 === 0)
      const mm = more
        ? Math.max(setMm, roundToRuler(setMm + reachMm, ruler, 'down'))
        : Math.min(setMm, roundToRuler(setMm - reachMm, ruler, 'up'))
      return [gauge.key, mm] as const
    })
    return { ...gauges, ...Object.fromEntries(changed) }
  })
  const said = (settings: GaugeSettings) =>
    design.gauges
      .map((gauge) => (settings[gauge.key] ?? gaugeRangeMm(gauge, sheetMm).standardMm).toFixed(3))
      .join(' ')
  return kinds.filter((kind, at) => kinds.findIndex((other) => said(other) === said(kind)) === at)
}

/** From one piece to the next around the kinds: no rhythm is seen. *Source* the golden section. */
const GOLDEN = (Math.sqrt(5) - 1) / 2

/** Which kind a piece is, counted from 0: as many of each as there can be, and never a pattern. */
export const kindOf = (piece: number, kinds: number): number =>
  Math.floor((((piece + 0.5) * GOLDEN) % 1) * kinds)
