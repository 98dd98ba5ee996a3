import { NOTHING_TO_SEE } from '@/core/numeric'
import { forLeftHand } from '@/core/design'
import type { EdgeMark, MoveSpec, Rigour } from '@/core/fold'
import type { Handling } from '@/core/paper'
import type { FoldWords } from '@/flows/read/folds'
import { nounMany } from '../format'

/** Which of how many: "3 of 4 corners", or nothing to count. */
export function countWords(
  { each, says }: FoldWords,
  round: number,
): { readonly count: string; readonly of: string } {
  return { count: String(round + 1), of: says.length === 1 ? each : `of ${says.length} ${nounMany(each)}` }
}

/** What is said for the left hand, whose pictures are mirrored. */
export const wordsForLeftHand = (word: FoldWords): FoldWords => ({
  ...word,
  says: word.says.map(forLeftHand),
  note: word.note === null ? null : forLeftHand(word.note),
  normal: word.normal === null ? null : forLeftHand(word.normal),
  look: word.look.map(forLeftHand),
})

/** What the picture's symbols mean, for each kind of move. */
const KIND_WORDS: Readonly<Record<MoveSpec['kind'], string>> = {
  fold: 'Fold along the dashed line.',
  crease: 'Fold along the dashed line and open again.',
  unfold: 'Open the flap along its crease.',
  'turn over': 'Turn the piece over.',
  rotate: 'Turn the piece on the table.',
  reverse: 'Open the flap a little and turn its tip through itself along the line.',
  refold: 'Fold along all the lines at once.',
  tuck: 'Between the layers, along the line.',
  cut: 'Cut along the line.',
  shape: 'Shape it by hand; no flat fold shows this.',
  work: 'Nothing is folded: the ringed places are worked on.',
}
export const kindWords = (kind: MoveSpec['kind']): string => KIND_WORDS[kind]

/** How exactly a fold is made. */
const RIGOUR_WORDS = { strict: 'exactly', even: 'even on all sides', free: 'by eye' } as const
export const rigourWords = (rigour: Rigour): string => RIGOUR_WORDS[rigour]

/** What to crease with, at so many layers of this paper. */
export function handlingWords({ creasedWith, curls }: Handling): string {
  const crease =
    creasedWith === 'fingernail'
      ? 'A fingernail creases it.'
      : creasedWith === 'bone folder'
        ? 'It wants the bone folder.'
        : 'Too thick here for a sharp crease: take thinner paper or a larger sheet.'
  return curls ? `${crease} It still curls.` : crease
}

/** Distances of marks on raw edges from the nearer corner, each once, as shares of the side. */
export function markDistances(
  marks: readonly EdgeMark[],
): readonly { readonly share: number; readonly times: number }[] {
  const found: { share: number; times: number }[] = []
  for (const { fromNearerCorner: share } of marks) {
    // At a corner there is nothing to measure.
    if (share < NOTHING_TO_SEE) continue
    const same = found.find((one) => Math.abs(one.share - share) < NOTHING_TO_SEE)
    if (same) same.times++
    else found.push({ share, times: 1 })
  }
  return found.sort((a, b) => a.share - b.share)
}
