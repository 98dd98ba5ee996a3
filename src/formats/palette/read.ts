/** A colour of a palette, `#rrggbb`, and what it is called there; empty where it has no name. */
export interface NamedColour {
  readonly hex: string
  readonly name: string
}

/** What is wrong with a palette's text, and in which line (from 1; 0 for the whole of it). */
export interface PaletteFault {
  readonly code: 'NO_COLOUR' | 'NOT_A_COLOUR' | 'TOO_MANY'
  readonly line: number
  readonly text: string
}

export type ReadPalette =
  | { readonly ok: true; readonly colours: readonly NamedColour[] }
  | { readonly ok: false; readonly fault: PaletteFault }

/** More colours than this are no palette anybody chooses papers by. */
export const MOST_COLOURS = 256

const GIMP = /^GIMP Palette\s*$/
const HEADER = /^(Name|Columns):/
const RGB_ROW = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/
const HEX = /^#?([0-9a-f]{6}|[0-9a-f]{3})(?![0-9a-z])[\s,;:]*(.*)$/i
/** Of a text quoted back. */
const QUOTED = 40

const twoDigits = (value: number): string => value.toString(16).padStart(2, '0')

function rgbRow(line: string): NamedColour | null {
  const [, ...parts] = RGB_ROW.exec(line) ?? []
  const values = parts.slice(0, 3).map(Number)
  if (values.length < 3 || values.some((value) => value > 255)) return null
  return { hex: `#${values.map(twoDigits).join('')}`, name: (parts[3] ?? '').trim() }
}

function hexRow(line: string): NamedColour | null {
  const [, digits, name = ''] = HEX.exec(line) ?? []
  // A second colour behind the first is no name: something in that line could not be read.
  if (digits === undefined || name.includes('#')) return null
  const six = digits.length === 3 ? [...digits].map((digit) => digit + digit).join('') : digits
  return { hex: `#${six.toLowerCase()}`, name: name.trim() }
}

/** Colours typed one after another in one line, where that is all it has. */
function severalIn(line: string): readonly NamedColour[] | null {
  const words = line.split(/[\s,;]+/).filter((word) => word !== '')
  const colours = words.map(hexRow)
  return words.length > 1 && colours.every((colour) => colour?.name === '')
    ? colours.flatMap((colour) => colour ?? [])
    : null
}

/**
 * Colours out of a text: a palette as GIMP writes it (red, green, blue and a name to a line), or colours as `#rrggbb`
 * or `#rgb`, one to a line with a name behind, or several to a line. See docs/formats/palette.md.
 */
export function readPalette(text: string): ReadPalette {
  const lines = text.split(/\r\n|\r|\n/)
  const gimp = GIMP.test(lines[0] ?? '')
  const colours: NamedColour[] = []
  for (const [index, line] of lines.entries()) {
    const isSaid = line.trim() === '' || (gimp && (index === 0 || HEADER.test(line) || line.startsWith('#')))
    if (isSaid) continue
    const found = gimp ? rgbRow(line) : (severalIn(line) ?? hexRow(line.trim()))
    if (!found) return refuse('NOT_A_COLOUR', index + 1, line)
    for (const colour of 'hex' in found ? [found] : found) colours.push(colour)
    if (colours.length > MOST_COLOURS) return refuse('TOO_MANY', index + 1, '')
  }
  return colours.length === 0 ? refuse('NO_COLOUR', 0, '') : { ok: true, colours }
}

const refuse = (code: PaletteFault['code'], line: number, text: string): ReadPalette => ({
  ok: false,
  fault: { code, line, text: text.trim().slice(0, QUOTED) },
})
