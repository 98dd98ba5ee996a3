import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDatabase, type OpenDatabase } from '../src/data/open-database'
import { Caches } from '../src/flows/caches'
import type { FlowContext } from '../src/flows/flow-context'
import { shippedFigures } from './library'
import { storeLibrary } from '../src/flows/store-library'

/** 25 November 2026, 09:30 UTC: a Wednesday. */
export const TEST_NOW_MS = Date.UTC(2026, 10, 25, 9, 30)
/** Its date. */
export const TODAY = '2026-11-25'

export interface TemporaryDatabase extends OpenDatabase {
  readonly context: FlowContext
  readonly folder: string
  readonly remove: () => Promise<void>
}

// Folding the whole library takes seconds: its figures come as with a build, and what else one database made serves the
// next of the same process.
const caches = new Caches(shippedFigures)

/** A real migrated SQLite file with the library stored, gone after `remove`. */
export async function temporaryDatabase(): Promise<TemporaryDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'kelpfield-test-'))
  const database = await openDatabase(join(folder, 'kelpfield.db'))
  const context = { db: database.db, caches, nowMs: TEST_NOW_MS }
  await storeLibrary(context)
  return {
    ...database,
    context,
    folder,
    remove: async () => {
      await database.db.destroy()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
