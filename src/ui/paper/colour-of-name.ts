/** A paper whose colour nobody has said: plain paper, not a colour of its own. */
export const UNKNOWN_COLOUR = '#f1ece0'

/** Colours as people name papers; the last word that is one decides. Our own choice. */
const COLOURS: Readonly<Record<string, string>> = {
  white: '#fdfbf5',
  cream: '#f3e8cf',
  ivory: '#f4ecd8',
  oyster: '#e2d8c3',
  yellow: '#e8c33c',
  gold: '#c9a13a',
  orange: '#d2691e',
  red: '#b3322a',
  pink: '#d98ba0',
  rose: '#c9647e',
  plum: '#6a4a66',
  purple: '#6d4c8c',
  violet: '#7a5aa0',
  lilac: '#b39bc8',
  blue: '#3f6fa3',
  navy: '#26406b',
  teal: '#2c6e7f',
  turquoise: '#3aa0a0',
  green: '#5f8f6a',
  olive: '#7a7f3f',
  brown: '#7d5a3c',
  kraft: '#b08a5b',
  grey: '#8d8f8c',
  gray: '#8d8f8c',
  silver: '#b9bcbd',
  black: '#2b2b2b',
}

/** The colour a paper's name says; `null` where it says none. */
export const colourOfName = (name: string): string | null =>
  name
    .toLowerCase()
    .split(/[^a-z]+/)
    .flatMap((word) => COLOURS[word] ?? [])
    .at(-1) ?? null
