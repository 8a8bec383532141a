-- The first visit: what was found, what is believed, what is measured, computed, compared, promised and changed.
-- What nobody asks for by column (a drawn shape, a calculator's input) is kept as JSON, checked by the door's schemas.

ALTER TABLE area ADD COLUMN side TEXT NOT NULL DEFAULT '';
ALTER TABLE area ADD COLUMN sleeping INTEGER NOT NULL DEFAULT 0 CHECK (sleeping IN (0, 1));

CREATE TABLE change_order (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  number INTEGER NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('addition', 'omission')),
  title TEXT NOT NULL,
  why TEXT NOT NULL DEFAULT '',
  lines TEXT NOT NULL,
  markup REAL NOT NULL CHECK (markup BETWEEN 0 AND 5),
  tax_rate REAL NOT NULL CHECK (tax_rate BETWEEN 0 AND 1),
  -- Work it adds: trade, half-days, after which step. NULL where it adds none.
  work TEXT,
  -- Steps and lines of scope that fall away.
  drops TEXT NOT NULL DEFAULT '[]',
  omits TEXT NOT NULL DEFAULT '[]',
  state TEXT NOT NULL CHECK (state IN ('draft', 'sent', 'approved', 'declined')),
  -- The finish before and after, as the plan said when it was sent.
  finish_before TEXT,
  finish_after TEXT,
  sent_at TEXT,
  answered_at TEXT,
  answered_by TEXT,
  answer TEXT NOT NULL DEFAULT '',
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (job, number)
) STRICT;
CREATE INDEX change_order_area ON change_order (area);

ALTER TABLE scope_item ADD COLUMN selection TEXT REFERENCES selection (id);
ALTER TABLE scope_item ADD COLUMN measure TEXT;
ALTER TABLE scope_item ADD COLUMN change_order TEXT REFERENCES change_order (id);
ALTER TABLE scope_item ADD COLUMN removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1));
CREATE INDEX scope_item_selection ON scope_item (selection) WHERE selection IS NOT NULL;
CREATE INDEX scope_item_change ON scope_item (change_order) WHERE change_order IS NOT NULL;

CREATE TABLE finding (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT REFERENCES area (id),
  kind TEXT NOT NULL CHECK (kind IN ('penetration', 'service', 'refit', 'salvage', 'damage', 'allowance', 'site-choice', 'approval', 'access', 'neighbour', 'boundary', 'animals', 'parking')),
  subject TEXT NOT NULL,
  quantity REAL,
  unit TEXT NOT NULL DEFAULT '',
  need TEXT NOT NULL DEFAULT '',
  live INTEGER CHECK (live IN (0, 1)),
  place TEXT NOT NULL DEFAULT '',
  cause TEXT NOT NULL DEFAULT '',
  remedy TEXT NOT NULL DEFAULT '',
  allowed REAL,
  unit_price INTEGER,
  lead_days INTEGER,
  options TEXT NOT NULL DEFAULT '[]',
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX finding_job ON finding (job);
CREATE INDEX finding_area ON finding (area) WHERE area IS NOT NULL;

-- A drawn area: a room by its walls, a face by its sections, a roof, a drain.
CREATE TABLE shape (
  area TEXT PRIMARY KEY REFERENCES area (id),
  shape TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1
) STRICT, WITHOUT ROWID;

CREATE TABLE opening (
  id TEXT PRIMARY KEY,
  area TEXT NOT NULL REFERENCES area (id),
  opening TEXT NOT NULL,
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX opening_area ON opening (area);

CREATE TABLE placed (
  id TEXT PRIMARY KEY,
  area TEXT NOT NULL REFERENCES area (id),
  placed TEXT NOT NULL,
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX placed_area ON placed (area);

-- The two sides of one wall, both ways round.
CREATE TABLE shared_wall (
  one TEXT NOT NULL REFERENCES area (id),
  one_wall INTEGER NOT NULL,
  other TEXT NOT NULL REFERENCES area (id),
  other_wall INTEGER NOT NULL,
  PRIMARY KEY (one, one_wall)
) STRICT, WITHOUT ROWID;
CREATE INDEX shared_wall_other ON shared_wall (other);

-- Levels against the job's one datum.
CREATE TABLE level_mark (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  name TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('floor', 'ground', 'step', 'footing', 'invert', 'sill')),
  mm REAL NOT NULL,
  typed TEXT NOT NULL,
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX level_mark_job ON level_mark (job);

-- A calculator's result kept in an area: computed again when what it is fed with changes.
CREATE TABLE calculation (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  scope_item TEXT REFERENCES scope_item (id),
  calculator TEXT NOT NULL,
  product TEXT NOT NULL DEFAULT '',
  input TEXT NOT NULL,
  fed TEXT NOT NULL DEFAULT '{}',
  output TEXT,
  purchases TEXT NOT NULL DEFAULT '[]',
  -- Why it cannot be computed at the moment; the last result then stands no longer.
  problem TEXT,
  unit_price INTEGER,
  supplier TEXT NOT NULL DEFAULT '',
  trade TEXT,
  phase TEXT,
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX calculation_job ON calculation (job);
CREATE INDEX calculation_area ON calculation (area);
CREATE INDEX calculation_scope_item ON calculation (scope_item) WHERE scope_item IS NOT NULL;

-- Believed and not yet seen, with the step that will show it and what follows if it is otherwise.
CREATE TABLE assumption (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  text TEXT NOT NULL,
  why TEXT NOT NULL DEFAULT '',
  fallback TEXT NOT NULL,
  fallback_trade TEXT NOT NULL,
  fallback_half_days INTEGER NOT NULL CHECK (fallback_half_days BETWEEN 0 AND 400),
  fallback_price INTEGER NOT NULL DEFAULT 0 CHECK (fallback_price >= 0),
  state TEXT NOT NULL CHECK (state IN ('open', 'held', 'wrong')),
  found TEXT NOT NULL DEFAULT '',
  settled_at TEXT,
  settled_by TEXT REFERENCES person (id),
  settled_walk TEXT REFERENCES walk (id),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX assumption_job ON assumption (job);
CREATE INDEX assumption_area ON assumption (area);
CREATE INDEX assumption_settled_by ON assumption (settled_by) WHERE settled_by IS NOT NULL;
CREATE INDEX assumption_settled_walk ON assumption (settled_walk) WHERE settled_walk IS NOT NULL;

-- Work that no track has: from an assumption that was wrong, or from a change.
CREATE TABLE extra_work (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  text TEXT NOT NULL,
  trade TEXT NOT NULL,
  half_days INTEGER NOT NULL CHECK (half_days BETWEEN 1 AND 400),
  after_phase TEXT,
  reason TEXT NOT NULL,
  assumption TEXT REFERENCES assumption (id),
  change_order TEXT REFERENCES change_order (id),
  state TEXT NOT NULL CHECK (state IN ('open', 'done', 'dropped')),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX extra_work_job ON extra_work (job);
CREATE INDEX extra_work_area ON extra_work (area);
CREATE INDEX extra_work_assumption ON extra_work (assumption) WHERE assumption IS NOT NULL;
CREATE INDEX extra_work_change ON extra_work (change_order) WHERE change_order IS NOT NULL;

-- Ways of doing one thing, side by side, and which was chosen.
CREATE TABLE option_set (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  subject TEXT NOT NULL,
  options TEXT NOT NULL,
  chosen TEXT,
  reason TEXT NOT NULL DEFAULT '',
  chosen_at TEXT,
  chosen_by TEXT REFERENCES person (id),
  -- What was done in the area before the choice, so that it can be taken back.
  works_before TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX option_set_job ON option_set (job);
CREATE INDEX option_set_area ON option_set (area);
CREATE INDEX option_set_chosen_by ON option_set (chosen_by) WHERE chosen_by IS NOT NULL;

CREATE TABLE decision (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT REFERENCES area (id),
  subject TEXT NOT NULL,
  reason TEXT NOT NULL,
  made_at TEXT NOT NULL,
  made_by TEXT REFERENCES person (id),
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX decision_job ON decision (job);
CREATE INDEX decision_area ON decision (area) WHERE area IS NOT NULL;
CREATE INDEX decision_made_by ON decision (made_by) WHERE made_by IS NOT NULL;

-- What the client reads and agrees to, frozen on its day. Agreed ones are never changed.
CREATE TABLE statement (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  number INTEGER NOT NULL,
  made_at TEXT NOT NULL,
  made_by TEXT REFERENCES person (id),
  content TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('made', 'sent', 'agreed')),
  sent_at TEXT,
  agreed_at TEXT,
  agreed_by TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  UNIQUE (job, number)
) STRICT;
CREATE INDEX statement_made_by ON statement (made_by) WHERE made_by IS NOT NULL;
