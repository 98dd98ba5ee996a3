import { statements } from './statements'

/** Figures and pictures worked out from fold programs: a cache that may be emptied at any time. */
export const figures = statements(`
CREATE TABLE figure (
  program_hash TEXT NOT NULL,
  engine INTEGER NOT NULL,
  key TEXT NOT NULL,
  body TEXT NOT NULL,
  at_ms INTEGER NOT NULL,
  PRIMARY KEY (program_hash, engine, key)
) STRICT, WITHOUT ROWID;
`)
