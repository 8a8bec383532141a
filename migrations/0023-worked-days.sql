-- Days off on which a job is worked all the same: a Saturday that somebody agreed to.
CREATE TABLE worked_day (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job,
  day TEXT NOT NULL,
  words TEXT NOT NULL DEFAULT '',
  UNIQUE (job, day)
) STRICT;
