import type { PaperFaces } from './Paper'

/** A paper's two colours, and those of one nobody chose: reed green on oyster. */
export interface PaperColours {
  readonly frontColour: string
  readonly backColour: string
}
export const ANY_PAPER: PaperColours = { frontColour: '#7f9563', backColour: '#f7f3e8' }

/** Colours of the side that is up when folding starts, and of the other. */
export const facesOf = (
  { frontColour, backColour }: PaperColours,
  sideUp: 'colour down' | 'colour up',
): PaperFaces =>
  sideUp === 'colour up' ? { front: frontColour, back: backColour } : { front: backColour, back: frontColour }
