import { closeSync, openSync } from 'node:fs'
import { carries } from './brand'

/** What keeps the database from doing its work right now. Nothing of the deed was kept. */
export type Trouble = 'BUSY' | 'FULL' | 'READ_ONLY' | 'GONE' | 'BROKEN' | 'CROWDED'

const MARK = Symbol.for('kelpfield.database-trouble')

/** The database could not do its work; `src/ui/format/trouble-words.ts` says each trouble in words. */
export class DatabaseTroubleError extends Error {
  override readonly name = 'DatabaseTroubleError'
  readonly [MARK] = true
  readonly trouble: Trouble
  /** Kept through Next to the error page, which gets nothing else of an error in production. */
  readonly digest: string

  constructor(trouble: Trouble, cause?: unknown) {
    super(`the database: ${trouble}`, { cause })
    this.trouble = trouble
    this.digest = `trouble-${trouble}`
  }

  static override [Symbol.hasInstance](value: unknown): boolean {
    return carries(MARK, value)
  }
}

const BY_CODE: readonly (readonly [code: string, trouble: Trouble])[] = [
  ['EMFILE', 'CROWDED'],
  ['ENFILE', 'CROWDED'],
  ['ENOSPC', 'FULL'],
  ['EDQUOT', 'FULL'],
  ['EROFS', 'READ_ONLY'],
  ['EACCES', 'READ_ONLY'],
  ['SQLITE_BUSY', 'BUSY'],
  ['SQLITE_LOCKED', 'BUSY'],
  ['SQLITE_FULL', 'FULL'],
  ['SQLITE_READONLY_DBMOVED', 'GONE'],
  ['SQLITE_READONLY', 'READ_ONLY'],
  ['SQLITE_PERM', 'READ_ONLY'],
  ['SQLITE_CANTOPEN', 'GONE'],
  ['SQLITE_IOERR', 'BROKEN'],
  ['SQLITE_CORRUPT', 'BROKEN'],
  ['SQLITE_NOTADB', 'BROKEN'],
]

/** Whether this process can open no file any more. The database says of that only that its file cannot be opened. */
function noneCanBeOpened(): boolean {
  try {
    closeSync(openSync(process.execPath, 'r'))
    return false
  } catch {
    return true
  }
}

/** The error as it goes on: the codes of the driver and of the file system for trouble become `DatabaseTroubleError`, all others stay. */
export function asTrouble(error: unknown, noFileOpens: () => boolean = noneCanBeOpened): unknown {
  if (!(error instanceof Error) || !('code' in error)) return error
  const code = String(error.code)
  const found = BY_CODE.find(([prefix]) => code.startsWith(prefix))
  if (!found) return error
  const [, trouble] = found
  return new DatabaseTroubleError(trouble === 'GONE' && noFileOpens() ? 'CROWDED' : trouble, error)
}
