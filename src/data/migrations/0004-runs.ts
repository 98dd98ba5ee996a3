import { statements } from './statements'

export const runs = statements(`
CREATE TABLE run (
  id TEXT PRIMARY KEY,
  project_id TEXT REFERENCES project (id),
  line_id TEXT REFERENCES brief_line (id),
  design_hash TEXT NOT NULL REFERENCES design_version (hash),
  part_key TEXT NOT NULL,
  variant_key TEXT NOT NULL,
  paper_id TEXT REFERENCES paper (id),
  hand TEXT NOT NULL CHECK (hand IN ('right', 'left')),
  sheet_um INTEGER NOT NULL CHECK (sheet_um > 0),
  wanted INTEGER NOT NULL CHECK (wanted >= 1),
  tray_size INTEGER NOT NULL CHECK (tray_size >= 1),
  grain TEXT NOT NULL,
  tray_order TEXT NOT NULL,
  gauges TEXT NOT NULL,
  started_at_ms INTEGER NOT NULL,
  archived_at_ms INTEGER
) STRICT;
CREATE INDEX run_project ON run (project_id);

-- The ledger: rows are only ever added. run_unit and run_progress are its projections and can be rebuilt.
CREATE TABLE run_event (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  run_id TEXT NOT NULL REFERENCES run (id),
  lane INTEGER NOT NULL,
  kind TEXT NOT NULL,
  piece INTEGER,
  step INTEGER,
  repeat INTEGER,
  attempt INTEGER,
  body TEXT NOT NULL,
  at_ms INTEGER NOT NULL,
  received_at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX run_event_run ON run_event (run_id, seq);
CREATE TRIGGER run_event_no_update BEFORE UPDATE ON run_event BEGIN SELECT RAISE(ABORT, 'run_event is append-only'); END;
CREATE TRIGGER run_event_no_delete BEFORE DELETE ON run_event BEGIN SELECT RAISE(ABORT, 'run_event is append-only'); END;

CREATE TABLE run_unit (
  run_id TEXT NOT NULL REFERENCES run (id),
  ordinal INTEGER NOT NULL,
  piece INTEGER NOT NULL,
  slot INTEGER NOT NULL,
  status TEXT NOT NULL CHECK (status IN ('open', 'folded', 'spoiled')),
  grade TEXT NOT NULL,
  reason TEXT,
  active_ms INTEGER NOT NULL,
  last_tap_at_ms INTEGER,
  PRIMARY KEY (run_id, ordinal)
) STRICT;

CREATE TABLE run_progress (
  run_id TEXT PRIMARY KEY REFERENCES run (id),
  total INTEGER NOT NULL,
  usable INTEGER NOT NULL,
  spoiled INTEGER NOT NULL,
  active_ms INTEGER NOT NULL,
  phase TEXT NOT NULL CHECK (phase IN ('fold', 'inspect', 'finished')),
  at_piece INTEGER,
  last_tap_at_ms INTEGER
) STRICT;
`)
