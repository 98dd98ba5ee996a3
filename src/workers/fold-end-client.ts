import type { FoldProgram, GaugeShares } from '@/core/fold'
import type { FoldEndAnswer, FoldEndWorker } from './fold-end.worker'
import { runInWorker, type Running } from './running'

/** Folds a program in a worker of its own and draws how it ends. */
export const startFoldEnd = (program: FoldProgram, gauges: GaugeShares): Running<FoldEndAnswer> =>
  runInWorker<FoldEndWorker, never, FoldEndAnswer>(
    new Worker(new URL('./fold-end.worker.ts', import.meta.url), { type: 'module' }),
    (remote) => remote.foldEnd(program, gauges),
    () => undefined,
  )
