import { proxy, wrap, type Remote } from 'comlink'

/** Work going on in a thread of its own. */
export interface Running<Answer> {
  readonly answer: Promise<Answer>
  /** Ends the worker; the answer never comes. */
  readonly cancel: () => void
}

/** Calls a fresh worker once; the worker ends with its answer. */
export function runInWorker<Exposed, Progress, Answer>(
  worker: Worker,
  call: (remote: Remote<Exposed>, tell: (progress: Progress) => void) => Promise<unknown>,
  onProgress: (progress: Progress) => void,
): Running<Answer> {
  // Progress comes through a channel of its own and may be overtaken by the answer.
  let settled = false
  const tell = proxy((progress: Progress) => {
    if (!settled) onProgress(progress)
  })
  const settle = () => {
    settled = true
    worker.terminate()
  }
  const answer = Promise.resolve(call(wrap<Exposed>(worker), tell)) as Promise<Answer>
  return { answer: answer.finally(settle), cancel: settle }
}
