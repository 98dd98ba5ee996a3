import { sql, type Kysely } from 'kysely'

interface Rebuild {
  readonly table: string
  /** What stands between the brackets of the new table's CREATE. */
  readonly definition: string
  /** Column of the new table to the expression over the old one that fills it. */
  readonly fill: Readonly<Record<string, string>>
}

const countOf = async (db: Kysely<unknown>, table: string): Promise<number> =>
  Number((await sql.raw<{ n: number }>(`SELECT count(*) AS n FROM ${table}`).execute(db)).rows[0]?.n)

/** Columns a table has now, by name. */
export const columnsOf = async (db: Kysely<unknown>, table: string): Promise<readonly string[]> =>
  (await sql.raw<{ name: string }>(`PRAGMA table_info(${table})`).execute(db)).rows.map((row) => row.name)

/**
 * Gives a table another definition, keeping its rows. `migrate` has turned foreign keys off before the transaction
 * began, so that dropping the old table takes nothing with it that refers to it; here all references are checked and
 * the rows counted before anything is kept.
 * Indexes and triggers of the old table go with it; make them anew afterwards.
 * *Throws* where a row or a reference would be lost; then the whole migration is rolled back.
 */
export async function rebuildTable(db: Kysely<unknown>, { table, definition, fill }: Rebuild): Promise<void> {
  const before = await countOf(db, table)
  const columns = Object.keys(fill).join(', ')
  const values = Object.values(fill).join(', ')
  await sql.raw(`CREATE TABLE rebuilt_${table} (${definition}) STRICT`).execute(db)
  await sql.raw(`INSERT INTO rebuilt_${table} (${columns}) SELECT ${values} FROM ${table}`).execute(db)
  await sql.raw(`DROP TABLE ${table}`).execute(db)
  await sql.raw(`ALTER TABLE rebuilt_${table} RENAME TO ${table}`).execute(db)
  const after = await countOf(db, table)
  if (after !== before) throw new Error(`${table} had ${before} rows and would have ${after}`)
  const dangling = (await sql.raw('PRAGMA foreign_key_check').execute(db)).rows.length
  if (dangling > 0)
    throw new Error(`rebuilding ${table} would leave ${dangling} rows without what they refer to`)
}
