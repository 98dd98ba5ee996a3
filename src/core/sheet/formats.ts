import { MM_PER_INCH } from '../units'

/** A named sheet, portrait: `widthMm <= heightMm`. */
export interface SheetFormat {
  readonly key: string
  readonly label: string
  readonly widthMm: number
  readonly heightMm: number
  /** Where the dimensions come from. */
  readonly source: string
}

const iso216 = (key: string, widthMm: number, heightMm: number): SheetFormat => ({
  key,
  label: key,
  widthMm,
  heightMm,
  source: 'ISO 216',
})

const square = (sideMm: number, label: string): SheetFormat => ({
  key: `square-${sideMm}`,
  label,
  widthMm: sideMm,
  heightMm: sideMm,
  source: 'common practice',
})

/** Sheets people buy. A size name always comes from this list: A4 is not Letter. */
export const SHEET_FORMATS: readonly SheetFormat[] = [
  square(75, '7.5 cm square'),
  square(100, '10 cm square'),
  square(150, '15 cm square'),
  square(175, '17.5 cm square'),
  square(200, '20 cm square'),
  square(240, '24 cm square'),
  square(350, '35 cm square'),
  { ...square(6 * MM_PER_INCH, '6 in square'), key: 'square-6in' },
  { ...square(3 * MM_PER_INCH, '3 in square'), key: 'square-3in' },
  iso216('A3', 297, 420),
  iso216('A4', 210, 297),
  iso216('A5', 148, 210),
  iso216('A6', 105, 148),
  {
    key: 'letter',
    label: 'Letter',
    widthMm: 8.5 * MM_PER_INCH,
    heightMm: 11 * MM_PER_INCH,
    source: 'ANSI/ASME Y14.1',
  },
]

const SAME_FORMAT_MM = 0.05

/** The named format of a sheet, either way up; `undefined` where it has no name. */
export function formatOf(widthMm: number, heightMm: number): SheetFormat | undefined {
  const [shortMm, longMm] = widthMm <= heightMm ? [widthMm, heightMm] : [heightMm, widthMm]
  return SHEET_FORMATS.find(
    (format) =>
      Math.abs(format.widthMm - shortMm) < SAME_FORMAT_MM &&
      Math.abs(format.heightMm - longMm) < SAME_FORMAT_MM,
  )
}
