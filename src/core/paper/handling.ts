import { ROUNDING } from '../numeric'
import { thicknessMm } from './feel'

/**
 * Up to what thickness of the stack a hand still does a thing, in mm. Source: common practice, no source (eight layers
 * of copier paper, 0.8 mm, are where creases go soft and petals tear).
 */
export const HANDLING_LIMIT_MM = { fingernail: 0.4, 'bone folder': 0.75, curl: 0.25 } as const

/** What still gives a sharp crease; `too thick` where nothing does. */
export type CreaseTool = 'fingernail' | 'bone folder' | 'too thick'

export interface Handling {
  readonly thicknessMm: number
  readonly creasedWith: CreaseTool
  /** Whether the stack can still be curled over a stick without cracking. */
  readonly curls: boolean
}

/** What can still be done with so many layers of a paper. */
export function handlingOf(layers: number, caliperMm: number): Handling {
  const thick = thicknessMm(layers, caliperMm)
  // A hair of tolerance: four layers of 0.1 mm are 0.4 mm, whatever doubles say.
  const within = (limit: number) => thick <= limit + ROUNDING
  return {
    thicknessMm: thick,
    creasedWith: within(HANDLING_LIMIT_MM.fingernail)
      ? 'fingernail'
      : within(HANDLING_LIMIT_MM['bone folder'])
        ? 'bone folder'
        : 'too thick',
    curls: within(HANDLING_LIMIT_MM.curl),
  }
}
