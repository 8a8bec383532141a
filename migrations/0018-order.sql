-- The wall between two areas comes out: they become one room.
ALTER TABLE beside ADD COLUMN opens INTEGER NOT NULL DEFAULT 0 CHECK (opens IN (0, 1));

-- Work of the whole job that somebody has said is done: alarms tried, heat started, dust doors up.
CREATE TABLE job_task_done (
  job TEXT NOT NULL REFERENCES job (id),
  task TEXT NOT NULL,
  done_on TEXT NOT NULL,
  by TEXT NOT NULL,
  PRIMARY KEY (job, task)
) STRICT;

-- Who looked, and the paper they left; which of the things to be looked at the visit was for (none named: all of them).
ALTER TABLE inspection ADD COLUMN by TEXT NOT NULL DEFAULT '';
ALTER TABLE inspection ADD COLUMN slip TEXT REFERENCES picture (hash);
ALTER TABLE inspection ADD COLUMN kinds TEXT NOT NULL DEFAULT '[]';
-- Which of them an office looks at, where it does not look at all.
ALTER TABLE office ADD COLUMN kinds TEXT NOT NULL DEFAULT '[]';

-- A service in the way of the work: proved dead, or marked and kept live, by whom and when.
ALTER TABLE finding ADD COLUMN proved TEXT CHECK (proved IN ('dead', 'kept'));
ALTER TABLE finding ADD COLUMN proved_by TEXT NOT NULL DEFAULT '';
ALTER TABLE finding ADD COLUMN proved_on TEXT;

-- Something is opened although nothing that closes it has a day: decided by somebody, with a reason.
CREATE TABLE opened_anyway (
  area TEXT NOT NULL REFERENCES area (id),
  phase TEXT NOT NULL,
  decision TEXT NOT NULL REFERENCES decision (id),
  PRIMARY KEY (area, phase)
) STRICT;
CREATE INDEX opened_anyway_decision ON opened_anyway (decision);

-- Something is left on purpose until its step is done, because it protects; then it is taken away.
ALTER TABLE extra_work ADD COLUMN left_for TEXT NOT NULL DEFAULT '';
