-- A client goes by the last day they were told; what nobody was told is the plan's alone.
CREATE TABLE told_end (
  job TEXT PRIMARY KEY REFERENCES job (id),
  day TEXT NOT NULL,
  said_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
INSERT INTO told_end SELECT job, day, said_at FROM end_day WHERE said_at IS NOT NULL;
DROP TABLE end_day;
ALTER TABLE told_end RENAME TO end_day;
