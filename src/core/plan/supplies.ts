import { workedOrNone, type Making, type PieceSize, type Supply } from '../arrange'
import type { DesignDocument } from '../design'
import { ROUNDING } from '../numeric'

/** Things by the piece that a design's guide names: a pin, a bead. */
export interface SmallSupply {
  readonly name: string
  readonly count: number
}

export interface SuppliesWanted {
  /** With lengths, from what the pieces are made into. */
  readonly measured: readonly Supply[]
  readonly counted: readonly SmallSupply[]
}

interface SuppliedLine {
  readonly making: Making
  readonly piece: PieceSize
  readonly pieces: number
  readonly guide: DesignDocument['guide']
}

/** What a line needs that is not folded. A thing that is measured already is not counted once more. */
export function suppliesOf({ making, piece, pieces, guide }: SuppliedLine): SuppliesWanted {
  const measured = making.kind === 'batch' ? [] : (workedOrNone(making, piece)?.supplies ?? [])
  return {
    measured,
    counted: (guide?.supplies ?? [])
      .filter(({ name }) => !measured.some(({ what }) => what === name))
      .map(({ name, perPiece }) => ({ name, count: Math.ceil(perPiece * pieces) })),
  }
}

/** A supply as it is kept: by the piece, each so long where that is known, or by its length. */
export interface SupplyThere {
  readonly name: string
  readonly measured: boolean
  /** Pieces, or mm. */
  readonly amount: number
  readonly eachMm: number | null
}

/** What several lines want of one thing. */
export interface SupplyWanted {
  readonly what: string
  readonly count: number
  /** How long each is; `null` where only the number matters. */
  readonly eachMm: number | null
}

/** How what is wanted stands to what is there. */
export type SupplyStanding =
  | { readonly status: 'not kept' }
  /** Pieces, or mm, that are wanted of the supply, and how many are missing. */
  | {
      readonly status: 'kept'
      readonly measured: boolean
      readonly wanted: number
      readonly short: number
    }
  /** One of the supply is shorter than what is wanted of it. */
  | { readonly status: 'too short'; readonly eachMm: number }

const plain = (name: string): string => name.trim().toLowerCase().replace(/s$/, '')

/** Whether two names are of one thing: `Stems` and `stem`. */
export const sameSupply = (one: string, other: string): boolean => plain(one) === plain(other)

/** Wishes for one thing, of one length, counted together. */
export function wantedTogether(wanted: readonly SupplyWanted[]): readonly SupplyWanted[] {
  const together = new Map<string, SupplyWanted>()
  for (const one of wanted) {
    const key = `${plain(one.what)} ${one.eachMm ?? ''}`
    together.set(key, { ...one, count: one.count + (together.get(key)?.count ?? 0) })
  }
  return [...together.values()]
}

/** What of a supply some wishes take: pieces or mm; `null` where one is shorter than what is wanted of it. */
function takes({ measured, eachMm }: SupplyThere, { count, eachMm: wantedMm }: SupplyWanted): number | null {
  if (measured) return count * (wantedMm ?? 0)
  if (wantedMm === null || eachMm === null) return count
  const ofOne = Math.floor(eachMm / wantedMm + ROUNDING)
  return ofOne === 0 ? null : Math.ceil(count / ofOne)
}

/**
 * Whether there is enough of a thing for all that is wanted of it. What is kept by the piece with a length gives as many
 * as are cut from one; what is kept by its length is added up without waste.
 */
export function standingOfSupply(
  wanted: readonly SupplyWanted[],
  there: readonly SupplyThere[],
): SupplyStanding {
  const [first] = wanted
  const supply = first && there.find(({ name }) => sameSupply(name, first.what))
  if (!supply) return { status: 'not kept' }
  let taken = 0
  for (const one of wanted) {
    const of = takes(supply, one)
    if (of === null) return { status: 'too short', eachMm: supply.eachMm ?? 0 }
    taken += of
  }
  const short = Math.max(0, taken - supply.amount)
  return { status: 'kept', measured: supply.measured, wanted: taken, short }
}
