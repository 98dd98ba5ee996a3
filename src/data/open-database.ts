import { randomUUID } from 'node:crypto'
import { existsSync } from 'node:fs'
import { dirname } from 'node:path'
import { Kysely, Migrator, SqliteDialect } from 'kysely'
import { DatabaseProblemError } from './database-problem'
import { APPLICATION_ID, readFileHeader } from './file-header'
import { GuardedDatabase } from './guarded-database'
import { DATA_VERSION, MIGRATIONS } from './migrations'
import { requireWritableFolder } from './folder-claim'
import { recoverRestore } from './predecessors'
import { adoptRoomAccess, openRoom, roomPath, type RoomAccess } from './room-store'
import type { Tables } from './tables'

export interface OpenDatabase {
  readonly db: Kysely<Tables>
  readonly file: GuardedDatabase
}

/** Refuses a file that is not ours, or from a newer version, before the driver opens it. */
export function requireOurFile(path: string): void {
  const header = readFileHeader(path)
  if (header.kind === 'empty') return
  if (header.kind === 'not a database')
    throw new DatabaseProblemError('NOT_A_DATABASE', path, `${path} is not a database. Nothing was changed.`)
  if (header.applicationId !== APPLICATION_ID)
    throw new DatabaseProblemError(
      'OTHER_APPLICATION',
      path,
      `${path} is a database of another application. Nothing was changed.`,
    )
  requireKnownVersion(path, header.dataVersion)
}

function requireKnownVersion(path: string, dataVersion: number): void {
  if (dataVersion > DATA_VERSION)
    throw new DatabaseProblemError(
      'NEWER_VERSION',
      path,
      `${path} has data version ${dataVersion}; this Kelpfield knows versions up to ${DATA_VERSION}. Start the newer Kelpfield that wrote it. Nothing was changed.`,
    )
}

/** Brings a database to `target` (default: the newest) and writes the version into the file's header. */
export async function migrate({ db, file }: OpenDatabase, target: number = DATA_VERSION): Promise<void> {
  const name = Object.keys(MIGRATIONS)[target - 1]
  if (name === undefined) throw new RangeError(`no data version ${target}`)
  const migrator = new Migrator({ db, provider: { getMigrations: () => Promise.resolve({ ...MIGRATIONS }) } })
  // A table that is rebuilt is dropped first, and what refers to it must not go with it. Inside a transaction this
  // pragma would do nothing.
  file.exec('PRAGMA foreign_keys = OFF')
  const { error } = await migrator.migrateTo(name)
  file.exec('PRAGMA foreign_keys = ON')
  if (error !== undefined)
    throw error instanceof Error ? error : new Error('a migration failed', { cause: error })
  file.exec(`PRAGMA application_id = ${APPLICATION_ID}; PRAGMA user_version = ${target};`)
  // The header is read from the file itself at the next start, so it must not wait in the write-ahead log.
  file.pragma('wal_checkpoint(TRUNCATE)')
}

/** A new mark for this database's life: clients that see another one offer their kept taps again. */
export async function renewEpoch(db: Kysely<Tables>): Promise<void> {
  await db
    .insertInto('setting')
    .values({ key: 'epoch', value: randomUUID() })
    .onConflict((conflict) =>
      conflict.column('key').doUpdateSet((row) => ({ value: row.ref('excluded.value') })),
    )
    .execute()
}

/** Opens a file as it is, without migrating. */
export function connect(path: string): OpenDatabase {
  const file = new GuardedDatabase(path)
  const db = new Kysely<Tables>({ dialect: new SqliteDialect({ database: file }) })
  return { db, file }
}

/** Up to this version the room's passphrase was kept in the database itself. */
const LAST_WITH_ROOM_ACCESS = 8

/** Takes the passphrase of an older version over into the room's own file, before the migration drops it. */
async function carryRoomAccess({ file }: OpenDatabase): Promise<void> {
  const [known] = file.query("SELECT 1 FROM sqlite_master WHERE name = 'room_access'")
  const [access] = known ? (file.query('SELECT * FROM room_access') as readonly unknown[]) : []
  if (access === undefined) return
  const room = await openRoom(roomPath(file.path))
  try {
    await adoptRoomAccess(room.db, access as RoomAccess)
  } finally {
    await room.db.destroy()
  }
}

/**
 * Opens (or makes) the database at `path` and brings it to the newest version.
 * *Throws* `DatabaseProblemError` where the folder cannot be written, or the file is foreign, newer or damaged.
 */
export async function openDatabase(path: string): Promise<OpenDatabase> {
  requireWritableFolder(dirname(path))
  if (recoverRestore(path))
    console.warn(
      'A backup was being put back when Kelpfield ended; what was there before is back in its place.',
    )
  const isNew = !existsSync(path) || readFileHeader(path).kind === 'empty'
  if (!isNew) requireOurFile(path)
  const open = connect(path)
  try {
    // The header on disk may lag behind a write-ahead log left by a crash: ask the driver too, before any write.
    requireKnownVersion(path, Number(open.file.pragma('user_version')))
    // Marked as ours before there is a write-ahead log: a start that is cut short leaves a file we know again.
    if (isNew) open.file.exec(`PRAGMA application_id = ${APPLICATION_ID};`)
    open.file.useWriteAheadLog()
    const version = Number(open.file.pragma('user_version'))
    if (version <= LAST_WITH_ROOM_ACCESS) await carryRoomAccess(open)
    if (version < DATA_VERSION) await migrate(open)
    const epoch = await open.db
      .selectFrom('setting')
      .select('value')
      .where('key', '=', 'epoch')
      .executeTakeFirst()
    if (!epoch) await renewEpoch(open.db)
  } catch (error) {
    await open.db.destroy()
    throw error
  }
  return open
}
