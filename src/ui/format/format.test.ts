import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import fc from 'fast-check'
import { parseLength } from '@/core/units'
import {
  countOf,
  daysUntil,
  formatCertainty,
  formatDay,
  formatDaysLeft,
  formatDuration,
  formatExact,
  formatLength,
  formatLimit,
  formatMoment,
  formatMoney,
  formatPace,
  formatShare,
  formatShares,
  formatSheet,
  lengthInput,
  localeFrom,
  nounMany,
  plural,
  sheetsText,
  REFUSAL_CODES,
  refusalWords,
  todayIn,
  type Preferences,
} from '.'
import { numberFormat } from './formatters'

const CM: Preferences = {
  unit: 'cm',
  ruler: 'mm-0.5',
  zone: 'Europe/London',
  currency: 'EUR',
  locale: 'en-GB',
  nowMs: Date.UTC(2026, 10, 25, 9, 30),
}
const INCH: Preferences = { ...CM, unit: 'in', ruler: 'inch-1/16', locale: 'en-US' }
const GERMAN: Preferences = { ...CM, locale: 'de-DE' }

describe('lengths', () => {
  test.each([
    [50.03, CM, '5 cm'],
    [124.45, CM, '12.45 cm'],
    [124.7, { ...CM, ruler: 'mm-1' as const }, '12.5 cm'],
    [124.45, GERMAN, '12,45 cm'],
    [59.03, INCH, '2 5/16 in'],
    [25.4, INCH, '1 in'],
    [6.35, INCH, '1/4 in'],
    [0, CM, '0 cm'],
  ])('%p reads %#', (mm, preferences, text) => expect(formatLength(mm, preferences)).toBe(text))
  test.each([
    [74.25, CM, '7.425 cm'],
    [76.2, INCH, '3 in'],
    [150, INCH, '5 7/8 in (+0.8 mm)'],
    [75, INCH, '2 15/16 in (+0.4 mm)'],
  ])('exactly %p', (mm, preferences, text) => expect(formatExact(mm, preferences)).toBe(text))
  test('a sheet by both sides, a square by one', () => {
    expect(formatSheet(210, 297, CM)).toBe('21 x 29.7 cm')
    expect(formatSheet(150, 150, CM)).toBe('15 cm square')
    expect(formatSheet(215.9, 279.4, INCH)).toBe('8 1/2 in x 11 in')
  })
  test('what a field starts with is read back as the same length, in cm and in inches', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 1_500_000 }), fc.constantFrom(CM, INCH), (um, preferences) => {
        const parsed = parseLength(lengthInput(um / 1000, preferences), preferences.unit)
        expect(parsed.ok && Math.abs(parsed.mm - um / 1000)).toBeLessThan(0.0011)
      }),
    )
  })
})

describe('a limit is never told above itself', () => {
  test.each([
    [0.1875, '0.18 mm'],
    [0.25, '0.25 mm'],
    [0.29, '0.29 mm'],
  ])('%p', (mm, text) => expect(formatLimit(mm)).toBe(text))
})

test('one formatter for one question, another for another', () => {
  expect(numberFormat('en', { maximumFractionDigits: 1 })).toBe(
    numberFormat('en', { maximumFractionDigits: 1 }),
  )
  expect(numberFormat('en', { maximumFractionDigits: 2 }).format(1.256)).toBe('1.26')
  expect(numberFormat('de', { maximumFractionDigits: 2 }).format(1.256)).toBe('1,26')
  for (let digits = 0; digits <= 20; digits++)
    for (const locale of ['fr', 'da', 'sv', 'nl']) numberFormat(locale, { maximumFractionDigits: digits })
  expect(numberFormat('de', { maximumFractionDigits: 2 }).format(0.5)).toBe('0,5')
})

describe('times', () => {
  test('today and days left are calendar days in the zone, across midnight and clock changes', () => {
    expect(todayIn(CM)).toBe('2026-11-25')
    expect(todayIn({ zone: 'Pacific/Kiritimati', nowMs: Date.UTC(2026, 10, 25, 11) })).toBe('2026-11-26')
    expect(daysUntil('2026-11-25', CM)).toBe(0)
    expect(daysUntil('2026-12-05', CM)).toBe(10)
    expect(daysUntil('2026-11-20', CM)).toBe(-5)
    const beforeClocksChange = { zone: 'Europe/London', nowMs: Date.UTC(2026, 2, 28, 23, 30) }
    expect(daysUntil('2026-03-30', beforeClocksChange)).toBe(2)
  })
  test.each([
    [0, 'today'],
    [1, 'tomorrow'],
    [-1, 'yesterday'],
    [18, '18 days left'],
    [-3, '3 days ago'],
  ])('%p days: %s', (days, text) => expect(formatDaysLeft(days)).toBe(text))
  test('a day names its weekday, and its year only where it is another', () => {
    expect(formatDay('2026-12-05', CM)).toBe('Saturday 5 December')
    expect(formatDay('2027-01-02', CM)).toBe('Saturday, 2 January 2027')
    expect(formatDay('2026-12-05', GERMAN)).toBe('Samstag, 5. Dezember')
  })
  test('a moment is told in the zone', () => {
    expect(formatMoment(Date.UTC(2026, 6, 1, 12), CM)).toBe('1 Jul 2026, 13:00')
  })
  test.each([
    [45, '45 s', '45 s'],
    [60, '1 min', '1 min'],
    [250, '4 min', '4 min 10 s'],
    [3600, '1 h', '60 min'],
    [25_560, '7 h 6 min', '426 min'],
  ])('%p seconds: %s, as a pace %s', (seconds, duration, pace) => {
    expect(formatDuration(seconds)).toBe(duration)
    expect(formatPace(seconds)).toBe(pace)
  })
})

describe('counts', () => {
  test('nouns take their number', () => {
    expect(plural(1, 'sheet')).toBe('1 sheet')
    expect(plural(1200, 'sheet')).toBe('1,200 sheets')
    expect(countOf(2, 'leaf')).toBe('2 leaves')
    expect(countOf(1, 'leaf')).toBe('1 leaf')
    expect(['lobed leaf', 'quick butterfly', 'crocus', 'window star', 'half', 'key'].map(nounMany)).toEqual([
      'lobed leaves',
      'quick butterflies',
      'crocuses',
      'window stars',
      'halves',
      'keys',
    ])
    expect([sheetsText(6, 2), sheetsText(1, 0), sheetsText(0, 1), sheetsText(0, 0)]).toEqual([
      '6 sheets, 2 offcuts',
      '1 sheet',
      '1 offcut',
      '0 sheets',
    ])
  })
  test.each([
    [0.95, '95 %'],
    [0.9, '90 %'],
    [0.8, '80 %'],
    [0.99, '99 %'],
    [0.975, '97.5 %'],
  ])('certainty %p is %s', (certainty, text) => expect(formatCertainty(certainty)).toBe(text))
  test('shares and money', () => {
    expect(formatShare(0.0565, 'en-GB')).toBe('5.7 %')
    // By hand: a third each is 33.3, which leaves a tenth of the whole; 2/7, 2/7 and 3/7 are 28.571, 28.571
    // and 42.857: rounded down 28.5, 28.5 and 42.8, and the two tenths left go where most was cut off.
    expect(formatShares([5, 5, 5], 'en-GB')).toEqual(['33.4 %', '33.3 %', '33.3 %'])
    expect(formatShares([2, 2, 3], 'en-GB')).toEqual(['28.6 %', '28.6 %', '42.8 %'])
    expect(formatShares([0, 0], 'en-GB')).toEqual(['0 %', '0 %'])
    expect(formatMoney(680, CM)).toBe('€6.80')
    expect(formatMoney(680, { currency: 'JPY', locale: 'en-GB' })).toBe('JP¥680')
  })
})

test.each([
  ['de-DE,de;q=0.9', 'de-DE'],
  ['xx-nonsense-!!', 'en-GB'],
  ['', 'en-GB'],
  [null, 'en-GB'],
])('the locale of %p is %s', (header, locale) => expect(localeFrom(header)).toBe(locale))

const filesBelow = (folder: string): readonly string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name))

describe('refusals', () => {
  const codes = REFUSAL_CODES
  test.each(codes)('%s is said in whole sentences, with no code in it', (code) => {
    const words = refusalWords({
      code,
      detail: {
        line: 'Narrow leaf',
        paper: 'Oyster',
        project: 'Lids',
        joined: 3,
        problem: 'DAMAGED',
        message: '',
        name: 'The overhang',
        value: 9,
        unit: 'mm',
      },
    })
    expect(words).toMatch(/^[A-Z].*[.a-z]$/s)
    expect(words).not.toMatch(/undefined|NaN|_/)
  })
  test('each is raised by some test', () => {
    const tests = [filesBelow('src'), filesBelow('e2e'), filesBelow('test')]
      .flat()
      .filter((path) => /\.(test|spec)\.tsx?$/.test(path))
    const told = tests.map((path) => readFileSync(path, 'utf8')).join('\n')
    expect(codes.filter((code) => !told.includes(`'${code}'`))).toEqual([])
  })
  test('a line that is held says by what, whatever it is', () => {
    const words = (held: object) =>
      refusalWords({ code: 'LINE_IN_USE', detail: { line: 'Narrow leaf', ...held } })
    expect(words({ cuts: 0, runs: 0, joins: 0, deliveries: 0, shelf: 2 })).toBe(
      'Narrow leaf already has 2 movements on the shelf, so its line stays. Set its count lower instead.',
    )
    expect(words({ cuts: 3, runs: 1, joins: 0, deliveries: 1, shelf: 0 })).toContain(
      'has 3 cuts, 1 run and 1 hand-over, so',
    )
  })
  test('the number that was wrong comes with its range', () => {
    const detail = { name: 'petal overhang', value: 9, unit: 'mm', min: 0, max: 8 }
    expect(refusalWords({ code: 'VALUE', detail })).toBe('petal overhang is 9 mm; it must be from 0 to 8 mm.')
  })
})
