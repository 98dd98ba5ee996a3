import { sql } from 'kysely'
import type { Db } from '@/data/db'
import { DatabaseProblemError } from '@/data/database-problem'
import { STORED_ROWS } from '@/schema/stored-rows'
import { contentHash } from './content-hash'
import { readDesigns } from './read/designs'
import { runPlan } from './read/run'

const ROWS_AT_A_TIME = 1000

/** A table's rows, a thousand at a time, with their place in the file. */
async function* rowsOf(db: Db, table: string): AsyncGenerator<Record<string, unknown>> {
  for (let after = 0; ;) {
    const { rows } = await sql<Record<string, unknown> & { rowid_: number }>`
      SELECT rowid AS rowid_, * FROM ${sql.table(table)} WHERE rowid > ${after} ORDER BY rowid LIMIT ${ROWS_AT_A_TIME}
    `.execute(db)
    yield* rows
    const last = rows.at(-1)
    if (last === undefined || rows.length < ROWS_AT_A_TIME) return
    after = last.rowid_
  }
}

const badRow = (path: string, what: string): DatabaseProblemError =>
  new DatabaseProblemError('BAD_ROWS', path, `${what}. Nothing was changed.`)

/**
 * Reads a database from outside through what the pages take for granted: every row's values, every design under its
 * content hash.
 * *Throws* `DatabaseProblemError` (BAD_ROWS) naming the first table and column that fail.
 */
export async function requireTrustedRows(db: Db, path: string): Promise<void> {
  for (const [table, schema] of Object.entries(STORED_ROWS))
    for await (const row of rowsOf(db, table)) {
      const parsed = schema.safeParse(row)
      if (parsed.success) continue
      const column = String(parsed.error.issues[0]?.path[0] ?? 'a value')
      throw badRow(path, `In this file a ${table.replaceAll('_', ' ')} has a ${column} that cannot be`)
    }
  for await (const row of rowsOf(db, 'design_version')) {
    const { hash, document } = row as { hash: string; document: string }
    if (contentHash(JSON.parse(document) as object).hash !== hash)
      throw badRow(path, 'In this file a design is not what its mark says')
  }
}

/**
 * Every run and line must name a variant and a part that its design has.
 * *Throws* `DatabaseProblemError` (BAD_ROWS).
 */
export async function requirePlans(db: Db, path: string): Promise<void> {
  const context = { db, nowMs: 0 }
  const versions = await db.selectFrom('design_version').select('hash').execute()
  const designs = await readDesigns(
    context,
    versions.map(({ hash }) => hash),
  )
  const lines = await db.selectFrom('brief_line').select(['design_hash', 'variant_key']).execute()
  for (const { design_hash, variant_key } of lines)
    if (!designs.get(design_hash)?.variants.some((variant) => variant.key === variant_key))
      throw badRow(path, 'In this file a line of a brief names a variant that its design does not have')
  for (const run of await db.selectFrom('run').selectAll().execute())
    try {
      await runPlan(context, run)
    } catch {
      throw badRow(path, 'In this file a run names a variant or a part that its design does not have')
    }
}
