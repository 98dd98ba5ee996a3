import type { MadeKind } from '../src/core/arrange'
import { DateTime } from 'luxon'
import { BLANK_BRIEF, BLANK_LINE } from '../src/schema/brief-typed'

/** A line of a demo brief: finished size, how many, in which papers by name. */
export interface DemoLine {
  readonly id: string
  readonly design: string
  readonly variant: string
  readonly axis: string
  readonly size: string
  readonly gauges?: Readonly<Record<string, string>>
  readonly pieces?: string
  readonly made?: MadeKind
  readonly measures?: Readonly<Record<string, string>>
  readonly colours?: 'in turn'
  readonly attachedTo?: string
  readonly perPiece?: string
  readonly goesWith?: string
  readonly papers: readonly (readonly [paper: string, pieces: string])[]
}

/** A brief as its form sends it. */
export const briefOf = (
  name: string,
  dueOn: string,
  lines: readonly DemoLine[],
  papers: ReadonlyMap<string, string>,
  more: { readonly yearly?: boolean; readonly shoppingDays?: string } = {},
) => ({
  ...BLANK_BRIEF,
  name,
  dueOn,
  certainty: '0.95',
  ...more,
  lines: lines.map((line) => ({
    ...BLANK_LINE,
    id: line.id,
    designId: line.design,
    variantKey: line.variant,
    sizing: 'finished' as const,
    axis: line.axis,
    size: line.size,
    gauges: { ...line.gauges },
    pieces: line.pieces ?? '',
    made: line.made ?? 'batch',
    measures: { ...line.measures },
    colours: line.colours ?? 'whole',
    attachedTo: line.attachedTo ?? '',
    perPiece: line.perPiece ?? '',
    goesWith: line.goesWith ?? '',
    papers: line.papers.map(([paper, pieces]) => ({ paperId: papers.get(paper) ?? '', pieces })),
  })),
})

/** Today's calendar date in the demo's zone, some days on. */
export const dayFrom = (nowMs: number, days: number): string =>
  DateTime.fromMillis(nowMs, { zone: 'Europe/London' }).plus({ days }).toISODate() ?? ''

/** The same day a year before the one some days on. */
export const lastYearsDay = (nowMs: number, days: number): string =>
  DateTime.fromMillis(nowMs, { zone: 'Europe/London' }).plus({ days }).minus({ years: 1 }).toISODate() ?? ''

/** The Saturday at least a week on. */
export function saturdayFrom(nowMs: number): string {
  const today = DateTime.fromMillis(nowMs, { zone: 'Europe/London' })
  return today.plus({ days: 7 + ((6 - today.weekday + 7) % 7) }).toISODate() ?? ''
}
