import { proxy, wrap } from 'comlink'
import type { SweepProgress } from '@/core/cut'
import type { SizeSweepWorker, SweepAnswer, SweepRequest } from './size-sweep.worker'

export interface RunningSweep {
  readonly answer: Promise<SweepAnswer>
  /** Ends the worker; the answer never comes. */
  readonly cancel: () => void
}

/** Starts a sweep in a worker of its own, which ends with it. */
export function startSizeSweep(
  request: SweepRequest,
  onProgress: (progress: SweepProgress) => void,
): RunningSweep {
  const worker = new Worker(new URL('./size-sweep.worker.ts', import.meta.url), { type: 'module' })
  const remote = wrap<SizeSweepWorker>(worker)
  // Progress comes through a channel of its own and may be overtaken by the answer.
  let settled = false
  const tell = proxy((progress: SweepProgress) => {
    if (!settled) onProgress(progress)
  })
  const settle = () => {
    settled = true
    worker.terminate()
  }
  const answer = Promise.resolve(remote.sweep(request, tell)) as Promise<SweepAnswer>
  return { answer: answer.finally(settle), cancel: settle }
}
