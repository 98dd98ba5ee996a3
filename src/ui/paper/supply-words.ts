import type { SupplyNeed } from '@/flows/read/supplies'
import { countOf, formatLong, type Preferences } from '../format'

/** `42 stems of 18 cm`, `2.4 m of string`. */
function wantedWords({ what, wanted }: SupplyNeed, preferences: Preferences): string {
  const words = wanted.map(({ count, eachMm }) => {
    if (eachMm === null) return countOf(count, what)
    const long = formatLong(eachMm, preferences)
    return what === 'string' && count === 1 ? `${long} of string` : `${countOf(count, what)} of ${long}`
  })
  return words.join(' and ')
}

/** What is wanted of a thing, and whether it is there. */
export function needWords(
  need: SupplyNeed,
  preferences: Preferences,
): { readonly wanted: string; readonly standing: string; readonly short: boolean } {
  const { standing, what } = need
  const wanted = wantedWords(need, preferences)
  if (standing.status === 'not kept') return { wanted, standing: 'not in your supplies', short: true }
  if (standing.status === 'too short')
    return {
      wanted,
      standing: `yours are only ${formatLong(standing.eachMm, preferences)} long`,
      short: true,
    }
  const told = (amount: number) =>
    standing.measured ? formatLong(amount, preferences) : countOf(amount, what)
  return standing.short > 0
    ? { wanted, standing: `${told(standing.short)} short`, short: true }
    : { wanted, standing: 'enough', short: false }
}
