import { backupTo, restoreFrom } from '@/data/backup'
import { DatabaseProblemError } from '@/data/database-problem'
import type { OpenDatabase } from '@/data/open-database'
import { clearPredecessors, findPredecessor, predecessorsOf, type Predecessor } from '@/data/predecessors'
import { replaceFigures } from '@/data/repositories/figures'
import { asTrouble, DatabaseTroubleError } from '@/data/trouble'
import { flowContext, nowMs, openedDatabase } from './context'
import { RefusalError, troubleRefusal, type DeedResult } from './deed'
import { Caches } from './caches'
import type { FlowContext } from './flow-context'
import { settleSoon } from './plan-cuts'
import { storeLibrary } from './store-library'
import { proveAnew, requirePlans, requireTrustedRows } from './trusted-rows'

/** Writes a consistent copy of everything to a new file at `path`, while in use. */
export const takeBackup = async (path: string): Promise<void> => backupTo(await openedDatabase(), path)

/**
 * A database from outside is believed only row by row. Its figures and pictures, a cache of ours, are not believed at
 * all: those worked out here take their place. Designs that shipped since it was taken are added.
 */
const prepareBeside =
  (current: FlowContext) =>
  async ({ db, file }: OpenDatabase): Promise<void> => {
    await requireTrustedRows(db, file.path)
    await replaceFigures(db, current.db)
    await requirePlans(db, file.path)
    await proveAnew(db)
    await storeLibrary({
      db,
      caches: new Caches(current.caches.shipped, () => current.caches.forms),
      nowMs: current.nowMs,
    })
  }

/** Puts the backup at `path` in the place of everything, or says why not; then nothing was changed. */
export async function restoreBackup(path: string): Promise<DeedResult<null>> {
  try {
    const current = await openedDatabase()
    await restoreFrom(current, path, { prepare: prepareBeside(await flowContext()), nowMs: nowMs() })
    // It may have been taken while something was still to be planned.
    await settleSoon(await flowContext())
    return { ok: true, value: null }
  } catch (caught) {
    const error = asTrouble(caught)
    if (error instanceof DatabaseTroubleError) return troubleRefusal(error)
    if (!(error instanceof DatabaseProblemError)) throw error
    const { problem, message } = error
    return new RefusalError('BAD_BACKUP', { problem, message: problem === 'BAD_ROWS' ? message : '' }).refusal
  }
}

/** The databases that backups took the place of, the latest first. */
export const replacedDatabases = async (): Promise<readonly Predecessor[]> =>
  predecessorsOf((await openedDatabase()).file.path)

/**
 * Deletes the databases that backups took the place of. `seen` is how many were shown to whoever asks: one that came
 * since is not deleted unseen.
 */
export async function clearReplaced(seen: unknown): Promise<DeedResult<null>> {
  const { path } = (await openedDatabase()).file
  if (predecessorsOf(path).length !== seen)
    return new RefusalError('CHANGED_SINCE', { what: 'This list' }).refusal
  clearPredecessors(path)
  return { ok: true, value: null }
}

/** Goes back to a database that a backup took the place of; the one in use is kept likewise. */
export async function goBackTo(name: string): Promise<DeedResult<null>> {
  const path = findPredecessor((await openedDatabase()).file.path, name)
  return path === null ? new RefusalError('NOT_FOUND').refusal : restoreBackup(path)
}
