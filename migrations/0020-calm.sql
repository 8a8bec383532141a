-- The half-day on which a visit stands, and which one whoever comes was told last, with what they said to it.
CREATE TABLE visit_day (
  task TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  crew TEXT NOT NULL,
  day TEXT NOT NULL,
  half INTEGER NOT NULL CHECK (half IN (0, 1)),
  said TEXT NOT NULL DEFAULT 'nothing' CHECK (said IN ('nothing', 'told', 'asked', 'confirmed', 'declined')),
  told_day TEXT,
  told_half INTEGER CHECK (told_half IN (0, 1)),
  said_at TEXT,
  said_by TEXT NOT NULL DEFAULT '',
  note TEXT NOT NULL DEFAULT '',
  CHECK ((said = 'nothing') = (told_day IS NULL))
) STRICT, WITHOUT ROWID;
CREATE INDEX visit_day_job ON visit_day (job);

-- The last day that a job's client goes by.
CREATE TABLE end_day (
  job TEXT PRIMARY KEY REFERENCES job (id),
  day TEXT NOT NULL,
  said_at TEXT
) STRICT, WITHOUT ROWID;

-- Trades that a sub does besides the one they are listed under.
CREATE TABLE sub_trade (
  sub TEXT NOT NULL REFERENCES sub (id),
  trade TEXT NOT NULL,
  PRIMARY KEY (sub, trade)
) STRICT, WITHOUT ROWID;

-- Working days from today in which nothing moves without need; what a day's move of a visit counts against half-days.
ALTER TABLE firm ADD COLUMN frozen_days INTEGER NOT NULL DEFAULT 3 CHECK (frozen_days BETWEEN 0 AND 10);
ALTER TABLE firm ADD COLUMN move_weight INTEGER NOT NULL DEFAULT 4 CHECK (move_weight BETWEEN 0 AND 100);

-- A better plan that was found: it is proposed, and kept only when somebody takes it.
ALTER TABLE plan_search ADD COLUMN found TEXT;
ALTER TABLE plan_search ADD COLUMN better_than INTEGER;

-- Times in which the household or the neighbours want quiet: nothing loud, or nothing at all, in a job or one area of it.
CREATE TABLE quiet (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  area TEXT REFERENCES area (id),
  covers TEXT NOT NULL CHECK (covers IN ('loud', 'all')),
  half INTEGER CHECK (half IN (0, 1)),
  weekdays TEXT NOT NULL DEFAULT '[]',
  first_day TEXT NOT NULL,
  last_day TEXT CHECK (last_day >= first_day),
  words TEXT NOT NULL,
  observation TEXT
) STRICT;
CREATE INDEX quiet_job ON quiet (job);
CREATE INDEX quiet_area ON quiet (area);
