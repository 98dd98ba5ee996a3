import { statements } from './statements'

/**
 * An occasion that comes again every year, how long shopping for it takes, what it was planned after, and up to which
 * of its days it was passed over. How a paper is patterned. Lines that go into another's bouquets, and lines that are
 * another's in another size. What was there before comes once, in plain papers, each line by itself.
 */
export const occasionsAndSets = statements(`
ALTER TABLE project ADD COLUMN yearly INTEGER NOT NULL DEFAULT 0 CHECK (yearly IN (0, 1));
ALTER TABLE project ADD COLUMN shopping_days INTEGER NOT NULL DEFAULT 7 CHECK (shopping_days BETWEEN 0 AND 365);
ALTER TABLE project ADD COLUMN again_of TEXT REFERENCES project (id) ON DELETE SET NULL;
ALTER TABLE project ADD COLUMN passed_over TEXT;
CREATE INDEX project_yearly ON project (due_on) WHERE yearly = 1;
CREATE INDEX project_again_of ON project (again_of) WHERE again_of IS NOT NULL;

ALTER TABLE paper ADD COLUMN pattern TEXT NOT NULL DEFAULT 'plain' CHECK (pattern IN ('plain', 'fine', 'bold'));

ALTER TABLE brief_line ADD COLUMN goes_with TEXT REFERENCES brief_line (id) ON DELETE SET NULL;
ALTER TABLE brief_line ADD COLUMN size_of TEXT REFERENCES brief_line (id) ON DELETE SET NULL;
ALTER TABLE brief_line ADD COLUMN size_percent INTEGER CHECK (size_percent BETWEEN 5 AND 400);
`)
