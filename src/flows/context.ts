import { dirname } from 'node:path'
import { readConfig, type Config } from '@/config'
import { claimFolder, type FolderClaim } from '@/data/folder-claim'
import { openDatabase, renewEpoch, type OpenDatabase } from '@/data/open-database'
import { openRoom, roomPath, type RoomDb } from '@/data/room-store'
import { DatabaseTroubleError } from '@/data/trouble'
import type { FlowContext } from './flow-context'
import type { RoomContext } from './room'
import { INLINE_POOL } from '@/pool/inline-pool'
import type { Pool } from '@/pool/pool'
import { ThreadPool } from '@/pool/thread-pool'
import { Caches } from './caches'
import { readShippedFigures, shippedFiguresPath } from './shipped-figures'
import { paintedForms } from './shipped-forms'
import { storeLibrary } from './store-library'
import { bringUpToDate } from './upkeep'

interface Opened {
  readonly claim: FolderClaim
  readonly database: OpenDatabase
  readonly caches: Caches
  readonly room: RoomDb
}

// One of each for the process: development reloads modules, and pages and handlers are bundled apart.
const holder = globalThis as typeof globalThis & {
  kelpfieldConfig?: Config
  kelpfieldOpened?: Promise<Opened>
  kelpfieldPool?: Pool
}

export const config = (): Config => (holder.kelpfieldConfig ??= readConfig(process.env))

/**
 * The pool of this process; `scripts/server.mjs` says where the code of its threads lies. Where it does not (a script),
 * there is none, and whoever asks does the work.
 */
function pool(): Pool {
  const path = process.env['KELPFIELD_POOL']
  return (holder.kelpfieldPool ??= path === undefined ? INLINE_POOL : new ThreadPool(path))
}

/** How long whoever pressed waits for plans: what takes longer is shown as being planned. */
const PATIENCE_MS = 1200

/** The time in UTC milliseconds; stands still when pictures are made. */
export const nowMs = (): number => config().frozenNowMs ?? Date.now()

async function open(): Promise<Opened> {
  const { databasePath, port } = config()
  const claim = claimFolder(dirname(databasePath), `Kelpfield on port ${port}`)
  try {
    const database = await openDatabase(databasePath)
    const caches = new Caches(
      readShippedFigures(shippedFiguresPath(process.cwd())),
      paintedForms(process.cwd(), () => performance.now()),
    )
    const context = { db: database.db, caches, nowMs: nowMs(), pool: pool() }
    await storeLibrary(context)
    await bringUpToDate(context)
    return { claim, database, caches, room: (await openRoom(roomPath(databasePath))).db }
  } catch (error) {
    claim.release()
    throw error
  }
}

async function close({ claim, database, room }: Opened): Promise<void> {
  await Promise.all([database.db.destroy(), room.destroy()])
  claim.release()
}

/**
 * Claims the data folder and opens what is in it, once. What would not open is tried again at the next request instead
 * of failing for good.
 */
function opened(): Promise<Opened> {
  if (!holder.kelpfieldOpened) {
    const opening = open()
    holder.kelpfieldOpened = opening
    opening.catch(() => delete holder.kelpfieldOpened)
  }
  return holder.kelpfieldOpened
}

/** Closes what is open; the next call opens it again. For tests, and for a process that ends in good order. */
export async function closeEverything(): Promise<void> {
  const opening = holder.kelpfieldOpened
  delete holder.kelpfieldOpened
  delete holder.kelpfieldConfig
  if (opening) await close(await opening)
}

/** Somebody put other files in the place of those that were opened: they are opened as at a start. */
async function openAnew(before: Promise<Opened>): Promise<Opened> {
  if (holder.kelpfieldOpened === before) {
    delete holder.kelpfieldOpened
    await close(await before)
  }
  const now = await opened()
  await renewEpoch(now.database.db)
  return now
}

/** *Throws* `DatabaseTroubleError` (GONE) while the database is not where it was opened. */
async function inPlace(): Promise<Opened> {
  const opening = opened()
  const { database } = await opening
  switch (database.file.place()) {
    case 'here':
      return opening
    case 'gone':
      throw new DatabaseTroubleError('GONE')
    case 'replaced':
      return openAnew(opening)
  }
}

export const openedDatabase = async (): Promise<OpenDatabase> => (await inPlace()).database

/** The context a page or a deed works in. */
export async function flowContext(): Promise<FlowContext> {
  const { database, caches } = await inPlace()
  return { db: database.db, caches, nowMs: nowMs(), pool: pool(), patienceMs: PATIENCE_MS }
}

/** What deeds of the room work in: its own file. */
export async function roomContext(): Promise<RoomContext> {
  return { room: (await inPlace()).room, nowMs: nowMs() }
}
