import { statements } from './statements'

export const joinsAndDeliveries = statements(`
CREATE TABLE join_move (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  line_id TEXT NOT NULL REFERENCES brief_line (id),
  delta INTEGER NOT NULL CHECK (delta <> 0),
  at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX join_move_line ON join_move (line_id);

CREATE TABLE delivery (
  id TEXT PRIMARY KEY,
  project_id TEXT NOT NULL REFERENCES project (id),
  pieces INTEGER NOT NULL CHECK (pieces >= 0),
  note TEXT NOT NULL,
  handed_over_at_ms INTEGER NOT NULL,
  undone_at_ms INTEGER
) STRICT;
`)
