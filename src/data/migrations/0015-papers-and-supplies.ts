import { statements } from './statements'

/**
 * What more there is to say of a paper: its surface and grain, whether its pieces may be turned, how much smaller its
 * sheets may come out. Under what name a size is sold, and whether its strips are kept for stems. Packs a paper comes in. Things that are not folded, counted or
 * measured, with a ledger of their own. Papers from before are smooth, of unknown grain, and may be turned.
 */
export const papersAndSupplies = statements(`
ALTER TABLE paper ADD COLUMN texture TEXT NOT NULL DEFAULT 'smooth' CHECK (texture IN ('smooth', 'ribbed', 'crinkled', 'fibrous'));
ALTER TABLE paper ADD COLUMN grain TEXT NOT NULL DEFAULT 'unknown' CHECK (grain IN ('unknown', 'long', 'short'));
ALTER TABLE paper ADD COLUMN turnable INTEGER NOT NULL DEFAULT 1 CHECK (turnable IN (0, 1));
ALTER TABLE paper ADD COLUMN tolerance_um INTEGER CHECK (tolerance_um BETWEEN 0 AND 20000);
ALTER TABLE stock_item ADD COLUMN sold_as TEXT NOT NULL DEFAULT '';
ALTER TABLE stock_item ADD COLUMN kept_for TEXT NOT NULL DEFAULT '' CHECK (kept_for IN ('', 'stems'));

CREATE TABLE paper_pack (
  id TEXT PRIMARY KEY,
  paper_id TEXT NOT NULL REFERENCES paper (id),
  form TEXT NOT NULL CHECK (form IN ('sheets', 'pad', 'roll')),
  width_um INTEGER NOT NULL CHECK (width_um > 0),
  height_um INTEGER NOT NULL CHECK (height_um > 0),
  sheets INTEGER NOT NULL CHECK (sheets BETWEEN 1 AND 100000),
  price_minor INTEGER NOT NULL CHECK (price_minor >= 0),
  lead_days INTEGER NOT NULL CHECK (lead_days BETWEEN 0 AND 365),
  sold_out INTEGER NOT NULL DEFAULT 0 CHECK (sold_out IN (0, 1)),
  at_ms INTEGER NOT NULL,
  UNIQUE (paper_id, form, width_um, height_um, sheets)
) STRICT;

CREATE TABLE supply (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  measured INTEGER NOT NULL CHECK (measured IN (0, 1)),
  each_um INTEGER CHECK (each_um > 0),
  note TEXT NOT NULL DEFAULT '',
  created_at_ms INTEGER NOT NULL,
  archived_at_ms INTEGER,
  CHECK (measured = 0 OR each_um IS NULL)
) STRICT;

-- The ledger of supplies: rows are only ever added. Pieces, or micrometres of what is measured.
CREATE TABLE supply_move (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  supply_id TEXT NOT NULL REFERENCES supply (id),
  delta INTEGER NOT NULL CHECK (delta <> 0),
  kind TEXT NOT NULL CHECK (kind IN ('bought', 'counted', 'used', 'given away', 'undone')),
  undoes TEXT UNIQUE,
  note TEXT NOT NULL DEFAULT '',
  at_ms INTEGER NOT NULL,
  CHECK ((kind = 'undone') = (undoes IS NOT NULL))
) STRICT;
CREATE INDEX supply_move_supply ON supply_move (supply_id);
CREATE TRIGGER supply_move_no_update BEFORE UPDATE ON supply_move BEGIN SELECT RAISE(ABORT, 'supply_move is append-only'); END;
CREATE TRIGGER supply_move_no_delete BEFORE DELETE ON supply_move BEGIN SELECT RAISE(ABORT, 'supply_move is append-only'); END;

CREATE TABLE supply_level (
  supply_id TEXT PRIMARY KEY REFERENCES supply (id),
  amount INTEGER NOT NULL CHECK (amount >= 0)
) STRICT;
`)
