import type { PatternAnswer, PatternProgress, ReadPatternWorker } from './read-pattern.worker'
import { runInWorker, type Running } from './running'

/** Reads and folds a FOLD file in a worker of its own. */
export const startReadPattern = (
  text: string,
  onProgress: (progress: PatternProgress) => void,
): Running<PatternAnswer> =>
  runInWorker<ReadPatternWorker, PatternProgress, PatternAnswer>(
    new Worker(new URL('./read-pattern.worker.ts', import.meta.url), { type: 'module' }),
    (remote, tell) => remote.readPattern(text, tell),
    onProgress,
  )
