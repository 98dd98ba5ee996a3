import { existsSync, renameSync, rmSync, statSync } from 'node:fs'
import Database from 'libsql'
import type { SqliteDatabase, SqliteStatement } from 'kysely'
import { asTrouble, DatabaseTroubleError } from './trouble'

/** A value that must not reach the driver: it would be changed silently, or end the process. */
export class BadParameterError extends Error {
  override readonly name = 'BadParameterError'
}

/** Prepared statements kept at most; the pages and deeds together use about a hundred. */
const MOST_STATEMENTS = 300

/** How long the driver itself waits for a lock, ms. It blocks every page meanwhile, so the real waiting is elsewhere. */
const BUSY_TIMEOUT_MS = 20

/** Identity of the file at a path; `null` where there is none. */
const inodeOf = (path: string): number | null => statSync(path, { throwIfNoEntry: false })?.ino ?? null

/**
 * One parameter as the driver may have it. Booleans become 0 and 1 (the driver would abort the process);
 * `undefined`, NaN, infinities, dates and integers beyond 2^53 are refused (it would store something else).
 */
export function guardParameter(value: unknown): unknown {
  if (typeof value === 'boolean') return value ? 1 : 0
  if (value === null || typeof value === 'string') return value
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) throw new BadParameterError(`a number for the database is ${value}`)
    if (Number.isInteger(value) && !Number.isSafeInteger(value))
      throw new BadParameterError(`${value} is beyond the whole numbers the database keeps exactly`)
    return value
  }
  if (value instanceof Uint8Array) return value
  throw new BadParameterError(
    `a ${value instanceof Date ? 'date' : typeof value} cannot be a value in the database`,
  )
}

type Work<Result> = (parameters: readonly unknown[]) => Result

/** A statement as Kysely has it: what it does goes through the guard, and what goes wrong is told to the connection. */
class GuardedStatement implements SqliteStatement {
  readonly #statement: Database.Statement
  readonly #guarded: <Result>(work: Work<Result>, parameters: readonly unknown[]) => Result

  constructor(statement: Database.Statement, guarded: GuardedDatabase['guarded']) {
    this.#statement = statement
    this.#guarded = guarded
  }

  get reader(): boolean {
    return this.#statement.reader
  }

  all(parameters: readonly unknown[]): unknown[] {
    return this.#guarded((values) => this.#statement.all(values), parameters)
  }

  run(parameters: readonly unknown[]): { changes: number | bigint; lastInsertRowid: number | bigint } {
    return this.#guarded((values) => this.#statement.run(values), parameters)
  }

  iterate(): IterableIterator<unknown> {
    throw new Error('rows are read all at once: a half-read statement would hold an old picture of the data')
  }
}

/** `begin`, `commit` and `rollback`, done by the connection itself. */
class TransactionStatement implements SqliteStatement {
  readonly reader = false
  readonly #act: () => void

  constructor(act: () => void) {
    this.#act = act
  }

  all(): unknown[] {
    this.#act()
    return []
  }

  run(): { changes: number; lastInsertRowid: number } {
    this.#act()
    return { changes: 0, lastInsertRowid: 0 }
  }

  iterate(): IterableIterator<unknown> {
    return [][Symbol.iterator]()
  }
}

/** Where the file that was opened is now. */
export type Place = 'here' | 'gone' | 'replaced'

/**
 * The one seam to the driver. It guards parameters, keeps a bounded cache of statements, and can be pointed at another
 * file (restoring a backup) without those who hold it noticing. Swap only inside Kysely's `connection()`.
 *
 * Transactions take the write lock as they begin, so that none can find in its midst that another process wrote. After
 * any error the connection is made anew: a statement that failed half way holds on to the picture of the data it began
 * with, and every later write would be refused for it. A transaction is taken as kept only while the file it went
 * into still stands at its path.
 *
 * *Throws* `DatabaseTroubleError` where the database cannot do its work, `BadParameterError` for a bad value, and the
 * driver's own errors for a constraint that does not hold.
 */
export class GuardedDatabase implements SqliteDatabase {
  readonly path: string
  #handle: Database.Database
  #inode = 0
  #writeAhead = false
  #logSeen = false
  #soiled = false
  /** Between a `begin` that succeeded and its end. */
  #inTransaction = false
  readonly #statements = new Map<string, GuardedStatement>()
  readonly #transaction: Readonly<Record<string, TransactionStatement>> = {
    begin: new TransactionStatement(() => this.#begin()),
    commit: new TransactionStatement(() => this.#commit()),
    rollback: new TransactionStatement(() => this.#rollback()),
  }

  constructor(path: string) {
    this.path = path
    this.#handle = this.#open()
  }

  #open(): Database.Database {
    const handle = new Database(this.path)
    handle.exec(
      `PRAGMA busy_timeout = ${BUSY_TIMEOUT_MS}; PRAGMA foreign_keys = ON; PRAGMA synchronous = FULL; PRAGMA trusted_schema = OFF;`,
    )
    this.#inode = inodeOf(this.path) ?? 0
    this.#logSeen = false
    return handle
  }

  /** Lets readers go on while one writes. The mode stays with the file. */
  useWriteAheadLog(): void {
    this.pragma('journal_mode = WAL')
    this.#writeAhead = true
  }

  /** False only for a log that was there and is no more; before the first reading there is none yet. */
  get #logIsThere(): boolean {
    const there = existsSync(`${this.path}-wal`)
    this.#logSeen ||= there && this.#writeAhead
    return there || !this.#logSeen
  }

  prepare(sql: string): SqliteStatement {
    const ownWord = this.#transaction[sql]
    if (ownWord) return ownWord
    const known = this.#statements.get(sql)
    if (known) return known
    const statement = new GuardedStatement(this.#prepared(sql), this.guarded)
    if (this.#statements.size >= MOST_STATEMENTS) {
      const [oldest] = this.#statements.keys()
      if (oldest !== undefined) this.#statements.delete(oldest)
    }
    this.#statements.set(sql, statement)
    return statement
  }

  #prepared(sql: string): Database.Statement {
    try {
      return this.#handle.prepare(sql)
    } catch (error) {
      return this.#failed(error)
    }
  }

  /** Does a statement's work with guarded parameters. */
  readonly guarded = <Result>(work: Work<Result>, parameters: readonly unknown[]): Result => {
    const values = parameters.map(guardParameter)
    // Some errors (a full disk) end the transaction by themselves: what follows must not be written on its own.
    if (this.#inTransaction && !this.#handle.inTransaction)
      throw new Error('the transaction has ended already')
    try {
      return work(values)
    } catch (error) {
      return this.#failed(error)
    }
  }

  /** Leaves no trace of a statement that failed; inside a transaction only once that is rolled back. */
  #failed(error: unknown): never {
    if (this.#inTransaction) this.#soiled = true
    else this.#renew()
    throw asTrouble(error)
  }

  #renew(): void {
    this.#soiled = false
    // Without its file there is nothing to open: the driver would make an empty one in its place.
    if (this.place() !== 'here') return
    this.close()
    this.#handle = this.#open()
  }

  /**
   * Somebody took the write-ahead log away. What it held is still to be read through the open file, and nowhere else:
   * all of it is written to a new file, which takes the place of the old one.
   */
  #writeWhole(): void {
    const whole = `${this.path}.whole`
    rmSync(whole, { force: true })
    this.exec(`VACUUM INTO '${whole.replaceAll("'", "''")}'`)
    this.swapFile(() => {
      rmSync(`${this.path}-shm`, { force: true })
      renameSync(whole, this.path)
    })
    this.useWriteAheadLog()
  }

  #begin(): void {
    this.requireInPlace()
    if (!this.#logIsThere) this.#writeWhole()
    try {
      this.#handle.exec('begin immediate')
      this.#inTransaction = true
    } catch (error) {
      this.#failed(error)
    }
  }

  #commit(): void {
    // A deed that wrote into a file which is no longer there is not kept.
    this.requireInPlace()
    try {
      this.#handle.exec('commit')
      this.#inTransaction = false
    } catch (error) {
      this.#failed(error)
    }
    this.requireInPlace()
    if (!this.#logIsThere) throw new DatabaseTroubleError('GONE')
  }

  #rollback(): void {
    const open = this.#inTransaction
    this.#inTransaction = false
    try {
      if (open && this.#handle.inTransaction) this.#handle.exec('rollback')
    } finally {
      if (this.#soiled) this.#renew()
    }
  }

  /** Whether the file that was opened is still the one at its path. */
  place(): Place {
    const now = inodeOf(this.path)
    return now === null ? 'gone' : now === this.#inode ? 'here' : 'replaced'
  }

  /** *Throws* `DatabaseTroubleError` (GONE) where what is written would not be found again. */
  requireInPlace(): void {
    if (this.place() !== 'here') throw new DatabaseTroubleError('GONE')
  }

  /** Runs statements that take no parameters. */
  exec(sql: string): void {
    try {
      this.#handle.exec(sql)
    } catch (error) {
      this.#failed(error)
    }
  }

  /** The value of a pragma that returns one. */
  pragma(name: string): unknown {
    const [row] = this.query(`PRAGMA ${name}`)
    return row === undefined ? undefined : Object.values(row)[0]
  }

  /** Rows of a statement without parameters, read at once. */
  query(sql: string): readonly Record<string, unknown>[] {
    try {
      return this.#handle.prepare(sql).all([]) as Record<string, unknown>[]
    } catch (error) {
      return this.#failed(error)
    }
  }

  close(): void {
    this.#statements.clear()
    this.#handle.close()
  }

  /** Closes the file, lets `exchange` put another in its place, and opens that. Reopens whatever happens. */
  swapFile(exchange: () => void): void {
    this.close()
    try {
      exchange()
    } finally {
      this.#handle = this.#open()
    }
  }
}
