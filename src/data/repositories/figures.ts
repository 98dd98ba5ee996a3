import type { Db } from '../db'
import { inTransaction } from '../writing'

export interface FigureKey {
  readonly programHash: string
  readonly engine: number
  readonly key: string
}

/** What is kept under these hashes by this engine with this key. */
export const figuresByHash = (
  db: Db,
  hashes: readonly string[],
  engine: number,
  key: string,
): Promise<{ program_hash: string; body: string }[]> =>
  hashes.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('figure')
        .select(['program_hash', 'body'])
        .where('program_hash', 'in', hashes)
        .where('engine', '=', engine)
        .where('key', '=', key)
        .execute()

/** Keeps figures; what the same engine kept under the same key is replaced. */
export async function keepFigures(
  db: Db,
  { programHash, engine, key }: FigureKey,
  body: string,
  nowMs: number,
  most: number,
): Promise<void> {
  await db
    .insertInto('figure')
    .values({ program_hash: programHash, engine, key, body, at_ms: nowMs })
    .onConflict((conflict) =>
      conflict.columns(['program_hash', 'engine', 'key']).doUpdateSet({ body, at_ms: nowMs }),
    )
    .execute()
  // Every setting of a gauge has figures of its own: only the latest of a program are kept.
  const spare = await db
    .selectFrom('figure')
    .select('key')
    .where('program_hash', '=', programHash)
    .where('engine', '=', engine)
    .orderBy('at_ms', 'desc')
    .offset(most)
    .limit(1000)
    .execute()
  if (spare.length > 0)
    await db
      .deleteFrom('figure')
      .where('program_hash', '=', programHash)
      .where('engine', '=', engine)
      .where(
        'key',
        'in',
        spare.map((row) => row.key),
      )
      .execute()
}

/** Gives a database the figures that another one keeps, in the place of its own. */
export const replaceFigures = (db: Db, from: Db): Promise<void> =>
  inTransaction(db, async (trx) => {
    await trx.deleteFrom('figure').execute()
    for (const row of await from.selectFrom('figure').selectAll().execute())
      await trx.insertInto('figure').values(row).execute()
  })

/** Drops what engines before `engine` kept, but for the versions that a line was planned with by that engine. */
export async function dropOldFigures(db: Db, engine: number): Promise<void> {
  await db
    .deleteFrom('figure')
    .where('engine', '<', engine)
    .where((where) =>
      where.not(
        where.exists(
          where
            .selectFrom('brief_line as l')
            .select('l.id')
            .whereRef('l.design_hash', '=', 'figure.program_hash')
            .whereRef('l.engine', '=', 'figure.engine'),
        ),
      ),
    )
    .execute()
}
