import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Kysely, SqliteDialect, type Selectable } from 'kysely'
import { APPLICATION_ID, readFileHeader } from './file-header'
import { makePrivateFile } from './folder-claim'
import { GuardedDatabase } from './guarded-database'
import { DatabaseTroubleError } from './trouble'
import { inTransaction } from './writing'

export interface RoomAccessTable {
  id: number
  passphrase_hash: string
  cookie_secret: string
  generation: number
  set_at_ms: number
}

export interface TryTable {
  id: number
  wrong: number
  free_at_ms: number
}

export interface RoomTables {
  room_access: RoomAccessTable
  passphrase_try: TryTable
}

export type RoomAccess = Selectable<RoomAccessTable>
export type RoomDb = Kysely<RoomTables>

const SCHEMA = `
CREATE TABLE IF NOT EXISTS room_access (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  passphrase_hash TEXT NOT NULL,
  cookie_secret TEXT NOT NULL,
  generation INTEGER NOT NULL,
  set_at_ms INTEGER NOT NULL
) STRICT;
CREATE TABLE IF NOT EXISTS passphrase_try (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  wrong INTEGER NOT NULL,
  free_at_ms INTEGER NOT NULL
) STRICT;
INSERT OR IGNORE INTO passphrase_try VALUES (1, 0, 0);
PRAGMA application_id = ${APPLICATION_ID};
PRAGMA user_version = 1;
`

/** Where who may enter is kept: beside the database, in no backup, so that no backup brings old keys back. */
export const roomPath = (databasePath: string): string => join(dirname(databasePath), 'room.db')

/**
 * Opens (or makes) the file that holds the room's passphrase, the key of its cookies and the wrong tries.
 * *Throws* `DatabaseTroubleError` (BROKEN) where it is damaged: then `npm run passphrase` cannot help either, and the
 * file has to be taken away by hand.
 */
export async function openRoom(
  path: string,
): Promise<{ readonly db: RoomDb; readonly file: GuardedDatabase }> {
  if (existsSync(path) && readFileHeader(path).kind === 'not a database')
    throw new DatabaseTroubleError('BROKEN')
  makePrivateFile(path)
  const file = new GuardedDatabase(path)
  const db = new Kysely<RoomTables>({ dialect: new SqliteDialect({ database: file }) })
  try {
    if (file.pragma('user_version') === 0)
      await inTransaction(db, () => {
        file.exec(SCHEMA)
        return Promise.resolve()
      })
  } catch (error) {
    await db.destroy()
    throw error
  }
  return { db, file }
}

/** The room's passphrase, hashed; `undefined` until one is set. */
export const roomAccess = (db: RoomDb): Promise<RoomAccess | undefined> =>
  db.selectFrom('room_access').selectAll().where('id', '=', 1).executeTakeFirst()

/** Sets the passphrase; every cookie given out before stops working, and wrong tries are forgotten. */
export async function setRoomAccess(
  db: RoomDb,
  access: { readonly passphraseHash: string; readonly cookieSecret: string; readonly nowMs: number },
): Promise<void> {
  const row = {
    passphrase_hash: access.passphraseHash,
    cookie_secret: access.cookieSecret,
    set_at_ms: access.nowMs,
  }
  await inTransaction(db, async (trx) => {
    await trx
      .insertInto('room_access')
      .values({ id: 1, generation: 1, ...row })
      .onConflict((conflict) =>
        conflict
          .column('id')
          .doUpdateSet((set) => ({ ...row, generation: set('room_access.generation', '+', 1) })),
      )
      .execute()
    await trx.updateTable('passphrase_try').set({ wrong: 0, free_at_ms: 0 }).execute()
  })
}

/** Takes over what an older version kept in the database itself, unless the room has its own already. */
export async function adoptRoomAccess(db: RoomDb, access: RoomAccess): Promise<void> {
  await inTransaction(db, (trx) =>
    trx
      .insertInto('room_access')
      .values(access)
      .onConflict((conflict) => conflict.column('id').doNothing())
      .execute(),
  )
}

export interface Tries {
  readonly wrong: number
  readonly freeAtMs: number
}

/**
 * Changes the count of wrong tries in one step: `change` is given what stands and returns what shall stand; `null`
 * leaves it. *Returns* what stood before.
 */
export const changeTries = (db: RoomDb, change: (now: Tries) => Tries | null): Promise<Tries> =>
  inTransaction(db, async (trx) => {
    const row = await trx.selectFrom('passphrase_try').selectAll().executeTakeFirst()
    const now = { wrong: row?.wrong ?? 0, freeAtMs: row?.free_at_ms ?? 0 }
    const next = change(now)
    if (next !== null)
      await trx.updateTable('passphrase_try').set({ wrong: next.wrong, free_at_ms: next.freeAtMs }).execute()
    return now
  })
