import type { Db } from '@/data/db'

/** What every flow is given: the database (or a transaction on it) and the time. */
export interface FlowContext {
  readonly db: Db
  readonly nowMs: number
}
