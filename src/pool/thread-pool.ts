import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import { requireSound, type JobName, type Jobs } from './jobs'
import { CancelledError, type JobOptions, type Pool, type Urgency } from './pool'
import type { JobAnswer, JobMessage } from './pool.worker'

/** A thread that nobody has had work for so long is ended. */
const IDLE_MS = 60_000

interface Waiting {
  readonly message: JobMessage
  readonly urgency: Urgency
  readonly done: (answer: JobAnswer) => void
  readonly failed: (error: Error) => void
}

interface Thread {
  readonly worker: Worker
  job: Waiting | null
  idle: NodeJS.Timeout | null
}

/**
 * Threads that do jobs one by one, each: at most as many as there are processors less one, so that requests always have
 * one. Of the jobs that wait, those that somebody waits for come first, in their order.
 */
export class ThreadPool implements Pool {
  readonly #path: string
  readonly #most: number
  readonly #idleMs: number
  readonly #threads = new Set<Thread>()
  #waiting: Waiting[] = []

  constructor(path: string, most = Math.max(1, availableParallelism() - 1), idleMs = IDLE_MS) {
    this.#path = path
    this.#most = most
    this.#idleMs = idleMs
  }

  /** How many threads there are now. */
  get threads(): number {
    return this.#threads.size
  }

  async run<Name extends JobName>(
    name: Name,
    given: Jobs[Name]['given'],
    { urgency = 'waited for', signal }: JobOptions = {},
  ): Promise<Jobs[Name]['made']> {
    if (signal?.aborted) throw new CancelledError(name)
    const answer = await new Promise<JobAnswer>((done, failed) => {
      const job: Waiting = { message: { name, given }, urgency, done, failed }
      signal?.addEventListener('abort', () => this.#cancel(job), { once: true })
      this.#waiting.push(job)
      this.#next()
    })
    if (!answer.ok) throw new Error(`"${name}" failed: ${answer.words}`)
    const made = answer.made as Jobs[Name]['made']
    requireSound(name, given, made)
    return made
  }

  #cancel(job: Waiting): void {
    const thread = [...this.#threads].find((one) => one.job === job)
    if (thread) this.#end(thread, new CancelledError(job.message.name))
    else if (this.#waiting.includes(job)) {
      this.#waiting = this.#waiting.filter((one) => one !== job)
      job.failed(new CancelledError(job.message.name))
    }
    this.#next()
  }

  /** Gives the first job in line to a thread that has none; one more is started while there may be more. */
  #next(): void {
    const job = this.#waiting.find(({ urgency }) => urgency === 'waited for') ?? this.#waiting[0]
    if (!job) return
    const free = [...this.#threads].find((one) => one.job === null)
    const thread = free ?? (this.#threads.size < this.#most ? this.#start() : null)
    if (!thread) return
    this.#waiting = this.#waiting.filter((one) => one !== job)
    if (thread.idle) clearTimeout(thread.idle)
    thread.job = job
    thread.worker.ref()
    thread.worker.postMessage(job.message)
    this.#next()
  }

  #start(): Thread {
    const thread: Thread = { worker: new Worker(this.#path), job: null, idle: null }
    this.#threads.add(thread)
    thread.worker.on('message', (answer: JobAnswer) => {
      const { job } = thread
      thread.job = null
      // What waits for nothing must not keep the process.
      thread.worker.unref()
      thread.idle = setTimeout(() => this.#end(thread, null), this.#idleMs).unref()
      job?.done(answer)
      this.#next()
    })
    // A thread that dies (no memory, a fault of a package) takes its own job with it and no other.
    thread.worker.on('error', (error) => this.#end(thread, error))
    thread.worker.on('exit', () => this.#end(thread, new Error('its thread ended')))
    return thread
  }

  #end(thread: Thread, why: Error | null): void {
    if (!this.#threads.delete(thread)) return
    if (thread.idle) clearTimeout(thread.idle)
    const { job } = thread
    thread.job = null
    void thread.worker.terminate()
    if (job) job.failed(why ?? new CancelledError(job.message.name))
    this.#next()
  }

  /** Ends all threads; jobs that run or wait are cancelled. */
  close(): void {
    const left = this.#waiting
    this.#waiting = []
    for (const job of left) job.failed(new CancelledError(job.message.name))
    for (const thread of [...this.#threads]) this.#end(thread, null)
  }
}
