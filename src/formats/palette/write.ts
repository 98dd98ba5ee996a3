import type { NamedColour } from './read'

/** A name as one line of a palette carries it. */
const inOneLine = (name: string): string => name.replaceAll(/\s+/g, ' ').trim()

/** Colours as a palette that GIMP, and most programs that draw, can read. See docs/formats/palette.md. */
export const writePalette = (name: string, colours: readonly NamedColour[]): string =>
  [
    'GIMP Palette',
    `Name: ${inOneLine(name)}`,
    '#',
    ...colours.map(({ hex, name: called }) => {
      const parts = [1, 3, 5].map((at) => String(Number.parseInt(hex.slice(at, at + 2), 16)).padStart(3))
      return `${parts.join(' ')}\t${inOneLine(called)}`
    }),
    '',
  ].join('\n')
