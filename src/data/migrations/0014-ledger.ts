import type { Kysely, Migration } from 'kysely'
import { rebuildTable } from './rebuild'
import { statements } from './statements'

const around = statements(`
CREATE INDEX stock_move_item ON stock_move (stock_item_id);
CREATE TRIGGER stock_move_no_update BEFORE UPDATE ON stock_move BEGIN SELECT RAISE(ABORT, 'stock_move is append-only'); END;
CREATE TRIGGER stock_move_no_delete BEFORE DELETE ON stock_move BEGIN SELECT RAISE(ABORT, 'stock_move is append-only'); END;
`)

/** Sheets that are spoiled or given away, and movements that take another one back, once at most. */
export const ledger: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await rebuildTable(db, {
      table: 'stock_move',
      definition: `
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  stock_item_id TEXT NOT NULL REFERENCES stock_item (id),
  delta INTEGER NOT NULL CHECK (delta <> 0),
  kind TEXT NOT NULL CHECK (kind IN (
    'bought', 'counted', 'spoiled', 'given away', 'undone', 'cut', 'offcut', 'cut undone'
  )),
  cut_id TEXT,
  at_ms INTEGER NOT NULL,
  undoes TEXT UNIQUE,
  note TEXT NOT NULL DEFAULT '',
  CHECK ((kind = 'undone') = (undoes IS NOT NULL))
`,
      fill: {
        seq: 'seq',
        id: 'id',
        stock_item_id: 'stock_item_id',
        delta: 'delta',
        kind: 'kind',
        cut_id: 'cut_id',
        at_ms: 'at_ms',
        undoes: 'NULL',
        note: "''",
      },
    })
    await around.up(db)
  },
}
