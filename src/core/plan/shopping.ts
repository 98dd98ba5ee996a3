import { usableUm, wholeSheets, type CutPlanner, type CutTools } from '../cut'
import { cheapestPacks } from '../paper'
import type { SizeUm } from '../sheet'
import { sum } from './progress'

/** Pieces of one size that no sheet is there for. */
export interface MissingSize {
  readonly sizeUm: SizeUm
  readonly count: number
}

/** A pack that a paper is sold in. */
export interface PackOffered {
  readonly id: string
  readonly sizeUm: SizeUm
  readonly sheets: number
  readonly priceMinor: number
  /** Days until it is there. */
  readonly leadDays: number
}

/** Packs of one size of sheet that are enough, at least cost. */
export interface PackChoice {
  readonly sizeUm: SizeUm
  readonly sheetsWanted: number
  readonly packs: readonly { readonly pack: PackOffered; readonly count: number }[]
  readonly priceMinor: number
  readonly sheetsOver: number
  /** Days until all of them are there. */
  readonly leadDays: number
}

/** What is missing of a paper, and the packs it is sold in. */
export interface PacksFor {
  readonly missing: readonly MissingSize[]
  readonly offered: readonly PackOffered[]
  readonly toleranceUm?: number
  /** Whether pieces of the paper may lie turned. */
  readonly turnable: boolean
  readonly tools: CutTools
}

/** Whether a choice is of packs that are offered, gives the sheets it says, and costs what it says. */
export function packsAddUp(choice: PackChoice, offered: readonly PackOffered[]): boolean {
  const known = choice.packs.every(({ pack, count }) => {
    const one = offered.find(({ id }) => id === pack.id)
    return one?.sheets === pack.sheets && one.priceMinor === pack.priceMinor && count >= 1
  })
  const gives = sum(choice.packs, ({ pack, count }) => pack.sheets * count)
  const price = sum(choice.packs, ({ pack, count }) => pack.priceMinor * count)
  return (
    known &&
    choice.sheetsOver >= 0 &&
    gives === choice.sheetsWanted + choice.sheetsOver &&
    price === choice.priceMinor
  )
}

const sameSheet = (size: SizeUm) => `${size.widthUm} x ${size.heightUm}`

/**
 * For every size of sheet that a paper is sold in: how many sheets the missing pieces take, as `plan` cuts them, and the
 * cheapest packs for these; the cheapest first, of equals the sooner. Packs of several sizes are not mixed. A size that
 * some piece does not come out of is left out.
 */
export function packChoices(
  { missing, offered, toleranceUm = 0, turnable, tools }: PacksFor,
  plan: CutPlanner,
): readonly PackChoice[] {
  const pieces = sum(missing, ({ count }) => count)
  if (pieces === 0) return []
  const sizes = new Map(offered.map(({ sizeUm }) => [sameSheet(sizeUm), sizeUm]))
  return [...sizes.values()]
    .flatMap((sizeUm): readonly PackChoice[] => {
      const packs = offered.filter((one) => sameSheet(one.sizeUm) === sameSheet(sizeUm))
      const paperId = ''
      const stock = [{ stockId: '', paperId, sizeUm, available: pieces, offcut: false, toleranceUm }]
      if (usableUm({ sizeUm, toleranceUm }).widthUm <= 0) return []
      const demands = missing.map((one, index) => ({ ...one, key: String(index), paperId, turnable }))
      const cut = plan({ demands, stock, tools })
      if (cut.status === 'short') return []
      const sheetsWanted = wholeSheets(cut.layouts, stock)
      const bought = cheapestPacks(
        sheetsWanted,
        packs.map(({ id, priceMinor, sheets }) => ({ key: id, priceMinor, gives: sheets })),
      )
      if (!bought) return []
      const chosen = bought.packs.flatMap(({ key, count }) => {
        const pack = packs.find(({ id }) => id === key)
        return pack ? [{ pack, count }] : []
      })
      return [
        {
          sizeUm,
          sheetsWanted,
          packs: chosen,
          priceMinor: bought.priceMinor,
          sheetsOver: bought.gives - sheetsWanted,
          leadDays: chosen.reduce((most, { pack }) => Math.max(most, pack.leadDays), 0),
        },
      ]
    })
    .sort((a, b) => a.priceMinor - b.priceMinor || a.leadDays - b.leadDays)
}
