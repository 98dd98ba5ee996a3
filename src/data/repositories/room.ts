import type { Selectable } from 'kysely'
import type { Db } from '../db'
import type { RoomAccessTable } from '../tables'

export type RoomAccess = Selectable<RoomAccessTable>

/** The room's passphrase, hashed; `undefined` until one is set. */
export const roomAccess = (db: Db): Promise<RoomAccess | undefined> =>
  db.selectFrom('room_access').selectAll().where('id', '=', 1).executeTakeFirst()

/** Sets the passphrase; every cookie given out before stops working. */
export async function setRoomAccess(
  db: Db,
  access: { readonly passphraseHash: string; readonly cookieSecret: string; readonly nowMs: number },
): Promise<void> {
  const row = {
    passphrase_hash: access.passphraseHash,
    cookie_secret: access.cookieSecret,
    set_at_ms: access.nowMs,
  }
  await db
    .insertInto('room_access')
    .values({ id: 1, generation: 1, ...row })
    .onConflict((conflict) =>
      conflict
        .column('id')
        .doUpdateSet((set) => ({ ...row, generation: set('room_access.generation', '+', 1) })),
    )
    .execute()
}
