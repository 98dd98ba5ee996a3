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
  readonly doing: 'reading' | 'folding'
  readonly tries: number
}

/** Reads a FOLD file, checks it and folds it. */
function readPattern(text: string, tell: (progress: PatternProgress) => void): PatternAnswer {
  tell({ doing: 'reading', tries: 0 })
  const result = readFoldFile(text)
  if (!result.ok) return { kind: 'refused', fault: result.fault }
  const { read } = result
  tell({ doing: 'folding', tries: 0 })
  let tries = 0
  const folded = foldPattern(read.pattern, {
    most: 2,
    mostTries: MOST_TRIES,
    shouldStop: () => {
      if (++tries % TELL_EVERY === 0) tell({ doing: 'folding', tries })
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
