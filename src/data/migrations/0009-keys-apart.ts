import { sql, type Kysely, type Migration } from 'kysely'
import { columnsOf, rebuildTable } from './rebuild'
import { statements } from './statements'

const deedDone = statements(`
-- Deeds that add something, by the id their client made: one that comes again gets the answer of the first time.
CREATE TABLE deed_done (
  id TEXT PRIMARY KEY,
  input_hash TEXT NOT NULL,
  answer TEXT NOT NULL,
  at_ms INTEGER NOT NULL
) STRICT, WITHOUT ROWID;
`)

/**
 * Three things. The very first databases have papers of a line without their order (0001 was edited a few hours after
 * it had been used; no migration is edited any more): their papers keep the order they were written in. Who may enter
 * the room moves to a file of its own, which is in no backup. Deeds that add get a memory.
 */
export const keysApart: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    const ordered = (await columnsOf(db, 'brief_line_paper')).includes('ordinal')
    await rebuildTable(db, {
      table: 'brief_line_paper',
      definition: `
  line_id TEXT NOT NULL REFERENCES brief_line (id) ON DELETE CASCADE,
  paper_id TEXT NOT NULL REFERENCES paper (id),
  ordinal INTEGER NOT NULL,
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  PRIMARY KEY (line_id, paper_id)
`,
      fill: {
        line_id: 'line_id',
        paper_id: 'paper_id',
        ordinal: ordered ? 'ordinal' : 'row_number() OVER (PARTITION BY line_id ORDER BY rowid) - 1',
        pieces: 'pieces',
      },
    })
    await sql.raw('DROP TABLE room_access').execute(db)
    await deedDone.up(db)
  },
}
