import type { Db } from '@/data/db'
import type { Pool } from '@/pool/pool'
import type { Caches } from './caches'

/** Something that a deed leaves to be done once it stands, outside its transaction. */
export type Afterwards = (context: FlowContext) => Promise<void>

/** What every flow is given: the database (or a transaction on it), what it remembers, and the time. */
export interface FlowContext {
  readonly db: Db
  readonly caches: Caches
  readonly nowMs: number
  /** Where heavy work is done; where there is none, in the thread that asks. */
  readonly pool?: Pool
  /** How long a deed waits for what it leaves to be done after it, ms; where it is not there, until it is done. */
  readonly patienceMs?: number
  /** Within a deed: what is done once it stands. */
  readonly afterwards?: Set<Afterwards>
}
