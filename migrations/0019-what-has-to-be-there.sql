-- What has to be there: where it stands, between which hours, how much of it, whom to call; what of the works asked for it.
CREATE TABLE logistic_now (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job (id),
  kind TEXT NOT NULL CHECK (
    kind IN ('bin', 'spoil', 'scaffold', 'crane', 'pump', 'parking', 'drop', 'neighbours', 'other')
  ),
  label TEXT NOT NULL,
  area TEXT NOT NULL,
  phase TEXT NOT NULL,
  lead_days INTEGER NOT NULL CHECK (lead_days BETWEEN 0 AND 200),
  state TEXT NOT NULL CHECK (state IN ('open', 'booked', 'here', 'dropped')),
  booked_on TEXT,
  version INTEGER NOT NULL DEFAULT 1,
  place TEXT NOT NULL DEFAULT '',
  from_hour TEXT,
  to_hour TEXT,
  how_much TEXT NOT NULL DEFAULT '',
  contact TEXT NOT NULL DEFAULT '',
  phone TEXT NOT NULL DEFAULT '',
  proposal TEXT NOT NULL DEFAULT '',
  FOREIGN KEY (area, phase) REFERENCES step (area, phase) ON DELETE CASCADE
) STRICT;
INSERT INTO logistic_now (id, job, kind, label, area, phase, lead_days, state, booked_on, version)
  SELECT id, job, kind, label, area, phase, lead_days, state, booked_on, version FROM logistic ORDER BY rowid;
DROP TABLE logistic;
ALTER TABLE logistic_now RENAME TO logistic;
CREATE INDEX logistic_job ON logistic (job);
CREATE INDEX logistic_step ON logistic (area, phase);

-- Whose thing was found: a pipe is the plumber's.
ALTER TABLE finding ADD COLUMN trade TEXT;
