import { countsOf } from '@/core/cut'
import { demandOf } from '@/core/plan'
import { mmFromUm } from '@/core/units'
import type { LineView, PartView } from '@/flows/read/line-view'
import type { ProjectView } from '@/flows/read/project'
import { countOf, formatPiece, formatSheet, type Preferences } from '../format'

export type LayoutView = NonNullable<ProjectView['cutPlan']>['layouts'][number]

export interface Counted {
  readonly count: number
  readonly line: LineView | undefined
  readonly part: PartView | undefined
}

/** What one sheet of a layout gives, line by line. */
export const countedPieces = ({ lines }: ProjectView, layout: LayoutView): readonly Counted[] =>
  [...countsOf(layout)].map(([demand, count]) => {
    const { lineId, partKey } = demandOf(demand)
    const line = lines.find(({ id }) => id === lineId)
    return { count, line, part: line?.parts.find(({ key }) => key === partKey) }
  })

/** What one piece of a demand is called. */
export function pieceName({ lines }: ProjectView, demand: string): string {
  const { lineId, partKey } = demandOf(demand)
  const part = lines.find(({ id }) => id === lineId)?.parts.find(({ key }) => key === partKey)
  return part?.highPerWide === 1 ? 'square' : 'piece'
}

export function layoutText(
  { offcuts, sheets }: LayoutView,
  counted: readonly Counted[],
  preferences: Preferences,
): string {
  const kept = offcuts.map((size) =>
    formatSheet(mmFromUm(size.widthUm), mmFromUm(size.heightUm), preferences),
  )
  const pieces = counted.map(({ count, line, part }) => {
    const noun = part?.highPerWide === 1 ? 'square' : 'piece'
    const size = part ? formatPiece(part.sheetMm, part.highPerWide, preferences) : ''
    return counted.length === 1
      ? countOf(count, noun)
      : `${countOf(count, noun)} of ${size} (${line?.design.name.toLowerCase() ?? ''})`
  })
  return `${pieces.join(' and ')} from ${sheets === 1 ? 'it' : 'each'}${kept.length === 0 ? ', nothing worth keeping left.' : `; keep ${kept.join(' and ')}.`}`
}
