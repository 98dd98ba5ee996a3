import { statements } from './statements'

export const stock = statements(`
CREATE TABLE stock_item (
  id TEXT PRIMARY KEY,
  paper_id TEXT NOT NULL REFERENCES paper (id),
  width_um INTEGER NOT NULL CHECK (width_um > 0),
  height_um INTEGER NOT NULL CHECK (height_um > 0),
  offcut INTEGER NOT NULL CHECK (offcut IN (0, 1)),
  price_minor INTEGER CHECK (price_minor >= 0),
  UNIQUE (paper_id, width_um, height_um, offcut)
) STRICT;

-- The ledger: rows are only ever added. stock_level is its projection and can be rebuilt.
CREATE TABLE stock_move (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  stock_item_id TEXT NOT NULL REFERENCES stock_item (id),
  delta INTEGER NOT NULL CHECK (delta <> 0),
  kind TEXT NOT NULL CHECK (kind IN ('bought', 'counted', 'cut', 'offcut', 'cut undone')),
  cut_id TEXT,
  at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX stock_move_item ON stock_move (stock_item_id);
CREATE TRIGGER stock_move_no_update BEFORE UPDATE ON stock_move BEGIN SELECT RAISE(ABORT, 'stock_move is append-only'); END;
CREATE TRIGGER stock_move_no_delete BEFORE DELETE ON stock_move BEGIN SELECT RAISE(ABORT, 'stock_move is append-only'); END;

CREATE TABLE stock_level (
  stock_item_id TEXT PRIMARY KEY REFERENCES stock_item (id),
  amount INTEGER NOT NULL CHECK (amount >= 0)
) STRICT;
`)
