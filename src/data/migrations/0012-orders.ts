import { statements } from './statements'

/**
 * In which order a line's pieces follow each other, as somebody chose it: every choice is one more step, and the last
 * step counts. `made_of` tells which pieces it is an order of.
 */
export const orders = statements(`
CREATE TABLE line_order (
  line_id TEXT NOT NULL REFERENCES brief_line (id) ON DELETE CASCADE,
  step INTEGER NOT NULL CHECK (step >= 1),
  seed INTEGER NOT NULL CHECK (seed >= 0),
  made_of TEXT NOT NULL,
  body TEXT NOT NULL,
  at_ms INTEGER NOT NULL,
  PRIMARY KEY (line_id, step)
) STRICT;
`)
