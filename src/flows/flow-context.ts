import type { Db } from '@/data/db'
import type { Caches } from './caches'

/** What every flow is given: the database (or a transaction on it), what it remembers, and the time. */
export interface FlowContext {
  readonly db: Db
  readonly caches: Caches
  readonly nowMs: number
}
