import { backupTo, restoreFrom } from '@/data/backup'
import { nowMs, openedDatabase } from './context'
import { storeLibrary } from './store-library'

/** Writes a consistent copy of everything to a new file at `path`, while in use. */
export const takeBackup = async (path: string): Promise<void> => backupTo(await openedDatabase(), path)

/**
 * Puts the backup at `path` in the place of everything; designs that shipped since it was taken are added to it.
 * *Throws* `DatabaseProblemError` where the file is wrong, newer or damaged; then nothing was changed.
 */
export async function restoreBackup(path: string): Promise<void> {
  const database = await openedDatabase()
  await restoreFrom(database, path)
  await storeLibrary({ db: database.db, nowMs: nowMs() })
}
