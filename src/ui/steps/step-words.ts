import { NOTHING_TO_SEE } from '@/core/numeric'
import { forLeftHand } from '@/core/design'
import type { EdgeMark, MoveSpec, Rigour, ShownMove } from '@/core/fold'
import { roomMm, type Handling } from '@/core/paper'
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

/** What the picture's symbols mean, for each kind of move; `behind` where the line drawn is that of a mountain fold. */
const KIND_WORDS: Readonly<Record<MoveSpec['kind'], (behind: boolean) => string>> = {
  fold: (behind) => (behind ? 'Fold behind on the dash-dot-dot line.' : 'Fold forward on the dashed line.'),
  crease: (behind) =>
    behind
      ? 'Fold behind on the dash-dot-dot line and open again.'
      : 'Fold forward on the dashed line and open again.',
  unfold: () => 'Open the flap along its crease.',
  'turn over': () => 'Turn the piece over, about the ticks outside it.',
  rotate: () => 'Turn the piece on the table.',
  reverse: (behind) =>
    behind
      ? 'Open the flap and push its tip in between, on the dash-dot-dot line.'
      : 'Open the flap and turn its tip around the outside, on the dashed line.',
  refold: () => 'Fold all the lines at once: the dashed ones forward, the dash-dot-dot ones behind.',
  tuck: () => 'Push it in between the layers, folding on the dashed line.',
  cut: () => 'Cut along the solid line.',
  shape: () => 'Shape it by hand; no flat fold shows this.',
  work: () => 'Nothing is folded: the ringed places are worked on.',
}

/** What is done, by the line that is drawn. */
export const kindWords = ({ kind, picture }: Pick<ShownMove, 'kind' | 'picture'>): string =>
  KIND_WORDS[kind](picture.symbols.some((symbol) => symbol.kind === 'line' && symbol.style === 'mountain'))

/** How exactly a fold is made. */
const RIGOUR_WORDS = { strict: 'exactly', even: 'even on all sides', free: 'by eye' } as const
export const rigourWords = (rigour: Rigour, measured = false): string =>
  rigour === 'free' && measured ? 'near the measure' : RIGOUR_WORDS[rigour]

/** How much room to leave for layers that later folds push in: in tenths of a millimetre, whatever the unit. */
export const roomWords = (layersAtFolds: readonly number[], caliperMm: number): string =>
  `Leave ${roomMm(layersAtFolds, caliperMm).toFixed(1)} mm of room (estimated from layers of ${caliperMm} mm).`

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
