import { expose } from 'comlink'
import { runProgram, stagesOf, type FoldProgram, type GaugeShares, type HalfwayPicture } from '@/core/fold'

/** A move of a program, counted from 0. */
export interface MoveAsked {
  readonly program: FoldProgram
  readonly shares: GaugeShares
  readonly move: number
}

/** A move in stages; none for a move that a plane shows, and behind the last. *Throws* what folding throws. */
function moveStages({ program, shares, move }: MoveAsked): readonly HalfwayPicture[] {
  const frame = runProgram(program, shares).frames[move]
  return frame ? [...stagesOf(frame, shares)] : []
}

export interface MoveStagesWorker {
  moveStages: typeof moveStages
}

expose({ moveStages } satisfies MoveStagesWorker)
