/** Larger squares needed when `perSquare` pieces come from each: ceil(n / 4) for quarters. */
export const squaresFor = (pieces: number, perSquare: number): number => Math.ceil(pieces / perSquare)
