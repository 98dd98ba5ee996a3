import { readConfig, type Config } from '@/config'
import { openDatabase, type OpenDatabase } from '@/data/open-database'
import type { FlowContext } from './flow-context'
import { storeLibrary } from './store-library'

interface Running {
  readonly config: Config
  readonly database: Promise<OpenDatabase>
}

// One handle for the process: development reloads modules, and pages and handlers are bundled apart.
const holder = globalThis as typeof globalThis & { kelpfield?: Running }

async function openWithLibrary(config: Config): Promise<OpenDatabase> {
  const database = await openDatabase(config.databasePath)
  await storeLibrary({ db: database.db, nowMs: clockMs(config) })
  return database
}

const clockMs = (config: Config): number => config.frozenNowMs ?? Date.now()

function running(): Running {
  if (!holder.kelpfield) {
    const config = readConfig(process.env)
    holder.kelpfield = { config, database: openWithLibrary(config) }
    // A database that would not open is tried again at the next request instead of failing for good.
    holder.kelpfield.database.catch(() => delete holder.kelpfield)
  }
  return holder.kelpfield
}

export const config = (): Config => running().config

export const openedDatabase = (): Promise<OpenDatabase> => running().database

/** The time in UTC milliseconds; stands still when pictures are made. */
export const nowMs = (): number => clockMs(config())

/** The context a page or a deed works in. */
export async function flowContext(): Promise<FlowContext> {
  const { db } = await openedDatabase()
  return { db, nowMs: nowMs() }
}
