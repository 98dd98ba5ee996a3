import { statements } from './statements'

/** Pieces that are cut and not folded: card blanks, tags, strips. */
export const plainPieces = statements(`
CREATE TABLE plain_line (
  id TEXT PRIMARY KEY,
  project_id TEXT NOT NULL REFERENCES project (id),
  name TEXT NOT NULL,
  paper_id TEXT NOT NULL REFERENCES paper (id),
  width_um INTEGER NOT NULL CHECK (width_um > 0),
  height_um INTEGER NOT NULL CHECK (height_um > 0),
  pieces INTEGER NOT NULL CHECK (pieces BETWEEN 0 AND 100000),
  at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX plain_line_project ON plain_line (project_id, at_ms);
CREATE INDEX plain_line_paper ON plain_line (paper_id);

CREATE TABLE plain_cut_piece (
  cut_id TEXT NOT NULL REFERENCES cut (id),
  line_id TEXT NOT NULL REFERENCES plain_line (id),
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  width_um INTEGER NOT NULL CHECK (width_um > 0),
  height_um INTEGER NOT NULL CHECK (height_um > 0),
  PRIMARY KEY (cut_id, line_id)
) STRICT;
CREATE INDEX plain_cut_piece_line ON plain_cut_piece (line_id);
`)
