import { statements } from './statements'

export const cuts = statements(`
CREATE TABLE proof (
  line_id TEXT PRIMARY KEY REFERENCES brief_line (id) ON DELETE CASCADE,
  status TEXT NOT NULL CHECK (status IN ('cut', 'accepted', 'skipped')),
  paper_id TEXT REFERENCES paper (id),
  axis TEXT,
  measured_um INTEGER,
  at_ms INTEGER NOT NULL
) STRICT;

CREATE TABLE cut (
  id TEXT PRIMARY KEY,
  project_id TEXT NOT NULL REFERENCES project (id),
  line_id TEXT NOT NULL REFERENCES brief_line (id),
  paper_id TEXT NOT NULL REFERENCES paper (id),
  proof INTEGER NOT NULL CHECK (proof IN (0, 1)),
  piece_um INTEGER NOT NULL CHECK (piece_um > 0),
  sheets INTEGER NOT NULL CHECK (sheets >= 1),
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  layout TEXT NOT NULL,
  at_ms INTEGER NOT NULL,
  undone_at_ms INTEGER
) STRICT;
CREATE INDEX cut_project ON cut (project_id, at_ms);
`)
