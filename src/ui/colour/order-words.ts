import { closingOf, type Neighbours, type Order } from '@/core/arrange'
import { largest, least } from '@/core/numeric'

interface Named {
  readonly name: string
  readonly pieces: number
}

/** What an order comes to, and what would do better. */
export function orderWords(
  neighbours: Neighbours,
  { clashes, fewest, mostEven }: Order,
  counts: readonly Named[],
): string {
  const net = neighbours !== 'ring' && neighbours !== 'line'
  const round = net ? 'as they hang or stand' : neighbours === 'ring' ? 'around the ring' : 'along the line'
  if (clashes.length === 0)
    return mostEven
      ? `No two neighbours are alike ${round}, and no order spreads the colours more evenly.`
      : `No two neighbours are alike ${round}, and the colours are spread evenly.`
  const positions = counts.reduce((sum, { pieces }) => sum + pieces, 0)
  const most = counts.toSorted((one, other) => other.pieces - one.pieces)[0]
  const pairs =
    clashes.length === 1
      ? 'One pair of neighbours is alike'
      : `${clashes.length} pairs of neighbours are alike`
  if (!fewest || !most) return `${pairs} ${round}. Whether another order has fewer is not known.`
  if (net) return `${pairs} ${round}, and no order of these pieces has fewer.`
  // Each fewer of that colour, or more of the others, parts one pair.
  const change = clashes.length
  return `${pairs} ${round}, and no order has fewer: ${most.pieces} of ${positions} are ${most.name}. With ${change} fewer of it, or ${change} more of the others, none would be.`
}

/** Whether colours that come equally often can be taken in turn around a ring; `null` where they do not or it is none. */
export function turnWords(neighbours: Neighbours, counts: readonly Named[]): string | null {
  const pieces = counts.map((one) => one.pieces)
  if (neighbours !== 'ring' || pieces.length < 2 || largest(pieces) - least(pieces) > 1) return null
  const positions = pieces.reduce((sum, count) => sum + count, 0)
  const { closes, fewer, more } = closingOf(pieces.length, positions)
  if (closes) return `Taken in turn, ${pieces.length} colours close at ${positions} pieces.`
  return `Taken in turn, ${pieces.length} colours close at ${fewer === null ? '' : `${fewer} or `}${more} pieces, not at ${positions}.`
}

/** An order in words, the same colour in a row counted: "Tidewater, Dusk Plum, 2 Tidewater". */
export function orderInWords(colours: readonly number[], names: readonly string[]): string {
  const rows: { colour: number; count: number }[] = []
  for (const colour of colours) {
    const last = rows.at(-1)
    if (last?.colour === colour) last.count++
    else rows.push({ colour, count: 1 })
  }
  return rows.map(({ colour, count }) => `${count === 1 ? '' : `${count} `}${names[colour] ?? ''}`).join(', ')
}
