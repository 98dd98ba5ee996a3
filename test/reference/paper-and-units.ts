import type { Reference } from './types'

const derived = { source: 'derived', locator: 'exact arithmetic', tolerance: 0 }

/** Equal squares from an A4 sheet, 210 x 297 mm. */
export const A4_SQUARES: readonly Reference<{ readonly sideMm: number }, number>[] = (
  [
    [75, 6],
    [74.25, 8],
    [70, 12],
    [150, 1],
    [148.5, 2],
  ] as const
).map(([sideMm, value]) => ({
  ...derived,
  what: `squares of ${sideMm} mm from A4`,
  conditions: 'no margin, no kerf',
  input: { sideMm },
  value,
}))

export const SHEET_SIZES: readonly Reference<string, readonly [number, number]>[] = [
  ...(
    [
      ['A3', 297, 420],
      ['A4', 210, 297],
      ['A5', 148, 210],
      ['A6', 105, 148],
    ] as const
  ).map(([input, widthMm, heightMm]) => ({
    what: input,
    source: 'ISO 216',
    locator: 'A series, trimmed sizes',
    conditions: 'mm',
    tolerance: 0,
    input,
    value: [widthMm, heightMm] as const,
  })),
  {
    what: 'Letter',
    source: 'ANSI/ASME Y14.1',
    locator: 'size A, 8.5 x 11 in',
    conditions: 'mm',
    tolerance: 1e-9,
    input: 'letter',
    value: [215.9, 279.4],
  },
]

export const LETTER_SHRINKING: readonly (readonly [sideInch: number, count: number])[] = [
  [8.5, 1],
  [2.5, 3],
  [1, 2],
  [0.5, 2],
]
