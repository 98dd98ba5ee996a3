/** A text as it fits a panel: letters so large, in these lines. */
export interface FittedText {
  readonly letterMm: number
  readonly lines: readonly string[]
}

export interface Panel {
  readonly widthMm: number
  readonly highMm: number
}

/** Smaller letters are hard to read in the hand; larger ones shout. Size of the type, mm; common practice, no source. */
export const LETTERS_MM = { least: 3, most: 9 } as const
/** From one line to the next, in sizes of the type. */
const LINE = 1.25
/** A tenth of a millimetre is not seen. */
const STEP_MM = 0.1

/** Lines no wider than the panel, broken between words; `null` where a word alone is wider. */
function broken(
  text: string,
  letterMm: number,
  { widthMm }: Panel,
  widthOf: (text: string) => number,
): readonly string[] | null {
  const lines: string[] = []
  for (const paragraph of text.trim().split('\n')) {
    let line = ''
    for (const word of paragraph.split(/\s+/).filter((one) => one !== '')) {
      if (widthOf(word) * letterMm > widthMm) return null
      const longer = line === '' ? word : `${line} ${word}`
      if (widthOf(longer) * letterMm <= widthMm) line = longer
      else {
        lines.push(line)
        line = word
      }
    }
    lines.push(line)
  }
  return lines
}

/**
 * The largest letters in which a text fits a panel; `null` where it does not in the smallest. `widthOf` is how wide a
 * text is in letters of size 1.
 */
export function fitText(text: string, panel: Panel, widthOf: (text: string) => number): FittedText | null {
  const at = (letterMm: number): FittedText | null => {
    const lines = broken(text, letterMm, panel, widthOf)
    return lines && lines.length * LINE * letterMm <= panel.highMm ? { letterMm, lines } : null
  }
  const steps = Math.round((LETTERS_MM.most - LETTERS_MM.least) / STEP_MM)
  let best = at(LETTERS_MM.least)
  if (!best) return null
  let [low, high] = [0, steps + 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    const fitted = at(Math.round((LETTERS_MM.least + middle * STEP_MM) * 10) / 10)
    if (fitted) [low, best] = [middle, fitted]
    else high = middle
  }
  return best
}

/** How many letters of a text have to go before it fits, word by word from its end; all of them where one word is too wide. */
export function tooLongBy(text: string, panel: Panel, widthOf: (text: string) => number): number {
  const words = text.trim().split(/(?<=\s)/)
  for (let kept = words.length; kept > 0; kept--) {
    const shorter = words.slice(0, kept).join('').trimEnd()
    if (fitText(shorter, panel, widthOf)) return text.trim().length - shorter.length
  }
  return text.trim().length
}
