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
