import { requireCount } from '../errors'

/** What papers are sold in. A roll is cut across into sheets before anything else. */
export const PACK_FORMS = {
  sheets: { label: 'loose sheets' },
  pad: { label: 'a pad or pack' },
  roll: { label: 'a roll' },
} as const satisfies Record<string, { readonly label: string }>

export type PackForm = keyof typeof PACK_FORMS

/** A pack to choose from: what it costs, in minor units of the currency, and how many of what is wanted it gives. */
export interface Pack {
  readonly key: string
  readonly priceMinor: number
  readonly gives: number
}

export interface PacksBought {
  /** How many of each pack, in the order they were given; those with none are left out. */
  readonly packs: readonly { readonly key: string; readonly count: number }[]
  readonly priceMinor: number
  /** What they give in all: at least what was wanted. */
  readonly gives: number
}

interface Best {
  readonly priceMinor: number
  readonly packs: number
  readonly last: number
}

/**
 * The cheapest packs that give at least so much: the covering knapsack, exactly; of equal prices the fewer packs.
 * *Returns* `null` where no pack gives any. *Cost* wanted x packs. *Throws* `NOT_INTEGER`, `OUT_OF_RANGE`.
 */
export function cheapestPacks(wanted: number, packs: readonly Pack[]): PacksBought | null {
  requireCount('wanted', wanted, 0, 100_000)
  const useful = packs.filter(({ gives }) => gives > 0)
  if (wanted > 0 && useful.length === 0) return null
  const best: Best[] = [{ priceMinor: 0, packs: 0, last: -1 }]
  for (let need = 1; need <= wanted; need += 1) {
    let found: Best | null = null
    useful.forEach(({ priceMinor, gives }, index) => {
      const before = best[Math.max(0, need - gives)]
      if (!before) return
      const now = { priceMinor: before.priceMinor + priceMinor, packs: before.packs + 1, last: index }
      if (found === null || (now.priceMinor - found.priceMinor || now.packs - found.packs) < 0) found = now
    })
    if (found) best.push(found)
  }
  const counts = useful.map(() => 0)
  let need = wanted
  while (need > 0) {
    const last = best[need]?.last ?? -1
    const pack = useful[last]
    if (!pack) return null
    counts[last] = (counts[last] ?? 0) + 1
    need = Math.max(0, need - pack.gives)
  }
  return {
    packs: useful.flatMap(({ key }, index) => (counts[index] ? [{ key, count: counts[index] }] : [])),
    priceMinor: best[wanted]?.priceMinor ?? 0,
    gives: useful.reduce((sum, { gives }, index) => sum + gives * (counts[index] ?? 0), 0),
  }
}
