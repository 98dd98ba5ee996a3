import type { Kysely, Migration } from 'kysely'
import { rebuildTable } from './rebuild'
import { statements } from './statements'

/** What a design's first part says, of the documents as they stood: key, height by width, units of a variant. */
const PART = {
  key: "json_extract(v.document, '$.parts[0].key')",
  high: `CASE json_extract(v.document, '$.parts[0].sheet.kind')
    WHEN 'rectangle' THEN json_extract(v.document, '$.parts[0].sheet.height') ELSE 1 END`,
  units: `coalesce(
    (SELECT json_extract(one.value, '$.assembly.units') FROM json_each(v.document, '$.variants') AS one
      WHERE json_extract(one.value, '$.key') = l.variant_key),
    json_extract(v.document, '$.parts[0].unitsPerPiece'))`,
}

const parts = statements(`
-- A line's piece has parts; a part has units and its own sheet, as it is cut. Width is the side the folds are told in.
CREATE TABLE line_part (
  line_id TEXT NOT NULL REFERENCES brief_line (id) ON DELETE CASCADE,
  part_key TEXT NOT NULL,
  ordinal INTEGER NOT NULL,
  width_um INTEGER NOT NULL CHECK (width_um > 0),
  height_um INTEGER NOT NULL CHECK (height_um > 0),
  units_per_piece INTEGER NOT NULL CHECK (units_per_piece >= 1),
  PRIMARY KEY (line_id, part_key)
) STRICT;

CREATE TABLE line_part_paper (
  line_id TEXT NOT NULL,
  part_key TEXT NOT NULL,
  paper_id TEXT NOT NULL REFERENCES paper (id),
  ordinal INTEGER NOT NULL,
  units INTEGER NOT NULL CHECK (units >= 1),
  PRIMARY KEY (line_id, part_key, paper_id),
  FOREIGN KEY (line_id, part_key) REFERENCES line_part (line_id, part_key) ON DELETE CASCADE
) STRICT;
CREATE INDEX line_part_paper_paper ON line_part_paper (paper_id);

INSERT INTO line_part (line_id, part_key, ordinal, width_um, height_um, units_per_piece)
  SELECT l.id, ${PART.key}, 0, l.sheet_um, max(1, CAST(round(l.sheet_um * (${PART.high})) AS INTEGER)), ${PART.units}
  FROM brief_line AS l JOIN design_version AS v ON v.hash = l.design_hash;

INSERT INTO line_part_paper (line_id, part_key, paper_id, ordinal, units)
  SELECT p.line_id, t.part_key, p.paper_id, p.ordinal, p.pieces * t.units_per_piece
  FROM brief_line_paper AS p JOIN line_part AS t ON t.line_id = p.line_id;

DROP TABLE brief_line_paper;
`)

const plans = statements(`
-- Cut plans as they were made. A project has one at a time; one may serve several. Ticking names its layouts.
CREATE TABLE cut_plan (
  id TEXT PRIMARY KEY,
  input_hash TEXT NOT NULL,
  body TEXT NOT NULL,
  made_at_ms INTEGER NOT NULL
) STRICT;

CREATE TABLE project_cut_plan (
  project_id TEXT PRIMARY KEY REFERENCES project (id),
  cut_plan_id TEXT NOT NULL REFERENCES cut_plan (id)
) STRICT;
CREATE INDEX project_cut_plan_plan ON project_cut_plan (cut_plan_id);

-- Promised sheets, beside the ledger of those that are really there.
CREATE TABLE reservation (
  project_id TEXT NOT NULL REFERENCES project (id),
  stock_item_id TEXT NOT NULL REFERENCES stock_item (id),
  sheets INTEGER NOT NULL CHECK (sheets >= 1),
  PRIMARY KEY (project_id, stock_item_id)
) STRICT;
CREATE INDEX reservation_stock ON reservation (stock_item_id);

CREATE TABLE cut_piece (
  cut_id TEXT NOT NULL REFERENCES cut (id),
  line_id TEXT NOT NULL REFERENCES brief_line (id),
  part_key TEXT NOT NULL,
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  width_um INTEGER NOT NULL CHECK (width_um > 0),
  height_um INTEGER NOT NULL CHECK (height_um > 0),
  PRIMARY KEY (cut_id, line_id, part_key)
) STRICT;
CREATE INDEX cut_piece_line ON cut_piece (line_id);

INSERT INTO cut_piece (cut_id, line_id, part_key, pieces, width_um, height_um)
  SELECT c.id, c.line_id, ${PART.key}, c.pieces, c.piece_um,
    max(1, CAST(round(c.piece_um * (${PART.high})) AS INTEGER))
  FROM cut AS c JOIN brief_line AS l ON l.id = c.line_id JOIN design_version AS v ON v.hash = l.design_hash;

-- What was planned when work began: what planned and actual are compared by.
CREATE TABLE baseline (
  project_id TEXT PRIMARY KEY REFERENCES project (id),
  body TEXT NOT NULL,
  at_ms INTEGER NOT NULL
) STRICT;

-- Good pieces that were left over, as a ledger in units.
CREATE TABLE shelf_move (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  design_hash TEXT NOT NULL REFERENCES design_version (hash),
  variant_key TEXT NOT NULL,
  part_key TEXT NOT NULL,
  width_um INTEGER NOT NULL CHECK (width_um > 0),
  height_um INTEGER NOT NULL CHECK (height_um > 0),
  gauges TEXT NOT NULL,
  paper_id TEXT NOT NULL REFERENCES paper (id),
  grade TEXT NOT NULL,
  delta INTEGER NOT NULL CHECK (delta <> 0),
  kind TEXT NOT NULL CHECK (kind IN ('left over', 'taken', 'put back')),
  line_id TEXT REFERENCES brief_line (id),
  at_ms INTEGER NOT NULL
) STRICT;
CREATE INDEX shelf_move_line ON shelf_move (line_id);
CREATE INDEX shelf_move_design ON shelf_move (design_hash);
CREATE TRIGGER shelf_move_no_update BEFORE UPDATE ON shelf_move BEGIN SELECT RAISE(ABORT, 'shelf_move is append-only'); END;
CREATE TRIGGER shelf_move_no_delete BEFORE DELETE ON shelf_move BEGIN SELECT RAISE(ABORT, 'shelf_move is append-only'); END;
`)

const deliveries = statements(`
CREATE TABLE delivery_line (
  delivery_id TEXT NOT NULL REFERENCES delivery (id),
  line_id TEXT NOT NULL REFERENCES brief_line (id),
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  PRIMARY KEY (delivery_id, line_id)
) STRICT;
CREATE INDEX delivery_line_line ON delivery_line (line_id);

-- A hand-over used to close the whole order: what was folded of each line is what went.
INSERT INTO delivery_line (delivery_id, line_id, pieces)
  SELECT delivery_id, line_id, went FROM (
    SELECT d.id AS delivery_id, l.id AS line_id, min(l.pieces, (
      SELECT sum(min(w.units, coalesce((
        SELECT sum(g.usable) FROM run AS r JOIN run_progress AS g ON g.run_id = r.id
        WHERE r.line_id = l.id AND r.paper_id = w.paper_id), 0))) / t.units_per_piece
      FROM line_part_paper AS w JOIN line_part AS t ON t.line_id = w.line_id AND t.part_key = w.part_key
      WHERE w.line_id = l.id)) AS went
    FROM delivery AS d JOIN brief_line AS l ON l.project_id = d.project_id
    WHERE l.attached_to IS NULL
  ) WHERE went >= 1;
`)

const history = statements(`
-- Folded units that have a time and what they took, so that the pace needs no look at every unit.
ALTER TABLE run_progress ADD COLUMN timed_units INTEGER NOT NULL DEFAULT 0;
ALTER TABLE run_progress ADD COLUMN timed_ms INTEGER NOT NULL DEFAULT 0;
-- By which rules the projection was made; an older one is made anew from the ledger when it is needed.
ALTER TABLE run_progress ADD COLUMN rules INTEGER NOT NULL DEFAULT 0;
UPDATE run_progress SET
  timed_units = (SELECT count(*) FROM run_unit AS u WHERE u.run_id = run_progress.run_id AND u.status = 'folded' AND u.active_ms > 0),
  timed_ms = coalesce((SELECT sum(u.active_ms) FROM run_unit AS u WHERE u.run_id = run_progress.run_id AND u.status = 'folded' AND u.active_ms > 0), 0);

-- A run's units by how they came out: folded by grade, spoiled by reason.
CREATE TABLE run_outcome (
  run_id TEXT NOT NULL REFERENCES run (id),
  status TEXT NOT NULL CHECK (status IN ('folded', 'spoiled')),
  label TEXT NOT NULL,
  units INTEGER NOT NULL CHECK (units >= 1),
  PRIMARY KEY (run_id, status, label)
) STRICT, WITHOUT ROWID;
INSERT INTO run_outcome (run_id, status, label, units)
  SELECT run_id, status, CASE status WHEN 'folded' THEN grade ELSE coalesce(reason, '') END AS label, count(*)
  FROM run_unit WHERE status <> 'open' GROUP BY run_id, status, label;

ALTER TABLE run_unit ADD COLUMN inspected INTEGER NOT NULL DEFAULT 0 CHECK (inspected IN (0, 1));
CREATE INDEX run_event_piece ON run_event (run_id, piece);
CREATE INDEX run_line ON run (line_id);
CREATE INDEX run_started ON run (started_at_ms);
CREATE INDEX stock_move_cut ON stock_move (cut_id);
CREATE INDEX figure_engine ON figure (engine);
CREATE INDEX project_order ON project (archived_at_ms, due_on, name);
ALTER TABLE project ADD COLUMN hold_first INTEGER NOT NULL DEFAULT 0 CHECK (hold_first IN (0, 1));
`)

/** The engine that measured a version for whoever planned with it; the figures of others stay with others. */
const ENGINE = `coalesce(
  (SELECT max(f.engine) FROM figure AS f WHERE f.program_hash = design_hash AND f.key = 'measured'), 5)`

/**
 * Lines get parts with their own sheets, plans are stored, sheets are promised, hand-overs count line by line, history
 * has totals. What a line was planned with (which sheet, which papers, which engine's figures) stays with it.
 */
export const plansAndParts: Migration = {
  async up(db: Kysely<unknown>): Promise<void> {
    await parts.up(db)
    await plans.up(db)
    await deliveries.up(db)
    await history.up(db)
    await rebuildTable(db, {
      table: 'brief_line',
      definition: `
  id TEXT PRIMARY KEY,
  project_id TEXT NOT NULL REFERENCES project (id),
  ordinal INTEGER NOT NULL,
  design_hash TEXT NOT NULL REFERENCES design_version (hash),
  engine INTEGER NOT NULL,
  variant_key TEXT NOT NULL,
  pieces INTEGER NOT NULL CHECK (pieces >= 1),
  sizing TEXT NOT NULL CHECK (sizing IN ('finished', 'sheet')),
  axis TEXT,
  asked_um INTEGER NOT NULL CHECK (asked_um > 0),
  gauges TEXT NOT NULL,
  attached_to TEXT REFERENCES brief_line (id),
  per_piece INTEGER,
  CHECK ((attached_to IS NULL) = (per_piece IS NULL)),
  CHECK ((sizing = 'finished') = (axis IS NOT NULL))
`,
      fill: {
        ...Object.fromEntries(
          ['id', 'project_id', 'ordinal', 'design_hash'].map((column) => [column, column]),
        ),
        engine: ENGINE,
        ...Object.fromEntries(
          ['variant_key', 'pieces', 'sizing', 'axis', 'asked_um', 'gauges', 'attached_to', 'per_piece'].map(
            (column) => [column, column],
          ),
        ),
      },
    })
    await rebuildTable(db, {
      table: 'cut',
      definition: `
  id TEXT PRIMARY KEY,
  project_id TEXT NOT NULL REFERENCES project (id),
  paper_id TEXT NOT NULL REFERENCES paper (id),
  proof INTEGER NOT NULL CHECK (proof IN (0, 1)),
  sheets INTEGER NOT NULL CHECK (sheets >= 1),
  cut_plan_id TEXT REFERENCES cut_plan (id),
  layout_id TEXT,
  layout TEXT NOT NULL,
  at_ms INTEGER NOT NULL,
  undone_at_ms INTEGER,
  CHECK ((cut_plan_id IS NULL) = (layout_id IS NULL))
`,
      fill: {
        ...Object.fromEntries(
          ['id', 'project_id', 'paper_id', 'proof', 'sheets'].map((column) => [column, column]),
        ),
        cut_plan_id: 'NULL',
        layout_id: 'NULL',
        ...Object.fromEntries(['layout', 'at_ms', 'undone_at_ms'].map((column) => [column, column])),
      },
    })
    await rebuildTable(db, {
      table: 'delivery',
      definition: `
  id TEXT PRIMARY KEY,
  project_id TEXT NOT NULL REFERENCES project (id),
  note TEXT NOT NULL,
  handed_over_at_ms INTEGER NOT NULL,
  undone_at_ms INTEGER
`,
      fill: Object.fromEntries(
        ['id', 'project_id', 'note', 'handed_over_at_ms', 'undone_at_ms'].map((column) => [column, column]),
      ),
    })
    await statements(`
CREATE INDEX brief_line_project ON brief_line (project_id, ordinal);
CREATE INDEX brief_line_design ON brief_line (design_hash);
CREATE INDEX brief_line_attached ON brief_line (attached_to);
CREATE INDEX cut_project ON cut (project_id, at_ms);
CREATE INDEX cut_by_plan ON cut (cut_plan_id);
CREATE INDEX delivery_project ON delivery (project_id);
`).up(db)
  },
}
