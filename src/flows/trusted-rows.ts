import { setImmediate } from 'node:timers/promises'
import { sql } from 'kysely'
import { unbelievedPlan, type CutPlan, type CutProblem } from '@/core/cut'
import { MOST_TAPS } from '@/core/run'
import { mainPart, waysOf, type DesignSource } from '@/core/design'
import type { Db } from '@/data/db'
import { DatabaseProblemError } from '@/data/database-problem'
import { readDesignSource } from '@/schema/design-document'
import { STORED_ROWS } from '@/schema/stored-rows'
import { contentHash } from './content-hash'

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
  const full = await db
    .selectFrom('run_event')
    .select('run_id')
    .groupBy('run_id')
    .having((having) => having.fn.countAll(), '>', MOST_TAPS)
    .executeTakeFirst()
  if (full)
    throw badRow(
      path,
      `In this file a run has more than ${MOST_TAPS.toLocaleString('en')} taps, which none can have`,
    )
  for await (const row of rowsOf(db, 'design_version')) {
    const { hash, document } = row as { hash: string; document: string }
    if (contentHash(JSON.parse(document) as object).hash !== hash)
      throw badRow(path, 'In this file a design is not what its mark says')
  }
}

/**
 * Works out anew what stored plans say of themselves: what is said to prove that no fewer sheets would do is anybody's
 * word until then. Pauses between two, so that requests are answered meanwhile.
 */
export async function proveAnew(db: Db): Promise<void> {
  for (const { id, body } of await db.selectFrom('cut_plan').select(['id', 'body']).execute()) {
    const { problem, plan } = JSON.parse(body) as { readonly problem: CutProblem; readonly plan: CutPlan }
    const proven = JSON.stringify({ problem, plan: unbelievedPlan(problem, plan) })
    if (proven !== body) await db.updateTable('cut_plan').set({ body: proven }).where('id', '=', id).execute()
    await setImmediate()
  }
}

/**
 * Every run and line must name a variant that its design has, and a run a way it can be folded.
 * *Throws* `DatabaseProblemError` (BAD_ROWS).
 */
export async function requirePlans(db: Db, path: string): Promise<void> {
  const designs = new Map<string, DesignSource>()
  for await (const row of rowsOf(db, 'design_version')) {
    const { hash, document } = row as { hash: string; document: string }
    designs.set(hash, readDesignSource(document))
  }
  const variantOf = (hash: string, key: string) => designs.get(hash)?.variants.find((one) => one.key === key)
  for (const line of await db.selectFrom('brief_line').select(['design_hash', 'variant_key']).execute())
    if (!variantOf(line.design_hash, line.variant_key))
      throw badRow(path, 'In this file a line of a brief names a variant that its design does not have')
  const runs = await db.selectFrom('run').select(['design_hash', 'variant_key', 'way']).execute()
  for (const run of runs) {
    const [design, variant] = [designs.get(run.design_hash), variantOf(run.design_hash, run.variant_key)]
    if (!design || !variant || !waysOf(mainPart(design), variant).includes(run.way))
      throw badRow(path, 'In this file a run names a variant or a way that its design does not have')
  }
}
