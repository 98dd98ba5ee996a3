import { statements } from './statements'

export const designsAndProjects = statements(`
CREATE TABLE setting (key TEXT PRIMARY KEY, value TEXT NOT NULL) STRICT;

CREATE TABLE design (id TEXT PRIMARY KEY, name TEXT NOT NULL, family TEXT NOT NULL) STRICT;

-- Versions are content-addressed: a project pins the hash it was planned with.
CREATE TABLE design_version (
  hash TEXT PRIMARY KEY,
  design_id TEXT NOT NULL REFERENCES design (id),
  number INTEGER NOT NULL CHECK (number >= 1),
  document TEXT NOT NULL,
  created_at_ms INTEGER NOT NULL,
  UNIQUE (design_id, number)
) STRICT;

CREATE TABLE paper (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  feel TEXT NOT NULL,
  grammage_gsm REAL,
  caliper_um INTEGER,
  front_colour TEXT NOT NULL,
  back_colour TEXT NOT NULL,
  note TEXT NOT NULL,
  created_at_ms INTEGER NOT NULL,
  archived_at_ms INTEGER
) STRICT;
CREATE UNIQUE INDEX paper_name ON paper (name COLLATE NOCASE) WHERE archived_at_ms IS NULL;

CREATE TABLE project (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  due_on TEXT,
  zone TEXT NOT NULL,
  certainty_permille INTEGER NOT NULL CHECK (certainty_permille BETWEEN 500 AND 999),
  note TEXT NOT NULL,
  created_at_ms INTEGER NOT NULL,
  archived_at_ms INTEGER
) STRICT;

CREATE TABLE brief_line (
  id TEXT PRIMARY KEY,
  project_id TEXT NOT NULL REFERENCES project (id),
  ordinal INTEGER NOT NULL,
  design_hash TEXT NOT NULL REFERENCES design_version (hash),
  variant_key TEXT NOT NULL,
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  sizing TEXT NOT NULL CHECK (sizing IN ('finished', 'sheet')),
  axis TEXT,
  asked_um INTEGER NOT NULL CHECK (asked_um > 0),
  sheet_um INTEGER NOT NULL CHECK (sheet_um > 0),
  gauges TEXT NOT NULL,
  attached_to TEXT REFERENCES brief_line (id),
  per_piece INTEGER,
  CHECK ((attached_to IS NULL) = (per_piece IS NULL)),
  CHECK ((sizing = 'finished') = (axis IS NOT NULL))
) STRICT;
CREATE INDEX brief_line_project ON brief_line (project_id, ordinal);

CREATE TABLE brief_line_paper (
  line_id TEXT NOT NULL REFERENCES brief_line (id) ON DELETE CASCADE,
  paper_id TEXT NOT NULL REFERENCES paper (id),
  ordinal INTEGER NOT NULL,
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  PRIMARY KEY (line_id, paper_id)
) STRICT;
`)
