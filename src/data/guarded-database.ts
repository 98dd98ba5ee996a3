import Database from 'libsql'
import type { SqliteDatabase, SqliteStatement } from 'kysely'

/** A value that must not reach the driver: it would be changed silently, or end the process. */
export class BadParameterError extends Error {
  override readonly name = 'BadParameterError'
}

/** Prepared statements kept at most; the pages and deeds together use about a hundred. */
const MOST_STATEMENTS = 300

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

class GuardedStatement implements SqliteStatement {
  readonly #statement: Database.Statement

  constructor(statement: Database.Statement) {
    this.#statement = statement
  }

  get reader(): boolean {
    return this.#statement.reader
  }

  all(parameters: readonly unknown[]): unknown[] {
    return this.#statement.all(parameters.map(guardParameter))
  }

  run(parameters: readonly unknown[]): { changes: number | bigint; lastInsertRowid: number | bigint } {
    return this.#statement.run(parameters.map(guardParameter))
  }

  iterate(parameters: readonly unknown[]): IterableIterator<unknown> {
    return this.#statement.iterate(parameters.map(guardParameter))
  }
}

/**
 * The one seam to the driver: guards parameters, keeps a bounded cache of statements, and can be pointed at another
 * file (restoring a backup) without those who hold it noticing. Swap only inside Kysely's `connection()`.
 */
export class GuardedDatabase implements SqliteDatabase {
  readonly path: string
  #handle: Database.Database
  readonly #statements = new Map<string, GuardedStatement>()

  constructor(path: string) {
    this.path = path
    this.#handle = this.#open()
  }

  #open(): Database.Database {
    const handle = new Database(this.path)
    handle.exec('PRAGMA busy_timeout = 5000; PRAGMA foreign_keys = ON; PRAGMA synchronous = NORMAL;')
    return handle
  }

  prepare(sql: string): SqliteStatement {
    const known = this.#statements.get(sql)
    if (known) return known
    const statement = new GuardedStatement(this.#handle.prepare(sql))
    if (this.#statements.size >= MOST_STATEMENTS) {
      const [oldest] = this.#statements.keys()
      if (oldest !== undefined) this.#statements.delete(oldest)
    }
    this.#statements.set(sql, statement)
    return statement
  }

  /** Runs statements that take no parameters. */
  exec(sql: string): void {
    this.#handle.exec(sql)
  }

  /** The value of a pragma that returns one. */
  pragma(name: string): unknown {
    const [row] = this.#handle.prepare(`PRAGMA ${name}`).all([]) as Record<string, unknown>[]
    return row === undefined ? undefined : Object.values(row)[0]
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
