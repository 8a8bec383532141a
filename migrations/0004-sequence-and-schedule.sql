-- The order of the work as the firm's own knowledge, what decides days besides it, and what became of plans.

-- A rule written by the firm (job NULL) or for one job: one step before another, in the form of the rules that ship.
CREATE TABLE own_rule (
  number INTEGER PRIMARY KEY CHECK (number >= 200),
  id TEXT NOT NULL UNIQUE,
  job TEXT REFERENCES job (id),
  before_phase TEXT NOT NULL,
  after_phase TEXT NOT NULL,
  within TEXT NOT NULL CHECK (within IN ('area', 'beside', 'route', 'job')),
  kind TEXT NOT NULL CHECK (kind IN ('FS', 'SS', 'FF')),
  lag INTEGER NOT NULL CHECK (lag BETWEEN 0 AND 400),
  lag_unit TEXT NOT NULL CHECK (lag_unit IN ('work', 'elapsed')),
  strength TEXT NOT NULL CHECK (strength IN ('hard', 'soft')),
  reason TEXT NOT NULL,
  removed INTEGER NOT NULL DEFAULT 0 CHECK (removed IN (0, 1)),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX own_rule_job ON own_rule (job);

-- Whether a rule holds: for the firm, for a job, for one area of it; the narrowest word counts.
CREATE TABLE rule_switch (
  id TEXT PRIMARY KEY,
  rule INTEGER NOT NULL,
  job TEXT REFERENCES job (id),
  area TEXT REFERENCES area (id),
  holds INTEGER NOT NULL CHECK (holds IN (0, 1)),
  reason TEXT NOT NULL,
  CHECK (area IS NULL OR job IS NOT NULL)
) STRICT;
CREATE UNIQUE INDEX rule_switch_one ON rule_switch (rule, coalesce(job, ''), coalesce(area, ''));
CREATE INDEX rule_switch_job ON rule_switch (job);
CREATE INDEX rule_switch_area ON rule_switch (area);

-- Which of two ways of working is followed; side NULL says: the usual order, whatever the wider choice is.
CREATE TABLE school_choice (
  id TEXT PRIMARY KEY,
  school TEXT NOT NULL,
  job TEXT REFERENCES job (id),
  area TEXT REFERENCES area (id),
  side TEXT,
  CHECK (area IS NULL OR job IS NOT NULL)
) STRICT;
CREATE UNIQUE INDEX school_choice_one ON school_choice (school, coalesce(job, ''), coalesce(area, ''));
CREATE INDEX school_choice_job ON school_choice (job);
CREATE INDEX school_choice_area ON school_choice (area);

-- Where half-days come from: the size of the room, a quantity over a rate, or somebody's word. Crews work at once.
ALTER TABLE step ADD COLUMN basis TEXT NOT NULL DEFAULT 'size' CHECK (basis IN ('size', 'quantity', 'hand'));
ALTER TABLE step ADD COLUMN crews INTEGER NOT NULL DEFAULT 1 CHECK (crews BETWEEN 1 AND 20);
-- Work by others: waited for, not commanded.
ALTER TABLE step ADD COLUMN others TEXT;
ALTER TABLE step ADD COLUMN others_on TEXT;

-- What one crew does in half a day, where the firm measured it otherwise than the figures that ship.
CREATE TABLE rate (
  phase TEXT PRIMARY KEY,
  per_half_day REAL NOT NULL CHECK (per_half_day > 0)
) STRICT, WITHOUT ROWID;

-- A step done in several parts, in order; the last one carries on what follows.
CREATE TABLE step_part (
  area TEXT NOT NULL,
  phase TEXT NOT NULL,
  part INTEGER NOT NULL CHECK (part BETWEEN 1 AND 9),
  label TEXT NOT NULL,
  half_days INTEGER NOT NULL CHECK (half_days BETWEEN 1 AND 400),
  PRIMARY KEY (area, phase, part),
  FOREIGN KEY (area, phase) REFERENCES step (area, phase) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;

-- A gate or milestone: all of one kind of end before, all of the other after; with `together` those after follow one another.
CREATE TABLE gate (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  label TEXT NOT NULL,
  reason TEXT NOT NULL,
  not_before TEXT,
  together INTEGER NOT NULL DEFAULT 0 CHECK (together IN (0, 1))
) STRICT;
CREATE INDEX gate_job ON gate (job);
CREATE TABLE gate_end (
  gate TEXT NOT NULL REFERENCES gate (id) ON DELETE CASCADE,
  side TEXT NOT NULL CHECK (side IN ('before', 'after')),
  place INTEGER NOT NULL,
  area TEXT NOT NULL,
  phase TEXT NOT NULL,
  PRIMARY KEY (gate, side, area, phase),
  FOREIGN KEY (area, phase) REFERENCES step (area, phase) ON DELETE CASCADE
) STRICT, WITHOUT ROWID;
CREATE INDEX gate_end_step ON gate_end (area, phase);

CREATE TABLE pin (
  task TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  day TEXT NOT NULL,
  half INTEGER NOT NULL CHECK (half IN (0, 1)),
  reason TEXT NOT NULL,
  made_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
CREATE INDEX pin_job ON pin (job);

-- Who inspects what, on which weekdays (0 Sunday), and how many working days before one has to book.
CREATE TABLE office (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  phases TEXT NOT NULL,
  weekdays TEXT NOT NULL,
  notice_days INTEGER NOT NULL CHECK (notice_days BETWEEN 0 AND 60),
  visits_a_day INTEGER NOT NULL CHECK (visits_a_day BETWEEN 1 AND 20),
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE TABLE inspection (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  office TEXT NOT NULL REFERENCES office (id),
  asked_on TEXT NOT NULL,
  day TEXT NOT NULL,
  half INTEGER NOT NULL CHECK (half IN (0, 1)),
  state TEXT NOT NULL CHECK (state IN ('booked', 'passed', 'failed', 'cancelled')),
  words TEXT NOT NULL DEFAULT '',
  settled_at TEXT,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE INDEX inspection_job ON inspection (job);
CREATE INDEX inspection_area ON inspection (area, phase);
CREATE INDEX inspection_office ON inspection (office, day);

-- What has to be there before work can be done: a bin, a scaffold, a permit to park, a word to the neighbours.
CREATE TABLE logistic (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  kind TEXT NOT NULL CHECK (kind IN ('bin', 'scaffold', 'crane', 'pump', 'parking', 'neighbours', 'other')),
  label TEXT NOT NULL,
  area TEXT NOT NULL,
  phase TEXT NOT NULL,
  lead_days INTEGER NOT NULL CHECK (lead_days BETWEEN 0 AND 200),
  state TEXT NOT NULL CHECK (state IN ('open', 'booked', 'here', 'dropped')),
  booked_on TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  FOREIGN KEY (area, phase) REFERENCES step (area, phase) ON DELETE CASCADE
) STRICT;
CREATE INDEX logistic_job ON logistic (job);
CREATE INDEX logistic_step ON logistic (area, phase);

-- Plant of the firm's own or on hire: so many of it over all jobs, for the steps that need it, and when some are broken.
CREATE TABLE plant (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  units INTEGER NOT NULL CHECK (units BETWEEN 1 AND 50),
  phases TEXT NOT NULL,
  version INTEGER NOT NULL DEFAULT 1
) STRICT;
CREATE TABLE plant_down (
  id TEXT PRIMARY KEY,
  plant TEXT NOT NULL REFERENCES plant (id),
  first_day TEXT NOT NULL,
  last_day TEXT NOT NULL CHECK (last_day >= first_day),
  units INTEGER NOT NULL CHECK (units >= 1),
  reason TEXT NOT NULL
) STRICT;
CREATE INDEX plant_down_plant ON plant_down (plant);

-- The outlook by half-day as it was last said, and how many days of a month are usually wet, windy or frosty.
CREATE TABLE outlook (
  day TEXT NOT NULL,
  half INTEGER NOT NULL CHECK (half IN (0, 1)),
  rain REAL NOT NULL CHECK (rain >= 0),
  wind REAL NOT NULL CHECK (wind >= 0),
  low REAL NOT NULL,
  said_at TEXT NOT NULL,
  PRIMARY KEY (day, half)
) STRICT, WITHOUT ROWID;
CREATE TABLE normal (
  month INTEGER PRIMARY KEY CHECK (month BETWEEN 1 AND 12),
  wet REAL NOT NULL,
  windy REAL NOT NULL,
  frosty REAL NOT NULL
) STRICT;

-- Busy half-days that a sub's own calendar told of.
CREATE TABLE busy (
  sub TEXT NOT NULL REFERENCES sub (id),
  day TEXT NOT NULL,
  half INTEGER NOT NULL CHECK (half IN (0, 1)),
  words TEXT NOT NULL,
  PRIMARY KEY (sub, day, half)
) STRICT, WITHOUT ROWID;
CREATE TABLE busy_source (
  sub TEXT PRIMARY KEY REFERENCES sub (id),
  name TEXT NOT NULL,
  events INTEGER NOT NULL,
  read_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;

-- The plan of a job as it was promised or agreed, kept to measure against.
CREATE TABLE baseline (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  name TEXT NOT NULL,
  made_at TEXT NOT NULL,
  origin TEXT NOT NULL,
  finish_day TEXT,
  tasks TEXT NOT NULL
) STRICT;
CREATE INDEX baseline_job ON baseline (job, made_at);

-- What every new plan moved and why it was computed: the causes of slip. Half-days worked, later is over 0; task NULL is the job's end.
CREATE TABLE plan_move (
  id INTEGER PRIMARY KEY,
  version INTEGER NOT NULL,
  made_at TEXT NOT NULL,
  job TEXT NOT NULL REFERENCES job (id),
  task TEXT,
  halves INTEGER NOT NULL,
  cause TEXT NOT NULL
) STRICT;
CREATE INDEX plan_move_job ON plan_move (job, task);

-- What calendars outside were told of each piece of work, so that a change goes out as a change of the same event.
CREATE TABLE calendar_event (
  task TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  sub TEXT,
  label TEXT NOT NULL,
  first_day TEXT NOT NULL,
  first_half INTEGER NOT NULL,
  last_day TEXT NOT NULL,
  last_half INTEGER NOT NULL,
  sequence INTEGER NOT NULL,
  cancelled INTEGER NOT NULL CHECK (cancelled IN (0, 1)),
  changed_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
CREATE INDEX calendar_event_job ON calendar_event (job);
CREATE INDEX calendar_event_sub ON calendar_event (sub);
CREATE TABLE feed (
  id TEXT PRIMARY KEY,
  kind TEXT NOT NULL CHECK (kind IN ('job', 'sub', 'person')),
  target TEXT NOT NULL,
  token_hash TEXT NOT NULL UNIQUE,
  made_at TEXT NOT NULL,
  closed_at TEXT
) STRICT;

-- A longer search for a better plan: asked for, under way, done or stopped.
CREATE TABLE plan_search (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  state TEXT NOT NULL CHECK (state IN ('asked', 'running', 'stopping', 'done')),
  schedules INTEGER NOT NULL,
  seed INTEGER NOT NULL,
  made INTEGER NOT NULL DEFAULT 0,
  words TEXT NOT NULL DEFAULT '',
  asked_at TEXT NOT NULL
) STRICT;

ALTER TABLE firm ADD COLUMN trip_weight INTEGER NOT NULL DEFAULT 2 CHECK (trip_weight BETWEEN 0 AND 100);
ALTER TABLE job ADD COLUMN weight INTEGER NOT NULL DEFAULT 1 CHECK (weight BETWEEN 1 AND 10);
