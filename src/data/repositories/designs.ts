import type { Family } from '@/core/design'
import type { Db } from '../db'

export interface NewDesignVersion {
  readonly id: string
  readonly name: string
  readonly family: Family
  readonly hash: string
  readonly document: string
}

/** Stores a version unless its hash is known; the newest is the one with the highest number. */
export async function saveDesignVersion(db: Db, version: NewDesignVersion, nowMs: number): Promise<void> {
  const { id, name, family, hash, document } = version
  await db
    .insertInto('design')
    .values({ id, name, family })
    .onConflict((conflict) => conflict.column('id').doUpdateSet({ name, family }))
    .execute()
  const newest = await db
    .selectFrom('design_version')
    .select((select) => select.fn.max('number').as('number'))
    .where('design_id', '=', id)
    .executeTakeFirst()
  await db
    .insertInto('design_version')
    .values({ hash, design_id: id, number: (newest?.number ?? 0) + 1, document, created_at_ms: nowMs })
    .onConflict((conflict) => conflict.column('hash').doNothing())
    .execute()
}

export interface StoredDesign {
  readonly hash: string
  readonly document: string
}

/** The hash of the newest version of every design: documents are long, and mostly known already. */
export const newestHashes = (db: Db): Promise<{ hash: string }[]> =>
  db
    .selectFrom('design_version as v')
    .select(['v.hash'])
    .where('v.number', '=', (where) =>
      where
        .selectFrom('design_version as n')
        .select((select) => select.fn.max('n.number').as('number'))
        .whereRef('n.design_id', '=', 'v.design_id'),
    )
    .execute()

/** The design that a project used last; `undefined` before the first. */
export async function lastUsedDesign(db: Db): Promise<string | undefined> {
  const row = await db
    .selectFrom('project as j')
    .innerJoin('brief_line as l', 'l.project_id', 'j.id')
    .innerJoin('design_version as v', 'v.hash', 'l.design_hash')
    .select('v.design_id')
    .orderBy('j.created_at_ms', 'desc')
    .orderBy('l.ordinal')
    .limit(1)
    .executeTakeFirst()
  return row?.design_id
}

export const designsByHash = (db: Db, hashes: readonly string[]): Promise<StoredDesign[]> =>
  hashes.length === 0
    ? Promise.resolve([])
    : db.selectFrom('design_version').select(['hash', 'document']).where('hash', 'in', hashes).execute()
