import type { Step } from './types'

const OTHER: Readonly<Record<string, string>> = { left: 'right', right: 'left', Left: 'Right', Right: 'Left' }

/**
 * A sentence of a step for the left hand, whose pictures are mirrored: left and right change places. Sentences of steps
 * use the two words for directions only; the library's test holds that.
 */
export const forLeftHand = (sentence: string): string =>
  sentence.replaceAll(/\b(left|right)\b/gi, (word) => OTHER[word] ?? word)

type Words = Pick<Step, 'say' | 'note' | 'normal' | 'look'>

/** What is said of a step, for the hand that folds it. */
export function wordsFor<W extends Words>(hand: 'right' | 'left', step: W): W {
  if (hand === 'right') return step
  return {
    ...step,
    say: forLeftHand(step.say),
    ...(step.note === undefined ? {} : { note: forLeftHand(step.note) }),
    ...(step.normal === undefined ? {} : { normal: forLeftHand(step.normal) }),
    ...(step.look === undefined ? {} : { look: step.look.map(forLeftHand) }),
  }
}
