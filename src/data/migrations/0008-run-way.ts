import { statements } from './statements'

/** How a run is folded: every crease, directly, or on from a base. Runs before this one were folded whole. */
export const runWay = statements(`
ALTER TABLE run ADD COLUMN way TEXT NOT NULL DEFAULT 'whole' CHECK (way IN ('whole', 'direct', 'from base'));
`)
