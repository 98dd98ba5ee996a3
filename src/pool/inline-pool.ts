import { doJob, requireSound } from './jobs'
import { CancelledError, type Pool } from './pool'

/** Does every job at once in the thread that asks: for scripts and tests, where nobody else waits. */
export const INLINE_POOL: Pool = {
  run: async (name, given, { signal } = {}) => {
    if (signal?.aborted) throw new CancelledError(name)
    const made = await doJob(name, given)
    requireSound(name, given, made)
    return made
  },
}
