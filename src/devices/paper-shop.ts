import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { Feel, PackForm } from '@/core/paper'

/** What a shop is asked for. */
export interface PaperAsked {
  readonly id: string
  readonly feel: Feel
}

/** A pack as a shop offers it; its price in the units of a currency, not the minor ones. */
export interface ShopOffer {
  readonly form: PackForm
  readonly widthMm: number
  readonly heightMm: number
  readonly sheets: number
  readonly price: number
  /** Days until it is there. */
  readonly leadDays: number
  readonly soldOut: boolean
}

/** A shop that sells paper. `onDay` is a day since 1970: what is there changes from week to week. */
export interface PaperShop {
  readonly offers: (paper: PaperAsked, onDay: number) => readonly ShopOffer[]
}

/** Price of a square metre by feel, made up. */
const PER_SQUARE_METRE: Readonly<Record<Feel, number>> = { thin: 2.2, copier: 0.9, soft: 2.6, heavy: 3.1 }

const CATALOGUE: readonly (Pick<ShopOffer, 'form' | 'widthMm' | 'heightMm' | 'sheets'> & {
  /** What buying so many together takes off the price. */
  readonly off: number
})[] = [
  { form: 'sheets', widthMm: 210, heightMm: 297, sheets: 10, off: 0 },
  { form: 'sheets', widthMm: 210, heightMm: 297, sheets: 50, off: 0.2 },
  { form: 'sheets', widthMm: 210, heightMm: 297, sheets: 250, off: 0.45 },
  { form: 'sheets', widthMm: 297, heightMm: 420, sheets: 10, off: 0.05 },
  { form: 'pad', widthMm: 150, heightMm: 150, sheets: 50, off: 0.05 },
  { form: 'pad', widthMm: 75, heightMm: 75, sheets: 100, off: 0.05 },
  { form: 'roll', widthMm: 500, heightMm: 700, sheets: 7, off: 0.15 },
]

const WEEK_DAYS = 7
/** One pack in six is sold out in a week; then it comes with the next delivery. */
const [SOLD_OUT, NEXT_DELIVERY_DAYS] = [1 / 6, 14]

/** A seed of a text and a number: FNV-1a, 32 bits. */
function seedOf(text: string, more: number): number {
  let hash = 0x811c9dc5
  for (const letter of `${text} ${more}`) hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 0x01000193)
  return hash | 0
}

/** Stands in for a paper shop: packs, prices, days and what is sold out are made up, the same for a paper all week. */
export const standInShop: PaperShop = {
  offers: ({ id, feel }, onDay) => {
    const random = xoroshiro128plus(seedOf(id, Math.floor(onDay / WEEK_DAYS)))
    const share = () => (random.next() >>> 0) / 2 ** 32
    return CATALOGUE.map(({ off, ...pack }) => {
      const squareMetres = (pack.widthMm * pack.heightMm * pack.sheets) / 1e6
      const soldOut = share() < SOLD_OUT
      const price = squareMetres * PER_SQUARE_METRE[feel] * (1 - off) * (0.9 + 0.2 * share())
      const leadDays = 1 + Math.floor(5 * share()) + (soldOut ? NEXT_DELIVERY_DAYS : 0)
      return { ...pack, price: Math.max(0.01, Math.round(price * 100) / 100), leadDays, soldOut }
    })
  },
}
