import type { PiecePlace } from '@/core/arrange'

/** A piece drawn around its middle, put in its place. */
export const transformOf = ({ xMm, yMm, turn }: PiecePlace): string =>
  `translate(${xMm.toFixed(1)} ${yMm.toFixed(1)})${turn === 0 ? '' : ` rotate(${((180 * turn) / Math.PI).toFixed(2)})`}`
