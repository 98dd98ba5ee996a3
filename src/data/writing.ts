import { setTimeout as pause } from 'node:timers/promises'
import type { Kysely, Transaction } from 'kysely'
import { DatabaseTroubleError } from './trouble'

/** How long a deed waits for a lock that another process holds, ms; below the eight seconds a tap waits for its answer. */
export const WRITE_PATIENCE_MS = 5000

/** Pauses between tries, ms; the last one repeats. */
const PAUSES_MS = [10, 20, 40, 80, 150, 250] as const
const LONGEST_PAUSE_MS = 250

const isBusy = (error: unknown): boolean => error instanceof DatabaseTroubleError && error.trouble === 'BUSY'

/** The last deed that waits, by database. One line for the process: its parts are bundled apart, the database is one. */
const holder = globalThis as typeof globalThis & { kelpfieldLines?: WeakMap<object, Promise<unknown>> }
const lastInTurn = (holder.kelpfieldLines ??= new WeakMap())

/** One after another: while a lock is held only the first in the line tries again. */
function inTurn<Value>(db: object, work: () => Promise<Value>): Promise<Value> {
  const before = lastInTurn.get(db) ?? Promise.resolve()
  const mine = before.then(work, work)
  lastInTurn.set(
    db,
    mine.catch(() => undefined),
  )
  return mine
}

/**
 * Does `act` in one transaction that holds the write lock from its beginning: all of it or nothing. Where another
 * process holds the lock it is tried again, with the connection free for reading in between, so `act` must do nothing
 * but read and write the database. Inside a transaction it joins that one.
 * *Throws* `DatabaseTroubleError` (BUSY) once `patienceMs` is over, or another trouble at once.
 */
export async function inTransaction<Tables, Value>(
  db: Kysely<Tables>,
  act: (trx: Transaction<Tables>) => Promise<Value>,
  patienceMs: number = WRITE_PATIENCE_MS,
): Promise<Value> {
  if (db.isTransaction) return act(db as Transaction<Tables>)
  const giveUpAtMs = performance.now() + patienceMs
  return inTurn(db, async () => {
    for (let tries = 0; ; tries++)
      try {
        return await db.transaction().execute(act)
      } catch (error) {
        if (!isBusy(error) || performance.now() > giveUpAtMs) throw error
        await pause(PAUSES_MS[tries] ?? LONGEST_PAUSE_MS)
      }
  })
}
