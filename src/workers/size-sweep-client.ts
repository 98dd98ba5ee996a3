import type { SweepProgress } from '@/core/cut'
import { runInWorker, type Running } from './running'
import type { SizeSweepWorker, SweepAnswer, SweepRequest } from './size-sweep.worker'

/** Starts a sweep in a worker of its own. */
export const startSizeSweep = (
  request: SweepRequest,
  onProgress: (progress: SweepProgress) => void,
): Running<SweepAnswer> =>
  runInWorker<SizeSweepWorker, SweepProgress, SweepAnswer>(
    new Worker(new URL('./size-sweep.worker.ts', import.meta.url), { type: 'module' }),
    (remote, tell) => remote.sweep(request, tell),
    onProgress,
  )
