import { differenceSeen, WAYS_OF_SEEING, type WayOfSeeing } from './difference'

/**
 * Below this CIEDE2000 difference two papers a metre and a half away, with others between them, are hard to tell apart.
 * Our own choice: several times what is just seen side by side. *Source* no measurement; to be corrected by the log.
 */
export const HARD_TO_TELL = 10

export interface ColouredThing {
  readonly id: string
  readonly colour: string
}

/** Two that look alike, and to whom. */
export interface Likeness {
  readonly ids: readonly [string, string]
  readonly difference: number
  readonly way: WayOfSeeing
}

/** Pairs that are hard to tell apart; each once, for the most common way of seeing that finds them alike. */
export const hardToTell = (things: readonly ColouredThing[]): readonly Likeness[] =>
  things.flatMap((one, index) =>
    things.slice(index + 1).flatMap((other): Likeness[] => {
      for (const way of WAYS_OF_SEEING) {
        const difference = differenceSeen(one.colour, other.colour, way)
        if (difference < HARD_TO_TELL) return [{ ids: [one.id, other.id], difference, way }]
      }
      return []
    }),
  )
