import type { Db } from '../db'

const APP_SETTINGS = 'app'

/** The settings as last saved, unparsed; `{}` before the first time. */
export async function readSettings(db: Db): Promise<unknown> {
  const row = await db
    .selectFrom('setting')
    .select('value')
    .where('key', '=', APP_SETTINGS)
    .executeTakeFirst()
  return row === undefined ? {} : JSON.parse(row.value)
}

export async function writeSettings(db: Db, value: object): Promise<void> {
  await db
    .insertInto('setting')
    .values({ key: APP_SETTINGS, value: JSON.stringify(value) })
    .onConflict((conflict) =>
      conflict.column('key').doUpdateSet((row) => ({ value: row.ref('excluded.value') })),
    )
    .execute()
}

/** The mark of this database's life; restoring a backup changes it. */
export async function readEpoch(db: Db): Promise<string> {
  return (await db.selectFrom('setting').select('value').where('key', '=', 'epoch').executeTakeFirstOrThrow())
    .value
}
