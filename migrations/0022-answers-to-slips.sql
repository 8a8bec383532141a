-- What was taken as the answer to a slip, and what it was said to bring, to be compared with what came.
CREATE TABLE slip_answer (
  id TEXT PRIMARY KEY,
  job TEXT NOT NULL REFERENCES job,
  -- What slipped: a selection or a piece of work, by its id.
  selection TEXT REFERENCES selection,
  task TEXT,
  title TEXT NOT NULL,
  taken_on TEXT NOT NULL,
  by TEXT NOT NULL DEFAULT '',
  -- The last day of the job by this answer, and had nobody acted.
  ends TEXT NOT NULL,
  would_end TEXT NOT NULL,
  CHECK ((selection IS NULL) <> (task IS NULL))
) STRICT;
CREATE INDEX slip_answer_job ON slip_answer (job);
