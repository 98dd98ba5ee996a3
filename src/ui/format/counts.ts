import { apportion } from '@/core/colour'
import { numberFormat } from './formatters'
import type { Preferences } from './preferences'

/** `1 sheet`, `24 sheets`, `2 leaves`. */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${numberFormat('en', {}).format(count)} ${count === 1 ? one : many}`

const IRREGULAR: Readonly<Record<string, string>> = { leaf: 'leaves', half: 'halves' }

const ENDINGS: readonly (readonly [end: RegExp, many: string])[] = [
  [/([^aeiou])y$/, '$1ies'],
  [/(s|x|ch|sh)$/, '$1es'],
  [/$/, 's'],
]

/** `corners`, `halves`, `lobed leaves`, `quick butterflies`: the last word changes. */
export function nounMany(noun: string): string {
  const [, before = '', last = noun] = /^(.*[ -])?([^ -]+)$/.exec(noun) ?? []
  const [end, many] = ENDINGS.find(([ending]) => ending.test(last)) ?? [/$/, 's']
  return before + (IRREGULAR[last] ?? last.replace(end, many))
}

/** A part's or design's noun in the number of `count`. */
export const countOf = (count: number, noun: string): string => plural(count, noun, nounMany(noun))

/** The verb that goes with a count: `1 heart is`, `2 hearts are`. */
export const areOf = (count: number): 'is' | 'are' => (count === 1 ? 'is' : 'are')

/** What a plan or a cut takes: `6 sheets, 2 offcuts`. */
export const sheetsText = (sheets: number, offcuts: number): string =>
  [
    ...(sheets > 0 || offcuts === 0 ? [plural(sheets, 'sheet')] : []),
    ...(offcuts > 0 ? [plural(offcuts, 'offcut')] : []),
  ].join(', ')

/** How sure one is: `95 %`. */
export const formatCertainty = (certainty: number): string => `${Math.round(certainty * 1000) / 10} %`

/** A small share: `5 %`, `1.4 %`. */
export const formatShare = (share: number, locale: string): string =>
  `${numberFormat(locale, { maximumFractionDigits: 1 }).format(share * 100)} %`

/** The shares of one list, in tenths of a percent that make the whole: `33.4 %`, `33.3 %`, `33.3 %`. */
export function formatShares(parts: readonly number[], locale: string): readonly string[] {
  if (parts.every((part) => part === 0)) return parts.map(() => formatShare(0, locale))
  const tenths = apportion(
    1000,
    parts.map((weight) => ({ weight, locked: null })),
    'largest remainder',
  )
  return tenths.map((of) => formatShare(of / 1000, locale))
}

/** A plain number with up to three places: `5.125`. */
export const numberText = (value: number, { locale }: Pick<Preferences, 'locale'>): string =>
  numberFormat(locale, { maximumFractionDigits: 3 }).format(value)

/** How many minor units one of a currency has: 100 cents. */
export const minorUnit = ({ currency, locale }: Pick<Preferences, 'currency' | 'locale'>): number =>
  10 ** (numberFormat(locale, { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2)

/** Money from minor units. */
export function formatMoney(
  minor: number,
  { currency, locale }: Pick<Preferences, 'currency' | 'locale'>,
): string {
  const format = numberFormat(locale, { style: 'currency', currency })
  return format.format(minor / minorUnit({ currency, locale }))
}

/** The size of a file: `3.3 MB`. */
export const formatBytes = (bytes: number, { locale }: Pick<Preferences, 'locale'>): string =>
  `${numberFormat(locale, { maximumFractionDigits: 1 }).format(bytes / 1e6)} MB`
