/** A stretch of a list that is longer than a page shows. */
export interface Paged<Item> {
  readonly shown: readonly Item[]
  /** Counted from 1. */
  readonly page: number
  readonly pages: number
}

/** The stretch that an address asks for; where it asks for none that is there, the nearest. */
export function pagedBy<Item>(
  items: readonly Item[],
  asked: string | readonly string[] | undefined,
  perPage: number,
): Paged<Item> {
  const pages = Math.max(1, Math.ceil(items.length / perPage))
  const number = typeof asked === 'string' ? Math.floor(Number(asked)) : NaN
  const page = Math.min(pages, Math.max(1, Number.isFinite(number) ? number : 1))
  return { shown: items.slice((page - 1) * perPage, page * perPage), page, pages }
}
