import { meanRejectRate } from '@/core/batch'
import { mainPart, unitsOf } from '@/core/design'
import type { BriefDesign } from '@/flows/read/brief-designs'
import type { LineValues } from './form-values'
import type { DialTime } from './TradeDial'
import { wantedPieces } from './wanted-pieces'

/** What the time of a brief is reckoned with. */
export interface BriefTime {
  readonly eveningSeconds: number
  /** Good units there are already, by line. */
  readonly foldedUnits: Readonly<Record<string, number>>
}

/** What a line takes in all, as far as its number can be read, and how much of it is folded. */
function secondsOf(
  line: LineValues,
  lines: readonly LineValues[],
  designs: readonly BriefDesign[],
  folded: number,
): { readonly left: number; readonly done: number } {
  const design = designs.find(({ document }) => document.id === line.designId)
  const variant = design?.document.variants.find(({ key }) => key === line.variantKey)
  if (!design || !variant) return { left: 0, done: 0 }
  const { document, rate } = design
  // Rejects are folded too, as on the dial.
  const secondsPerUnit = design.secondsPerUnit / (1 - meanRejectRate(rate))
  const units = (wantedPieces(line, lines) ?? 0) * unitsOf(mainPart(document), variant)
  const done = Math.min(units, folded)
  return { left: (units - done) * secondsPerUnit, done: done * secondsPerUnit }
}

/** The time around a line: what all other lines still take, and what of its own is done. */
export function dialTime(
  lines: readonly LineValues[],
  index: number,
  designs: readonly BriefDesign[],
  { eveningSeconds, foldedUnits }: BriefTime,
  daysLeft: number | null,
): DialTime {
  const times = lines.map((line) => secondsOf(line, lines, designs, foldedUnits[line.id] ?? 0))
  return {
    eveningSeconds,
    daysLeft,
    otherSeconds: times.reduce((sum, { left }, at) => (at === index ? sum : sum + left), 0),
    doneSeconds: times[index]?.done ?? 0,
  }
}
