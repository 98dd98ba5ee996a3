import { expose } from 'comlink'
import { CoreError } from '@/core/errors'
import {
  pictureOfPiece,
  runProgram,
  turnedPiece,
  type FoldPicture,
  type FoldProgram,
  type GaugeShares,
} from '@/core/fold'

export type FoldEndAnswer =
  | { readonly ok: true; readonly front: FoldPicture; readonly back: FoldPicture }
  | { readonly ok: false; readonly problem: Pick<CoreError, 'code' | 'detail'> }

/** Folds a program and draws how it ends, from both sides. */
function foldEnd(program: FoldProgram, gauges: GaugeShares): FoldEndAnswer {
  try {
    const { end } = runProgram(program, gauges)
    return { ok: true, front: pictureOfPiece(end), back: pictureOfPiece(turnedPiece(end)) }
  } catch (error) {
    if (error instanceof CoreError) return { ok: false, problem: { code: error.code, detail: error.detail } }
    throw error
  }
}

export interface FoldEndWorker {
  foldEnd: typeof foldEnd
}

expose({ foldEnd } satisfies FoldEndWorker)
