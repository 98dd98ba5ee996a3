import { expose } from 'comlink'
import {
  figuresOf,
  foldPattern,
  pictureOfPiece,
  turnedPiece,
  type Figures,
  type FoldPicture,
  type PatternFault,
} from '@/core/fold'
import { readFoldFile, type FileFault, type ReadPattern } from '@/formats/fold-file'

/** Guesses of layer order tried before giving up: some seconds of a quiet machine. */
const MOST_TRIES = 20_000
const TELL_EVERY = 200
const TELL_SHARE = 0.05

/** What a file became: refused as a file, unfoldable with its places, or folded. */
export type PatternAnswer =
  | { readonly kind: 'refused'; readonly fault: FileFault }
  | { readonly kind: 'unfoldable'; readonly read: ReadPattern; readonly faults: readonly PatternFault[] }
  | {
      readonly kind: 'folded'
      readonly read: ReadPattern
      readonly faces: number
      /** Two stands for two or more. */
      readonly orders: 1 | 2
      readonly front: FoldPicture
      readonly back: FoldPicture
      /** Published only of a single order, and of corners that are exact or could be set right. */
      readonly figures: Figures | null
    }

export interface PatternProgress {
  readonly doing: 'reading' | 'comparing' | 'folding'
  /** While layers are compared, how much of that is done, 0 to 1. */
  readonly share: number
  readonly tries: number
}

/** Reads a FOLD file, checks it and folds it. */
function readPattern(text: string, tell: (progress: PatternProgress) => void): PatternAnswer {
  tell({ doing: 'reading', share: 0, tries: 0 })
  const result = readFoldFile(text)
  if (!result.ok) return { kind: 'refused', fault: result.fault }
  const { read } = result
  let tries = 0
  let told = 0
  let comparing = true
  const folded = foldPattern(read.pattern, {
    most: 2,
    mostTries: MOST_TRIES,
    gathered: (share) => {
      comparing = share < 1
      if (comparing && share - told < TELL_SHARE) return
      told = share
      tell({ doing: comparing ? 'comparing' : 'folding', share, tries: 0 })
    },
    // Asked at every guess too, once the layers are compared: that is what is counted.
    shouldStop: () => {
      if (!comparing && ++tries % TELL_EVERY === 0) tell({ doing: 'folding', share: 1, tries })
      return false
    },
  })
  if (!folded.ok) return { kind: 'unfoldable', read, faults: folded.faults }
  const piece = { state: folded.state, marks: [] }
  return {
    kind: 'folded',
    read,
    faces: folded.state.faces.length,
    orders: folded.orders === 1 ? 1 : 2,
    front: pictureOfPiece(piece),
    back: pictureOfPiece(turnedPiece(piece)),
    figures: folded.orders === 1 && read.snapped.kind !== 'rough' ? figuresOf(folded.state) : null,
  }
}

export interface ReadPatternWorker {
  readPattern: typeof readPattern
}

expose({ readPattern } satisfies ReadPatternWorker)
