import { LIBRARY, locksHold } from '@/core/design'
import { FOLD_ENGINE_VERSION } from '@/core/fold'
import { newestHashes, saveDesignVersion, type NewDesignVersion } from '@/data/repositories/designs'
import { dropOldFigures } from '@/data/repositories/figures'
import { inTransaction } from '@/data/writing'
import { contentHash } from './content-hash'
import { measuredDesign } from './figures'
import type { FlowContext } from './flow-context'

/** What ships and is not the newest version of its design yet. A version with a lock that does not hold is left out. */
async function newVersions(context: FlowContext): Promise<readonly NewDesignVersion[]> {
  const known = new Set((await newestHashes(context.db)).map(({ hash }) => hash))
  const versions: NewDesignVersion[] = []
  for (const design of LIBRARY) {
    const { hash, text } = contentHash(design)
    if (known.has(hash)) continue
    const { id, name, family } = design
    if (locksHold(await measuredDesign(context, hash, design)))
      versions.push({ id, name, family, hash, document: text })
    else console.warn(`${name} is not published: a lock of it does not hold.`)
  }
  return versions
}

/**
 * Stores what ships as versions, so that a project can pin the one it uses. Known versions are left alone. Nothing is
 * folded while the database is written.
 */
export async function storeLibrary(context: FlowContext): Promise<void> {
  const { db, nowMs } = context
  const versions = await newVersions(context)
  await inTransaction(db, async (trx) => {
    for (const version of versions) await saveDesignVersion(trx, version, nowMs)
    await dropOldFigures(trx, FOLD_ENGINE_VERSION)
  })
}
