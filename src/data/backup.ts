import {
  chmodSync,
  closeSync,
  copyFileSync,
  fsyncSync,
  linkSync,
  openSync,
  renameSync,
  rmSync,
} from 'node:fs'
import { dirname, join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { DatabaseProblemError } from './database-problem'
import { readFileHeader } from './file-header'
import { temporaryFolder } from './folder-claim'
import { connect, migrate, requireOurFile, renewEpoch, type OpenDatabase } from './open-database'
import { predecessorPath } from './predecessors'
import { KNOWN_SCHEMAS, schemaPrint } from './schema-print'
import { DatabaseTroubleError } from './trouble'

const OWNER_ONLY = 0o600
const quoted = (path: string): string => `'${path.replaceAll("'", "''")}'`

/**
 * Writes a consistent copy of the database to `target`, which must not exist, while it is in use.
 * `VACUUM INTO` reads one snapshot, so a run may go on meanwhile, and takes nothing along that was deleted.
 */
export async function backupTo({ db, file }: OpenDatabase, target: string): Promise<void> {
  await db.connection().execute(() => {
    file.exec(`VACUUM INTO ${quoted(target)}`)
    chmodSync(target, OWNER_ONLY)
    return Promise.resolve()
  })
}

const sidecars = (path: string): readonly string[] => [`${path}-wal`, `${path}-shm`, `${path}-journal`]

const removeAll = (path: string): void =>
  [path, ...sidecars(path)].forEach((one) => rmSync(one, { force: true }))

const damaged = (path: string): DatabaseProblemError =>
  new DatabaseProblemError(
    'DAMAGED',
    path,
    'This backup is damaged and cannot be restored. Nothing was changed.',
  )

/**
 * Reads the whole of a candidate: first what it defines, before anything in it can act, then pages and references.
 */
function requireSound({ file }: OpenDatabase): void {
  const version = Number(file.pragma('user_version'))
  if (!KNOWN_SCHEMAS[version]?.includes(schemaPrint(file)))
    throw new DatabaseProblemError(
      'OTHER_SCHEMA',
      file.path,
      'This file has other tables than any Kelpfield ever made. Nothing was changed.',
    )
  if (file.pragma('integrity_check') !== 'ok' || file.pragma('foreign_key_check') !== undefined)
    throw damaged(file.path)
}

/** What is still to be looked at or added once a candidate is sound and of the newest version. */
export type Prepare = (candidate: OpenDatabase) => Promise<void>

/** Makes a candidate ready to be swapped in, compact: what lies behind the database in the file is left behind. */
async function prepared(uploaded: string, folder: string, prepare: Prepare): Promise<string> {
  const copy = join(folder, `${randomUUID()}.db`)
  const compact = join(folder, `${randomUUID()}.db`)
  copyFileSync(uploaded, copy)
  let candidate: OpenDatabase | undefined
  try {
    candidate = connect(copy)
    requireSound(candidate)
    await migrate(candidate)
    await prepare(candidate)
    await renewEpoch(candidate.db)
    await backupTo(candidate, compact)
    return compact
  } catch (error) {
    removeAll(compact)
    if (error instanceof DatabaseProblemError) throw error
    // A page that cannot be read shows as the driver's own trouble with the file.
    if (error instanceof DatabaseTroubleError && error.trouble !== 'BROKEN') throw error
    if (error instanceof DatabaseTroubleError || isDriverError(error)) throw damaged(uploaded)
    throw error
  } finally {
    await candidate?.db.destroy()
    removeAll(copy)
  }
}

const isDriverError = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && String(error.code).startsWith('SQLITE_')

/** What was written to a file or a folder is on the disk itself. */
function flush(path: string): void {
  const fd = openSync(path, 'r')
  try {
    fsyncSync(fd)
  } finally {
    closeSync(fd)
  }
}

/** A second name for a file; where the disk knows no such thing, a copy. */
function keepAs(path: string, kept: string): void {
  try {
    linkSync(path, kept)
  } catch {
    copyFileSync(path, kept)
  }
}

/**
 * Puts `candidate` in the place of `current` in one step, so that at no moment there is none; what stood there keeps
 * a name of its own.
 */
function exchangeFiles(current: string, candidate: string, kept: string): void {
  keepAs(current, kept)
  try {
    sidecars(current).forEach((sidecar) => rmSync(sidecar, { force: true }))
    flush(candidate)
    renameSync(candidate, current)
  } catch (error) {
    rmSync(kept, { force: true })
    throw error
  }
  // The exchange is done, and what stood there before keeps its name: it is no failure that the disk is slow to know.
  try {
    flush(dirname(current))
  } catch (error) {
    console.warn('The backup is in place, but a power cut now may bring back what was there before.', error)
  }
}

/**
 * Puts the backup at `uploaded` in the place of the database. It is checked whole, brought to the newest version, given
 * to `prepare` and given a new epoch first, as a copy; the database it replaces stays beside it under a dated name.
 * *Throws* `DatabaseProblemError` (wrong, newer, damaged or tampered file) or `DatabaseTroubleError`; then nothing was
 * changed.
 */
export async function restoreFrom(
  { db, file }: OpenDatabase,
  uploaded: string,
  { prepare, nowMs }: { readonly prepare: Prepare; readonly nowMs: number },
): Promise<void> {
  if (readFileHeader(uploaded).kind === 'empty')
    throw new DatabaseProblemError('NOT_A_DATABASE', uploaded, 'This file is empty. Nothing was changed.')
  requireOurFile(uploaded)
  const candidate = await prepared(uploaded, temporaryFolder(dirname(file.path)), prepare)
  try {
    await db.connection().execute(() => {
      file.requireInPlace()
      // What is still in the log would go with it.
      if (file.pragma('wal_checkpoint(TRUNCATE)') !== 0) throw new DatabaseTroubleError('BUSY')
      file.swapFile(() => exchangeFiles(file.path, candidate, predecessorPath(file.path, nowMs)))
      file.useWriteAheadLog()
      return Promise.resolve()
    })
  } finally {
    removeAll(candidate)
  }
}
