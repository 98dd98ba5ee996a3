import type { Insertable, Selectable } from 'kysely'
import type { Db } from '../db'
import type { ShelfMoveTable } from '../tables'

export type NewShelfMove = Insertable<ShelfMoveTable>

/** Good units of one kind on the shelf. */
export type ShelfStock = Pick<
  Selectable<ShelfMoveTable>,
  'design_hash' | 'variant_key' | 'part_key' | 'width_um' | 'height_um' | 'gauges' | 'paper_id' | 'grade'
> & { readonly units: number }

const KIND = [
  'design_hash',
  'variant_key',
  'part_key',
  'width_um',
  'height_um',
  'gauges',
  'paper_id',
  'grade',
] as const

/** What is on the shelf, by kind. */
export const shelfStock = (db: Db): Promise<ShelfStock[]> =>
  db
    .selectFrom('shelf_move')
    .select(KIND)
    .select((select) => select.fn.sum<number>('delta').as('units'))
    .groupBy(KIND)
    .having((having) => having.fn.sum<number>('delta'), '>', 0)
    .execute()

export async function addShelfMove(db: Db, move: NewShelfMove): Promise<void> {
  await db.insertInto('shelf_move').values(move).execute()
}

/** Units that lines of some projects have off the shelf, by part and paper. */
export const takenFromShelf = (
  db: Db,
  projectIds: readonly string[],
): Promise<
  { project_id: string; line_id: string; part_key: string; paper_id: string; kind: string; units: number }[]
> =>
  projectIds.length === 0
    ? Promise.resolve([])
    : db
        .selectFrom('shelf_move as m')
        .innerJoin('brief_line as l', 'l.id', 'm.line_id')
        .select(['l.project_id', 'l.id as line_id', 'm.part_key', 'm.paper_id', 'm.kind'])
        .select((select) => select.fn.sum<number>('m.delta').as('units'))
        .where('l.project_id', 'in', projectIds)
        .groupBy(['l.project_id', 'l.id', 'm.part_key', 'm.paper_id', 'm.kind'])
        .execute()
