import { statements } from './statements'

/** What the pieces of a line are made into. Lines before this one are loose pieces, as many as they are. */
export const madeOfPieces = statements(`
ALTER TABLE brief_line ADD COLUMN made TEXT NOT NULL DEFAULT '{"kind":"batch","values":{}}';
`)
