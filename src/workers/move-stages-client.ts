import type { HalfwayPicture } from '@/core/fold'
import type { MoveAsked, MoveStagesWorker } from './move-stages.worker'
import { runInWorker, type Running } from './running'

/** Works a move out in stages in a worker of its own: up to some seconds for a twist. */
export const startMoveStages = (asked: MoveAsked): Running<readonly HalfwayPicture[]> =>
  runInWorker<MoveStagesWorker, never, readonly HalfwayPicture[]>(
    new Worker(new URL('./move-stages.worker.ts', import.meta.url), { type: 'module' }),
    (remote) => remote.moveStages(asked),
    () => undefined,
  )
