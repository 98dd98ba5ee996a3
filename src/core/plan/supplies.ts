import { workedOrNone, type Making, type PieceSize, type Supply } from '../arrange'
import type { DesignDocument } from '../design'

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
