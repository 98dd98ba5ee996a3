import { MADE, setsOf, type MadeKind } from '@/core/arrange'
import { parseLength, type LengthUnit } from '@/core/units'

/** What a line is told by while it is typed, as far as another line may say it instead. */
export interface Following {
  readonly id: string
  readonly made: MadeKind
  readonly measures: Readonly<Record<string, string>>
  readonly size: string
  readonly sizing: 'finished' | 'sheet'
  readonly attachedTo: string
  /** The line into whose bouquets or places it goes; empty where it has its own. */
  readonly goesWith: string
  /** The line whose size its own is a part of, in percent; empty where it has its own. */
  readonly sizeOf: string
  readonly sizePercent: string
}

/** Least and most percent of another line's size. */
export const SIZE_PERCENT = { min: 5, max: 400 } as const

/** Whether others may go with a line: it is made into several like things and goes with no other itself. */
export const canBeJoined = ({ made, goesWith, attachedTo }: Following): boolean =>
  setsOf(made) !== null && goesWith === '' && attachedTo === ''

const hostOf = <Line extends Following>(lines: readonly Line[], line: Line, id: string): Line | undefined =>
  id === '' ? undefined : lines.find((other) => other.id === id && other !== line)

/** The line that a line goes with; `undefined` where it goes with none that could be. */
export function withHost<Line extends Following>(lines: readonly Line[], line: Line): Line | undefined {
  const host = hostOf(lines, line, line.goesWith)
  return host && canBeJoined(host) ? host : undefined
}

/** The line whose size a line follows; `undefined` where it follows none that could be. */
export function sizeHost<Line extends Following>(lines: readonly Line[], line: Line): Line | undefined {
  const host = hostOf(lines, line, line.sizeOf)
  return host && host.sizeOf === '' ? host : undefined
}

/** A part of a typed length, as text; `null` where it cannot be read. */
export function partOfLength(text: string, percent: string, unit: LengthUnit): string | null {
  const parsed = parseLength(text, unit)
  const part = /^\s*\d{1,3}\s*$/.test(percent) ? Number(percent) : NaN
  if (!parsed.ok || !(part >= SIZE_PERCENT.min && part <= SIZE_PERCENT.max)) return null
  return `${Math.round(parsed.mm * part * 10) / 1000} mm`
}

/**
 * A line as the lines it follows make it: as many bouquets as the one it goes with, and its part of the other's size.
 * What cannot be followed stays as it is typed; who reads it says so.
 */
export function asItFollows<Line extends Following>(
  lines: readonly Line[],
  line: Line,
  unit: LengthUnit,
): Line {
  const host = withHost(lines, line)
  const sized = sizeHost(lines, line)
  const sets = host && setsOf(host.made)
  const size = sized && partOfLength(sized.size, line.sizePercent, unit)
  return {
    ...line,
    ...(host && sets ? { made: host.made, measures: withSets(line, host, sets) } : {}),
    ...(sized && size ? { size, sizing: sized.sizing } : {}),
  }
}

/** The numbers of the host's kind: how many sets from the host, the others its own as far as it has them. */
const withSets = (line: Following, host: Following, sets: string): Readonly<Record<string, string>> =>
  Object.fromEntries(
    MADE[host.made].inputs.map(({ key }) => [
      key,
      (key === sets ? host.measures[key] : line.measures[key]) ?? '',
    ]),
  )
