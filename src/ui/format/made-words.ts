import type { Made, Making, Supply } from '@/core/arrange'
import { countOf, plural } from './counts'
import { formatLength, formatLong } from './lengths'
import type { Preferences } from './preferences'

/** Exactly, by the international yard and pound agreement of 1959. */
const G_PER_OUNCE = 28.349523125

interface Told {
  readonly making: Making
  readonly made: Made
  readonly preferences: Preferences
}

/** How the number of pieces was worked out, where it was. */
function counting({ making: { kind, values }, made, preferences }: Told): string {
  const told = (mm = 0) => formatLong(mm, preferences)
  const { pieces = 0, long, radius, every, bouquets, gifts, places, threads, each = 0 } = values
  const [gap = 0, pitch = 0] = (['gap', 'pitch'] as const).map(
    (name) => made.facts.find(({ fact }) => fact === name)?.mm,
  )
  if (kind === 'garland' && long !== undefined) {
    const across = (every ?? 0) - gap
    return `(${told(long)} - ${told(across)}) / ${told(every)}, rounded down, and the first one`
  }
  if (kind === 'wreath' && radius !== undefined)
    return `once around, ${told(2 * Math.PI * radius)}, at ${told(pitch)} from one to the next`
  const groups = bouquets ?? gifts ?? places ?? threads
  return groups === undefined || pieces > 0 ? '' : `${groups} x ${each}`
}

const FACT_WORDS = {
  dressed: (mm: string) => `dressed over ${mm}`,
  gap: (mm: string, negative: boolean) => (negative ? `each ${mm} over the next` : `${mm} between them`),
  sag: (mm: string) => `hangs ${mm} deep`,
  radius: (mm: string) => `a ring of ${mm} radius`,
  pitch: (mm: string) => `${mm} from one to the next`,
  outside: (mm: string) => `${mm} across in all`,
  hangs: (mm: string) => `hangs ${mm} down`,
  above: (mm: string) => `stands ${mm} above the rim`,
} as const satisfies Readonly<
  Record<Made['facts'][number]['fact'], (mm: string, negative: boolean) => string>
>

const SUPPLY_NAMES = {
  string: 'string',
  thread: 'thread',
  stem: 'stem',
  card: 'card',
  'wreath ring': 'ring',
} as const satisfies Readonly<Record<Supply['what'], string>>

/** What to get that is not folded: `7.1 m of string`, `42 stems of 18 cm`. */
export function supplyWords({ what, count, eachMm, highMm }: Supply, preferences: Preferences): string {
  const each = formatLong(eachMm, preferences)
  if (what === 'wreath ring') return `${plural(count, 'ring')} ${each} across`
  if (highMm !== undefined)
    return `${countOf(count, SUPPLY_NAMES[what])} of ${each} x ${formatLong(highMm, preferences)}`
  if (what === 'string' && count === 1) return `${each} of string`
  return `${countOf(count, SUPPLY_NAMES[what])} of ${each}`
}

/** How the length of a garland's string comes together. */
function stringWords({ making: { kind, values }, made, preferences }: Told): string {
  if (kind !== 'garland') return ''
  const { tail = 0, knot = 0 } = values
  const parts = [
    ...(tail > 0 ? [`2 tails of ${formatLength(tail, preferences)}`] : []),
    ...(knot > 0 ? [`${plural(made.pieces, 'knot')} of ${formatLength(knot, preferences)}`] : []),
  ]
  return parts.length === 0 ? '' : `: as long as it is dressed, ${parts.join(', ')}`
}

/** What was worked out, each with how. */
export function madeSentences(told: Told, noun: string): readonly string[] {
  const { made, preferences } = told
  const how = counting(told)
  const facts = made.facts
    .filter(({ fact, mm }) => fact !== 'gap' || mm !== 0)
    .map(({ fact, mm }) => FACT_WORDS[fact](formatLong(Math.abs(mm), preferences), mm < 0))
  const supplies = made.supplies.map((supply) => supplyWords(supply, preferences) + stringWords(told))
  return [
    ...(how === '' ? [] : [`${countOf(made.pieces, noun)}: ${how}.`]),
    ...(facts.length === 0 ? [] : [`${sentence(facts.join(', '))}.`]),
    ...(supplies.length === 0 ? [] : [`To get: ${supplies.join('; ')}.`]),
  ]
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** `The paper weighs about 96 g.`, in ounces for who measures in inches. */
export const massWords = (massG: number, { unit }: Pick<Preferences, 'unit'>): string =>
  unit === 'in'
    ? `The paper weighs about ${(massG / G_PER_OUNCE).toFixed(1)} oz.`
    : `The paper weighs about ${massG < 10 ? massG.toFixed(1) : Math.round(massG)} g.`
