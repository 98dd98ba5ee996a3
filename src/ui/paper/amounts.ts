import { formatSheet, plural, type Preferences } from '../format'

/** Sheets as one counts them. */
interface Counted {
  readonly widthMm: number
  readonly heightMm: number
  readonly formatLabel: string | null
  readonly offcut: boolean
  readonly amount: number
}

/** `A4`, `15 cm square`, `21 x 30 cm`. */
const called = ({ formatLabel, widthMm, heightMm }: Counted, preferences: Preferences): string =>
  formatLabel ?? formatSheet(widthMm, heightMm, preferences)

/** Words in a row: `a`, `a and b`, `a, b and c`. */
function inRow(words: readonly string[]): string {
  if (words.length <= 2) return words.join(' and ')
  return `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`
}

/** Amounts as people count: `12 A4, 40 squares of 15 cm and 5 offcuts`; `none` where there are none. */
export function amountWords(sheets: readonly Counted[], preferences: Preferences): string {
  const there = sheets.filter(({ amount }) => amount > 0)
  const offcuts = there.filter(({ offcut }) => offcut).reduce((sum, { amount }) => sum + amount, 0)
  const whole = there
    .filter(({ offcut }) => !offcut)
    .map((sheet) => {
      const name = called(sheet, preferences)
      const [, side] = /^(.*) square$/.exec(name) ?? []
      if (side !== undefined) return `${plural(sheet.amount, 'square')} of ${side}`
      return `${sheet.amount}${name.includes(' ') ? ' of' : ''} ${name}`
    })
  const words = [...whole, ...(offcuts > 0 ? [plural(offcuts, 'offcut')] : [])]
  return words.length === 0 ? 'none' : inRow(words)
}
