-- When whoever was told a day came, as walks saw it: what a forecast takes a sub's word by.
CREATE TABLE visit_came (
  task TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job,
  crew TEXT NOT NULL,
  told_day TEXT NOT NULL,
  came_day TEXT NOT NULL
) STRICT, WITHOUT ROWID;
CREATE INDEX visit_came_job ON visit_came (job);
