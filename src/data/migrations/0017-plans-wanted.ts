import { statements } from './statements'

/**
 * What has to be planned anew: written by the deed that moved something, taken away once it is planned. What was saved is
 * kept before its plan is, and an end of the process loses neither.
 */
export const plansWanted = statements(`
CREATE TABLE plan_wanted (
  id INTEGER PRIMARY KEY AUTOINCREMENT,
  moved TEXT NOT NULL,
  at_ms INTEGER NOT NULL,
  gave_up INTEGER NOT NULL DEFAULT 0 CHECK (gave_up IN (0, 1))
) STRICT;
`)
