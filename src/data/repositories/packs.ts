import type { Insertable, Selectable } from 'kysely'
import type { Db } from '../db'
import type { PaperPackTable } from '../drawer-tables'

export type PackRow = Selectable<PaperPackTable>

/** Packs that papers are sold in: by paper, size and number of sheets. */
export const packsOf = (db: Db, paperIds: readonly string[]): Promise<PackRow[]> =>
  paperIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('paper_pack')
        .selectAll()
        .where('paper_id', 'in', paperIds)
        .orderBy('paper_id')
        .orderBy('width_um')
        .orderBy('height_um')
        .orderBy('sheets')
        .execute()

export const findPack = (db: Db, id: string): Promise<PackRow | undefined> =>
  db.selectFrom('paper_pack').selectAll().where('id', '=', id).executeTakeFirst()

/** Keeps what is said of a pack; one of the same size, form and number is changed. */
export async function savePackRow(db: Db, pack: Insertable<PaperPackTable>): Promise<void> {
  const { price_minor, lead_days, sold_out, at_ms } = pack
  await db
    .insertInto('paper_pack')
    .values(pack)
    .onConflict((conflict) =>
      conflict
        .columns(['paper_id', 'form', 'width_um', 'height_um', 'sheets'])
        .doUpdateSet({ price_minor, lead_days, sold_out, at_ms }),
    )
    .execute()
}

export async function deletePack(db: Db, id: string): Promise<void> {
  await db.deleteFrom('paper_pack').where('id', '=', id).execute()
}
