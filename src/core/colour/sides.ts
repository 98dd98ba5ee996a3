import { differenceOf, labOf } from './difference'
import { HARD_TO_TELL } from './tell-apart'

/** A paper's two faces and how much of the main one is seen, as a share. */
export interface SeenPaper {
  readonly frontColour: string
  readonly backColour: string
  readonly mainShare: number
}

/**
 * What can be said of the side that shows: nothing of the other; both alike; more of the other than of the main one,
 * so that the sheet may want turning; or some of it, which a paper of one colour on both sides would hide.
 */
export type SideAdvice = 'one side' | 'alike' | 'turn the sheet' | 'two-sided paper'

/** Less than this of the other side is not seen at arm's length. Common practice, no source. */
const NOT_SEEN = 0.005

export function sideAdvice({ frontColour, backColour, mainShare }: SeenPaper): SideAdvice {
  if (mainShare >= 1 - NOT_SEEN) return 'one side'
  if (differenceOf(labOf(frontColour), labOf(backColour)) < HARD_TO_TELL) return 'alike'
  return mainShare < 0.5 ? 'turn the sheet' : 'two-sided paper'
}
