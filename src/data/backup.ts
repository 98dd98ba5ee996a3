import { copyFileSync, renameSync, rmSync } from 'node:fs'
import { readFileHeader } from './file-header'
import {
  connect,
  DatabaseProblemError,
  migrate,
  requireOurFile,
  renewEpoch,
  type OpenDatabase,
} from './open-database'

/**
 * Writes a consistent copy of the database to `target`, which must not exist, while it is in use.
 * `VACUUM INTO` reads one snapshot, so a run may go on meanwhile.
 */
export async function backupTo({ db, file }: OpenDatabase, target: string): Promise<void> {
  await db.connection().execute(() => {
    file.exec(`VACUUM INTO '${target.replaceAll("'", "''")}'`)
    return Promise.resolve()
  })
}

const sidecars = (path: string): readonly string[] => [`${path}-wal`, `${path}-shm`]

/** Reads the whole of a candidate file: damaged pages and dangling references show. Works on a private copy. */
async function requireSound(path: string): Promise<void> {
  let candidate: OpenDatabase | undefined
  try {
    candidate = connect(path)
    const integrity = candidate.file.pragma('integrity_check')
    const dangling = candidate.file.pragma('foreign_key_check')
    if (integrity !== 'ok' || dangling !== undefined) throw new Error(String(integrity))
    await migrate(candidate)
    await renewEpoch(candidate.db)
    candidate.file.pragma('wal_checkpoint(TRUNCATE)')
  } catch {
    throw new DatabaseProblemError(
      'DAMAGED',
      path,
      'This backup is damaged and cannot be restored. Nothing was changed.',
    )
  } finally {
    await candidate?.db.destroy()
    sidecars(path).forEach((sidecar) => rmSync(sidecar, { force: true }))
  }
}

function exchangeFiles(current: string, candidate: string): void {
  const kept = `${current}.before-restore`
  renameSync(current, kept)
  try {
    renameSync(candidate, current)
  } catch (error) {
    renameSync(kept, current)
    throw error
  }
  sidecars(current).forEach((sidecar) => rmSync(sidecar, { force: true }))
}

/**
 * Puts the backup at `uploaded` in the place of the database. It is checked whole, brought to the newest version and
 * given a new epoch first, as a copy; the database it replaces stays beside it as `.before-restore`.
 * *Throws* `DatabaseProblemError` (wrong, newer or damaged file); then nothing was changed.
 */
export async function restoreFrom({ db, file }: OpenDatabase, uploaded: string): Promise<void> {
  if (readFileHeader(uploaded).kind === 'empty')
    throw new DatabaseProblemError('NOT_A_DATABASE', uploaded, 'This file is empty. Nothing was changed.')
  requireOurFile(uploaded)
  const candidate = `${file.path}.restoring`
  copyFileSync(uploaded, candidate)
  try {
    await requireSound(candidate)
    await db.connection().execute(() => {
      file.pragma('wal_checkpoint(TRUNCATE)')
      file.swapFile(() => exchangeFiles(file.path, candidate))
      file.pragma('journal_mode = WAL')
      return Promise.resolve()
    })
  } finally {
    rmSync(candidate, { force: true })
  }
}
