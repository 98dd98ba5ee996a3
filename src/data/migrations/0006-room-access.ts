import { statements } from './statements'

export const roomAccess = statements(`
CREATE TABLE room_access (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  passphrase_hash TEXT NOT NULL,
  cookie_secret TEXT NOT NULL,
  generation INTEGER NOT NULL,
  set_at_ms INTEGER NOT NULL
) STRICT;
`)
