import { parentPort } from 'node:worker_threads'
import { doJob, type JobName, type Jobs } from './jobs'

/** A job as it comes, and what becomes of it. Errors go as words: their fields would be lost on the way. */
export interface JobMessage {
  readonly name: JobName
  readonly given: Jobs[JobName]['given']
}
export type JobAnswer =
  { readonly ok: true; readonly made: Jobs[JobName]['made'] } | { readonly ok: false; readonly words: string }

async function answer({ name, given }: JobMessage): Promise<JobAnswer> {
  try {
    return { ok: true, made: await doJob(name, given) }
  } catch (error) {
    return { ok: false, words: error instanceof Error ? (error.stack ?? error.message) : String(error) }
  }
}

// One job at a time: the pool sends the next once this one is answered.
parentPort?.on('message', (message: JobMessage) => {
  void answer(message).then((made) => parentPort?.postMessage(made))
})
